import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { Cue, GameEvent, Rig, ShakePreset } from 'dinesis-runtime';
import {
	newCue,
	newLag,
	newLagAxis,
	newPlay,
	newPreset,
	newRig,
	type Channel,
	type Layer
} from 'dinesis-runtime/tools';
import { newCourse, readKit, wholeKit, type AnyDocument, type Course, type Kit } from '$lib/documents';
import { demoKit } from '$lib/documents/testing/demo';
import { clearInGrounds, withinGrounds } from '$lib/world/clear';
import { COMFORT_LIMITS } from '../comfort';
import { subjectsOf, type SubjectKind } from '../subject';
import * as ceilings from './ceiling';
import { checkMotion, findingOf, MOTION_CHECKS, motionFindings, Watched, type Grounds, type MotionFinding } from '.';
import * as rest from './rest';
import { spoil } from '../testing/spoil';
import { AS_ONE } from './diagonal';
import { OFF } from './drifts';
import { TOO_FAST } from './folds';
import { TEN_TO_ONE } from './hidden';
import { FAR, LONG } from './off-centre';
import { UNSEEN } from './silent';
import { SNAP } from './snap';
import { BLINK } from './twice';

/** Percent of the height in pixels of a flat picture. */
const px = (percent: number): number => percent * 10.8;
const NONE = { time: 0, ease: 'linear' } as const;
const wave = (shape: 'sine' | 'square', channels: Layer['channels'], more: Partial<Layer> = {}): Layer => ({
	id: 'a',
	amount: 1,
	rate: 1,
	delay: 0,
	mute: false,
	pattern: { kind: 'wave', shape },
	channels,
	...more
});
/** Held in one place for as long as it plays, in a flat picture unless said otherwise. */
const held = (channel: Channel, amplitude: number, timing: Partial<ShakePreset['timing']> = {}): ShakePreset => {
	const base = newPreset('p', 'P');
	return {
		...base,
		view: 'flat',
		timing: { ...base.timing, mode: 'burst', duration: 1, fadeIn: NONE, fadeOut: NONE, life: null, ...timing },
		layers: [wave('square', { [channel]: { amplitude, frequency: 0, start: 'zero' } })]
	};
};
const swinging = (layers: readonly Layer[], more: Partial<ShakePreset> = {}): ShakePreset => {
	const slow = { time: 1, ease: 'smooth' } as const;
	return { ...held('x', 0, { mode: 'continuous', fadeIn: slow, fadeOut: slow }), layers, ...more };
};
const FADED = { fadeIn: { time: 0.3, ease: 'smooth' }, fadeOut: { time: 0.3, ease: 'smooth' } } as const;
const sine = (amplitude: number, frequency: number, start: number | 'zero' = 'zero') => ({
	amplitude,
	frequency,
	start
});

const kitWith = (parts: Partial<Kit>): Kit => ({
	...wholeKit('K', [], { events: [], parameters: [], cues: [], rigs: [], world: { events: [], values: [] } }, []),
	...parts
});
const found = (kit: Kit, kind: SubjectKind, id: string, check: string, grounds: Grounds = {}): MotionFinding[] =>
	motionFindings(new Watched(kit, grounds), { kind, id }).filter(
		(one) => one.check === check || one.check.startsWith(`${check}-`)
	);
const ofShake = (preset: ShakePreset, check: string, parts: Partial<Kit> = {}): MotionFinding[] =>
	found(kitWith({ presets: [preset], ...parts }), 'shake', preset.id, check);
/** The fix takes it away. */
const mended = ([finding]: readonly MotionFinding[], preset: ShakePreset): MotionFinding[] => {
	const fixed = findingOf(finding!, preset as AnyDocument).fix!.apply(preset as AnyDocument) as unknown as ShakePreset;
	expect(fixed).not.toEqual(preset);
	return ofShake(fixed, finding!.check.replace(/^too-much.*/, 'too-much'));
};

describe('of a shake', () => {
	it('a snap at its start, at its end, and when it is stopped', () => {
		const { fadeIn, fadeOut } = FADED;
		for (const timing of [{ fadeOut }, { fadeIn }, { mode: 'continuous', fadeIn }] as const) {
			const bad = held('x', px(SNAP * 1.02), timing);
			expect(ofShake(bad, 'snap')).toHaveLength(1);
			expect(ofShake(held('x', px(SNAP * 0.97), timing), 'snap')).toEqual([]);
			expect(mended(ofShake(bad, 'snap'), bad)).toEqual([]);
		}
		expect(ofShake(held('x', px(30), FADED), 'snap')).toEqual([]);
	});

	it('what goes on around another place than the middle', () => {
		const on = (percent: number) => held('x', px(percent), { ...FADED, mode: 'continuous' });
		expect(ofShake(on(OFF * 1.03), 'drifts')[0]!.sentence).toContain('to the left');
		expect(ofShake(on(OFF * 0.97), 'drifts')).toEqual([]);
		// Around the middle it may go as far as it likes.
		expect(ofShake(swinging([wave('sine', { x: sine(px(9), 1) })]), 'drifts')).toEqual([]);
	});

	it('energy above half the game’s picture rate that no setting tells', () => {
		/** A sine of 40 Hz made of two keys, beside one of 5: its share is b² ÷ (1 + b²). */
		const mixed = (share: number): ShakePreset => {
			const b = Math.sqrt(share / (1 - share));
			const keys = [
				{ at: 0, value: 1, ease: 'sine-in-out' as const },
				{ at: 0.5, value: -1, ease: 'sine-in-out' as const },
				{ at: 1, value: 1 }
			];
			return swinging([
				wave('sine', { x: sine(px(1), 5) }),
				wave(
					'sine',
					{ x: { amplitude: px(b), frequency: 1, start: 'zero', keys } },
					{
						id: 'b',
						pattern: { kind: 'keys', cycle: 1 / 40, loop: true }
					}
				)
			]);
		};
		const bad = mixed(TOO_FAST * 1.04);
		expect(ofShake(bad, 'folds')).toHaveLength(1);
		expect(ofShake(mixed(TOO_FAST * 0.96), 'folds')).toEqual([]);
		expect(mended(ofShake(bad, 'folds'), bad)).toEqual([]);
		// A game with more pictures shows it.
		const settings = { frameRate: 120, length: 'm', keys: [], people: [], limits: {}, silenced: [] } as const;
		expect(ofShake(bad, 'folds', { settings })).toEqual([]);
	});

	it('two channels that swing as one: the cosine of what is between their beginnings', () => {
		const pair = (correlation: number): ShakePreset =>
			swinging([
				wave('sine', {
					x: sine(px(1), 4),
					y: sine(px(1), 4, Math.acos(correlation) / (2 * Math.PI))
				})
			]);
		const bad = pair(AS_ONE + 0.02);
		expect(ofShake(bad, 'diagonal')).toHaveLength(1);
		expect(ofShake(pair(AS_ONE - 0.02), 'diagonal')).toEqual([]);
		expect(mended(ofShake(bad, 'diagonal'), bad)).toEqual([]);
	});

	it('a layer of a tenth of the energy in the same octave', () => {
		const two = (energies: number, hertz = 4): ShakePreset =>
			swinging([
				wave('sine', { x: sine(px(Math.sqrt(energies)), 4) }),
				wave('sine', { x: sine(px(1), hertz) }, { id: 'b', name: 'fine' })
			]);
		const bad = two(TEN_TO_ONE * 1.04);
		expect(ofShake(bad, 'hidden-layer')[0]!.sentence).toContain('fine');
		expect(ofShake(two(TEN_TO_ONE * 0.96), 'hidden-layer')).toEqual([]);
		expect(mended(ofShake(bad, 'hidden-layer'), bad)).toEqual([]);
		// Another octave is felt beside it.
		expect(ofShake(two(100, 13), 'hidden-layer')).toEqual([]);
	});

	it('the centre far off for long in one go', () => {
		const off = (percent: number, seconds: number) => held('x', px(percent), { duration: seconds });
		const bad = off(FAR * 1.03, LONG * 1.04);
		expect(ofShake(bad, 'off-centre')).toHaveLength(1);
		expect(ofShake(off(FAR * 1.03, LONG * 0.97), 'off-centre')).toEqual([]);
		expect(ofShake(off(FAR * 0.97, LONG * 3), 'off-centre')).toEqual([]);
		expect(mended(ofShake(bad, 'off-centre'), bad)).toEqual([]);
	});

	it('too much for comfort, by our limit and by the project’s own', () => {
		const tilt = (degrees: number) => held('roll', degrees, FADED);
		const bad = tilt(COMFORT_LIMITS.roll * 1.03);
		expect(ofShake(bad, 'too-much').map(({ sentence }) => sentence)).toEqual([expect.stringContaining('roll')]);
		expect(ofShake(tilt(COMFORT_LIMITS.roll * 0.97), 'too-much')).toEqual([]);
		expect(mended(ofShake(bad, 'too-much'), bad)).toEqual([]);
		const often = ofShake(swinging([wave('sine', { x: sine(px(7), 4) })]), 'too-much');
		expect(often.map(({ sentence }) => sentence)).toContainEqual(expect.stringMatching(/^Too many large motions: /));
		const settings = { frameRate: 60, length: 'm', keys: [], people: [], limits: { roll: 2 }, silenced: [] } as const;
		expect(ofShake(tilt(2.05), 'too-much', { settings })).toHaveLength(1);
		expect(ofShake(tilt(1.95), 'too-much', { settings })).toEqual([]);
	});

	it('what moves less than half a pixel', () => {
		const bad = held('x', px(UNSEEN * 0.97), FADED);
		expect(ofShake(bad, 'silent')).toHaveLength(1);
		expect(ofShake(held('x', px(UNSEEN * 1.03), FADED), 'silent')).toEqual([]);
		expect(mended(ofShake(bad, 'silent'), bad)).toEqual([]);
		// That nothing moves at all is told by its settings.
		expect(ofShake(held('x', 0), 'silent')).toEqual([]);
	});

	it('what nothing plays, where there is anything that plays', () => {
		const preset = held('x', px(2), FADED);
		const cue = (id: string, on = true): Cue => ({ ...newCue('c', 'hit', id), on });
		expect(ofShake(preset, 'unused', { cues: [cue('other')] })).toHaveLength(1);
		expect(ofShake(preset, 'unused', { cues: [cue('p', false)] })).toHaveLength(1);
		expect(ofShake(preset, 'unused', { cues: [cue('p')] })).toEqual([]);
		expect(ofShake(preset, 'unused')).toEqual([]);
	});
});

const hit: GameEvent = { id: 'hit', name: 'Hit', kind: 'moment', placed: false, tags: [], values: [] };
const stand: Course['path'] = [{ x: 0, y: 0, z: 0, speed: 1, pause: 0 }];
const courseOf = (more: Partial<Course>): Course => ({
	...newCourse('c', 'C'),
	seconds: 10,
	steps: false,
	path: stand,
	...more
});
const happens = (...times: number[]): Course['events'] =>
	times.map((at) => ({ at, event: 'hit', length: null, values: {}, place: null, who: 0 }));
const aCue = (preset: string): Cue => {
	const cue = newCue('c', 'hit', preset);
	return {
		...cue,
		actions: cue.actions.map((action) => ({ ...action, fromPlace: false }) as Cue['actions'][number]),
		feltBy: 'everyone'
	};
};
const inSpace = (preset: ShakePreset): ShakePreset => ({ ...preset, view: 'space' });

describe('of what is played', () => {
	it('a play of a tenth of the energy that comes with another one', () => {
		const kit = (energies: number): Kit =>
			kitWith({
				events: [hit],
				presets: [
					{ ...swinging([wave('sine', { x: sine(px(1), 4) })]), id: 'small' },
					{ ...swinging([wave('sine', { x: sine(px(Math.sqrt(energies)), 4) })]), id: 'large' }
				],
				cues: [{ ...aCue('small'), actions: [newPlay('small', '1'), newPlay('large', '2')] }]
			});
		expect(found(kit(TEN_TO_ONE * 1.04), 'cue', 'c', 'hidden-play')).toHaveLength(1);
		expect(found(kit(TEN_TO_ONE * 0.96), 'cue', 'c', 'hidden-play')).toEqual([]);
	});

	it('the same preset twice within a blink', () => {
		const kit = (apart: number): Kit =>
			kitWith({
				events: [hit],
				presets: [{ ...inSpace(held('x', 0.02, FADED)), overlap: { rule: 'stack', limit: 8 } }],
				cues: [aCue('p')],
				courses: [courseOf({ events: happens(1, 1 + apart) })]
			});
		expect(found(kit(BLINK * 0.96), 'course', 'c', 'twice')).toHaveLength(1);
		expect(found(kit(BLINK * 1.04), 'course', 'c', 'twice')).toEqual([]);
	});

	it('more plays at once than eight', () => {
		const kit = (plays: number): Kit =>
			kitWith({
				events: [hit],
				presets: [{ ...inSpace(held('x', 0.001, { ...FADED, duration: 5 })), overlap: { rule: 'stack', limit: 64 } }],
				cues: [aCue('p')],
				courses: [courseOf({ events: happens(...Array.from({ length: plays }, (_, i) => 0.5 + i * 0.2)) })]
			});
		expect(found(kit(9), 'course', 'c', 'crowd')[0]!.sentence).toContain('9 plays');
		expect(found(kit(8), 'course', 'c', 'crowd')).toEqual([]);
	});

	it('the centre far off, and a roll that is too much, on a course and through a rig', () => {
		const tilt = inSpace({ ...swinging([]), layers: held('roll', 1).layers });
		const kit = (degrees: number): Kit => {
			const rig: Rig = { ...newRig('r', 'R'), motion: [{ id: 'm', preset: 'p', strength: degrees }] };
			return kitWith({ presets: [tilt], rigs: [rig], courses: [courseOf({ rig: 'r' })] });
		};
		for (const [kind, id] of [
			['rig', 'r'],
			['course', 'c']
		] as const) {
			expect(found(kit(COMFORT_LIMITS.roll * 1.03), kind, id, 'too-much')).toHaveLength(1);
			expect(found(kit(COMFORT_LIMITS.roll * 0.97), kind, id, 'too-much')).toEqual([]);
		}
		/** Degrees of yaw that move the centre by so many percent: tan ψ ÷ tan 30°, halves of the height. */
		const turn = (percent: number): number => (Math.atan((percent / 50) * Math.tan(Math.PI / 6)) * 180) / Math.PI;
		const far = (percent: number, seconds: number): Kit =>
			kitWith({
				events: [hit],
				presets: [inSpace(held('yaw', turn(percent), { duration: seconds }))],
				cues: [aCue('p')],
				courses: [courseOf({ events: happens(1) })]
			});
		expect(found(far(FAR * 1.03, LONG * 1.04), 'course', 'c', 'off-centre')).toHaveLength(1);
		expect(found(far(FAR * 1.03, LONG * 0.96), 'course', 'c', 'off-centre')).toEqual([]);
		expect(found(far(FAR * 0.97, LONG * 2), 'course', 'c', 'off-centre')).toEqual([]);
	});

	it('a ceiling that bends for more than a fifth of the time in which the camera moves', () => {
		// Something small moves all ten seconds; what is beyond the bend for some of them.
		const small = inSpace({ ...swinging([]), id: 'small', layers: held('x', 0.001).layers });
		const kit = (seconds: number): Kit => {
			const rig: Rig = {
				...newRig('r', 'R'),
				ceiling: { x: 0.1 },
				motion: [{ id: 'm', preset: 'small', strength: 1 }]
			};
			return kitWith({
				events: [hit],
				presets: [small, inSpace(held('x', 0.1, { duration: seconds }))],
				cues: [aCue('p')],
				rigs: [rig],
				courses: [courseOf({ rig: 'r', events: happens(1) })]
			});
		};
		const whole = 10 * ceilings.SHARE;
		expect(found(kit(whole * 1.04), 'rig', 'r', 'ceiling-bends')).toHaveLength(1);
		expect(found(kit(whole * 0.95), 'rig', 'r', 'ceiling-bends')).toEqual([]);
	});

	it('a lag that has not caught up: v·h ÷ ln 2 · 2^(−t ÷ h) is left', () => {
		// The last leg is gone at 4 m/s.
		const left = (h: number): number => ((4 * h) / Math.LN2) * 2 ** (-rest.STOOD / h);
		/** The half-life that leaves so much. */
		const halfLife = (metres: number): number => {
			let [low, high] = [0.1, 1];
			for (let i = 0; i < 60; i++) {
				const middle = (low + high) / 2;
				if (left(middle) < metres) low = middle;
				else high = middle;
			}
			return low;
		};
		const kit = (metres: number): Kit => {
			const axis = { ...newLagAxis(), halfLife: halfLife(metres) };
			const lag = { ...newLag('l', 'L'), axes: { x: axis, y: axis, z: axis }, leadsBy: 0 };
			return kitWith({ presets: [lag], rigs: [{ ...newRig('r', 'R'), lag: 'l' }] });
		};
		expect(found(kit(rest.BEHIND * 1.05), 'rig', 'r', 'not-at-rest')).toHaveLength(1);
		expect(found(kit(rest.BEHIND * 0.95), 'rig', 'r', 'not-at-rest')).toEqual([]);
	});

	it('a camera within something solid for longer than six steps', () => {
		const kit = kitWith({
			courses: [
				courseOf({
					path: [
						{ x: 0, y: 0, z: 0, speed: 1.2, pause: 0 },
						{ x: 0, y: 0, z: -6, speed: 1.2, pause: 9 }
					]
				})
			]
		});
		// A hundredth of a metre a step.
		const within = (metres: number): Grounds => ({ within: (_, __, z) => z < -3 && z > -3 - metres });
		expect(found(kit, 'course', 'c', 'through-wall', within(0.0755))).toHaveLength(1);
		expect(found(kit, 'course', 'c', 'through-wall', within(0.0455))).toEqual([]);
		expect(found(kit, 'course', 'c', 'through-wall')).toEqual([]);
	});
});

const GROUNDS: Grounds = { clear: clearInGrounds, within: withinGrounds };

describe('kits', () => {
	it('nothing is found in the demo but what it leaves alone with a reason', () => {
		const kit = demoKit();
		const left = new Set((kit.settings?.silenced ?? []).map(({ kind, of, check }) => `${kind} ${of} ${check}`));
		const watched = new Watched(kit, GROUNDS);
		const told = subjectsOf(kit).flatMap((subject) =>
			motionFindings(watched, subject).map(({ check }) => `${subject.kind} ${subject.id} ${check}`)
		);
		expect(told.filter((one) => !left.has(one))).toEqual([]);
		// What is left alone is there.
		expect([...left].filter((one) => !told.includes(one))).toEqual([]);
	}, 60_000);

	it('nothing is found in the starter sets', () => {
		const folder = new URL('../../../../starter/', import.meta.url);
		for (const file of readdirSync(folder).filter((name) => name.endsWith('.kit.json'))) {
			const read = readKit(readFileSync(new URL(file, folder), 'utf8'));
			if (!read.ok) throw new Error(file);
			expect([file, checkMotion(read.value, GROUNDS).map(({ place, sentence }) => `${place} ${sentence}`)]).toEqual([
				file,
				[]
			]);
		}
	}, 60_000);

	it.each(Array.from({ length: 12 }, (_, i) => i + 1))('what a seed spoiled is found where it is: %i', (seed) => {
		const { kit, subject, check } = spoil(demoKit(), seed);
		const told = motionFindings(new Watched(kit, GROUNDS), subject).map((one) => one.check);
		expect([seed, subject.kind, subject.id, told]).toEqual([
			seed,
			subject.kind,
			subject.id,
			expect.arrayContaining([expect.stringMatching(`^${check}`)])
		]);
	});

	it('each check says why it matters; what is not there has no findings; a fix keeps what else has changed since', () => {
		for (const { why } of MOTION_CHECKS) expect(why.length).toBeGreaterThan(20);
		expect(motionFindings(new Watched(kitWith({})), { kind: 'rig', id: 'gone' })).toEqual([]);
		const bad = held('x', px(9), FADED);
		const [finding] = ofShake({ ...bad, amount: 20 }, 'off-centre');
		expect(finding).toBeUndefined();
		const far = held('x', px(12), { duration: 2 });
		const [off] = ofShake(far, 'off-centre');
		const since = { ...far, name: 'Another name' };
		const fixed = findingOf(off!, far as AnyDocument).fix!.apply(since as AnyDocument) as unknown as ShakePreset;
		expect([fixed.name, fixed.amount < 1]).toEqual(['Another name', true]);
	});
});
