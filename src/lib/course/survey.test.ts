import { describe, expect, it } from 'vitest';
import { newCourse } from '../documents';
import { newCue, newPreset, newRig, NO_LINKS } from 'dinesis-runtime/tools';
import { presetsOf, surveyCourse } from './survey';

const none = { time: 0, ease: 'linear' } as const;
const base = newPreset('level', 'Level');
/** Moves the camera by three metres aside and four up, and turns it by two degrees, for a second. */
const level = {
	...base,
	timing: { ...base.timing, duration: 1, fadeIn: none, fadeOut: none },
	layers: [
		{
			...base.layers[0]!,
			pattern: { kind: 'wave' as const, shape: 'square' as const },
			channels: {
				x: { amplitude: 3, frequency: 0, start: 'zero' as const },
				y: { amplitude: 4, frequency: 0, start: 'zero' as const },
				roll: { amplitude: 2, frequency: 0, start: 'zero' as const }
			}
		}
	]
};
const kit = {
	events: [{ id: 'hit', name: 'Hit', kind: 'moment' as const, placed: false, tags: [], values: [] }],
	parameters: [],
	presets: [level, newPreset('unused', 'Unused')],
	cues: [newCue('c', 'hit', 'level')],
	world: NO_LINKS,
	rigs: []
};
const hit = { at: 4, event: 'hit', length: null, values: {}, place: null, who: 0 };

describe('a survey', () => {
	it('tells how strongly the camera moves in each part, and what played from when until when', () => {
		const survey = surveyCourse(kit, { ...newCourse('k', 'K'), seconds: 10, events: [hit, { ...hit, at: 9.5 }] }, 10);
		expect([...survey.position[0]!]).toEqual([0, 0, 0, 0, 5, 0, 0, 0, 0, 5]);
		expect([...survey.rotation[0]!]).toEqual([0, 0, 0, 0, 2, 0, 0, 0, 0, 2]);
		expect(survey.plays.map((p) => [p.preset, p.cue, p.who, p.strength])).toEqual([
			['level', 'c', 0, 1],
			['level', 'c', 0, 1]
		]);
		// The event is answered at the step that it falls into.
		expect(survey.plays[0]!.at).toBeCloseTo(4, 1);
		expect(survey.plays[0]!.until).toBeCloseTo(5, 1);
		expect(survey.plays[1]!.until).toBeCloseTo(10, 1);
	});

	it('needs only the presets that cues can play, or that play in a rig', () => {
		const wiring = { cues: kit.cues, rigs: [] };
		expect(presetsOf(wiring, kit.presets).map((p) => p.id)).toEqual(['level']);
		const other = kit.presets.find((p) => p.id !== 'level') ?? { ...kit.presets[0]!, id: 'other' };
		const rig = { ...newRig('r', 'R'), motion: [{ id: 'm', preset: other.id, strength: 1 }] };
		expect(presetsOf({ ...wiring, rigs: [rig] }, [...kit.presets, other]).map((p) => p.id)).toContain(other.id);
	});
});
