import { describe, expect, it } from 'vitest';
import { newCamera, newCue, newPlay, newPreset, newRig } from 'dinesis-runtime/tools';
import { findingsFor } from '../findings';
import { wholeKit } from '../new-kit';
import {
	documentOf,
	following,
	formatOf,
	KIND_NAMES,
	KINDS,
	openDocument,
	pointsAt,
	silencedId,
	treeOf,
	woken,
	type AnyDocument,
	type ProjectFacts
} from '.';

const empty = wholeKit(
	'K',
	[],
	{ events: [], parameters: [], cues: [], world: { events: [], values: [] }, rigs: [] },
	[]
);
const names = (kind: 'cue' | 'rig' | 'shake' | 'course' | 'project', document: unknown): string[] =>
	pointsAt(kind, document as AnyDocument).map(({ space, id }) => `${space} ${id}`);

describe.each(KIND_NAMES)('the kind %s', (kind) => {
	const fresh = KINDS[kind].fresh(kind === 'project' ? 'project' : 'new', 'New');

	it('makes a new one that is sound, shows it as it is, and needs no format but the newest', () => {
		expect(openDocument(kind, structuredClone(fresh)).ok).toBe(true);
		expect(documentOf(kind, treeOf(kind, fresh))).toEqual(fresh);
		expect(formatOf(kind)).toBe(1 + KINDS[kind].migrations.length);
		expect(Array.isArray(findingsFor(kind, fresh, empty))).toBe(true);
	});

	it('is called something, one and several', () => {
		expect(KINDS[kind].words).toMatch(new RegExp(`^${KINDS[kind].word}`));
	});
});

describe('what is woken', () => {
	it('of a document as a kit had it is a tree, with what has come since filled in', () => {
		const old = { id: 'thud', family: 'shake', name: 'Thud', timing: { mode: 'burst', duration: 1 }, zeal: 'kept' };
		const now = documentOf('shake', woken('shake', 0, old));
		expect(now).toMatchObject({ id: 'thud', amount: 1, layers: [], zeal: 'kept' });
		expect(old).not.toHaveProperty('amount');
	});

	it('of a tree that lacks a field gets it, and stays the same tree where it lacks none', () => {
		const tree = treeOf('shake', newPreset('thud', 'Thud')) as Record<string, unknown>;
		expect(woken('shake', 1, tree)).toBe(tree);
		const { duck, ...without } = tree;
		expect(woken('shake', 1, without)).toMatchObject({ duck });
	});

	it('that is not sound is shown as it was kept', () => {
		const odd = { id: 'thud', name: 7 };
		expect(documentOf('shake', woken('shake', 0, odd))).toEqual(odd);
		expect(woken('shake', 1, odd)).toBe(odd);
	});
});

describe('references', () => {
	it('of a cue are its event, its game values, and all that its actions name', () => {
		const stop = { id: '2', kind: 'stop', what: { preset: 'hum' }, cut: false, delay: 0 };
		const set = { id: '3', kind: 'set', parameter: 'cold', to: 1, delay: 0 };
		const raise = { id: '4', kind: 'raise', event: 'echo', delay: 0 };
		const camera = { ...newCamera('eyes', '5'), bob: 'stair', lag: 'tight' };
		const cue = {
			...newCue('c', 'hit', 'thud'),
			conditions: { ...newCue('c', 'hit', 'thud').conditions, parameters: [{ of: 'fear', from: 0, to: null }] },
			actions: [newPlay('thud', '1'), stop, set, raise, camera]
		};
		expect(names('cue', cue)).toEqual([
			'event hit',
			'value fear',
			'preset thud',
			'preset hum',
			'value cold',
			'event echo',
			'rig eyes',
			'preset stair',
			'preset tight'
		]);
		expect(
			names('cue', { ...cue, actions: [{ ...stop, what: 'own' }], conditions: newCue('c', 'e', 'p').conditions })
		).toEqual(['event hit']);
	});

	it('are put elsewhere, each where it is pointed at, and nothing else is changed', () => {
		const cue = newCue('c', 'hit', 'thud');
		const other = KINDS.cue.pointing(cue, (space, id) => (space === 'preset' ? `${id}-2` : id));
		expect(names('cue', other)).toEqual(['event hit', 'preset thud-2']);
		expect({ ...other, actions: [] }).toEqual({ ...cue, actions: [] });
		const rig = { ...newRig('r', 'R'), bob: 'stair', lag: null };
		expect(KINDS.rig.pointing(rig, () => 'other')).toEqual({ ...rig, bob: 'other' });
	});

	it('what the project leaves alone goes along with another id, and needs nothing to be there', () => {
		const one = (kind: 'shake' | 'rig', of: string) => ({
			id: silencedId(kind, of, 'snap'),
			kind,
			of,
			check: 'snap',
			reason: 'meant so'
		});
		const facts = KINDS.project.fresh('project', '') as unknown as ProjectFacts;
		const silenced = [one('shake', 'thud'), one('rig', 'thud')];
		const before = { ...facts, settings: { ...facts.settings, silenced } };
		const after = following('project', before, (space, id) => (space === 'preset' && id === 'thud' ? 'boom' : id));
		// A rig of the same id is another one.
		expect(after.settings.silenced).toEqual([one('shake', 'boom'), one('rig', 'thud')]);
		expect(pointsAt('project', before)).toEqual([]);
		expect(following('project', before, (_, id) => id)).toBe(before);
	});

	it('of a rig, of a shake, of a course and of the project', () => {
		expect(names('rig', { ...newRig('r', 'R'), bob: 'stair', lag: null })).toEqual(['preset stair']);
		const drive = { parameter: 'cold', to: 'amount', curve: [] };
		expect(names('shake', { ...newPreset('p', 'P'), drives: [drive] })).toEqual(['value cold']);
		const course = {
			rig: 'eyes',
			events: [{ event: 'hit' }],
			areas: [{ event: 'indoors' }],
			values: [{ parameter: 'fear' }]
		};
		expect(names('course', course)).toEqual(['rig eyes', 'event hit', 'event indoors', 'value fear']);
		const world = { events: [{ from: 'jump', event: 'hit' }], values: [{ from: 'hold', parameter: 'cold' }] };
		const keys = [
			{ id: '1', kind: 'preset', of: 'thud' },
			{ id: 'shift-2', kind: 'event', of: 'bell' }
		];
		// To leave a finding alone needs nobody to come along.
		const silenced = [
			{ kind: 'lag', of: 'slow' },
			{ kind: 'cue', of: 'bang' }
		];
		expect(names('project', { world, settings: { keys, silenced } })).toEqual([
			'event hit',
			'value cold',
			'preset thud',
			'event bell'
		]);
	});
});
