/** The marks on the strip that are dragged: where the motion starts, is full, begins to fade, has grown, ends. */
import type { ShakePreset } from 'dinesis-runtime';
import { compileGain, type Seconds } from 'dinesis-runtime/tools';
import { tidy } from '$lib/ui/number';

export interface StripHandle {
	readonly id: 'delay' | 'fade-in' | 'fade-out' | 'growth' | 'length';
	readonly label: string;
	/** Seconds from the trigger. */
	readonly time: Seconds;
	/** What stands beside it; empty: nothing. */
	readonly text: string;
	/** On which side of the mark its text stands. */
	readonly side: 'left' | 'right';
	readonly least: Seconds;
	readonly most: Seconds;
	/** The preset with the mark moved to a time. */
	readonly set: (time: Seconds) => (preset: ShakePreset) => ShakePreset;
}

/** A growth that takes longer than this is not shown whole. */
const LONGEST_GROWTH: Seconds = 120;

const withTiming = (p: ShakePreset, timing: Partial<ShakePreset['timing']>): ShakePreset => ({
	...p,
	timing: { ...p.timing, ...timing }
});
const say = (seconds: Seconds): string => `${seconds.toFixed(2)} s`;
const from = (time: Seconds): Seconds => Math.max(0, tidy(time));

/** The handles of a preset; `letGoAt` is where the paper lets a continuous motion go. */
export function handlesOf(preset: ShakePreset, letGoAt: Seconds | undefined): StripHandle[] {
	const { timing } = preset;
	const { delay, duration, fadeOut, growth } = timing;
	const shape = compileGain(timing);
	const isBurst = timing.mode === 'burst';
	const end = delay + duration;
	const start: StripHandle = {
		id: 'delay',
		label: 'Starts',
		time: delay,
		text: delay > 0 ? `starts after ${say(delay)}` : '',
		side: 'right',
		least: 0,
		most: Infinity,
		set: (t) => (p) => withTiming(p, { delay: from(t) })
	};
	const full: StripHandle = {
		id: 'fade-in',
		label: 'Fade in ends',
		time: delay + shape.fadeIn,
		text: `full at ${say(shape.fadeIn)}`,
		side: 'right',
		least: delay,
		most: isBurst ? end : Infinity,
		set: (t) => (p) => withTiming(p, { fadeIn: { ...p.timing.fadeIn, time: from(t - delay) } })
	};
	if (isBurst) {
		const fades = delay + Math.max(0, duration - shape.fadeOut);
		return [
			start,
			full,
			{
				id: 'fade-out',
				label: 'Fade out begins',
				time: fades,
				text: `fades from ${say(fades - delay)}`,
				side: 'right',
				least: delay,
				most: end,
				set: (t) => (p) =>
					withTiming(p, { fadeOut: { ...p.timing.fadeOut, time: from(delay + p.timing.duration - t) } })
			},
			{
				id: 'length',
				label: 'Ends',
				time: end,
				text: `ends at ${say(duration)}`,
				side: 'left',
				least: delay,
				most: Infinity,
				set: (t) => (p) => withTiming(p, { duration: from(t - delay) })
			}
		];
	}
	const letGo = letGoAt ?? delay;
	const gone: StripHandle = {
		id: 'fade-out',
		label: 'Fade out ends',
		time: letGo + fadeOut.time,
		text: `gone ${say(fadeOut.time)} after letting go`,
		side: 'left',
		least: letGo,
		most: Infinity,
		set: (t) => (p) => withTiming(p, { fadeOut: { ...p.timing.fadeOut, time: from(t - letGo) } })
	};
	if (!growth) return [start, full, gone];
	const grown: StripHandle = {
		id: 'growth',
		label: 'Has grown',
		time: delay + Math.min(growth.over, LONGEST_GROWTH),
		text: `grown ×${growth.from} to ×${growth.to} at ${say(growth.over)}`,
		side: 'right',
		least: delay,
		most: delay + LONGEST_GROWTH,
		set: (t) => (p) => withTiming(p, { growth: p.timing.growth && { ...p.timing.growth, over: from(t - delay) } })
	};
	return [start, full, grown, gone];
}
