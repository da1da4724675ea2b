import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

/** The project's own folder. */
export const ROOT = join(dirname(fileURLToPath(import.meta.url)), '../..');
/** Everything that this machine alone keeps: the database, the builds' stamps, the running state. */
export const DATA = resolve(process.env.DINESIS_DATA || join(ROOT, '.data'));
export const DEMO_KIT = join(ROOT, 'demo/lamp-at-morrowskerry.kit.json');
