import 'fake-indexeddb/auto';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { newPreset } from 'dinesis-runtime/tools';
import { openSession } from '$lib/session/testing/open-session';
import { idOf, Starters } from './starters.svelte';

afterEach(() => vi.unstubAllGlobals());

function opened(documents: Parameters<typeof openSession>[0] = []) {
	const { session, server } = openSession(documents);
	let found = $state.raw<readonly string[] | null>(null);
	const starters = new Starters(session, () => found);
	const of = (id: string) => starters.get(id)!;
	return { session, server, starters, of, find: (ids: readonly string[] | null) => (found = ids) };
}

describe('the starter sets in the Library', () => {
	it('are listed set by set under their headings; what is searched comes best first, within the set that is looked at', () => {
		const { starters, find } = opened();
		const { list, sets } = starters;
		expect(list.filter(({ heading }) => heading).map(({ heading }) => heading)).toEqual(sets.map(({ name }) => name));
		expect(list).toHaveLength(sets.reduce((sum, { members }) => sum + members.length, 0));
		find(['drill', 'engine-idles', 'nobody']);
		expect(starters.list.map(({ starter }) => idOf(starter))).toEqual(['drill', 'engine-idles']);
		expect([starters.counts.get('Tools and weapons'), starters.counts.get('Lens squeezes')]).toEqual([1, undefined]);
		starters.set = 'Machines and vehicles';
		expect(starters.list.map(({ starter }) => idOf(starter))).toEqual(['engine-idles']);
	});

	it('one is taken as one step, to the letter, and is known as taken under its name', async () => {
		const { session, starters, of } = opened();
		expect(starters.isHere(of('drill'))).toBe(false);
		expect(await starters.take([of('drill')], 'Drill')).toEqual(['drill']);
		expect(session.preset('drill')).toEqual(of('drill').document);
		expect(starters.isHere(of('drill'))).toBe(true);
		session.change('drill', 'Amount', (p) => void (p.amount = 2));
		expect(starters.isHere(of('drill'))).toBe(true);
		session.goBack();
		session.goBack();
		expect(session.presets).toHaveLength(0);
		expect(starters.isHere(of('drill'))).toBe(false);
	});

	it('a rig brings along its lag and its bob, unless they are there', async () => {
		const { session, starters, of } = opened();
		await starters.take([of('eyes-of-the-player')], 'Eyes of the player');
		expect(session.bobsAndLags.map(({ id }) => id).sort()).toEqual(['close-to-the-eyes', 'plain-steps']);
		session.changeBody('plain-steps', 'Amount', (steps) => ({ ...steps, amount: 0.5 }));
		await starters.take([of('eyes-of-the-player')], 'Eyes of the player');
		expect(session.bobs.map(({ amount }) => amount)).toEqual([0.5]);
		await starters.take([of('from-above')], 'From above');
		expect(session.bobsAndLags).toHaveLength(3);
		expect(session.wiring.rigs.map(({ id }) => id)).toEqual(['eyes-of-the-player', 'from-above']);
	});

	it('where something else has the id of what a rig needs, the rig points at what came with it', async () => {
		const own = { ...newPreset('close-to-the-eyes', 'A shake of mine') };
		const { session, starters, of } = opened([['shake', own]]);
		await starters.take([of('eyes-of-the-player')], 'Eyes of the player');
		const [rig] = session.wiring.rigs;
		expect(rig!.lag).not.toBe('close-to-the-eyes');
		expect(session.lags.map(({ id, name }) => [id, name])).toEqual([[rig!.lag, 'Close to the eyes']]);
		expect(rig!.bob).toBe('plain-steps');
	});

	it('a whole set comes at once; what is there already stays, and another thing under the same id keeps its own', async () => {
		const own = { ...newPreset('drill', 'My own drill'), amount: 3 };
		const { session, starters, of } = opened([['shake', own]]);
		const tools = starters.sets.find(({ name }) => name === 'Tools and weapons')!;
		expect(starters.isHere(of('drill'))).toBe(false);
		const ids = await starters.take(tools.members, tools.name);
		expect(session.presets).toHaveLength(1 + tools.members.length);
		expect(session.preset('drill')?.amount).toBe(3);
		const [other] = ids!.filter((id) => id.startsWith('drill'));
		expect(other).not.toBe('drill');
		expect(session.preset(other!)?.name).toBe('Drill');
	});

	it('taken with its set, what was tuned here stays the only one; taken by itself once more, the original comes beside it', async () => {
		const { session, starters, of } = opened();
		const tools = starters.sets.find(({ name }) => name === 'Tools and weapons')!;
		await starters.take([of('drill')], 'Drill');
		expect(starters.isTuned(of('drill'))).toBe(false);
		session.change('drill', 'Amount', (p) => void (p.amount = 2));
		expect(starters.isTuned(of('drill'))).toBe(true);
		await starters.take(tools.members, tools.name);
		expect(session.presets).toHaveLength(tools.members.length);
		expect(session.preset('drill')?.amount).toBe(2);
		const again = await starters.take([of('drill')], 'Drill');
		expect(session.presets).toHaveLength(tools.members.length + 1);
		expect(session.preset(again![0]!)?.amount).toBe(1);
	});

	it('taken twice in one breath it comes once', async () => {
		const { session, starters, of } = opened();
		const both = await Promise.all([starters.take([of('drill')], 'Drill'), starters.take([of('drill')], 'Drill')]);
		expect(both).toEqual([['drill'], ['drill']]);
		expect(session.presets).toHaveLength(1);
	});

	it('while the server is away nothing is taken, and that is said', async () => {
		const { session, server, starters, of } = opened();
		server.away = true;
		expect(await starters.take([of('drill')], 'Drill')).toBeNull();
		expect(session.presets).toHaveLength(0);
	});
});
