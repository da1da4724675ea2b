import base from './playwright.config';
export default { ...base, retries: 0, timeout: 90_000, expect: { timeout: 9_000 }, reporter: [['list']] as any };
