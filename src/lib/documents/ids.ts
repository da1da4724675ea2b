/** Ids made of names. */

/** An id made from a name that none of `taken` has: "Cask thud" → `cask-thud`, `cask-thud-2` … */
export function freeId(name: string, taken: Iterable<string>): string {
	const used = new Set(taken);
	const base =
		name
			.normalize('NFKD')
			.replace(/\p{M}+/gu, '')
			.toLowerCase()
			.replace(/[^a-z0-9]+/g, '-')
			.replace(/^-+|-+$/g, '')
			.slice(0, 58)
			.replace(/-+$/, '') || 'preset';
	if (!used.has(base)) return base;
	let n = 2;
	while (used.has(`${base}-${n}`)) n++;
	return `${base}-${n}`;
}
