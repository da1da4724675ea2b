/** What changed in a document, in words: “fade out 1.1 → 0.8 s”, “layer Shudder added”. Read off its shape, so that no kind is told twice. */
import { unitOf as channelUnit, type Channel, type Shape, type View } from 'dinesis-runtime/tools';
import { between, type Between } from '../fields/between';
import type { Plan } from '../fields/plan';
import { inOrder, isEntries, isFields, planAt, planFor, type Entries, type Tree } from '../fields/tree';
import { KINDS, planOfKind, type KindName } from '../kinds';
import { shapeWithin } from '../ranges';

export interface Difference extends Between {
	/** What a person calls the field. */
	readonly label: string;
	/** Both values as they are read; where there is none, an empty text. */
	readonly was: string;
	readonly is: string;
	readonly unit: string;
	/** What became of an entry of a list; null: its value is another. */
	readonly entry: 'added' | 'gone' | 'moved' | null;
}

/** Steps on the way to a field that nobody would name. */
const SILENT = new Set(['timing', 'channels', 'conditions', 'axes', 'is', 'world']);
/** Names of the file that are other words on the page, or none. */
const WORDS: Readonly<Record<string, string>> = {
	about: 'description',
	suits: 'made for',
	on: 'switched on',
	coolDown: 'cool-down',
	min: 'least',
	max: 'most',
	rest: 'at rest',
	points: 'curve',
	bypass: 'stages left out',
	order: 'order of stages',
	duration: 'length',
	seconds: 'length',
	duck: 'ducks to',
	duckTime: 'ducks within',
	seededBy: 'its chance'
};
const ONE: Readonly<Record<string, string>> = {
	layers: 'layer',
	actions: 'action',
	pick: 'pick',
	gaits: 'gait',
	drives: 'drive',
	values: 'number',
	parameters: 'game value',
	path: 'place',
	events: 'event',
	areas: 'area'
};
const MOST_SHOWN = 48;

const spaced = (name: string): string => name.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase();

/** The unit that a number's meaning ends in, as a shape says it. */
export function unitIn(what: string): string {
	if (/for each/.test(what)) return '';
	if (/metres a second/.test(what)) return 'm/s';
	if (/(cycles|steps) a second/.test(what)) return 'Hz';
	if (/\b(in )?seconds$|^seconds|, in seconds/.test(what)) return 's';
	if (/, in metres$|^metres/.test(what)) return 'm';
	if (/, in degrees$|^degrees/.test(what)) return '°';
	if (/^pixels/.test(what)) return 'px';
	return '';
}

const whatOf = (shape: Shape | null): string => {
	if (shape?.kind === 'number') return shape.what;
	if (shape?.kind === 'orNull' || shape?.kind === 'ruled') return whatOf(shape.inner);
	return '';
};

/** A value in a few words: numbers short, texts cut, what is longer by its kind alone. */
export function shownValue(value: unknown): string {
	if (value === undefined) return '';
	if (value === null) return 'none';
	if (typeof value === 'number') return String(Number(value.toPrecision(4)));
	if (typeof value === 'boolean') return value ? 'yes' : 'no';
	if (typeof value === 'string') return value.length > MOST_SHOWN ? `${value.slice(0, MOST_SHOWN - 1)}…` : value;
	if (Array.isArray(value)) {
		if (value.length === 0) return 'none';
		return value.length <= 6 && value.every((item) => typeof item !== 'object')
			? value.map(shownValue).join(', ')
			: `${value.length} of them`;
	}
	return isFields(value) && typeof value.kind === 'string' ? value.kind : 'some';
}

/** What an entry is called: its name, its own id, or its place in the list. */
function entryName(entries: Entries, id: string, ownId: boolean, list: string): string {
	const at = inOrder(entries).findIndex((entry) => entry.id === id);
	const is = entries[id]?.is;
	const one = ONE[list] ?? list;
	if (isFields(is) && typeof is.name === 'string' && is.name !== '') return `${one} ${is.name}`;
	return ownId && list !== 'layers' ? `${one} ${id}` : `${one} ${at + 1}`;
}

/** The names on the way to a field, and its unit. */
function said(
	kind: KindName,
	{ path }: Between,
	from: Tree,
	to: Tree
): { label: string; unit: string; ofEntry: boolean } {
	let plan: Plan = planOfKind(kind);
	let shape: Shape | null = KINDS[kind].shape;
	let [was, is]: [unknown, unknown] = [from, to];
	let channel = '';
	let silent = '';
	const words: string[] = [];
	let ofEntry = false;
	for (let i = 0; i < path.length; i++) {
		const step = path[i]!;
		const here = planFor(plan, is ?? was);
		const holder = isEntries(here, is) || isEntries(here, was) ? here : null;
		if (holder?.kind === 'entries') {
			const list = path[i - 1] ?? '';
			const own = isEntries(here, is) && is[step] ? is : (was as Entries);
			if (words.length > 0 && words.at(-1) === (WORDS[list] ?? spaced(list))) words.pop();
			words.push(entryName(own, step, holder.ownId, list));
			// Within an entry stand its order and what it is.
			[was, is] = [isFields(was) ? was[step] : undefined, isFields(is) ? is[step] : undefined];
			ofEntry = path[i + 1] !== 'is';
			if (ofEntry) break;
			i++;
			plan = holder.item;
			shape = shape && shapeWithin(shape, null);
			[was, is] = [isFields(was) ? was.is : undefined, isFields(is) ? is.is : undefined];
			continue;
		}
		plan = planAt(here, step);
		shape = shape && shapeWithin(shape, step);
		if (path[i - 1] === 'channels') channel = step;
		const isLength = step === 'time' && i > 0;
		if (SILENT.has(step)) silent = step;
		else if (!isLength) words.push(WORDS[step] ?? spaced(step));
		[was, is] = [isFields(was) ? was[step] : undefined, isFields(is) ? is[step] : undefined];
	}
	const view = ((isFields(to) ? to.view : isFields(from) ? from.view : '') === 'flat' ? 'flat' : 'space') as View;
	const isAmplitude = path.at(-1) === 'amplitude' && channel !== '';
	const unit = isAmplitude ? channelUnit(channel as Channel, view) : unitIn(whatOf(shape));
	return { label: words.join(' ') || (silent && spaced(silent)) || 'all of it', unit, ofEntry };
}

/** What differs between two kept documents of a kind, in words. Either may be null: one that was not there. */
export function differences(kind: KindName, from: Tree, to: Tree): Difference[] {
	if (from === null || to === null) return [];
	return between(planOfKind(kind), from, to).map((found) => {
		const { label, unit, ofEntry } = said(kind, found, from, to);
		const change = found.from === undefined ? 'added' : found.to === undefined ? 'gone' : 'moved';
		const entry = ofEntry ? change : null;
		const [was, is] = entry ? ['', ''] : [shownValue(found.from), shownValue(found.to)];
		return { ...found, label, was, is, unit, entry };
	});
}

/** One difference as a line. */
export function sayDifference({ label, was, is, unit, entry }: Difference): string {
	if (entry === 'moved') return `${label} moved`;
	if (entry) return `${label} ${entry === 'added' ? 'added' : 'taken out'}`;
	if (was === is) return `${label} changed`;
	const tail = unit === '' ? '' : unit === '°' ? '°' : ` ${unit}`;
	return `${label} ${was || '–'} → ${is || '–'}${tail}`;
}
