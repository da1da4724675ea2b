/** Kits with something wrong with how they move: chosen by a seed, so that nobody knows beforehand what. */
import type { Rig, ShakePreset } from 'dinesis-runtime';
import { combine, isLag, isShake } from 'dinesis-runtime/tools';
import type { Course, Kit } from '$lib/documents';
import type { Subject } from '../subject';

export interface Spoiled {
	readonly kit: Kit;
	/** Where, and which check should tell it. */
	readonly subject: Subject;
	readonly check: string;
}

/** A number from 0 on below `below`. */
type Roll = (below: number) => number;

const none = { time: 0, ease: 'linear' } as const;
const withPreset = (kit: Kit, preset: ShakePreset): Kit => ({
	...kit,
	presets: kit.presets.map((one) => (one.id === preset.id ? preset : one))
});
const shakesOf = (kit: Kit, mode?: 'burst' | 'continuous'): ShakePreset[] =>
	kit.presets.filter(isShake).filter(({ timing, view }) => view === 'space' && (!mode || timing.mode === mode));
const pick = <T>(list: readonly T[], roll: Roll): T => list[roll(list.length)]!;

const held = (preset: ShakePreset, channel: 'yaw' | 'roll', amplitude: number): ShakePreset['layers'][number] => ({
	...preset.layers[0]!,
	id: 'spoilt',
	mute: false,
	amount: 1,
	rate: 1,
	delay: 0,
	pattern: { kind: 'wave', shape: 'square' },
	channels: { [channel]: { amplitude, frequency: 0, start: 'zero' } }
});

const WAYS: readonly ((kit: Kit, roll: Roll) => Spoiled)[] = [
	// It ends at once, far from its place.
	(kit, roll) => {
		const preset = pick(shakesOf(kit, 'burst'), roll);
		const spoilt = {
			...preset,
			amount: 1,
			timing: { ...preset.timing, fadeOut: none, life: null },
			layers: [...preset.layers, held(preset, 'yaw', 3 + roll(3))]
		};
		return { kit: withPreset(kit, spoilt), subject: { kind: 'shake', id: preset.id }, check: 'snap' };
	},
	// It goes on beside its place.
	(kit, roll) => {
		const preset = pick(shakesOf(kit, 'continuous'), roll);
		const spoilt = {
			...preset,
			amount: 1,
			drives: [],
			layers: [...preset.layers, held(preset, 'yaw', 3 + roll(3))],
			timing: { ...preset.timing, growth: null }
		};
		return { kit: withPreset(kit, spoilt), subject: { kind: 'shake', id: preset.id }, check: 'drifts' };
	},
	// Far too strong.
	(kit, roll) => {
		const preset = pick(shakesOf(kit, 'burst'), roll);
		const spoilt = { ...preset, layers: [...preset.layers, held(preset, 'roll', 12 + roll(20))], amount: 1 };
		return { kit: withPreset(kit, spoilt), subject: { kind: 'shake', id: preset.id }, check: 'too-much' };
	},
	// Nothing is left of it.
	(kit, roll) => {
		const preset = pick(shakesOf(kit), roll);
		return {
			kit: withPreset(kit, { ...preset, amount: preset.amount / 5000 }),
			subject: { kind: 'shake', id: preset.id },
			check: 'silent'
		};
	},
	// The game says everything twice.
	(kit, roll) => {
		const course = pick(
			kit.courses.filter(({ events }) => events.length > 0),
			roll
		);
		const events = course.events
			.flatMap((event): Course['events'][number][] => [event, { ...event, at: event.at + 0.03 }])
			.sort((a, b) => a.at - b.at);
		const presets = kit.presets.map((one) =>
			isShake(one) ? { ...one, overlap: { rule: 'stack' as const, limit: 8 } } : one
		);
		const cues = kit.cues.map((cue) => ({ ...cue, conditions: { ...cue.conditions, coolDown: 0, once: false } }));
		const courses = kit.courses.map((one) => (one.id === course.id ? { ...course, events } : one));
		return { kit: { ...kit, presets, cues, courses }, subject: { kind: 'course', id: course.id }, check: 'twice' };
	},
	// A lag that never gets there.
	(kit, roll) => {
		const rig = pick(
			kit.rigs.filter(({ lag, bypass, view }) => lag && !bypass.includes('lag') && view.kind === 'eyes'),
			roll
		) as Rig;
		const presets = kit.presets.map((one) =>
			isLag(one) && one.id === rig.lag
				? {
						...one,
						axes: Object.fromEntries(
							Object.entries(one.axes).map(([name, axis]) => [
								name,
								{ ...axis!, follow: 'half-life' as const, halfLife: 1.5 + roll(3), settle: null, atMost: null }
							])
						)
					}
				: one
		);
		return { kit: { ...kit, presets }, subject: { kind: 'rig', id: rig.id }, check: 'not-at-rest' };
	}
];

/** Something of the kit is wrong, told by the seed alone. */
export function spoil(kit: Kit, seed: number): Spoiled {
	let rolls = 0;
	const roll: Roll = (below) => (combine(seed, ++rolls) >>> 0) % below;
	return pick(WAYS, roll)(kit, roll);
}
