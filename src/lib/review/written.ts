/** Numbers as they stand in tables and sentences. */

/** Three digits. */
export const said = (value: number): string => String(Number(value.toPrecision(3)));

/** Three digits, and no more than three behind the point: what is less than half a thousandth is nothing. */
export function saidPlainly(value: number): string {
	if (Math.abs(value) < 0.0005) return '0';
	return said(Math.abs(value) < 1 ? Math.round(value * 1000) / 1000 : value);
}
