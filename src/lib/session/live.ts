/**
 * Hears of changes as they are made, anywhere. A browser has one line for all its tabs: whoever holds the lock has it and passes on to the
 * others what comes; when that tab goes, the next one takes over. Numbers only; who hears one asks for what it does not have.
 */
const LOCK = 'dinesis live';

interface Told {
	readonly project?: string;
	readonly number?: number;
}

/** Calls back with a project's last number whenever it changes, and with Infinity when something may have been missed. Returns what ends it. */
export function listenToChanges(project: string, heard: (number: number) => void): () => void {
	if (typeof EventSource === 'undefined') return () => undefined;
	const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(LOCK);
	let source: EventSource | null = null;
	let over: () => void = () => undefined;
	const ended = new Promise<void>((resolve) => (over = resolve));
	const take = (told: Told): void => {
		if (told.project === undefined) heard(Infinity);
		else if (told.project === project) heard(told.number!);
	};
	const lead = (): void => {
		source = new EventSource('/api/live');
		source.onmessage = ({ data }: MessageEvent<string>) => {
			const told = JSON.parse(data) as Told;
			channel?.postMessage(told);
			take(told);
		};
	};
	if (channel) channel.onmessage = ({ data }: MessageEvent<Told>) => take(data);
	if (navigator.locks && channel)
		void navigator.locks
			.request(LOCK, () => {
				lead();
				return ended;
			})
			.catch(() => undefined);
	else lead();
	return () => {
		source?.close();
		channel?.close();
		over();
	};
}
