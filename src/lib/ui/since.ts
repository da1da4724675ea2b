/** How long ago something was, in words. */
const STEPS: readonly (readonly [number, Intl.RelativeTimeFormatUnit])[] = [
	[60, 'minute'],
	[60 * 60, 'hour'],
	[60 * 60 * 24, 'day'],
	[60 * 60 * 24 * 30, 'month'],
	[60 * 60 * 24 * 365, 'year']
];

/** In the largest unit that fits: “3 hours ago”; under a minute “just now”. */
export function since(at: Date, now: Date, locale = 'en'): string {
	const seconds = Math.max(0, (now.getTime() - at.getTime()) / 1000);
	const step = [...STEPS].reverse().find(([size]) => seconds >= size);
	if (!step) return 'just now';
	return new Intl.RelativeTimeFormat(locale, { numeric: 'auto' }).format(-Math.floor(seconds / step[0]), step[1]);
}
