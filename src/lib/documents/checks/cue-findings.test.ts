import { describe, expect, it } from 'vitest';
import type { Cue, GameEvent } from 'dinesis-runtime';
import { newBob, newCamera, newCue, newPlay, newPreset, newRig, type CameraAction } from 'dinesis-runtime/tools';
import { checkKit } from '../findings';
import { checkCue, type Wired } from './cue-findings';

const event = (id: string, kind: GameEvent['kind'] = 'moment'): GameEvent => ({
	id,
	name: id,
	kind,
	placed: false,
	tags: [],
	values: [{ id: 'speed', unit: '', min: 0, max: 1 }]
});
const thud = newPreset('thud', 'Thud');
const hum = { ...newPreset('hum', 'Hum'), tags: ['machine'], timing: { ...thud.timing, mode: 'continuous' as const } };
const kit = (...cues: Cue[]): Wired => ({
	events: [event('hit'), event('echo'), event('run', 'state')],
	parameters: [{ id: 'cold', name: 'Cold', min: 0, max: 1, rest: 0 }],
	presets: [thud, hum],
	rigs: [],
	cues
});
const cue = (part: Partial<Cue> = {}): Cue => ({ ...newCue('c', 'hit', 'thud'), ...part });
const found = (...cues: Cue[]): string[] => checkCue(cues.at(-1)!, kit(...cues)).map((f) => `${f.check} ${f.place}`);

describe('cues are checked', () => {
	it('a sound one has nothing; one that is off is left alone', () => {
		expect(found(cue())).toEqual([]);
		expect(found(cue({ on: false, event: 'gone' }))).toEqual([]);
	});

	it('what points at nothing says where', () => {
		const bound = (of: string) => ({ of, from: 0, to: null });
		expect(found(cue({ event: 'gone' }))).toEqual(['points-nowhere event']);
		expect(
			found(
				cue({
					conditions: { ...cue().conditions, values: [bound('speed'), bound('mass')], parameters: [bound('heat')] },
					actions: [
						newPlay('retired'),
						{ ...newPlay('thud'), strength: { by: 'mass', curve: [{ at: 0, value: 1 }] } },
						{ id: '10', kind: 'stop', what: { preset: 'retired' }, cut: false, delay: 0 },
						{ id: '11', kind: 'set', parameter: 'heat', to: 1, delay: 0 },
						{ id: '12', kind: 'raise', event: 'gone', delay: 0 }
					]
				})
			)
		).toEqual([
			'points-nowhere conditions.values[1].of',
			'points-nowhere conditions.parameters[0].of',
			'points-nowhere actions[0].pick[0].preset',
			'points-nowhere actions[1].strength.by',
			'points-nowhere actions[2].what.preset',
			'points-nowhere actions[3].parameter',
			'points-nowhere actions[4].event'
		]);
	});

	it('a motion without an end, unless something stops it', () => {
		const starts = cue({ actions: [newPlay('hum')] });
		expect(found(starts)).toEqual(['runs-forever when']);
		expect(found(cue({ event: 'run', when: 'lasts', actions: [newPlay('hum')] }))).toEqual([]);
		const stop = (what: 'all' | { tag: string } | { preset: string }): Cue =>
			cue({ id: 's', event: 'echo', actions: [{ id: '13', kind: 'stop', what, cut: false, delay: 0 }] });
		for (const what of ['all', { tag: 'machine' }, { preset: 'hum' }] as const)
			expect(found(stop(what), starts)).toEqual([]);
		expect(found(stop({ tag: 'sea' }), starts)).toEqual(['runs-forever when']);
		// Played with a length it lets itself go.
		expect(found({ ...starts, actions: [{ ...newPlay('hum'), length: 3 }] })).toEqual([]);
	});

	it('answering twice, and chains that come back', () => {
		expect(found(cue({ id: 'a' }), cue())).toEqual(['answers-twice event']);
		expect(found(cue({ id: 'a', conditions: { ...cue().conditions, tags: ['x'] } }), cue())).toEqual([]);
		const raise = (id: string, from: string, to: string): Cue =>
			cue({ id, event: from, actions: [{ id: '14', kind: 'raise', event: to, delay: 0 }] });
		expect(found(raise('b', 'echo', 'hit'), raise('a', 'hit', 'echo'))).toEqual(['calls-itself actions']);
		expect(found(raise('a', 'hit', 'echo'))).toEqual([]);
	});

	it('a choice between metres and pixels; one action for each is as it should be', () => {
		const flat = { ...newPreset('yard', 'Yard'), view: 'flat' as const };
		const checked = (actions: Cue['actions']): string[] => {
			const both = cue({ actions });
			const eyes = newRig('eyes', 'Eyes');
			const rigs = [eyes, { ...eyes, id: 'flat', view: { ...eyes.view, kind: 'flat' as const } }];
			return checkCue(both, { ...kit(both), presets: [thud, flat], rigs }).map((f) => `${f.check} ${f.place}`);
		};
		const pick = ['thud', 'yard'].map((preset) => ({ preset, weight: 1 }));
		expect(checked([{ ...newPlay('thud'), pick }])).toEqual(['mixes-views actions[0].pick']);
		expect(checked([newPlay('thud'), newPlay('yard')])).toEqual([]);
	});

	it('a camera that is to be what is not there', () => {
		const bob = newBob('steps', 'Steps');
		const ask = (part: Partial<CameraAction>): string[] => {
			const asked = cue({ actions: [{ ...newCamera(null), ...part }] });
			return checkCue(asked, { ...kit(asked), presets: [thud, bob], rigs: [newRig('eyes', 'Eyes')] }).map(
				(f) => f.place
			);
		};
		expect(ask({ rig: 'eyes', bob: 'steps', sizes: { walk: 2 } })).toEqual([]);
		expect(ask({ rig: 'gone', bob: 'thud', lag: 'steps', sizes: { crawl: 1 } })).toEqual([
			'actions[0].rig',
			'actions[0].lag',
			'actions[0].bob',
			'actions[0].sizes.crawl'
		]);
	});

	it('places begin at the kit’s root', () => {
		const whole = {
			format: 'dinesis-kit' as const,
			version: 1,
			name: 'k',
			courses: [],
			world: { events: [], values: [] }
		};
		const list = checkKit({ ...whole, ...kit(cue(), cue({ id: 'd', event: 'gone' })) });
		expect(list.find(({ check }) => check === 'points-nowhere')!.place).toBe('cues[1].event');
	});
});

describe('cues that nobody would ever feel', () => {
	const values = (from: number | null, to: number | null) => ({
		...cue().conditions,
		values: [{ of: 'speed', from, to }]
	});
	const flat = { ...thud, id: 'flat', view: 'flat' as const };
	const near = { full: 0, edge: 0, falloff: 'smooth' as const, listener: 'camera' as const, travelSpeed: null };
	const more = (...presets: Wired['presets']): Wired => ({ ...kit(), presets: [...kit().presets, ...presets] });
	const told = (one: Cue, wired: Wired = kit()): string[] =>
		checkCue(one, { ...wired, cues: [one] }).map(({ check, place }) => `${check} ${place}`);
	const play = (part: object) => cue({ actions: [{ ...newPlay('thud'), ...part }] });
	const picks = (id: string) => play({ pick: [{ preset: id, weight: 1 }] });

	it.each<[string, Cue, Cue, string, Wired?]>([
		['a moment has no end', cue({ when: 'lasts' }), cue({ event: 'run', when: 'lasts' }), 'wrong-phase when'],
		['a moment has no start', cue({ when: 'starts' }), cue({ event: 'run', when: 'starts' }), 'wrong-phase when'],
		[
			'a threshold beyond what the event carries',
			cue({ conditions: values(1.5, null) }),
			cue({ conditions: values(1, null) }),
			'beyond-range conditions.values[0]'
		],
		[
			'one below it',
			cue({ conditions: values(null, -1) }),
			cue({ conditions: values(null, 0) }),
			'beyond-range conditions.values[0]'
		],
		[
			'bounds that cross',
			cue({ conditions: values(0.6, 0.4) }),
			cue({ conditions: values(0.4, 0.6) }),
			'beyond-range conditions.values[0]'
		],
		['no strength', play({ strength: 0 }), play({ strength: 0.1 }), 'never-felt actions[0].strength'],
		[
			'a curve of strength that is 0 throughout',
			play({ strength: { by: 'speed', curve: [{ at: 0, value: 0 }] } }),
			play({ strength: { by: 'speed', curve: [{ at: 0, value: 1 }] } }),
			'never-felt actions[0].strength'
		],
		['a view that no rig shows', picks('flat'), picks('thud'), 'never-felt actions[0].pick', more(flat)],
		[
			'a reach that ends where it begins',
			picks('near'),
			picks('far'),
			'never-felt actions[0].pick',
			more({ ...thud, id: 'near', reach: near }, { ...thud, id: 'far', reach: { ...near, edge: 9 } })
		],
		[
			'a head bob that is played',
			picks('steps'),
			picks('thud'),
			'plays-no-shake actions[0].pick[0].preset',
			more(newBob('steps', 'Steps'))
		],
		[
			'a state that a cue begins',
			cue({ actions: [{ id: '1', kind: 'raise', event: 'run', delay: 0 }] }),
			cue({ actions: [{ id: '1', kind: 'raise', event: 'echo', delay: 0 }] }),
			'raises-state actions[0].event'
		]
	])('%s', (_, has, hasNot, wanted, wired) => {
		expect(told(has, wired)).toEqual([wanted]);
		expect(told(hasNot, wired)).toEqual([]);
	});

	it('a fix leaves nothing to be found', () => {
		for (const one of [cue({ when: 'ends' }), cue({ conditions: values(2, null) })]) {
			const [finding] = checkCue(one, kit(one));
			expect(told(finding!.fix!.apply(one))).toEqual([]);
		}
	});
});
