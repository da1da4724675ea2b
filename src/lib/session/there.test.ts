import { expect, it } from 'vitest';
import { isThere, type Shown } from './there';

const shown = (part: Partial<Shown> = {}): Shown => ({
	order: ['thud'],
	missing: 0,
	// A lag may be called as a rig is.
	bobsAndLags: [{ id: 'skiff' }],
	wiring: { rigs: [{ id: 'skiff' }], cues: [{ id: 'hit-thud' }] },
	courses: { order: ['walk'] },
	...part
});
const there = (room: string, document: string, part?: Partial<Shown>) => isThere(shown(part), room, document);

it('each room opens what is in use of its own kinds', () => {
	expect([there('bench', 'thud'), there('bench', 'skiff'), there('bench', 'gone')]).toEqual([true, true, false]);
	expect([there('rig', 'skiff'), there('rig', 'thud'), there('cues', 'hit-thud')]).toEqual([true, false, true]);
	expect([there('course', 'walk'), there('course', 'gone'), there('library', 'thud')]).toEqual([true, false, false]);
});

it('what has not come yet may be there', () => {
	expect(there('bench', 'later', { missing: 3 })).toBe(true);
	expect(there('course', 'walk', { courses: { order: null } })).toBe(true);
});

it('the Review looks at what moves by itself: of a lag and a rig of one id the rig', () => {
	expect(['shake:thud', 'rig:skiff', 'cue:hit-thud', 'course:walk'].map((key) => there('review', key))).toEqual([
		true,
		true,
		true,
		true
	]);
	expect(['shake:skiff', 'shake:gone', 'rig:thud', ''].map((key) => there('review', key))).toEqual([
		false,
		false,
		false,
		false
	]);
});
