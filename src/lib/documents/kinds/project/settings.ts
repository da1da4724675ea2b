/** A project's own settings: what no game plays and everybody who works on it shares. */
import {
	hashText,
	id,
	list,
	number,
	object,
	oneOf,
	record,
	required,
	text,
	withDefault,
	type Shape
} from 'dinesis-runtime/tools';

/** What a key of the keyboard fires: a preset, or an event with all that answers it. */
export interface KeyTarget {
	readonly kind: 'preset' | 'event';
	readonly of: string;
}

/** `id`: `1` … `9`, and `shift-1` … `shift-9`. */
export interface KeyRow extends KeyTarget {
	readonly id: string;
}

/** Somebody who works on the project: the name that their changes bear, and what they do. */
export interface Person {
	readonly id: string;
	readonly name: string;
	readonly does: string;
}

export const SILENCED_KINDS = ['shake', 'bob', 'lag', 'rig', 'cue', 'event', 'value', 'course', 'project'] as const;

/** A finding that somebody looked at and wants left alone. */
export interface Silenced {
	/** One a document and check: `silencedId`. */
	readonly id: string;
	readonly kind: (typeof SILENCED_KINDS)[number];
	/** The document's id. */
	readonly of: string;
	readonly check: string;
	/** Why it is meant so. */
	readonly reason: string;
}

export interface ProjectSettings {
	/** Pictures a second of the game, 1–1000: `12f` in a field is twelve of them. */
	readonly frameRate: number;
	/** In what lengths are written on the page; kept they are always in metres. */
	readonly length: 'm' | 'cm';
	/** Keys that somebody gave something; the others fire what comes first in the project. */
	readonly keys: readonly KeyRow[];
	readonly people: readonly Person[];
	/** What is too much, by the figure's name, in its unit; what is left out is as the Review has it. */
	readonly limits: Readonly<Record<string, number>>;
	readonly silenced: readonly Silenced[];
}

export const DEFAULT_SETTINGS: ProjectSettings = {
	frameRate: 60,
	length: 'm',
	keys: [],
	people: [],
	limits: {},
	silenced: []
};

/** The keys in their order: nine, and nine with Shift. */
export const KEY_IDS: readonly string[] = ['', 'shift-'].flatMap((bank) =>
	Array.from({ length: 9 }, (_, i) => `${bank}${i + 1}`)
);

const keyRow = object({
	id: required(oneOf('the key', KEY_IDS)),
	kind: required(oneOf('what it fires', ['preset', 'event'])),
	of: required(id('of what it fires'))
});
const person = object({
	id: required(id('of the person')),
	name: required(text('who', 40, 1)),
	does: withDefault(text('what they do', 120), '')
});

const silenced = object({
	id: required(id('of what is left alone')),
	kind: required(oneOf('the kind of document', SILENCED_KINDS)),
	of: required(id('of the document')),
	check: required(text('the check', 64, 1)),
	reason: required(text('the reason', 400, 1))
});

/** What a finding that is left alone is called by: a document and a check have one. */
export const silencedId = (kind: string, of: string, check: string): string =>
	`s-${(hashText(`${kind} ${of} ${check}`) >>> 0).toString(16)}`;

export const settingsShape: Shape = object({
	frameRate: withDefault(number('pictures a second of the game', 1, 1000), DEFAULT_SETTINGS.frameRate),
	length: withDefault(oneOf('in what lengths are written', ['m', 'cm']), DEFAULT_SETTINGS.length),
	keys: withDefault(list(keyRow, { most: KEY_IDS.length, unique: 'id' }), []),
	people: withDefault(list(person, { most: 200, unique: 'id' }), []),
	limits: withDefault(record(null, number('what is too much', 0, 1e9)), {}),
	silenced: withDefault(list(silenced, { most: 2000, unique: 'id' }), [])
});

/** Whether they say nothing of their own. */
export const isPlain = ({ frameRate, length, keys, people, limits, silenced }: ProjectSettings): boolean =>
	frameRate === DEFAULT_SETTINGS.frameRate &&
	length === DEFAULT_SETTINGS.length &&
	keys.length + people.length + silenced.length + Object.keys(limits).length === 0;
