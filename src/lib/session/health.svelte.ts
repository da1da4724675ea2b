/** Whether the server and its database are well, asked now and then while somebody looks; a word of it in every page. */
export const AWAY = 'Dinesis does not answer. What you change is held in this browser until it does.';
export const KEY_ASKED =
	'The access key is asked for again. What you change is held in this browser until you have entered it.';
const EVERY_MS = 8000;
/** Once something is wrong one wants to know soon that it is right again. */
const SOON_MS = 2000;

export type Ask = () => Promise<{ readonly ok: boolean; readonly status: number; json(): Promise<unknown> }>;

const askServer: Ask = () => fetch('/api/health', { signal: AbortSignal.timeout(12_000) });

export class Health {
	/** What is wrong, in a sentence; empty: nothing. */
	message = $state('');

	/** The access key is asked for: it can be entered here. */
	keyAsked = $state(false);

	constructor(private readonly ask: Ask = askServer) {}

	/** Asks once. */
	async look(): Promise<void> {
		try {
			const answer = await this.ask();
			this.keyAsked = answer.status === 401;
			if (answer.ok) this.message = '';
			else if (answer.status === 401) this.message = KEY_ASKED;
			else this.message = ((await answer.json().catch(() => ({}))) as { message?: string }).message || AWAY;
		} catch {
			this.message = AWAY;
		}
	}

	/** Shows the key at the door. A sentence about what is wrong with it; empty: it is right, and everything goes on. */
	async enter(key: string): Promise<string> {
		try {
			const answer = await fetch('/key?to=%2F', {
				method: 'POST',
				headers: { 'content-type': 'application/x-www-form-urlencoded' },
				body: new URLSearchParams({ key }),
				redirect: 'manual'
			});
			if (answer.type === 'opaqueredirect' || answer.ok) {
				await this.look();
				return '';
			}
			if (answer.status === 429)
				return `Too many wrong keys. Wait ${answer.headers.get('retry-after') ?? 'a few'} seconds, then try again.`;
			return 'That is not the key. Nothing else was changed; try again.';
		} catch {
			return AWAY;
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
