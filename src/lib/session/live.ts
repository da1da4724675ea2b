/**
 * Hears of changes as they are made, anywhere. A browser has one line for all its tabs: whoever holds the lock has it and passes on to the
 * others what comes; when that tab goes, the next one takes over. Numbers only; who hears one asks for what it does not have.
 */
const LOCK = 'dinesis live';

interface Told {
	readonly project?: string;
	readonly number?: number;
	readonly here?: boolean;
}

export interface Heard {
	/** The project has come to this number; Infinity: something may have been missed. */
	changed(number: number): void;
	/** Somebody came, went, or turned to something else. */
	people(): void;
}

/** Tells what happens in a project, from now on. Returns what ends it. */
export function listenToChanges(project: string, heard: Heard): () => void {
	if (typeof EventSource === 'undefined') return () => undefined;
	const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(LOCK);
	let source: EventSource | null = null;
	let over: () => void = () => undefined;
	const ended = new Promise<void>((resolve) => (over = resolve));
	const take = (told: Told): void => {
		if (told.project === undefined) heard.changed(Infinity);
		else if (told.project !== project) return;
		else if (told.here) heard.people();
		else heard.changed(told.number!);
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
