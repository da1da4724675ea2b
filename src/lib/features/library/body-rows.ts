/** Head bobs and lags as rows of a table: what each does, as a drawing, in words, and as numbers to sort by. */
import type { BobPreset, LagPreset } from 'dinesis-runtime';
import { isBob, type LagAxisName } from 'dinesis-runtime/tools';
import { eyePath, lagAnswer } from '$lib/stages/body-figures';

export type Body = BobPreset | LagPreset;
export interface BodyRow {
	readonly preset: Body;
	readonly name: string;
	/** Paths of the drawing: the body's own, faint, where there is one. */
	readonly body: string;
	readonly drawn: string;
	/** What it does, and more of it. */
	readonly says: string;
	readonly more: string;
	/** How far a walk moves the eye up, or how far a walk is trailed: to sort by. */
	readonly size: number;
	readonly tags: string;
	readonly rigs: string;
}

/** Of the little drawing, in pixels. */
export const DRAWING = { width: 96, height: 36 } as const;
/** The speed of a walk that bobs are compared at, in metres a second. */
const WALK = 1.5;

/** The axis that moves most: along the way, else the first that lags. */
const axisOf = (lag: LagPreset): LagAxisName | undefined =>
	(['z', 'x', 'yaw', 'y', 'pitch', 'roll'] as const).find((a) => (lag.axes[a]?.follow ?? 'none') !== 'none');
const unitOf = (lag: LagPreset, axis: LagAxisName): 'm' | '°' | 'px' =>
	axis === 'yaw' || axis === 'pitch' || axis === 'roll' ? '°' : lag.view === 'flat' ? 'px' : 'm';
const length = (v: number, view: string): string =>
	view === 'flat' ? `${v.toFixed(1)} px` : `${(v * 100).toFixed(1)} cm`;

type Figures = Pick<BodyRow, 'body' | 'drawn' | 'says' | 'more' | 'size'>;
const NOTHING: Figures = { body: '', drawn: '', says: '', more: '', size: 0 };

function ofBob(bob: BobPreset): Figures {
	const [gait] = [...bob.gaits].sort((a, b) => Math.abs(a.speed - WALK) - Math.abs(b.speed - WALK));
	if (!gait) return { ...NOTHING, says: 'no gait' };
	const path = eyePath(bob, gait.speed, DRAWING.width, DRAWING.height, 4);
	return {
		body: '',
		drawn: path.d,
		says: `${length(path.height, bob.view)} up, ${length(path.width, bob.view)} aside`,
		more: `${gait.steps} steps a second at ${gait.speed} m/s`,
		size: path.height
	};
}

function ofLag(lag: LagPreset): Figures {
	const axis = axisOf(lag);
	if (!axis) return { ...NOTHING, says: 'at once' };
	const unit = unitOf(lag, axis);
	const answer = lagAnswer(lag.axes[axis]!, unit, DRAWING.width, DRAWING.height);
	const [first] = answer.trails;
	return {
		body: answer.body,
		drawn: answer.view,
		says: `trails ${Number(first!.by.toPrecision(2))} ${unit} ${first!.label}`,
		more: answer.settled === null ? 'long to settle' : `settled in ${answer.settled.toFixed(2)} s`,
		size: first!.by
	};
}

export const bodyRow = (preset: Body, rigs: readonly string[]): BodyRow => ({
	preset,
	name: preset.name,
	...(isBob(preset) ? ofBob(preset) : ofLag(preset)),
	tags: preset.tags.join(', '),
	rigs: rigs.length === 0 ? 'in no rig' : rigs.join(', ')
});
