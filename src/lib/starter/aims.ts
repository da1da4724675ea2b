/** What each starter motion should do, written down before it was tuned: `starter/aims.json`. */
import type { LagAxisName } from 'dinesis-runtime/tools';
import written from '../../../starter/aims.json';
import type { BobFigures, TrailFigures } from './figures';

export interface Aims {
	/** By the preset's id: strength in percent of the picture's height, pace in Hz; a pace of 0 holds still. */
	readonly shakes: Readonly<Record<string, { readonly size: number; readonly pace: number }>>;
	/** By the preset's id and the gait's. */
	readonly bobs: Readonly<Record<string, Readonly<Record<string, BobFigures>>>>;
	/** By the preset's id and the axis: those that carry it. */
	readonly lags: Readonly<Record<string, Readonly<Partial<Record<LagAxisName, TrailFigures>>>>>;
	readonly rigs: Readonly<Record<string, TrailFigures>>;
}

export const AIMS: Aims = written;

/** Within a tenth of its aim; an aim of 0 is met below `small`. */
export const meets = (aim: number, measured: number, small: number): boolean =>
	Math.abs(measured - aim) <= Math.max(Math.abs(aim) / 10, small);

/** Closer than a fifth. */
export const alike = (a: number, b: number): boolean => Math.max(a, b) < 1.2 * Math.min(a, b);
