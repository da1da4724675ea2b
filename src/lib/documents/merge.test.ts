import { newBob, newCue, newPreset, newRig, WHOLE } from 'dinesis-runtime/tools';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { bareKit } from './testing/bare-kit';
import { DEMO_KIT } from '../../../scripts/lib/paths';
import { wiringOf, type Held } from './held';
import { changedBy } from './fields/changes';
import { newEnvelope, type Envelope } from './judge';
import {
	DEFAULT_SETTINGS,
	documentOf,
	PROJECT_ID,
	treeOf,
	type AnyDocument,
	type KindName,
	type ProjectFacts,
	type ProjectSettings
} from './kinds';
import type { Kit } from './kit';
import { readKit } from './read';
import { arrivalsOf, choicesOf, comparedWith, partsBringing, wantedBy, type Choice } from './merge';

let count = 0;
const held = (kind: KindName, document: object, retired = false): Held => ({
	uuid: `00000000-0000-4000-8000-${String(++count).padStart(12, '0')}`,
	kind,
	id: (document as AnyDocument).id,
	order: 'a0',
	version: 3,
	savedAt: '',
	retired,
	body: treeOf(kind, document as AnyDocument)
});
const hit = { id: 'hit', name: 'Hit', kind: 'moment', placed: true, tags: [], values: [] } as const;
const rich = bareKit({
	presets: [newPreset('thud', 'Thud'), newBob('stair', 'Stair')],
	events: [hit],
	cues: [newCue('c', 'hit', 'thud')],
	rigs: [{ ...newRig('eyes', 'Eyes'), bob: 'stair' }]
});
/** Everything of a kit, with a choice for those that are there. */
const bring = (kit: Kit, here: readonly Held[], choice: Choice = 'both') =>
	partsBringing(
		comparedWith(arrivalsOf(kit), here).map((arrival) => ({ arrival, choice })),
		here,
		'a0'
	);
/** The documents as they are after it. */
function after(kit: Kit, here: readonly Held[], choice: Choice = 'both'): string[] {
	const parts = bring(kit, here, choice);
	const all = [
		...here.map((one) => changedBy(one, parts.find(({ document }) => document === one.uuid)?.fields ?? []) as Envelope),
		...parts.flatMap((part) => newEnvelope(part) ?? [])
	];
	return all.map(({ kind, id, retired }) => `${kind} ${id}${retired ? ' retired' : ''}`);
}

describe('what a kit brings', () => {
	it('is new, the same whatever the order of its fields, changed, or another thing under the same id', () => {
		const { name, ...rest } = newPreset('a', 'A');
		const presets = [
			{ ...rest, name },
			{ ...newPreset('b', 'B'), amount: 2 },
			newPreset('c', 'Clang, louder'),
			newPreset('d', 'D'),
			newBob('e', 'E')
		];
		const here = [
			held('shake', newPreset('a', 'A')),
			held('shake', newPreset('b', 'B')),
			held('shake', newPreset('c', 'Clang')),
			held('shake', newPreset('d', 'D'), true),
			held('shake', newPreset('e', 'E'))
		];
		const list = comparedWith(arrivalsOf(bareKit({ presets })), here);
		expect(list.map(({ document, standing }) => [document.id, standing])).toEqual([
			['a', 'same'],
			['b', 'changed'],
			['c', 'clashing'],
			['d', 'new'],
			['e', 'clashing']
		]);
		expect(choicesOf(list[1]!, here[1])).toEqual(['replace', 'keep', 'both']);
		expect(choicesOf(list[4]!, here[4])).toEqual(['both', 'keep']);
	});

	it('what of it is pointed at and would not come is named, with what that points at', () => {
		const course = {
			id: 'w',
			name: 'W',
			about: '',
			seconds: 9,
			path: [],
			trace: null,
			second: null,
			rig: 'eyes',
			steps: false,
			events: [],
			areas: [],
			values: []
		};
		const all = comparedWith(arrivalsOf({ ...rich, courses: [course] }), []);
		const only = (kind: KindName) => all.filter((one) => one.kind === kind);
		const ids = (list: readonly { document: AnyDocument }[]) => list.map(({ document }) => document.id);
		expect(ids(wantedBy(only('cue'), all, []))).toEqual(['hit', 'thud']);
		expect(ids(wantedBy(only('course'), all, []))).toEqual(['eyes', 'stair']);
		expect(ids(wantedBy(only('cue'), all, [held('event', hit)]))).toEqual(['thud']);
	});
});

describe('the change that brings it in', () => {
	it('on a project without anything is a making of each, behind its last place, in the order of the kit', () => {
		expect(after(rich, [])).toEqual(['shake thud', 'bob stair', 'event hit', 'cue c', 'rig eyes']);
		const orders = bring(rich, []).map((part) => newEnvelope(part)!.order);
		expect([...orders].sort()).toEqual(orders);
		expect(orders.every((order) => order > 'a0')).toBe(true);
	});

	it('of the demo makes on an empty project the same documents in the same order', () => {
		const read = readKit(readFileSync(DEMO_KIT, 'utf8'));
		if (!read.ok) throw new Error('The demo is no kit.');
		const facts = held('project', {
			id: PROJECT_ID,
			world: { events: [], values: [] },
			settings: DEFAULT_SETTINGS,
			players: [],
			carried: {}
		});
		const parts = bring(read.value, [facts]);
		const made = parts.flatMap((part) => newEnvelope(part) ?? []).sort((a, b) => (a.order < b.order ? -1 : 1));
		const all = made.map((one) => ({ ...held('shake', newPreset('x', 'X')), ...one }));
		const { events, parameters, cues, rigs } = wiringOf(all);
		const of = (...kinds: KindName[]) =>
			all.filter(({ kind }) => kinds.includes(kind)).map(({ kind, body }) => documentOf(kind, body));
		expect({ events, parameters, cues, rigs, presets: of('shake', 'bob', 'lag'), courses: of('course') }).toEqual({
			events: read.value.events,
			parameters: read.value.parameters,
			cues: read.value.cues,
			rigs: read.value.rigs,
			presets: read.value.presets,
			courses: read.value.courses
		});
		const [world] = parts.filter(({ document }) => document === facts.uuid);
		const after = changedBy(facts, world!.fields) as Envelope;
		expect(documentOf('project', after.body)).toMatchObject({ world: read.value.world });
	});

	it('both: it comes under another id, and is pointed at under it', () => {
		const here = [held('shake', { ...newPreset('thud', 'Thud'), amount: 9 })];
		const parts = bring(rich, here);
		expect(after(rich, here)).toEqual(['shake thud', 'shake thud-2', 'bob stair', 'event hit', 'cue c', 'rig eyes']);
		const cue = parts.map((part) => newEnvelope(part)!).find(({ kind }) => kind === 'cue')!;
		expect(documentOf('cue', cue.body)).toMatchObject({ actions: [{ pick: [{ preset: 'thud-2' }] }] });
	});

	it('replace: only the fields that differ; keep: nothing', () => {
		const here = [held('shake', { ...newPreset('thud', 'Thud'), amount: 9 })];
		const [first] = bring(bareKit({ presets: [newPreset('thud', 'Thud')] }), here, 'replace');
		expect(first).toEqual({ document: here[0]!.uuid, on: 3, fields: [{ path: ['body', 'amount'], to: 1 }] });
		expect(bring(bareKit({ presets: [newPreset('thud', 'Thud')] }), here, 'keep')).toEqual([]);
	});

	it('the same brings nothing; what is out of use under its id comes back as it is in the kit', () => {
		expect(
			bring(bareKit({ presets: [newPreset('thud', 'Thud')] }), [held('shake', newPreset('thud', 'Thud'))])
		).toEqual([]);
		const here = [
			held('shake', { ...newPreset('thud', 'Thud'), amount: 9 }, true),
			held('lag', newBob('stair', 'X'), true)
		];
		expect(after(rich, here)).toEqual([
			'shake thud',
			'lag stair retired',
			'bob stair-2',
			'event hit',
			'cue c',
			'rig eyes'
		]);
	});

	it('what the game raises is taken where nothing was, else joined or put in its place', () => {
		const link = (event: string) => ({ from: 'jump' as const, event });
		const brings = bareKit({ world: { events: [link('hit'), link('two')], values: [] }, extra: 1 } as never);
		const calm = { ...WHOLE, id: 'calm', name: 'Calm', intensity: 0.5 };
		const facts = (events: object[], settings: ProjectSettings = DEFAULT_SETTINGS, players: object[] = []) =>
			held('project', { id: PROJECT_ID, world: { events, values: [] }, settings, players, carried: {} });
		const world = (parts: ReturnType<typeof bring>, from: Held) =>
			documentOf<{ id: string; world: object; carried: object }>(
				'project',
				(changedBy(from, parts[0]!.fields) as Envelope).body
			);
		const bare = facts([]);
		expect(comparedWith(arrivalsOf(brings), [bare])[0]!.standing).toBe('new');
		expect(world(bring(brings, [bare]), bare)).toMatchObject({
			world: { events: [link('hit'), link('two')] },
			carried: { extra: 1 }
		});
		const own = facts([link('own'), link('hit')]);
		expect(world(bring(brings, [own], 'both'), own).world).toMatchObject({
			events: [link('own'), link('hit'), link('two')]
		});
		expect(world(bring(brings, [own], 'replace'), own).world).toMatchObject({ events: [link('hit'), link('two')] });
		expect(comparedWith(arrivalsOf(rich), [own]).some(({ kind }) => kind === 'project')).toBe(false);
		// How one works here stays; where nobody said anything yet, what the kit says holds.
		const theirs = { ...DEFAULT_SETTINGS, frameRate: 30 };
		const settled = bareKit({ world: brings.world, settings: theirs });
		const settingsOf = (from: Held) =>
			documentOf<ProjectFacts>('project', (changedBy(from, bring(settled, [from])[0]!.fields) as Envelope).body)
				.settings;
		expect(settingsOf(own)).toEqual(theirs);
		const ours = { ...DEFAULT_SETTINGS, length: 'cm' as const };
		expect(settingsOf(facts([link('own')], ours))).toEqual(ours);
		// What players may choose is joined; what has the name here stays as it is here.
		const offered = bareKit({
			players: [
				{ ...calm, intensity: 0.1 },
				{ ...calm, id: 'still' }
			]
		});
		const mine = facts([link('own')], ours, [calm]);
		const joined = bring(offered, [mine], 'both')[0]!;
		expect(
			documentOf<ProjectFacts>('project', (changedBy(mine, joined.fields) as Envelope).body).players.map(
				({ id, intensity }) => [id, intensity]
			)
		).toEqual([
			['calm', 0.5],
			['still', 0.5]
		]);
		// What a key fires goes by its new id where that was taken.
		const keyed = bareKit({
			presets: [newPreset('thud', 'Another')],
			settings: { ...DEFAULT_SETTINGS, keys: [{ id: '1', kind: 'preset', of: 'thud' }] }
		});
		const here = [held('shake', newPreset('thud', 'Thud')), facts([])];
		const made = bring(keyed, here).find(({ document }) => document === here[1]!.uuid)!;
		const keys = documentOf<ProjectFacts>('project', (changedBy(here[1]!, made.fields) as Envelope).body).settings.keys;
		expect(keys).toEqual([{ id: '1', kind: 'preset', of: 'thud-2' }]);
	});
});
