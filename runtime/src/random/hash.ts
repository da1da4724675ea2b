/** Integer hashes: the only source of chance. All of them map 32-bit integers to 32-bit integers, on every engine alike. */

/** A bijection of the 32-bit integers in which each input bit flips each output bit about half of the time. */
export function mix(value: number): number {
	let h = value | 0;
	h ^= h >>> 16;
	h = Math.imul(h, 0x7feb352d);
	h ^= h >>> 15;
	h = Math.imul(h, 0x846ca68b);
	return h ^ (h >>> 16);
}

/** One seed out of two; the order matters. */
export const combine = (a: number, b: number): number => mix((mix(a ^ 0x1b873593) + Math.imul(b, 0x9e3779b1)) | 0);

/** A seed from a name (FNV-1a over its UTF-16 units, then mixed). */
export function hashText(text: string): number {
	let h = 0x811c9dc5;
	for (let i = 0; i < text.length; i++) h = Math.imul(h ^ text.charCodeAt(i), 0x01000193);
	return mix(h);
}

/** A hash as a number in [0, 1). */
export const unit = (hash: number): number => (hash >>> 0) * 2.3283064365386963e-10;
/** A hash as a number in [−1, 1). */
export const signedUnit = (hash: number): number => (hash | 0) * 4.656612873077393e-10;
