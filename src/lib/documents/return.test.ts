import { newBob, newCue, newPreset, newRig } from 'dinesis-runtime/tools';
import { describe, expect, it } from 'vitest';
import { bareKit } from './testing/bare-kit';
import { changedBy } from './fields/changes';
import { byPlace } from './fields/order';
import { creation, shownOfHeld, type Held } from './held';
import { newEnvelope, type ChangePart, type Envelope } from './judge';
import { DEFAULT_SETTINGS, PROJECT_ID, type AnyDocument, type KindName, type ProjectFacts } from './kinds';
import { partsReturning } from './return';

const facts = {
	id: PROJECT_ID,
	world: { events: [], values: [] },
	settings: DEFAULT_SETTINGS,
	players: [],
	carried: {}
} as never;
let count = 0;
const held = (kind: KindName, document: AnyDocument, order: string, retired = false): Held => ({
	...(creation(kind, document, order).to as Envelope),
	uuid: `00000000-0000-4000-8000-${String(++count).padStart(12, '0')}`,
	version: 4,
	savedAt: '',
	retired
});
/** What is in use after a change, in its order. */
function after(here: readonly Held[], parts: readonly ChangePart[]): Envelope[] {
	const made = parts.flatMap((part) => newEnvelope(part) ?? []);
	const changed = here.map(
		(one) => changedBy(one, parts.find(({ document }) => document === one.uuid)?.fields ?? []) as Envelope
	);
	return [...changed, ...made].filter(({ retired }) => !retired).sort(byPlace);
}
const named = (list: readonly Envelope[], ...kinds: KindName[]): string[] =>
	list.filter(({ kind }) => kinds.includes(kind)).map((one) => shownOfHeld<AnyDocument>(one).name!);

const thud = newPreset('thud', 'Thud');
const slam = newPreset('slam', 'Slam');
const stair = newBob('stair', 'Stair');
const bell = { id: 'bell', name: 'Bell', kind: 'moment', placed: false, tags: [], values: [] } as const;

describe('the way back to a whole project', () => {
	it('puts what was changed, added, taken out and moved to what it was, and nothing else', () => {
		const was = bareKit({
			presets: [thud, slam, stair],
			events: [bell],
			cues: [newCue('c', 'bell', 'thud')],
			settings: { ...DEFAULT_SETTINGS, frameRate: 30 }
		});
		const here = [
			held('shake', slam, 'a0'),
			held('shake', { ...thud, name: 'Thud, softer' } as AnyDocument, 'a1'),
			held('bob', stair, 'a2', true),
			held('shake', newPreset('later', 'Made later'), 'a3'),
			held('event', bell, 'a4'),
			held('rig', newRig('eyes', 'Made later too'), 'a5'),
			held('project', facts, 'a6')
		];
		const parts = partsReturning(was, here);
		const now = after(here, parts);
		expect(named(now, 'shake', 'bob', 'lag')).toEqual(['Thud', 'Slam', 'Stair']);
		expect(named(now, 'rig')).toEqual([]);
		expect(now.filter(({ kind }) => kind === 'cue').map(({ id }) => id)).toEqual(['c']);
		expect(shownOfHeld<ProjectFacts>(now.find(({ kind }) => kind === 'project')!).settings.frameRate).toBe(30);
		// The event is as it was: nobody touches it.
		expect(parts.some(({ document }) => document === here[4]!.uuid)).toBe(false);
	});

	it('is nothing where all is as it was', () => {
		const here = [held('shake', thud, 'a0'), held('shake', slam, 'a1'), held('project', facts, 'a2')];
		expect(partsReturning(bareKit({ presets: [thud, slam] }), here)).toEqual([]);
	});

	it('does not put one kind in the place of another', () => {
		const here = [held('bob', { ...stair, id: 'thud' } as AnyDocument, 'a0'), held('project', facts, 'a1')];
		expect(named(after(here, partsReturning(bareKit({ presets: [thud] }), here)), 'shake', 'bob')).toEqual([]);
	});
});
