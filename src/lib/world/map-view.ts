/** The map's window onto the grounds, and what it draws of them. */
import { SOLIDS } from '$lib/world/grounds';

/** Metres: the middle of what is seen, and how far it is from there to the upper edge. */
export interface MapView {
	readonly x: number;
	readonly z: number;
	readonly half: number;
}

export interface Footprint {
	readonly x: number;
	readonly z: number;
	readonly width: number;
	readonly depth: number;
	readonly turn: number;
	/** 0 the lowest level … 1 the highest. */
	readonly height: number;
	readonly kind: 'ground' | 'wall' | 'rail';
}

const LOWEST = -6.5;
const HIGHEST = 0.5;

/** What is walked on, from the lowest up; walls and rails over it. */
export const FOOTPRINTS: readonly Footprint[] = SOLIDS.filter((solid) => !solid.hidden && solid.look !== 'paint')
	.map(({ at, size, tip = 0, turn = 0, look }): Footprint & { top: number } => {
		const top = at[1] + size[1] / 2;
		const kind = look === 'iron' ? 'rail' : look === 'pale' && tip === 0 ? 'wall' : 'ground';
		return {
			x: at[0],
			z: at[2],
			width: size[0] * Math.cos(tip),
			depth: size[2],
			turn: (-turn * 180) / Math.PI,
			height: Math.min(1, Math.max(0, (top - LOWEST) / (HIGHEST - LOWEST))),
			kind,
			top
		};
	})
	.sort((a, b) => a.top - b.top);

/** A view that holds all of these places with room around them; of none the grounds. */
export function viewOf(places: readonly (readonly [number, number])[], aspect: number): MapView {
	if (places.length === 0) return { x: 2, z: 0, half: 16 };
	const xs = places.map(([x]) => x);
	const zs = places.map(([, z]) => z);
	const [left, right] = [Math.min(...xs), Math.max(...xs)];
	const [far, near] = [Math.min(...zs), Math.max(...zs)];
	return {
		x: (left + right) / 2,
		z: (far + near) / 2,
		half: Math.max(5, (near - far) / 2 + 2.5, ((right - left) / 2 + 2.5) / aspect)
	};
}

/** Metres on paper, and back. */
export interface Paper {
	/** Pixels a metre. */
	readonly k: number;
	readonly width: number;
	readonly height: number;
	px(x: number): number;
	pz(z: number): number;
	xAt(px: number): number;
	zAt(py: number): number;
}

export function onPaper({ x, z, half }: MapView, width: number, height: number): Paper {
	const k = height / 2 / half;
	return {
		k,
		width,
		height,
		px: (metres) => width / 2 + (metres - x) * k,
		pz: (metres) => height / 2 + (metres - z) * k,
		xAt: (px) => x + (px - width / 2) / k,
		zAt: (py) => z + (py - height / 2) / k
	};
}
