/** A verdict as one page that prints and needs nothing beside it. */
import { FIGURE_NAMES, FIGURES, type FigureName } from './figures';
import type { Verdict, VerdictRow } from './verdict';
import { saidPlainly } from './written';

const safe = (text: string): string =>
	text.replace(/[&<>"]/g, (mark) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[mark]!);
const [W, H] = [300, 70];
/** Beyond chance. */
const SURE = 0.01;

/** How far the centre is off its place, over the play in the middle. */
function drawn({ curve, seconds }: VerdictRow): string {
	const most = Math.max(...curve, 1e-9);
	const d = curve
		.map((v, i) => {
			const x = (i / Math.max(1, curve.length - 1)) * (W - 2) + 1;
			return `${i === 0 ? 'M' : 'L'}${x.toFixed(1)} ${(H - 12 - (v / most) * (H - 22)).toFixed(1)}`;
		})
		.join('');
	return `<svg width="${W}" height="${H}" viewBox="0 0 ${W} ${H}" role="img" aria-label="The centre off its place, ${saidPlainly(most)} % at most"><path d="M0 ${H - 12}H${W}" stroke="#bbb"/><path d="${d}" fill="none" stroke="#1d5fa8" stroke-width="1.3"/><text x="2" y="9">${saidPlainly(most)} %</text><text x="${W - 2}" y="${H - 1}" text-anchor="end">${saidPlainly(seconds)} s</text></svg>`;
}

function figures({ figures: told, apart, passed }: VerdictRow): string {
	const rows = FIGURE_NAMES.filter((name) => told[name].worst !== 0 || (apart && apart[name].by !== 0)).map((name) => {
		const { unit, median, p5, p95, worst, worstSeed } = told[name];
		const over = passed.find(({ figure }) => figure === name);
		const than = apart?.[name];
		const differs =
			than && than.chance < SURE ? `${than.by > 0 ? '+' : ''}${saidPlainly(than.by)}` : than ? 'alike' : '';
		const limit = over
			? `above ${saidPlainly(over.limit)} in ${saidPlainly(over.share * 100)} % (${saidPlainly(over.from * 100)} to ${saidPlainly(over.to * 100)} %)`
			: '';
		return `<tr${over ? ' class="over"' : ''}><th>${FIGURES[name].label}</th><td>${saidPlainly(median)}</td><td>${saidPlainly(p5)} – ${saidPlainly(p95)}</td><td>${saidPlainly(worst)} (seed ${worstSeed})</td>${apart ? `<td>${differs}</td>` : ''}<td class="l">${unit}</td><td class="l">${limit}</td></tr>`;
	});
	return `<table><thead><tr><th></th><th>middle</th><th>nine of ten</th><th>worst</th>${apart ? '<th>apart</th>' : ''}<th></th><th></th></tr></thead><tbody>${rows.join('')}</tbody></table>`;
}

/** What is told of players who want less. */
const FOR_PLAYERS: readonly FigureName[] = ['percent', 'smear', 'roll', 'turning', 'sway', 'load'];
const players = ({ players: list }: VerdictRow): string =>
	list.length === 0
		? ''
		: `<table><thead><tr><th>as it is seen with</th>${FOR_PLAYERS.map((name) => `<th>${FIGURES[name].label}</th>`).join('')}</tr></thead><tbody>${list
				.map(
					(one) =>
						`<tr><th>${safe(one.name)}</th>${FOR_PLAYERS.map((name) => `<td>${saidPlainly(one.figures[name])}</td>`).join('')}</tr>`
				)
				.join('')}</tbody></table>`;

const found = ({ findings }: VerdictRow): string =>
	findings.length === 0
		? ''
		: `<ul>${findings.map(({ level, sentence, why }) => `<li class="${level}">${safe(sentence)} <i>${safe(why)}</i></li>`).join('')}</ul>`;

/** `against`: what the other kit is called; empty: there is none. `day`: when it was made, in words. */
export function verdictPage({ kit, limits, reviewed }: Verdict, against = '', day = ''): string {
	const over = reviewed.filter(({ passed }) => passed.length > 0);
	const told = reviewed.flatMap(({ findings }) => findings).length;
	const said = [
		`${reviewed.length} ${reviewed.length === 1 ? 'motion' : 'motions'}`,
		Object.keys(limits).length === 0
			? ''
			: over.length === 0
				? 'none passes a limit'
				: `${over.length} pass a limit: ${over.map(({ name }) => name).join(', ')}`,
		told > 0 ? `${told} found` : 'nothing found'
	].filter(Boolean);
	const terms = FIGURE_NAMES.map(
		(name) => `<dt>${FIGURES[name].label}, ${FIGURES[name].unit}</dt><dd>${FIGURES[name].says}</dd>`
	);
	return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><title>${safe(kit)}: review of camera motion</title>
<style>
body{font:13px/1.45 system-ui,sans-serif;color:#1c2a3a;max-width:860px;margin:24px auto;padding:0 16px}
h1{font-size:24px;margin:0}h2{font-size:16px;margin:0 0 4px}code{font-size:11px;color:#51606e}
article{break-inside:avoid;border-top:1px solid #c9bd9f;padding:10px 0}
table{border-collapse:collapse;margin:6px 0;font-size:12px}th,td{padding:1px 9px 1px 0;text-align:right;font-weight:400}
th:first-child,.l{text-align:left}thead th{color:#51606e}.over{color:#a3261a;font-weight:700}.over th{font-weight:700}
svg text{font-size:9px;fill:#51606e}ul{padding-left:18px;margin:4px 0}.warning,.error{color:#7a4300}i{color:#51606e}
dl{font-size:11.5px;columns:2}dt{font-weight:600}dd{margin:0 0 4px}
@media print{body{margin:0;max-width:none}}
</style></head><body>
<h1>${safe(kit)}</h1>
<p>Review of camera motion${day ? `, ${safe(day)}` : ''}${against ? `, held against ${safe(against)}` : ''}: ${safe(said.join('; '))}.</p>
${reviewed
	.map(
		(row) =>
			`<article><h2>${safe(row.name)} <code>${row.kind} ${row.id}</code></h2>${drawn(row)}<p>${row.seeds} plays${row.settles === null ? '' : `; settles in ${saidPlainly(row.settles)} s`}${
				Object.keys(row.frequencies).length > 0
					? `; most of it at ${Object.entries(row.frequencies)
							.map(([channel, hertz]) => `${channel} ${saidPlainly(hertz)} Hz`)
							.join(', ')}`
					: ''
			}</p>${figures(row)}${found(row)}${players(row)}</article>`
	)
	.join('\n')}
<h2>What the figures are</h2><dl>${terms.join('')}</dl>
</body></html>
`;
}
