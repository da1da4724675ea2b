/** The starter sets as tables: what each motion should do, and what it does. */
import type { BobPreset, LagPreset, Rig, ShakePreset, AnyPreset } from 'dinesis-runtime';
import { LAG_AXES } from 'dinesis-runtime/tools';
import { measureShake, type Measure } from '../../src/lib/analysis';
import type { Extremes } from '../../src/lib/analysis/extremes';
import { AIMS } from '../../src/lib/starter/aims';
import { bobFigures, lagFigures, rigFigures, type BobFigures, type TrailFigures } from '../../src/lib/starter/figures';
import type { StarterSet } from '../../src/lib/starter/sets';

const short = (value: number): string => String(Number(value.toPrecision(2)));
const row = (cells: readonly string[]): string => `| ${cells.join(' | ')} |`;
const head = (cells: readonly string[]): string[] => [row(cells), row(cells.map(() => '---'))];

/** Strength and pace, aim and measured: the part of a shake's row that does not need a thousand plays. */
export function shakeStart({ id, name, timing }: ShakePreset, { size, pace }: Measure): string[] {
	const aim = AIMS.shakes[id]!;
	const length = timing.mode === 'burst' ? `${short(timing.duration)} s` : 'until stopped';
	return [name, length, `${aim.size} %, ${aim.pace} Hz`, `${short(size)} %, ${short(pace)} Hz`];
}

const bobWords = ({ up, aside }: BobFigures): string => `${short(up)} up, ${short(aside)} aside`;
const trailWords = ({ slow, fast, settled, over }: TrailFigures): string =>
	`${short(slow)} and ${short(fast)}, ${short(settled)} s, ${Math.abs(over) < 0.005 ? 'none' : short(over)}`;

const SHAKES = ['motion', 'length', 'aim', 'measured', 'worst of 1,000', 'roll', 'turning', 'returns'];
const TRAILS = ['motion', 'aim: walking and running, settled, past', 'measured'];

function bobRows(bob: BobPreset): string[] {
	return bob.gaits.map((gait) =>
		row([
			`${bob.name}, ${gait.id} (${gait.speed} m/s, ${gait.steps} steps a second)`,
			bobWords(AIMS.bobs[bob.id]![gait.id]!),
			bobWords(bobFigures(bob, gait.speed))
		])
	);
}

function lagRows(lag: LagPreset): string[] {
	const aims = AIMS.lags[lag.id]!;
	return LAG_AXES.filter((axis) => aims[axis]).map((axis) =>
		row([`${lag.name}, ${axis}`, trailWords(aims[axis]!), trailWords(lagFigures(lag, axis))])
	);
}

/** A set as a table. `extremesOf`: over a thousand seeds, or fewer. */
export function tableOf(
	{ name, about, members }: StarterSet,
	presets: readonly AnyPreset[],
	extremesOf: (preset: ShakePreset) => Extremes
): string {
	const lines = [`## ${name}`, '', about, ''];
	const [first] = members;
	if (first?.kind === 'shake') lines.push(...head(SHAKES));
	else if (first?.kind === 'bob') lines.push(...head(['gait', 'aim', 'measured, peak to peak in cm (px)']));
	else lines.push(...head(TRAILS));
	for (const { kind, document } of members) {
		if (kind === 'shake') {
			const preset = document as unknown as ShakePreset;
			const { size, roll, turning, rests } = extremesOf(preset);
			const end = [`${short(size)} %`, `${short(roll)}°`, `${turning.toFixed(0)} °/s`, rests ? 'to 0' : 'NOT'];
			lines.push(row([...shakeStart(preset, measureShake(preset)), ...end]));
		} else if (kind === 'bob') lines.push(...bobRows(document as unknown as BobPreset));
		else if (kind === 'lag') lines.push(...lagRows(document as unknown as LagPreset));
		else {
			const rig = document as unknown as Rig;
			lines.push(row([rig.name, trailWords(AIMS.rigs[rig.id]!), trailWords(rigFigures(rig, presets))]));
		}
	}
	return lines.join('\n');
}
