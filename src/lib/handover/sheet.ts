/**
 * The sheet for the team: one page with each motion's drawing, its numbers in words, its figures, what sets it off; head bobs, lags and rigs;
 * and the events that a game must send. As HTML that prints, everything in it, and as Markdown.
 */
import type { BobPreset, LagPreset, Rig, ShakePreset } from 'dinesis-runtime';
import { isBob, isLag, isShake, LAG_AXES } from 'dinesis-runtime/tools';
import { measureShake, outlineOf, type OutlineLine } from '../analysis';
import { cueWords, type Kit } from '../documents';
import { answered, usedValues } from './calls';

/** A row of the sheet: what it is called, what is said of it, and its drawing. */
export interface SheetRow {
	readonly id: string;
	readonly name: string;
	readonly about: string;
	/** What it does, in numbers. */
	readonly facts: readonly string[];
	/** What sets it off, or where it is used; empty: nothing, nowhere. */
	readonly by: readonly string[];
	readonly drawing: readonly OutlineLine[];
}

export interface SheetPart {
	readonly title: string;
	readonly rows: readonly SheetRow[];
}

export interface Sheet {
	readonly name: string;
	readonly parts: readonly SheetPart[];
	readonly events: readonly (readonly [event: string, name: string, carries: string, answer: string])[];
}

const short = (value: number, digits = 3): string => String(Number(value.toPrecision(digits)));

function shakeFacts(preset: ShakePreset): string[] {
	const { timing, overlap, reach } = preset;
	const { size, worst, pace } = measureShake(preset, 8);
	const goesOn = timing.mode === 'continuous';
	return [
		goesOn ? 'goes on until it is stopped' : `${short(timing.duration)} s`,
		`up in ${short(timing.fadeIn.time)} s, away in ${short(timing.fadeOut.time)} s`,
		`moves ${short(size, 2)} % of the picture’s height, at worst ${short(worst, 2)} %`,
		`${short(pace, 2)} Hz`,
		...(overlap.rule === 'stack'
			? []
			: [
					`played again: ${overlap.rule === 'restart' ? 'starts over' : overlap.rule === 'extend' ? 'goes on longer' : 'is ignored'}`
				]),
		...(reach ? [`felt in full to ${short(reach.full)} m, not beyond ${short(reach.edge)} m`] : []),
		...(preset.view === 'flat' ? ['for a flat picture, in pixels'] : [])
	];
}

const bobFacts = (bob: BobPreset): string[] => [
	...bob.gaits.map(
		(gait) =>
			`${gait.name ?? gait.id} at ${short(gait.speed)} m/s: ${short(gait.steps)} steps a second, ${Object.entries(
				gait.channels
			)
				.filter(([, channel]) => channel.amplitude !== 0)
				.map(([channel]) => channel)
				.join(', ')}`
	),
	...(bob.landing
		? [`dips on landing, at most ${short(bob.landing.most * 100)} ${bob.view === 'flat' ? 'px' : 'cm'}`]
		: [])
];

const lagFacts = (lag: LagPreset): string[] =>
	LAG_AXES.flatMap((name): string[] => {
		const axis = lag.axes[name];
		if (!axis || axis.follow === 'none') return [];
		const how =
			axis.follow === 'spring'
				? `a spring of ${short(axis.frequency)} Hz, damping ${short(axis.damping)}`
				: `half of its way in ${short(axis.halfLife)} s`;
		return [`${name}: ${how}`];
	});

function rigFacts(kit: Kit, { view, lag, bob, lean, limits, ceiling, motion, lets }: Rig): string[] {
	const named = (id: string): string => kit.presets.find((p) => p.id === id)?.name ?? id;
	const where = {
		eyes: 'in the eyes',
		chase: `${short(view.back)} m behind`,
		flat: 'a flat picture',
		fixed: 'at one place'
	}[view.kind];
	return [
		`${where}${view.kind === 'flat' ? '' : `, ${short(view.fov)}° high`}`,
		...(lag === null ? [] : [`lag: ${named(lag)}`]),
		...(bob === null ? [] : [`head bob: ${named(bob)}`]),
		...(lean ? ['leans'] : []),
		...(limits ? ['stays within limits'] : []),
		...(ceiling ? ['has a ceiling'] : []),
		...motion.map((entry) => `its own motion: ${named(entry.preset)} at ${short(entry.strength)}`),
		...(lets ? ['lets some of the shakes through'] : [])
	];
}

/** What a sheet tells of a kit. */
export function sheetOf(kit: Kit): Sheet {
	const eventName = (id: string): string => kit.events.find((event) => event.id === id)?.name ?? id;
	const names = (kind: 'event' | 'preset' | 'rig' | 'parameter', id: string): string =>
		({ event: kit.events, preset: kit.presets, rig: kit.rigs, parameter: kit.parameters })[kind].find(
			(one) => one.id === id
		)?.name ?? id;
	const setOffBy = (id: string): string[] => [
		...new Set([
			...kit.cues
				.filter((cue) => cue.on && cue.actions.some((a) => a.kind === 'play' && a.pick.some((p) => p.preset === id)))
				.map((cue) => eventName(cue.event)),
			...kit.rigs.filter((rig) => rig.motion.some((entry) => entry.preset === id)).map((rig) => rig.name)
		])
	];
	const usedIn = (id: string): string[] =>
		kit.rigs.filter((rig) => rig.bob === id || rig.lag === id).map((rig) => rig.name);
	const parts: SheetPart[] = [
		{
			title: 'Shakes',
			rows: kit.presets
				.filter(isShake)
				.map((p) => ({ ...said(p), facts: shakeFacts(p), by: setOffBy(p.id), drawing: outlineOf(p) }))
		},
		{
			title: 'Head bobs',
			rows: kit.presets.filter(isBob).map((p) => ({ ...said(p), facts: bobFacts(p), by: usedIn(p.id), drawing: [] }))
		},
		{
			title: 'Camera lags',
			rows: kit.presets.filter(isLag).map((p) => ({ ...said(p), facts: lagFacts(p), by: usedIn(p.id), drawing: [] }))
		},
		{ title: 'Rigs', rows: kit.rigs.map((rig) => ({ ...said(rig), facts: rigFacts(kit, rig), by: [], drawing: [] })) }
	];
	const events = answered(kit).map((event): Sheet['events'][number] => [
		event.id,
		`${event.name}${event.kind === 'state' ? ' (a state)' : ''}`,
		[
			...event.values.map((v) => `${v.id}${v.unit ? ` in ${v.unit}` : ''}, ${v.min} to ${v.max}`),
			...(event.placed ? ['a place'] : [])
		].join('; '),
		kit.cues
			.filter((cue) => cue.on && cue.event === event.id)
			.map((cue) => cueWords(cue, names))
			.join('; ')
	]);
	const values = usedValues(kit).map((value): Sheet['events'][number] => [
		value.id,
		`${value.name} (a value)`,
		`${value.min} to ${value.max}, at rest ${value.rest}`,
		''
	]);
	return { name: kit.name, parts: parts.filter(({ rows }) => rows.length > 0), events: [...events, ...values] };
}

const said = ({ id, name, about }: { readonly id: string; readonly name: string; readonly about: string }) => ({
	id,
	name,
	about
});

/** Marks that Markdown would take for its own. */
const plain = (text: string): string =>
	text
		.replace(/([\\`*_{}[\]<>#|])/g, '\\$1')
		.replace(/\s+/g, ' ')
		.trim();

export function sheetMarkdown({ name, parts, events }: Sheet): string {
	const lines = [`# ${plain(name)}`, ''];
	for (const { title, rows } of parts) {
		lines.push(`## ${title}`, '');
		for (const { id, name: called, about, facts, by } of rows) {
			lines.push(`### ${plain(called)} (\`${id}\`)`, '');
			if (about.trim()) lines.push(plain(about), '');
			for (const fact of facts) lines.push(`- ${plain(fact)}`);
			if (by.length > 0) lines.push(`- ${title === 'Shakes' ? 'set off by' : 'in'} ${plain(by.join(', '))}`);
			lines.push('');
		}
	}
	if (events.length > 0) {
		lines.push('## What the game sends', '', '| id | what | carries | answered by |', '| --- | --- | --- | --- |');
		for (const [id, what, carries, answer] of events)
			lines.push(`| \`${id}\` | ${plain(what)} | ${plain(carries)} | ${plain(answer)} |`);
		lines.push('');
	}
	return lines.join('\n');
}

const safe = (text: string): string =>
	text.replace(/[&<>"]/g, (mark) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[mark]!);
const DYES = ['#1d5fa8', '#b3361f'];
const [W, H] = [120, 34];

/** The two strongest channels over a motion's life. */
const drawn = (lines: readonly OutlineLine[]): string =>
	lines.length === 0
		? ''
		: `<svg width="${W}" height="${H}" viewBox="0 0 ${W} ${H}" aria-hidden="true"><path d="M0 ${H / 2}H${W}" stroke="#ccc"/>${[
				...lines
			]
				.reverse()
				.map(({ values }, i) => {
					const d = values
						.map(
							(v, k) =>
								`${k === 0 ? 'M' : 'L'}${((k / (values.length - 1)) * (W - 2) + 1).toFixed(1)} ${(H / 2 - v * (H / 2 - 2)).toFixed(1)}`
						)
						.join('');
					return `<path d="${d}" fill="none" stroke="${DYES[lines.length - 1 - i]}" stroke-width="1.3"/>`;
				})
				.join('')}</svg>`;

/** One page that needs nothing beside it. */
export function sheetHtml({ name, parts, events }: Sheet): string {
	const rows = ({ title, rows: list }: SheetPart): string =>
		`<section><h2>${title}</h2>${list
			.map(
				({ id, name: called, about, facts, by, drawing }) =>
					`<article><h3>${safe(called)} <code>${id}</code></h3>${drawn(drawing)}${about.trim() ? `<p>${safe(about)}</p>` : ''}<ul>${[
						...facts,
						...(by.length > 0 ? [`${title === 'Shakes' ? 'set off by' : 'in'} ${by.join(', ')}`] : [])
					]
						.map((fact) => `<li>${safe(fact)}</li>`)
						.join('')}</ul></article>`
			)
			.join('')}</section>`;
	const table =
		events.length === 0
			? ''
			: `<section><h2>What the game sends</h2><table><thead><tr><th>id</th><th>what</th><th>carries</th><th>answered by</th></tr></thead><tbody>${events
					.map(
						([id, ...cells]) =>
							`<tr><td><code>${id}</code></td>${cells.map((cell) => `<td>${safe(cell)}</td>`).join('')}</tr>`
					)
					.join('')}</tbody></table></section>`;
	return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><title>${safe(name)}: camera motion</title>
<style>
@page { margin: 14mm; }
body { margin: 2rem auto; max-width: 60rem; padding: 0 1rem; font: 14px/1.45 system-ui, sans-serif; color: #1c2733; }
h1 { font-size: 1.7rem; } h2 { margin-top: 2rem; border-bottom: 2px solid #e0a040; } h3 { margin: 0; font-size: 1rem; }
section { display: grid; grid-template-columns: repeat(auto-fill, minmax(17rem, 1fr)); gap: 0.8rem; }
section > h2, section > table { grid-column: 1 / -1; }
article { break-inside: avoid; border: 1px solid #d8d2c4; border-radius: 6px; padding: 0.6rem 0.8rem; }
p { margin: 0.3rem 0; } ul { margin: 0.3rem 0 0; padding-left: 1.1rem; font-size: 13px; } svg { display: block; margin: 0.3rem 0; }
code { font-size: 12px; color: #5b6673; } table { border-collapse: collapse; font-size: 13px; }
th, td { text-align: left; vertical-align: top; padding: 3px 10px 3px 0; border-bottom: 1px solid #e2ddd0; } tr { break-inside: avoid; }
</style></head><body><h1>${safe(name)}</h1>
${parts.map(rows).join('\n')}
${table}
</body></html>
`;
}
