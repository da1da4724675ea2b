/** Units as people write them behind a number: what each is worth in base units, and which of them can stand for one another. */

/** Powers of metre, second, degree, pixel and of a share, in this order. */
type Powers = readonly [metre: number, second: number, degree: number, pixel: number];
export interface Unit {
	/** How many of the base unit (m, s, °, px, ×) one is. */
	readonly factor: number;
	readonly powers: Powers;
}

const LENGTH: Powers = [1, 0, 0, 0];
const TIME: Powers = [0, 1, 0, 0];
const ANGLE: Powers = [0, 0, 1, 0];
const RATE: Powers = [0, -1, 0, 0];
const PIXEL: Powers = [0, 0, 0, 1];
const PLAIN: Powers = [0, 0, 0, 0];

const NAMED: Readonly<Record<string, readonly [factor: number, powers: Powers]>> = {
	mm: [0.001, LENGTH],
	cm: [0.01, LENGTH],
	dm: [0.1, LENGTH],
	m: [1, LENGTH],
	km: [1000, LENGTH],
	us: [1e-6, TIME],
	µs: [1e-6, TIME],
	ms: [0.001, TIME],
	s: [1, TIME],
	sec: [1, TIME],
	min: [60, TIME],
	h: [3600, TIME],
	'°': [1, ANGLE],
	deg: [1, ANGLE],
	rad: [180 / Math.PI, ANGLE],
	mrad: [0.18 / Math.PI, ANGLE],
	turn: [360, ANGLE],
	hz: [1, RATE],
	khz: [1000, RATE],
	px: [1, PIXEL],
	'%': [0.01, PLAIN],
	'×': [1, PLAIN],
	x: [1, PLAIN],
	'': [1, PLAIN]
};
const RAISED: Readonly<Record<string, number>> = { '²': 2, '³': 3, '^2': 2, '^3': 3, '2': 2, '3': 3 };

/**
 * Reads a unit: one that is named, a power of it (`s²`, `s2`, `s^2`), one for each of another (`m/s²`, `/s`), frames (`f`), of which `fps` are a
 * second. Words behind it (`s, a cut`, `× away`) say what it is of. null when it is none.
 */
export function readUnit(text: string, fps = 60): Unit | null {
	const [above = '', below, ...more] = text.split(',')[0]!.trim().split('/');
	if (more.length > 0) return null;
	const top = single(above, fps);
	const foot = below === undefined ? single('', fps) : single(below, fps);
	if (!top || !foot || (below !== undefined && below.trim() === '')) return null;
	return { factor: top.factor / foot.factor, powers: sum(top.powers, foot.powers, -1) };
}

function single(text: string, fps: number): Unit | null {
	const [word = ''] = text.trim().split(/\s+/);
	if (/^(f|fr|frames?)$/i.test(word)) return { factor: 1 / fps, powers: TIME };
	const named = (of: string) => NAMED[of.toLowerCase()];
	const plain = named(word);
	if (plain) return { factor: plain[0], powers: plain[1] };
	const raised = /^(.+?)(²|³|\^2|\^3|2|3)$/.exec(word);
	const base = raised && named(raised[1]!);
	if (!base) return null;
	const power = RAISED[raised[2]!]!;
	return { factor: base[0] ** power, powers: base[1].map((p) => p * power) as unknown as Powers };
}

const sum = (a: Powers, b: Powers, sign: 1 | -1): Powers => a.map((p, i) => p + sign * b[i]!) as unknown as Powers;

/** Whether a number in one unit can be told in the other. */
export const alike = (a: Unit, b: Unit): boolean => a.powers.every((p, i) => p === b.powers[i]);

/** Whether it is a bare factor or a share. */
export const isPlain = ({ powers }: Unit): boolean => powers.every((p) => p === 0);
