/** Numbers as people type and drag them. */

/** Three to four significant digits, no more than a hand can set: 0.062, 1.25, 12.5, 140. */
export function formatNumber(value: number, digits?: number): string {
	if (digits !== undefined) return value.toFixed(digits);
	const size = Math.abs(value);
	if (size === 0) return '0';
	const places = size < 0.1 ? 3 : size < 10 ? 2 : size < 100 ? 1 : 0;
	const text = value.toFixed(places);
	// A value smaller than the last place shown still shows what it is.
	return Number(text) === 0 ? value.toPrecision(2) : text;
}

/** Rounds to what the field shows while a hand drags: three significant digits, but never finer than 0.0001. */
export function tidy(value: number): number {
	if (value === 0 || !Number.isFinite(value)) return 0;
	const places = Math.max(0, Math.min(4, 2 - Math.floor(Math.log10(Math.abs(value)))));
	return Number(value.toFixed(places));
}

/** How much one pixel or one arrow press is worth at this value: about a hundredth of it, from a decent least step. */
export const stepAt = (value: number, least: number): number => Math.max(least, Math.abs(value) / 100);

type Held = Pick<KeyboardEvent, 'shiftKey' | 'altKey'>;
/** Shift is coarse, Alt is fine. */
export const coarse = ({ shiftKey, altKey }: Held): number => (shiftKey ? 10 : altKey ? 0.1 : 1);

const STEPS: Readonly<Record<string, number>> = {
	ArrowUp: 1,
	ArrowRight: 1,
	ArrowDown: -1,
	ArrowLeft: -1,
	PageUp: 10,
	PageDown: -10
};
/** By how much a key steps a number; 0: it is no key that does. */
export function keyStep(event: Pick<KeyboardEvent, 'key'> & Held, value: number, least: number): number {
	const way = STEPS[event.key] ?? 0;
	return way * Math.max(least, stepAt(value, least) * 2) * (Math.abs(way) > 1 ? 1 : coarse(event));
}
