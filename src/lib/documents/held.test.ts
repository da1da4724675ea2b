import { describe, expect, it } from 'vitest';
import { newCue, newPreset, newRig, NO_LINKS } from 'dinesis-runtime/tools';
import { changedBy } from './fields/changes';
import { firstKeys } from './fields/order';
import { creation, fieldsTowards, partsTowards, shownOfHeld, wiringOf, WIRING_KINDS, type Held } from './held';
import type { ChangePart, Envelope } from './judge';
import { DEFAULT_SETTINGS, PROJECT_ID, type AnyDocument, type KindName } from './kinds';
import type { Wiring } from './read-wiring';

const event = (id: string, name = id): AnyDocument =>
	({ id, name, kind: 'moment', placed: false, tags: [], values: [] }) as AnyDocument;
const facts = {
	id: PROJECT_ID,
	world: NO_LINKS,
	settings: { ...DEFAULT_SETTINGS, frameRate: 50 },
	carried: { note: 7 }
} as AnyDocument;
const list: [KindName, AnyDocument][] = [
	['event', event('hit')],
	['event', event('fall')],
	['cue', newCue('c', 'hit', 'thud')],
	['rig', newRig('eyes', 'Eyes')],
	['project', facts]
];
const keys = firstKeys(list.length);
const held = list.map(([kind, document], i): Held => {
	const envelope = creation(kind, document, keys[i]!).to as Envelope;
	return { ...envelope, uuid: `u-${document.id}`, version: 3, savedAt: '' };
});
/** What the parts make of what is held. */
function after(parts: readonly ChangePart[], before: readonly Held[] = held): Held[] {
	const all = new Map(before.map((one) => [one.uuid, one]));
	for (const { document, fields } of parts) {
		const made = changedBy(all.get(document) ?? null, fields) as Held;
		all.set(document, { ...made, uuid: document });
	}
	const rank = (kind: KindName): number => (WIRING_KINDS as readonly KindName[]).indexOf(kind);
	return [...all.values()]
		.filter(({ retired }) => !retired)
		.sort((a, b) => rank(a.kind) - rank(b.kind) || (a.order < b.order ? -1 : 1));
}
const wiring = wiringOf(held);
const towards = (next: Wiring, retired: Parameters<typeof partsTowards>[1] = []): ChangePart[] =>
	partsTowards(held, retired, next);

describe('one wiring made into another', () => {
	it('is nothing where nothing differs', () => {
		expect(towards(wiring)).toEqual([]);
		expect(wiring.events.map(({ id }) => id)).toEqual(['hit', 'fall']);
	});

	it('is one field for one field, on the version that was there', () => {
		const next = { ...wiring, cues: wiring.cues.map((cue) => ({ ...cue, on: false })) };
		expect(towards(next)).toEqual([{ document: 'u-c', on: 3, fields: [{ path: ['body', 'on'], to: false }] }]);
	});

	it('makes what is new, takes out what is gone, and puts in order, whatever came of it', () => {
		const next: Wiring = {
			...wiring,
			events: [wiring.events[1]!, event('new') as never, { ...wiring.events[0]!, name: 'Hit, hard' }],
			cues: [],
			world: { events: [], values: [{ from: 'hold', parameter: 'cold' }] }
		};
		const parts = towards(next);
		expect(wiringOf(after(parts))).toEqual(next);
		expect(parts.find(({ document }) => document === 'u-c')!.fields).toEqual([{ path: ['retired'], to: true }]);
		// What no room works on is not touched by what the world raises.
		const kept = after(parts).find(({ kind }) => kind === 'project')!;
		expect(shownOfHeld(kept)).toMatchObject({ carried: { note: 7 }, settings: { frameRate: 50 } });
	});

	it('brings back what was out of use under its id, as the same document', () => {
		const stub = { uuid: 'u-old', kind: 'event', id: 'old', version: 9 } as const;
		const parts = towards({ ...wiring, events: [...wiring.events, event('old', 'Old') as never] }, [stub]);
		expect(parts.map(({ document, on }) => [document, on])).toEqual([['u-old', 9]]);
		expect(parts[0]!.fields.map(({ path }) => path[0])).toEqual(['body', 'order', 'retired']);
	});

	it('another kind’s document of that id is another document', () => {
		const stub = { uuid: 'u-cue', kind: 'cue', id: 'old', version: 9 } as const;
		const [part] = towards({ ...wiring, events: [...wiring.events, event('old') as never] }, [stub]);
		expect([part!.document === 'u-cue', part!.on]).toEqual([false, undefined]);
	});
});

it('the id of a document stays, whatever another one is called', () => {
	const thud = creation('shake', newPreset('thud', 'Thud'), 'a0').to as Envelope;
	expect(fieldsTowards(thud, { ...newPreset('other', 'Thud'), amount: 2 } as AnyDocument)).toEqual([
		{ path: ['body', 'amount'], to: 2 }
	]);
});
