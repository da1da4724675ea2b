/**
 * What games and pages may send over the wire: each message is looked at before anybody hears it. What is none ends its connection, with
 * what was wrong. Numbers are numbers, texts and lists have their lengths; what else stands in a message is left out.
 */
import { BODY_NUMBERS, LIMITS, WIRE, type FromGame } from 'dinesis-runtime/wire';
import type { FromPage } from '../../wire/pages';

export type Checked<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly why: string };

const TEXT = 200;
const DEEPEST = 64;

class Wrong extends Error {}
const wrong = (why: string): never => {
	throw new Wrong(why);
};

type Fields = Readonly<Record<string, unknown>>;
const isFields = (value: unknown): value is Fields =>
	typeof value === 'object' && value !== null && !Array.isArray(value);

const number = (value: unknown, what: string): number =>
	typeof value === 'number' && Number.isFinite(value) ? value : wrong(`${what} is no number.`);
const whole = (value: unknown, what: string): number =>
	Number.isSafeInteger(value) && (value as number) >= 0
		? (value as number)
		: wrong(`${what} is no whole number from 0 on.`);
const text = (value: unknown, what: string, most = TEXT): string =>
	typeof value === 'string' && value.length <= most ? value : wrong(`${what} is no text of up to ${most} characters.`);
const orNull = <T>(value: unknown, read: (value: unknown) => T): T | null =>
	value === null || value === undefined ? null : read(value);
const list = (value: unknown, what: string, most: number): readonly unknown[] =>
	Array.isArray(value) && value.length <= most ? (value as unknown[]) : wrong(`${what} is no list of up to ${most}.`);
const numbers = (value: unknown, what: string, most: number): number[] =>
	list(value, what, most).map((one) => number(one, `A number of ${what}`));
const fields = (value: unknown, what: string): Fields => (isFields(value) ? value : wrong(`${what} has no fields.`));
const oneOf = <T extends string>(value: unknown, all: readonly T[], what: string): T =>
	all.includes(value as T) ? (value as T) : wrong(`${what} is none of ${all.join(', ')}.`);

/** A value of any kind: no deeper than is sound to walk through, its numbers are numbers. */
function sound(value: unknown, left = DEEPEST): unknown {
	if (left === 0) return wrong('It is nested too deep.');
	if (typeof value === 'number') return number(value, 'A number');
	if (Array.isArray(value)) for (const one of value as unknown[]) sound(one, left - 1);
	else if (isFields(value))
		for (const name of Object.keys(value)) {
			if (name === '__proto__') return wrong('"__proto__" is no name.');
			sound(value[name], left - 1);
		}
	return value;
}

const place = (value: unknown): [number, number, number] => {
	const three = numbers(value, 'a place', 3);
	return three.length === 3 ? (three as [number, number, number]) : wrong('A place is not three numbers.');
};
/** Named numbers. */
const values = (value: unknown): Record<string, number> => {
	const entries = Object.entries(fields(value, 'What an event carries'));
	if (entries.length > 64) wrong('An event carries more than 64 numbers.');
	return Object.fromEntries(entries.map(([id, v]) => [text(id, 'A number’s id'), number(v, `"${id.slice(0, TEXT)}"`)]));
};
/** Only what is there. */
const some = (parts: Fields): Fields =>
	Object.fromEntries(Object.entries(parts).filter(([, value]) => value !== undefined));
const maybe = <T>(value: unknown, read: (value: unknown) => T): T | undefined =>
	value === undefined ? undefined : read(value);

function optionsOf(given: unknown): Fields {
	const o = fields(given ?? {}, 'An event');
	return some({
		key: maybe(o.key, (v) => text(v, 'A key')),
		values: maybe(o.values, values),
		length: maybe(o.length, (v) => number(v, 'A length')),
		place: maybe(o.place, place),
		tags: maybe(o.tags, (v) => list(v, 'Tags', 64).map((tag) => text(tag, 'A tag'))),
		who: maybe(o.who, (v) => text(v, 'Who')),
		strength: maybe(o.strength, (v) => number(v, 'A strength')),
		rate: maybe(o.rate, (v) => number(v, 'A rate'))
	});
}

function called(given: unknown): Fields {
	const c = fields(given, 'A call');
	switch (c.call) {
		case 'event':
			return {
				call: 'event',
				event: text(c.event, 'An event'),
				phase: oneOf(c.phase, ['happens', 'starts', 'ends'], 'A phase'),
				at: number(c.at, 'When an event was'),
				options: optionsOf(c.options)
			};
		case 'set':
			return { call: 'set', value: text(c.value, 'A game value'), to: number(c.to, 'A game value') };
		case 'play':
			return { call: 'play', preset: text(c.preset, 'A preset'), options: optionsOf(c.options) };
		case 'stop': {
			const { what } = c;
			const meant =
				what === 'all'
					? what
					: 'preset' in fields(what, 'What was stopped')
						? { preset: text((what as Fields).preset, 'A preset') }
						: { tag: text((what as Fields).tag, 'A tag') };
			return { call: 'stop', what: meant, cut: c.cut === true };
		}
		case 'rig':
			return some({
				call: 'rig',
				rig: orNull(c.rig, (v) => text(v, 'A rig')),
				over: number(c.over, 'A blend’s time'),
				who: maybe(c.who, (v) => text(v, 'Who'))
			});
		case 'player': {
			const s = fields(c.settings, 'A player’s settings');
			const yes = (name: string): boolean | undefined => maybe(s[name], (v) => v === true);
			return {
				call: 'player',
				settings: some({
					setting: s.setting === null ? null : maybe(s.setting, (v) => text(v, 'A setting')),
					intensity: maybe(s.intensity, (v) => number(v, 'An intensity')),
					rotation: yes('rotation'),
					roll: yes('roll'),
					lens: yes('lens'),
					bob: yes('bob'),
					gentle: yes('gentle'),
					who: maybe(s.who, (v) => text(v, 'Who'))
				})
			};
		}
		default:
			return wrong('There is no such call.');
	}
}

const rows = (given: unknown, most: number): number[][] =>
	list(given, 'Frames', most).map((row) => numbers(row, 'a frame', 1 + 2 * BODY_NUMBERS + 7));
const calls = (given: unknown, most: number): [number, Fields][] =>
	list(given, 'Calls', most).map((row) => {
		const pair = list(row, 'A call', 2);
		return [whole(pair[0], 'A call’s frame'), called(pair[1])];
	});

function played(given: unknown): Fields {
	const p = fields(given, 'A play');
	return {
		at: number(p.at, 'When a play was'),
		cue: text(p.cue, 'A cue'),
		preset: text(p.preset, 'A preset'),
		viewer: text(p.viewer, 'A viewer'),
		outcome: text(p.outcome, 'An outcome'),
		strength: number(p.strength, 'A strength')
	};
}

const MOST_FRAMES = 120 * 600;

function recording(given: unknown): Fields {
	const r = fields(given, 'A recording');
	return {
		clock: number(r.clock, 'A clock'),
		moment: orNull(r.moment, (v) => sound(fields(v, 'A moment'))),
		seed: number(r.seed, 'A seed'),
		rig: orNull(r.rig, (v) => text(v, 'A rig')),
		viewers: whole(r.viewers, 'How many look on'),
		frames: rows(r.frames, MOST_FRAMES),
		calls: calls(r.calls, MOST_FRAMES)
	};
}

/** Reads a message by its type. A text that is none, or has no such type, is refused with a sentence. */
function checked<T>(given: string, readers: Readonly<Record<string, (message: Fields) => Fields>>): Checked<T> {
	try {
		const message: unknown = JSON.parse(given);
		if (!isFields(message)) return { ok: false, why: 'A message is an object with a type.' };
		const read =
			typeof message.type === 'string' && Object.hasOwn(readers, message.type) ? readers[message.type] : undefined;
		// What is not known is passed over: a game may be newer.
		if (!read) return { ok: true, value: { type: 'beat' } as T };
		return { ok: true, value: { type: message.type, ...read(message) } as T };
	} catch (error) {
		if (error instanceof Wrong) return { ok: false, why: error.message };
		return { ok: false, why: 'A message is JSON.' };
	}
}

const GAME: Readonly<Record<string, (message: Fields) => Fields>> = {
	hello: (m) => ({
		wire: number(m.wire, 'The wire’s version'),
		game: text(m.game, 'The game’s name', 80) || 'A game',
		...some({ key: maybe(m.key, (v) => text(v, 'The key')) }),
		kit: text(m.kit, 'The kit’s name'),
		version: orNull(m.version, (v) => text(v, 'The kit’s version', 80)),
		seed: number(m.seed, 'The seed'),
		rig: orNull(m.rig, (v) => text(v, 'The rig')),
		viewers: oneOf(String(m.viewers), ['1', '2'], 'How many look on') === '1' ? 1 : 2,
		takes: m.takes === true
	}),
	frames: (m) => {
		const [lostFrames, lostCalls] = list(m.lost, 'What was lost', 2);
		return {
			first: whole(m.first, 'The first frame'),
			clock: number(m.clock, 'The clock'),
			frames: rows(m.frames, LIMITS.frames),
			calls: calls(m.calls, LIMITS.calls),
			played: list(m.played, 'Plays', LIMITS.calls).map(played),
			lost: [whole(lostFrames, 'Lost frames'), whole(lostCalls, 'Lost calls')],
			...(m.late === true && { late: true })
		};
	},
	moment: (m) => ({
		token: text(m.token, 'The moment’s name'),
		first: whole(m.first, 'The frame'),
		clock: number(m.clock, 'The clock'),
		moment: sound(fields(m.moment, 'A moment'))
	}),
	took: (m) => ({ stamp: text(m.stamp, 'A stamp') }),
	lost: (m) => ({ why: text(m.why, 'Why', 2000) }),
	take: (m) => ({
		state: oneOf(m.state, ['begun', 'done', 'refused'], 'How the take stands'),
		...some({ why: maybe(m.why, (v) => text(v, 'Why', 2000)) })
	}),
	beat: () => ({})
};

const PAGE: Readonly<Record<string, (message: Fields) => Fields>> = {
	change: (m) => ({
		sets: list(m.sets, 'Fields', 5000).map((set) => {
			const pair = list(set, 'A field', 2);
			const path = list(pair[0], 'A path', DEEPEST).map((step) => text(step, 'A step of a path'));
			if (path.length === 0) wrong('A path leads nowhere.');
			return pair.length > 1 ? [path, sound(pair[1])] : [path];
		}),
		stamp: text(m.stamp, 'A stamp')
	}),
	want: (m) => ({
		game: text(m.game, 'A game'),
		frames: m.frames === true,
		...some({ moment: maybe(m.moment, (v) => text(v, 'The moment’s name')) })
	}),
	take: (m) => ({ game: text(m.game, 'A game'), recording: recording(m.recording) }),
	beat: () => ({})
};

export const fromGame = (given: string): Checked<FromGame> => checked(given, GAME);
export const fromPage = (given: string): Checked<FromPage> => checked(given, PAGE);
export const speaksOurs = (wire: number): boolean => wire === WIRE;
