import { describe, expect, it } from 'vitest';
import { newCue, newPreset, NO_LINKS } from 'dinesis-runtime/tools';
import type { ProjectSession } from '$lib/session/session.svelte';
import type { ToldDocument } from '$lib/documents';
import { aboutMoment, cueTitle, dayOf, linesOf, momentOf, spanOf, titleOf } from './history';

const told = (part: Partial<ToldDocument>): ToldDocument => ({
	uuid: 'u',
	kind: 'shake',
	id: 'thud',
	name: 'Thud',
	version: 3,
	became: null,
	lines: [],
	more: 0,
	...part
});
const line = (label: string, was: string, is: string, unit = '') => ({
	path: [label],
	label,
	was,
	is,
	unit,
	entry: null
});
const at = (hour: number, minute: number, day = 5): number => new Date(2026, 0, day, hour, minute).getTime();

describe('a stretch as it is read', () => {
	it('says what became of a document, then what changed in it, then how much more', () => {
		const one = told({
			became: 'back',
			lines: [line('amount', '1', '1.4'), line('fade out', '1.1', '0.8', 's')],
			more: 3
		});
		expect(linesOf(one)).toEqual(['brought back', 'amount 1 → 1.4', 'fade out 1.1 → 0.8 s', '3 more']);
		expect(linesOf(told({ became: 'retired' }))).toEqual(['taken out of use']);
	});

	it('a moment is told apart by what was done up to it, by how much, or by its mark', () => {
		const one = { starred: false, changes: 1, documents: [told({ lines: [line('amount', '1', '1.4')] })] };
		expect(aboutMoment(one)).toBe('Thud: amount 1 → 1.4');
		expect(aboutMoment({ ...one, changes: 12 })).toBe('12 changes');
		expect(aboutMoment({ ...one, starred: true })).toBe('marked');
	});

	it('its time is from when to when; of one moment its seconds; of one minute that minute', () => {
		const [from, to] = [at(14, 2), at(14, 9)];
		const short = (time: number) =>
			new Intl.DateTimeFormat(undefined, { hour: '2-digit', minute: '2-digit' }).format(time);
		expect(spanOf({ since: from, until: to, changes: 12 })).toBe(`${short(from)}–${short(to)}`);
		expect(spanOf({ since: from, until: from + 1000, changes: 2 })).toBe(short(from));
		expect(spanOf({ since: from, until: from, changes: 1 })).toContain('02');
		expect(momentOf({ name: 'Feels right', until: to })).toBe('Feels right');
	});

	it('its day is today, yesterday, or named; of another year with the year', () => {
		const now = at(0, 5, 6);
		expect([dayOf(at(0, 1, 6), now), dayOf(at(23, 59, 5), now)]).toEqual(['Today', 'Yesterday']);
		expect(dayOf(at(12, 0, 1), now)).toMatch(/1/);
		expect(dayOf(new Date(2024, 4, 3).getTime(), now)).toMatch(/2024/);
	});

	it('a document goes by its name and kind; a cue by what it answers and does', () => {
		const session = {
			wiring: { events: [{ id: 'hit', name: 'Hit' }], parameters: [], rigs: [], world: NO_LINKS },
			presets: [newPreset('thud', 'Thud')],
			bobsAndLags: [],
			histories: { held: () => undefined }
		} as unknown as ProjectSession;
		expect(titleOf(session, told({}))).toBe('Thud');
		expect(titleOf(session, told({ kind: 'rig', id: 'eyes', name: '' }))).toBe('rig eyes');
		expect(titleOf(session, told({ kind: 'project', name: '' }))).toBe(
			'The project’s settings, and what the stand-in game raises'
		);
		expect(titleOf(session, told({ kind: 'cue', id: 'c', name: '' }))).toBe('cue c');
		expect(cueTitle(session, newCue('c', 'hit', 'thud'))).toBe('cue: Hit happens: play Thud');
	});
});
