import { beforeEach, describe, expect, it, vi } from 'vitest';
import { newPreset } from 'dinesis-runtime/tools';
import { MotionWorker } from './motion';

/** Jobs that the worker was given, in order, each answered when the test says so. */
let given: { readonly id: string; readonly answer: (value: unknown) => void }[] = [];
const ended = vi.fn();
vi.mock('comlink', () => ({
	wrap: () => ({
		card: ({ id }: { id: string }) => new Promise((answer) => given.push({ id, answer })),
		neighbours: ({ id }: { id: string }) => new Promise((answer) => given.push({ id, answer }))
	})
}));
beforeEach(() => {
	given = [];
	ended.mockClear();
	vi.stubGlobal(
		'Worker',
		class {
			terminate = ended;
		}
	);
});
const preset = (id: string) => newPreset(id, id);
const ids = (): string[] => given.map(({ id }) => id);
/** The queue is fetched with the first wish. */
const begun = (): Promise<unknown> => vi.waitFor(() => expect(given.length).toBeGreaterThan(0));
async function answer(): Promise<void> {
	given.at(-1)!.answer({});
	await vi.waitFor(() => undefined);
	await new Promise((next) => setTimeout(next));
}

describe('the worker that measures', () => {
	it('has one job at a time: the newest wish first, then what was asked without haste, in its order', async () => {
		const worker = new MotionWorker();
		void worker.card(preset('running'), false);
		for (const id of ['later 1', 'later 2']) void worker.card(preset(id), false);
		for (const id of ['soon 1', 'soon 2']) void worker.card(preset(id));
		await begun();
		expect(ids()).toEqual(['running']);
		for (let i = 0; i < 4; i++) await answer();
		expect(ids()).toEqual(['running', 'soon 2', 'soon 1', 'later 1', 'later 2']);
	});

	it('one that fails lets the next one go on', async () => {
		const worker = new MotionWorker();
		const [first, second] = [worker.card(preset('a')), worker.card(preset('b'))];
		await begun();
		given[0]!.answer(Promise.reject(new Error('no memory')));
		await expect(first).rejects.toThrow('no memory');
		await vi.waitFor(() => expect(ids()).toEqual(['a', 'b']));
		given[1]!.answer({ done: true });
		expect(await second).toEqual({ done: true });
	});

	it('closed, it answers nobody any more, also not who is served just now', async () => {
		const worker = new MotionWorker();
		const asked = [worker.card(preset('a')), worker.card(preset('b'), false)];
		await begun();
		worker.close();
		for (const one of asked) await expect(one).rejects.toThrow('The worker was closed.');
		expect(ended).toHaveBeenCalledOnce();
		expect(ids()).toEqual(['a']);
	});

	it('closed before its queue was here, it begins nothing', async () => {
		const worker = new MotionWorker();
		const asked = worker.card(preset('a'));
		worker.close();
		await expect(asked).rejects.toThrow('The worker was closed.');
		expect(ids()).toEqual([]);
	});
});
