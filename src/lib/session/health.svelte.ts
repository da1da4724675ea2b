/** Whether the server and its database are well, asked now and then while somebody looks; a word of it in every page. */
export const AWAY = 'Dinesis does not answer. What you change is held in this browser until it does.';
export const KEY_ASKED =
	'The access key is asked for again: reload the page to enter it. What you change is held in this browser.';
const EVERY_MS = 8000;
/** Once something is wrong one wants to know soon that it is right again. */
const SOON_MS = 2000;

export type Ask = () => Promise<{ readonly ok: boolean; readonly status: number; json(): Promise<unknown> }>;

const askServer: Ask = () => fetch('/api/health', { signal: AbortSignal.timeout(12_000) });

export class Health {
	/** What is wrong, in a sentence; empty: nothing. */
	message = $state('');

	constructor(private readonly ask: Ask = askServer) {}

	/** Asks once. */
	async look(): Promise<void> {
		try {
			const answer = await this.ask();
			if (answer.ok) this.message = '';
			else if (answer.status === 401) this.message = KEY_ASKED;
			else this.message = ((await answer.json().catch(() => ({}))) as { message?: string }).message || AWAY;
		} catch {
			this.message = AWAY;
		}
	}

	/** Asks from now on, while the page is seen. Returns how to end it. */
	watch(): () => void {
		let timer: ReturnType<typeof setTimeout>;
		let over = false;
		const next = async (): Promise<void> => {
			if (document.visibilityState === 'visible') await this.look();
			if (!over) timer = setTimeout(() => void next(), this.message === '' ? EVERY_MS : SOON_MS);
		};
		timer = setTimeout(() => void next(), EVERY_MS);
		return () => {
			over = true;
			clearTimeout(timer);
		};
	}
}
