import { EYES, newBob, newCue, newPreset, newRig, type Layer } from 'dinesis-runtime/tools';
import { describe, expect, it } from 'vitest';
import { newCourse } from '../new-course';
import { treeOf, type AnyDocument, type KindName } from '../kinds';
import { differences, sayDifference, shownValue, unitIn } from './words';

const said = (kind: KindName, from: object, to: object): string[] =>
	differences(kind, treeOf(kind, from as AnyDocument), treeOf(kind, to as AnyDocument)).map(sayDifference);

const thud = newPreset('thud', 'Thud');
const layer: Layer = {
	id: 'rattle',
	amount: 1,
	rate: 1,
	delay: 0,
	mute: false,
	pattern: { kind: 'wave', shape: 'sine' },
	channels: { pitch: { amplitude: 2, frequency: 9, start: 'zero' } }
};

describe('what changed, in words', () => {
	it('numbers have their unit, names of the file are words', () => {
		const next = {
			...thud,
			amount: 1.4,
			about: 'Heavy',
			timing: { ...thud.timing, delay: 0.1, fadeOut: { time: 0.8, ease: 'smooth' as const } }
		};
		const was = {
			...thud,
			amount: 1,
			timing: { ...thud.timing, delay: 0, fadeOut: { time: 1.1, ease: 'smooth' as const } }
		};
		expect(said('shake', was, next)).toEqual([
			'description – → Heavy',
			'amount 1 → 1.4',
			'delay 0 → 0.1 s',
			'fade out 1.1 → 0.8 s'
		]);
	});

	it('layers go by their names, else by their places; their channels have units of their own', () => {
		const was = { ...thud, layers: [layer] };
		const louder = { ...layer, channels: { pitch: { ...layer.channels.pitch!, amplitude: 3, frequency: 11 } } };
		const shudder = { ...layer, id: 'shudder', name: 'Shudder' };
		expect(said('shake', was, { ...thud, layers: [louder, shudder] })).toEqual([
			'layer 1 pitch amplitude 2 → 3°',
			'layer 1 pitch frequency 9 → 11 Hz',
			'layer Shudder added'
		]);
		expect(said('shake', { ...thud, layers: [layer, shudder] }, { ...thud, layers: [layer] })).toEqual([
			'layer Shudder taken out'
		]);
		const both = treeOf('shake', { ...thud, layers: [layer, shudder] } as AnyDocument) as {
			layers: Record<string, { order: string }>;
		};
		const swapped = { ...both, layers: { ...both.layers, shudder: { ...both.layers.shudder!, order: 'Z' } } };
		expect(differences('shake', both, swapped).map(sayDifference)).toEqual(['layer Shudder moved']);
	});

	it('a flat one is in pixels', () => {
		const flat = { ...thud, view: 'flat' as const };
		const of = (amplitude: number) => ({
			...flat,
			layers: [{ ...layer, channels: { x: { amplitude, frequency: 1, start: 'zero' as const } } }]
		});
		expect(said('shake', of(4), of(6))).toEqual(['layer 1 x amplitude 4 → 6 px']);
	});

	it('cues, bobs, rigs and courses are told by the same words', () => {
		const cue = newCue('c', 'landing', 'thud');
		expect(said('cue', cue, { ...cue, on: false, conditions: { ...cue.conditions, coolDown: 0.5 } })).toEqual([
			'switched on yes → no',
			'cool-down 0 → 0.5 s'
		]);
		expect(said('cue', cue, { ...cue, actions: [] })).toEqual(['action 1 taken out']);
		const bob = newBob('b', 'B');
		const [first, ...rest] = bob.gaits;
		expect(said('bob', bob, { ...bob, gaits: [{ ...first!, speed: first!.speed + 1 }, ...rest] })).toEqual([
			`gait ${first!.id} speed ${first!.speed} → ${first!.speed + 1} m/s`
		]);
		const rig = newRig('r', 'R');
		expect(said('rig', rig, { ...rig, view: { ...EYES, fov: 70 } })[0]).toMatch(/^view fov \d+ → 70°$/);
		const course = newCourse('w', 'W');
		const event = { at: 1, event: 'landing', length: null, values: {}, place: null, who: 0 };
		expect(said('course', course, { ...course, seconds: 9, events: [event] })).toEqual([
			`length ${course.seconds} → 9 s`,
			'event 1 added'
		]);
	});

	it('values are short, and long ones are told by their size', () => {
		expect(
			[0.123456, null, true, undefined, 'x'.repeat(60), [], ['a', 'b'], [{}, {}], { kind: 'noise' }].map(shownValue)
		).toEqual(['0.1235', 'none', 'yes', '', `${'x'.repeat(47)}…`, 'none', 'a, b', '2 of them', 'noise']);
		const curve = (at: number) => ({
			...thud,
			tags: ['a'],
			drives: [
				{
					parameter: 'cold',
					to: 'amount' as const,
					curve: [
						{ at: 0, value: at },
						{ at: 1, value: 1 }
					]
				}
			]
		});
		expect(said('shake', curve(0), curve(0.5))).toEqual(['drive 1 curve changed']);
	});

	it('units are read off what a number means', () => {
		expect(
			[
				'length of the fade, in seconds',
				'metres a second to the next',
				'cycles a second',
				'the vertical field of view, in degrees',
				'degrees for each degree a second',
				'behind the point looked at, in metres',
				'damping ratio',
				'pixels that the picture is high'
			].map(unitIn)
		).toEqual(['s', 'm/s', 'Hz', '°', '', 'm', '', 'px']);
	});
});
