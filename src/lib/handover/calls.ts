/**
 * What a game writes to play a kit, ready to copy: the run-time is made, each event that a cue answers to is one call with the numbers it
 * carries, states and game values likewise, and the frame. Nothing else.
 */
import type { GameEvent } from 'dinesis-runtime';
import type { Kit } from '../documents';

export interface CallsOptions {
	/** With types: TypeScript; without: JavaScript. */
	readonly types: boolean;
	/** The kit’s file, as it is called beside this one. */
	readonly file: string;
	/** Which rig it begins with; null: the body’s eyes. */
	readonly rig: string | null;
}

const camel = (id: string): string => id.replace(/-([a-z0-9])/g, (_, letter: string) => letter.toUpperCase());
/** Words that are the language's own, and those that the file itself uses. */
const TAKEN = new Set(
	(
		'break case catch class const continue debugger default delete do else enum export extends false finally for function if import in ' +
		'instanceof new null return super switch this throw true try typeof var void while with yield let static await package private ' +
		'protected public interface implements arguments eval runtime frame kit read createRuntime openKit place key length tags'
	).split(' ')
);

/** Names that a file may call its functions by, one for each id. */
export function functionNames(ids: readonly string[]): ReadonlyMap<string, string> {
	const taken = new Set<string>();
	return new Map(
		ids.map((id) => {
			let name = camel(id);
			if (/^\d/.test(name)) name = `_${name}`;
			while (TAKEN.has(name) || taken.has(name)) name += '_';
			taken.add(name);
			return [id, name];
		})
	);
}

/** Events that some cue that is on answers, in the kit's order. */
export const answered = ({ events, cues }: Pick<Kit, 'events' | 'cues'>): GameEvent[] =>
	events.filter((event) => cues.some((cue) => cue.on && cue.event === event.id));

/** Game values that something of the kit hangs on. */
export function usedValues(kit: Pick<Kit, 'parameters' | 'presets' | 'cues'>): Kit['parameters'] {
	const used = new Set<string>();
	for (const preset of kit.presets)
		if ('drives' in preset) for (const { parameter } of preset.drives) used.add(parameter);
	for (const cue of kit.cues) for (const { of } of cue.conditions.parameters) used.add(of);
	return kit.parameters.filter(({ id }) => used.has(id));
}

/** Whether some cue plays for as long as the event itself takes. */
export const asksLength = ({ cues }: Pick<Kit, 'cues'>, event: GameEvent): boolean =>
	cues.some(
		(cue) => cue.on && cue.event === event.id && cue.actions.some((a) => a.kind === 'play' && a.length === 'event')
	);

/** A text of the language. */
const quoted = (text: string): string => `'${text.replace(/[\\']/g, '\\$&')}'`;

/** Comments are one line. */
const line = (text: string): string => text.replace(/\s+/g, ' ').replace(/\*\//g, '*\u200b/').trim();

export function callsFile(kit: Kit, { types, file, rig }: CallsOptions): string {
	const events = answered(kit);
	const values = usedValues(kit);
	const names = functionNames([...events.map(({ id }) => id), ...values.map(({ id }) => `set-${id}`)]);
	const typed = (text: string): string => (types ? text : '');
	const plays = (event: GameEvent): string => {
		const presets = kit.cues
			.filter((cue) => cue.on && cue.event === event.id)
			.flatMap((cue) => cue.actions.flatMap((a) => (a.kind === 'play' ? a.pick.map(({ preset }) => preset) : [])));
		const said = [...new Set(presets)].map((id) => kit.presets.find((p) => p.id === id)?.name ?? id);
		return said.length === 0 ? '' : `: ${said.slice(0, 3).join(', ')}${said.length > 3 ? ' …' : ''}`;
	};
	const parts = [
		types
			? "import { createRuntime, openKit, type RuntimeBody, type RuntimeFrame } from 'dinesis-runtime';"
			: "import { createRuntime, openKit } from 'dinesis-runtime';",
		`import kit from ${quoted(`./${file}`)} with { type: 'json' };`,
		'',
		'const read = openKit(kit);',
		"if (!read.ok) throw new Error(read.problems.map(({ place, message }) => `${place} ${message}`).join('\\n'));",
		`export const runtime = createRuntime(read.value, { seed: 1${rig === null ? '' : `, rig: '${rig}'`} });`
	];
	const carried = (event: GameEvent): { given: string; sent: string; more: string } => {
		const { values: numbers, placed, mayCarry = [] } = event;
		const lasts = asksLength(kit, event);
		const fields = functionNames(numbers.map(({ id }) => id));
		const given = [
			...numbers.map(({ id }) => `${fields.get(id)}${typed(': number')}`),
			...(placed ? [`place${typed(': readonly [number, number, number]')}`] : []),
			...(lasts ? [`length${typed(': number')}`] : []),
			...(mayCarry.length > 0 ? [`tags${typed(`?: readonly (${mayCarry.map(quoted).join(' | ')})[]`)}`] : [])
		];
		const sent = [
			...(numbers.length > 0
				? [
						`values: { ${numbers
							.map(({ id }) => (fields.get(id) === id ? id : `'${id}': ${fields.get(id)}`))
							.join(', ')} }`
					]
				: []),
			...(placed ? ['place'] : []),
			...(lasts ? ['length'] : []),
			...(mayCarry.length > 0 ? ['tags'] : [])
		];
		return {
			given: given.join(', '),
			sent: sent.join(', '),
			more: [
				...numbers.map((v) => `${fields.get(v.id)} in ${v.unit || 'no unit'}, ${v.min} to ${v.max}`),
				...(lasts ? ['length in s, of the event itself'] : []),
				...(mayCarry.length > 0 ? [`tags: what it came from or happened to, any of ${mayCarry.join(', ')}`] : [])
			].join('; ')
		};
	};
	for (const event of events) {
		const { given, sent, more } = carried(event);
		const name = names.get(event.id)!;
		const about = `${line(event.name)}${line(plays(event))}${more ? `. ${line(more)}` : ''}`;
		parts.push('', `/** ${about} */`);
		if (event.kind === 'moment')
			parts.push(`export const ${name} = (${given}) => runtime.raise('${event.id}'${sent ? `, { ${sent} }` : ''});`);
		else
			parts.push(
				`export const ${name} = {`,
				`\tbegin: (${[given, `key${typed('?: string')}`].filter(Boolean).join(', ')}) => runtime.begin('${event.id}', { ${[sent, 'key'].filter(Boolean).join(', ')} }),`,
				`\tend: (key${typed('?: string')}) => runtime.end('${event.id}', { key })`,
				'};'
			);
	}
	for (const value of values) {
		const name = names.get(`set-${value.id}`)!;
		parts.push(
			'',
			`/** ${line(value.name)}, ${value.min} to ${value.max}; at rest ${value.rest} */`,
			`export const ${name} = (value${typed(': number')}) => runtime.set('${value.id}', value);`
		);
	}
	parts.push(
		'',
		'/** Once a frame: where the camera rests, what the motion adds to it, and the lens. */',
		`export const frame = (dt${typed(': number')}, body${typed(': RuntimeBody')})${typed(': RuntimeFrame')} => runtime.advance(dt, body);`,
		''
	);
	return parts.join('\n');
}
