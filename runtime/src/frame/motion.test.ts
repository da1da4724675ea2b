import { describe, expect, it } from 'vitest';
import { newCue, newPreset, newRig } from '../kit/fresh';
import { EYES } from '../chain/view';
import type { Rig, RigMotion, LetsThrough } from '../chain/types';
import type { ShakePreset } from '../shake/types';
import type { Decision } from './director';
import { Frame, type Played } from './frame';

type Channel = 'x' | 'y';
/** Holds still at 1 m of a channel: what is seen of it is its share. */
const hold = (id: string, channel: Channel, mode: 'burst' | 'continuous' = 'continuous'): ShakePreset => {
	const base = newPreset(id, id);
	const fade = { time: 1, ease: 'linear' } as const;
	return {
		...base,
		tags: [channel],
		timing: { ...base.timing, mode, duration: 9, delay: 0, fadeIn: fade, fadeOut: fade },
		layers: [
			{
				...base.layers[0]!,
				pattern: { kind: 'wave', shape: 'square' },
				channels: { [channel]: { amplitude: 1, frequency: 0, start: 'zero' } }
			}
		]
	};
};
const noise: ShakePreset = { ...newPreset('noise', 'Noise'), timing: { ...hold('n', 'x').timing } };
const plays = (preset: string, strength = 1): RigMotion => ({ id: preset, preset, strength });
const rigOf = (id: string, motion: RigMotion[], part: Partial<Rig> = {}): Rig => ({
	...newRig(id, id),
	motion,
	...part
});
const presets = [hold('right', 'x'), hold('up', 'y'), hold('once', 'x', 'burst'), noise];
const kitOf = (rigs: Rig[], more: Partial<Played> = {}): Played => ({
	events: [],
	parameters: [],
	presets,
	cues: [],
	rigs,
	world: { events: [], values: [] },
	...more
});
const body = { pose: new Float64Array(5), speed: 0, grounded: true };
const DT = 1 / 120;

/** Steps a frame for so many seconds, and gives x and y of its offset. */
function go(frame: Frame, seconds: number, from = 0): number[] {
	for (let i = 1; i <= Math.round(seconds / DT); i++) frame.step(from + i * DT, DT, [body]);
	return [...frame.cameras[0]!.offset.slice(0, 2)];
}
const begin = (kit: Played, rig = 'a'): Frame => {
	const frame = new Frame(kit, { rig });
	frame.step(0, 0, [body]);
	return frame;
};
const through = (frame: Frame, rig: string, over: number): void =>
	frame.cameras[0]!.change({ rig, lag: null, bob: null, sizes: {} }, over);
const smooth = (t: number): number => t * t * (3 - 2 * t);

describe('a rig’s own motion', () => {
	it('is there in full from the first frame on, without any cue', () => {
		const frame = begin(kitOf([rigOf('a', [plays('right', 0.5), plays('up')])]));
		expect([...frame.cameras[0]!.offset.slice(0, 2)]).toEqual([0.5, 1]);
		expect(go(frame, 3)).toEqual([0.5, 1]);
	});

	it('goes over to another rig’s with the blend of the cameras', () => {
		const frame = begin(kitOf([rigOf('a', [plays('right')]), rigOf('b', [plays('up', 2)])]));
		through(frame, 'b', 2);
		const [x, y] = go(frame, 0.5);
		expect(x).toBeCloseTo(1 - smooth(0.25), 9);
		expect(y).toBeCloseTo(2 * smooth(0.25), 9);
		expect(go(frame, 2, 0.5)).toEqual([0, 2]);
	});

	it('runs on where both rigs play the same', () => {
		const kit = kitOf([rigOf('a', [plays('noise')]), rigOf('b', [plays('noise')])]);
		const [changed, left] = [begin(kit), begin(kit)];
		go(changed, 1);
		go(left, 1);
		through(changed, 'b', 0.5);
		for (const more of [0.25, 1]) {
			const [seen, meant] = [go(changed, more, 1), go(left, more, 1)];
			seen.forEach((value, i) => expect(value).toBeCloseTo(meant[i]!, 9));
		}
	});

	it('fades where it is changed while one looks', () => {
		const frame = begin(kitOf([rigOf('a', [plays('right')])]));
		go(frame, 1);
		frame.use(kitOf([rigOf('a', [plays('up')])]));
		const [x, y] = go(frame, 0.25, 1);
		expect(x).toBeCloseTo(0.75, 6);
		expect(y).toBeCloseTo(0.25, 6);
		expect(go(frame, 1, 1.25)).toEqual([0, 1]);
	});

	it('the first one that comes, and the last one that goes, fade as well', () => {
		const frame = begin(kitOf([rigOf('a', [])]));
		go(frame, 1);
		frame.use(kitOf([rigOf('a', [plays('right')])]));
		expect(go(frame, 0.25, 1)[0]).toBeCloseTo(0.25, 6);
		expect(go(frame, 1, 1.25)[0]).toBe(1);
		frame.use(kitOf([rigOf('a', [])]));
		expect(go(frame, 0.25, 2.25)[0]).toBeCloseTo(0.75, 6);
		expect(go(frame, 1, 2.5)[0]).toBe(0);
		// Left out with its stage it is gone at once, as the shakes are.
		const out = begin(kitOf([rigOf('a', [plays('right')])]));
		go(out, 1);
		out.use(kitOf([rigOf('a', [plays('right')], { bypass: ['shakes'] })]));
		expect(go(out, DT, 1)[0]).toBe(0);
	});

	it('takes a changed preset and a changed strength while it plays', () => {
		const frame = begin(kitOf([rigOf('a', [plays('right')])]));
		const right = presets[0] as ShakePreset;
		frame.setPreset({ ...right, amount: 3 });
		expect(go(frame, 0.5)[0]).toBe(3);
		frame.use(kitOf([rigOf('a', [plays('right', 0.5)])]));
		expect(go(frame, 0.5, 0.5)[0]).toBe(0.5);
	});

	it('is not made of what ends by itself, nor of what is for the other view', () => {
		const flat = { ...hold('flat', 'y'), view: 'flat' as const };
		const kit = kitOf([rigOf('a', [plays('once'), plays('flat'), plays('gone')])], { presets: [...presets, flat] });
		expect(go(begin(kit), 2)).toEqual([0, 0]);
		const side = kitOf([rigOf('a', [plays('flat'), plays('right')], { view: { ...EYES, kind: 'flat' } })], {
			presets: [...presets, flat]
		});
		expect(go(begin(side), 2)).toEqual([0, 1]);
	});

	it('is raised by game values, and left out with the shakes', () => {
		const curve = [
			{ at: 0, value: 0, in: 1, out: 1 },
			{ at: 1, value: 1, in: 1, out: 1 }
		];
		const driven: ShakePreset = { ...hold('right', 'x'), drives: [{ parameter: 'wind', to: 'amount', curve }] };
		const more = { presets: [driven], parameters: [{ id: 'wind', name: 'Wind', min: 0, max: 1, rest: 0.25 }] };
		const frame = begin(kitOf([rigOf('a', [plays('right')])], more));
		expect(go(frame, 0.5)[0]).toBeCloseTo(0.25, 9);
		frame.director.set('wind', 0.5);
		expect(go(frame, 0.5, 0.5)[0]).toBeCloseTo(0.5, 9);
		const without = begin(kitOf([rigOf('a', [plays('right')], { bypass: ['shakes'] })], more));
		expect(go(without, 0.5)[0]).toBe(0);
	});

	it('goes its own way in a fork, to the same motion', () => {
		const frame = begin(kitOf([rigOf('a', [plays('noise')])]));
		go(frame, 0.5);
		const copy = frame.fork();
		const seen = go(frame, 0.5, 0.5);
		expect(go(copy, 0.5, 0.5)).toEqual(seen);
	});
});

describe('what a rig lets through', () => {
	const event = { id: 'hit', name: 'Hit', kind: 'moment', placed: false, tags: [], values: [] } as const;
	const both = { ...newCue('both', 'hit', 'right') };
	const play = both.actions[0]!;
	const kit = (lets: Partial<LetsThrough> | null, motion: RigMotion[] = []): Played =>
		kitOf(
			[rigOf('a', motion, { lets: lets && { only: [], not: [], share: 1, channels: {}, ...lets } }), rigOf('all', [])],
			{
				events: [event],
				cues: [{ ...both, actions: [play, { ...newCue('c', 'hit', 'up').actions[0]!, id: '2' }] }]
			}
		);
	const hit = (frame: Frame): Decision[] => {
		const told: Decision[] = [];
		frame.director.explain((decision) => told.push(decision));
		frame.director.raise({ event: 'hit', phase: 'happens' });
		return told;
	};
	const felt = (lets: Partial<LetsThrough> | null, motion: RigMotion[] = []): number[] => {
		const frame = begin(kit(lets, motion));
		hit(frame);
		return go(frame, 2).map((value) => Number(value.toFixed(9)));
	};

	it.each([
		['all', null, [1, 1]],
		['only some tags', { only: ['x'] }, [1, 0]],
		['all but some tags', { not: ['x'] }, [0, 1]],
		['what is named in both is not seen', { only: ['x', 'y'], not: ['y'] }, [1, 0]],
		['a share of all', { share: 0.25 }, [0.25, 0.25]],
		['a share by channel, besides', { share: 0.5, channels: { y: 0.5 } }, [0.5, 0.25]]
	] as const)('%s', (_, lets, wanted) => {
		expect(felt(lets as Partial<LetsThrough> | null)).toEqual(wanted);
	});

	it('its own motion is not asked', () => {
		expect(felt({ share: 0 }, [plays('up')])).toEqual([0, 1]);
	});

	it('goes over with the blend from a rig that lets all through', () => {
		const frame = begin(kit({ only: ['x'] }), 'all');
		hit(frame);
		go(frame, 2);
		through(frame, 'a', 1);
		const [x, y] = go(frame, 0.5, 2);
		expect(x).toBeCloseTo(1, 9);
		expect(y).toBeCloseTo(0.5, 9);
	});

	it('is told where somebody asks why nothing was felt', () => {
		const frame = begin(kit({ only: ['x'], share: 0.5 }));
		const told = hit(frame);
		go(frame, 0.5);
		expect(told.map((d) => d.kind === 'played' && [d.preset, d.outcome, d.felt])).toEqual([
			['right', 'started', 0.5],
			['up', 'held-back', 0]
		]);
	});
});
