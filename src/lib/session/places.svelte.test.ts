import { beforeEach, describe, expect, it } from 'vitest';
import type { KindName } from '$lib/documents';
import { addressOf, counterpart, lastIn, lastPlace, placeIn, placeOf, remember } from './places';

beforeEach(() => localStorage.clear());

describe('places', () => {
	it('are told from addresses and written as such, in any script', () => {
		expect(placeOf('/harbour/bench/thud')).toEqual({ slug: 'harbour', room: 'bench', document: 'thud' });
		expect(placeOf('/harbour/library')).toEqual({ slug: 'harbour', room: 'library', document: '' });
		expect(placeOf('/projects')).toBe(null);
		const place = { slug: 'маяк', room: 'course', document: 'walk' };
		expect(placeOf(addressOf(place))).toEqual(place);
		expect(addressOf({ slug: 'a', room: 'rig', document: '' })).toBe('/a/rig');
	});

	it('a document of each kind is worked on in its room', () => {
		const at = (kind: KindName) => addressOf({ slug: 'a', ...placeIn(kind, 'x') });
		expect((['shake', 'bob', 'lag', 'cue', 'event', 'value', 'rig', 'course', 'project'] as const).map(at)).toEqual([
			'/a/bench/x',
			'/a/bench/x',
			'/a/bench/x',
			'/a/cues/x',
			'/a/cues/event%3Ax',
			'/a/cues/value%3Ax',
			'/a/rig/x',
			'/a/course/x',
			'/a/course'
		]);
		expect(placeOf('/%E0%A4%A/bench/x')).toMatchObject({ room: 'bench' });
	});

	it('what is worked on is at hand in the Review, and what is under review in its own room', () => {
		const at = (room: string, document: string) => ({ slug: 'a', room, document });
		expect(counterpart(at('bench', 'thud'), 'review')).toBe('shake:thud');
		expect(counterpart(at('cues', 'hit-thud'), 'review')).toBe('cue:hit-thud');
		expect(counterpart(at('cues', 'event:hit'), 'review')).toBe(null);
		expect(counterpart(at('bench', ''), 'review')).toBe(null);
		expect(counterpart(at('library', 'thud'), 'review')).toBe(null);
		expect(counterpart(at('review', 'shake:thud'), 'bench')).toBe('thud');
		expect(counterpart(at('review', 'course:walk'), 'course')).toBe('walk');
		expect(counterpart(at('review', 'course:walk'), 'rig')).toBe(null);
		expect(counterpart(at('review', ''), 'bench')).toBe(null);
	});

	it('each room goes back to what was open there last, in each project', () => {
		remember({ slug: 'a', room: 'bench', document: 'thud' });
		remember({ slug: 'a', room: 'rig', document: 'eyes' });
		remember({ slug: 'b', room: 'bench', document: 'slip' });
		remember({ slug: 'a', room: 'library', document: '' });
		expect([lastIn('a', 'bench'), lastIn('a', 'rig'), lastIn('b', 'bench')]).toEqual(['thud', 'eyes', 'slip']);
		expect(lastPlace('a')).toEqual({ slug: 'a', room: 'library', document: '' });
		expect(lastPlace('never opened')).toMatchObject({ room: 'bench', document: '' });
		expect(document.cookie).toContain(encodeURIComponent('/a/library'));
	});

	it('what a browser kept wrongly is as nothing', () => {
		localStorage.setItem('dinesis-places', '{"a":{"room":3}}');
		expect(lastPlace('a')).toMatchObject({ room: 'bench' });
		localStorage.setItem('dinesis-places', 'no');
		expect(lastIn('a', 'bench')).toBe('');
		remember({ slug: 'a', room: 'bench', document: 'thud' });
		expect(lastIn('a', 'bench')).toBe('thud');
	});

	it('of very many projects those not opened for long are forgotten', () => {
		for (let i = 0; i < 60; i++) remember({ slug: `p${i}`, room: 'bench', document: 'x' });
		expect([lastIn('p0', 'bench'), lastIn('p59', 'bench')]).toEqual(['', 'x']);
	});
});
