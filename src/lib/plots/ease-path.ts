import { compileEase, runEase, type Ease } from 'dinesis-runtime/tools';

/** An ease as an SVG path in a box of `width` × `height`, inset so that those that overshoot stay inside. */
export function easePath(ease: Ease, width: number, height: number, inset = 0): string {
	const compiled = compileEase(ease);
	let path = '';
	for (let i = 0; i <= 32; i++) {
		const t = i / 32;
		const x = inset + t * (width - 2 * inset);
		const y = height - inset - runEase(compiled, t) * (height - 2 * inset);
		path += `${i === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`;
	}
	return path;
}
