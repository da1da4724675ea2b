import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { listenToChanges } from './live';

/** Every channel of one name hears what the others say. */
class Channel {
	static all: Channel[] = [];
	onmessage: ((event: { data: unknown }) => void) | null = null;
	constructor() {
		Channel.all.push(this);
	}
	postMessage(data: unknown): void {
		for (const other of Channel.all) if (other !== this) other.onmessage?.({ data });
	}
	close(): void {
		Channel.all = Channel.all.filter((other) => other !== this);
	}
}

class Source {
	static open: Source[] = [];
	onmessage: ((event: { data: string }) => void) | null = null;
	constructor(readonly address: string) {
		Source.open.push(this);
	}
	close(): void {
		Source.open = Source.open.filter((other) => other !== this);
	}
	say(told: object): void {
		this.onmessage?.({ data: JSON.stringify(told) });
	}
}

/** One lock, handed on in the order in which it was asked for. */
class Locks {
	private last: Promise<unknown> = Promise.resolve();
	request(_: string, work: () => Promise<unknown>): Promise<unknown> {
		return (this.last = this.last.then(work));
	}
}

const settle = (): Promise<void> => new Promise((done) => setTimeout(done));
function tab(project = 'p') {
	const heard: unknown[] = [];
	const end = listenToChanges(project, {
		changed: (number) => heard.push(number),
		people: () => heard.push('people')
	});
	return { heard, end };
}

beforeEach(() => {
	Channel.all = [];
	Source.open = [];
	vi.stubGlobal('EventSource', Source);
	vi.stubGlobal('BroadcastChannel', Channel);
	vi.stubGlobal('navigator', { locks: new Locks() });
});
afterEach(() => vi.unstubAllGlobals());

describe('one line for a browser', () => {
	it('is held by one tab, and what it hears the others hear', async () => {
		const [one, two] = [tab(), tab()];
		await settle();
		expect(Source.open.map(({ address }) => address)).toEqual(['/api/live']);
		Source.open[0]!.say({ project: 'p', number: 7 });
		Source.open[0]!.say({ project: 'p', here: true });
		expect([one.heard, two.heard]).toEqual([
			[7, 'people'],
			[7, 'people']
		]);
		one.end();
		two.end();
	});

	it('goes to the next tab when the one that has it is closed', async () => {
		const [one, two] = [tab(), tab()];
		await settle();
		one.end();
		await settle();
		expect(Source.open).toHaveLength(1);
		Source.open[0]!.say({ project: 'p', number: 8 });
		expect([one.heard, two.heard]).toEqual([[], [8]]);
		two.end();
		expect(Source.open).toEqual([]);
	});

	it('tells of one’s own project alone; of what may have been missed it tells all', async () => {
		const [one, two] = [tab('p'), tab('q')];
		await settle();
		Source.open[0]!.say({ project: 'q', number: 3 });
		Source.open[0]!.say({});
		expect([one.heard, two.heard]).toEqual([[Infinity], [3, Infinity]]);
	});

	it('without locks each tab has its own; without the means there is none', async () => {
		vi.stubGlobal('navigator', {});
		const [one, two] = [tab(), tab()];
		expect(Source.open).toHaveLength(2);
		one.end();
		two.end();
		vi.stubGlobal('EventSource', undefined);
		tab().end();
		expect(Source.open).toEqual([]);
	});
});
