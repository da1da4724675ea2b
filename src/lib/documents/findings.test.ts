import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { newBob, newCue, newPreset, NO_LINKS } from 'dinesis-runtime/tools';
import { describe, expect, it } from 'vitest';
import { DEMO_KIT } from '../../../scripts/lib/paths';
import { bySeverity, checkKit, documentsIn, findingsFor } from './findings';
import type { Kit } from './kit';
import { newCourse } from './new-course';
import { readKit } from './read';

const drive = (parameter: string) => ({
	parameter,
	to: 'amount' as const,
	curve: [
		{ at: 0, value: 1 },
		{ at: 1, value: 0 }
	]
});
const event = (id: string) => ({ id, name: id, kind: 'moment' as const, placed: false, tags: [], values: [] });
const kit = (part: Partial<Kit>): Kit => ({
	format: 'dinesis-kit',
	version: 1,
	name: 'K',
	events: [event('hit')],
	parameters: [{ id: 'cold', name: 'Cold', min: 0, max: 1, rest: 0 }],
	presets: [newPreset('thud', 'Thud')],
	cues: [newCue('c', 'hit', 'thud')],
	rigs: [],
	courses: [],
	world: NO_LINKS,
	...part
});
const told = (part: Partial<Kit>): string[] => checkKit(kit(part)).map(({ check, place }) => `${check} ${place}`);
const occurs = { at: 1, event: 'hit', length: null, values: {}, place: null, who: 0 };

describe('findings of a whole kit', () => {
	it('an event that nothing raises; a course, a link or another cue does', () => {
		expect(told({})).toEqual(['event-never-comes events[0].id']);
		expect(told({ courses: [{ ...newCourse('w', 'W'), events: [occurs] }] })).toEqual([]);
		expect(told({ world: { events: [{ from: 'jump', event: 'hit', numbers: {} }], values: [] } })).toEqual([]);
		const raise = { id: '1', kind: 'raise' as const, event: 'hit', delay: 0 };
		const chain = { ...newCue('d', 'two', 'thud'), actions: [raise] };
		const events = [event('hit'), event('two')];
		expect(told({ events, cues: [newCue('c', 'hit', 'thud'), chain] })).toEqual(['event-never-comes events[1].id']);
		expect(told({ events, cues: [newCue('c', 'hit', 'thud'), { ...chain, on: false }] })).toHaveLength(2);
	});

	it('a drive on a game value that is not there, of a shake and of a bob; the fix takes it out', () => {
		const courses = [{ ...newCourse('w', 'W'), events: [occurs] }];
		const with_ = (parameter: string) => [
			{ ...newPreset('thud', 'Thud'), drives: [drive(parameter)] },
			{ ...newBob('steps', 'Steps'), drives: [drive(parameter)] }
		];
		expect(told({ courses, presets: with_('heat') })).toEqual([
			'unknown-drive presets[0].drives[0].parameter',
			'unknown-drive presets[1].drives[0].parameter'
		]);
		expect(told({ courses, presets: with_('cold') })).toEqual([]);
		const [finding] = checkKit(kit({ courses, presets: with_('heat') }));
		expect(finding!.fix!.apply(with_('heat')[0]!)).toMatchObject({ drives: [] });
	});

	it('are told document by document, the gravest first', () => {
		const presets = [{ ...newPreset('thud', 'Thud'), amount: 0, drives: [drive('heat')] }];
		const whole = kit({ presets });
		const all = [...documentsIn(whole)].flatMap(({ kind, document }) => findingsFor(kind, document, whole));
		const list = bySeverity(all);
		expect(list.map(({ kind, document, finding }) => [finding.level, kind, document.id])).toEqual([
			['error', 'shake', 'thud'],
			['warning', 'shake', 'thud'],
			['note', 'event', 'hit']
		]);
	});

	it('the demo has none but those that are meant', () => {
		const read = readKit(readFileSync(join(DEMO_KIT), 'utf8'));
		if (!read.ok) throw new Error('The demo is no kit.');
		expect(checkKit(read.value).filter(({ level }) => level !== 'note')).toEqual([]);
	});
});
