import { bobPreset, cue, gameEvent, lagPreset, rig, shakePreset } from 'dinesis-runtime/tools';
import { describe, expect, it } from 'vitest';
import { course as courseShape } from './course-shape';
import { rangeOf, scaled } from './ranges';

// As docs/kit-format.md says them.
describe('ranges out of the table of shapes', () => {
	it.each([
		['a number', rangeOf(shakePreset, 'amount'), { min: 0, max: 100, reset: 1 }],
		['one further in', rangeOf(shakePreset, 'timing', 'fadeOut', 'time'), { min: 0, max: 3600 }],
		['in what may be null', rangeOf(bobPreset, 'landing', 'nod'), { min: -10000, max: 10000, reset: 0 }],
		['in a list', rangeOf(bobPreset, 'gaits', 'speed'), expect.objectContaining({ max: expect.any(Number) })],
		['in a record', rangeOf(lagPreset, 'axes', 'damping'), { min: 0.01, max: 10, reset: 1 }],
		['of channels of a layer', rangeOf(shakePreset, 'layers', 'channels', 'frequency'), { min: 0, max: 240, reset: 1 }],
		['of a choice', rangeOf(cue, 'actions', 'strength'), { min: 0, max: 10, reset: 1 }],
		['of what a gait is multiplied by', rangeOf(cue, 'actions', 'sizes'), { min: 0, max: 20 }],
		['of one way to wane', rangeOf(shakePreset, 'timing', 'life', 'decayPerSecond'), { min: 0.0001, max: 1000 }],
		['of two edges', rangeOf(rig, 'limits', 'x'), { min: -1e6, max: 1e6 }],
		['of a number of an event', rangeOf(gameEvent, 'values', 'min'), { min: -1e9, max: 1e9, reset: 0 }],
		['of an occurrence’s place', rangeOf(courseShape, 'events', 'place'), { min: -1e6, max: 1e6 }],
		['of a length that may be null', rangeOf(courseShape, 'events', 'length'), { min: 0, max: 3600 }],
		['of a way', rangeOf(courseShape, 'path', 'speed'), { min: 0.01, max: 1000, reset: 1.4 }],
		['of a point', rangeOf(courseShape, 'values', 'points', 'value'), { min: -1e9, max: 1e9 }],
		['of three numbers', rangeOf(rig, 'view', 'place'), { min: -1e6, max: 1e6 }]
	])('%s', (_, range, wanted) => expect(range).toEqual(wanted));

	it('another unit', () => {
		expect(scaled({ min: -10, max: 20, reset: 0.5 }, 90)).toEqual({ min: -900, max: 1800, reset: 45 });
		expect(scaled({ min: 0, max: 1 }, 2)).toEqual({ min: 0, max: 2 });
	});

	it('what is no number is told', () => {
		expect(() => rangeOf(rig, 'view', 'kind')).toThrow('There is no number at view.kind.');
		expect(() => rangeOf(rig, 'nowhere', 'x')).toThrow('nowhere.x');
	});
});
