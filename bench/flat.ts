/**
 * The yardstick: the leanest hand-unrolled typed-array loop over the same samples. No plays, no layers, no fades of
 * different kinds: one flat list of channels with noise or sine and a gain, everything inline.
 */
export interface Flat {
	readonly count: number;
	readonly kind: Uint8Array;
	readonly channel: Uint8Array;
	readonly amplitude: Float64Array;
	readonly frequency: Float64Array;
	readonly start: Float64Array;
	readonly seed: Int32Array;
}

export function flatFrame(flat: Flat, age: number, gain: number, out: Float64Array): void {
	out.fill(0);
	const { count, kind, channel, amplitude, frequency, start, seed } = flat;
	for (let i = 0; i < count; i++) {
		const phase = start[i]! + frequency[i]! * age;
		let v: number;
		if (kind[i] === 0) {
			const p = phase * 1.3333333333333333;
			const floor = Math.floor(p);
			const f = p - floor;
			let h = (seed[i]! + Math.imul(floor | 0, 0x9e3779b1)) | 0;
			h ^= h >>> 16;
			h = Math.imul(h, 0x7feb352d);
			h ^= h >>> 15;
			h = Math.imul(h, 0x846ca68b);
			h ^= h >>> 16;
			let g = (seed[i]! + Math.imul((floor + 1) | 0, 0x9e3779b1)) | 0;
			g ^= g >>> 16;
			g = Math.imul(g, 0x7feb352d);
			g ^= g >>> 15;
			g = Math.imul(g, 0x846ca68b);
			g ^= g >>> 16;
			const a = ((h & 1) === 0 ? 1 : -1) * (0.5 + (h >>> 1) * 2.3283064365386963e-10) * f;
			const b = ((g & 1) === 0 ? 1 : -1) * (0.5 + (g >>> 1) * 2.3283064365386963e-10) * (f - 1);
			const n = 2 * (a + (b - a) * f * f * (3 - 2 * f));
			v = (n * 1.9) / (1 + 0.9 * (n < 0 ? -n : n));
		} else {
			let r = phase - Math.floor(phase + 0.5);
			if (r > 0.25) r = 0.5 - r;
			else if (r < -0.25) r = -0.5 - r;
			const q = r * r;
			v =
				r *
				(6.283185307179586 +
					q *
						(-41.341702240399755 +
							q *
								(81.60524927607504 +
									q *
										(-76.70585975306136 +
											q *
												(42.05869394489765 +
													q *
														(-15.09464257682298 +
															q *
																(3.8199525848482803 +
																	q *
																		(-0.7181223017785001 + q * (0.1042291622081397 - q * 0.012031585942120627)))))))));
		}
		out[channel[i]!]! += amplitude[i]! * gain * v;
	}
}

const HALF = Math.tan(Math.PI / 6);
const RAD = Math.PI / 180;

/**
 * The leanest look at a picture: what one camera's offset does to the centre 1, 5, 20 and 100 m away and to one more place, its path, its
 * fastest and its farthest, everything inline. `state`: 24 numbers that go on from sample to sample.
 */
export function flatLook(o: Float64Array, state: Float64Array, path: Float64Array, i: number): void {
	const [cx, sx] = [Math.cos(o[3]! * RAD), Math.sin(o[3]! * RAD)];
	const [cy, sy] = [Math.cos(o[4]! * RAD), Math.sin(o[4]! * RAD)];
	const [cz, sz] = [Math.cos(o[5]! * RAD), Math.sin(o[5]! * RAD)];
	const h = Math.tan((30 + o[6]! / 2) * RAD);
	for (let k = 0; k < 5; k++) {
		const d = k === 0 ? 1 : k === 2 ? 20 : k === 3 ? 100 : 5;
		const u = k === 4 ? 0.5 : 0;
		const px = u * (16 / 9) * HALF * d - o[0]!;
		const py = u * HALF * d - o[1]!;
		const pz = -d - o[2]!;
		const ax = cy * px - sy * pz;
		const az = sy * px + cy * pz;
		const by = cx * py + sx * az;
		const bz = -sx * py + cx * az;
		const x = (cz * ax + sz * by) / (-bz * h) - u * (16 / 9);
		const y = (-sz * ax + cz * by) / (-bz * h) - u;
		const off = x * x + y * y;
		if (off > state[k]!) state[k] = off;
		if (k === 1 || k === 4) {
			const at = 8 + 2 * k;
			const moved = Math.sqrt((x - state[at]!) ** 2 + (y - state[at + 1]!) ** 2);
			if (moved > state[k + 5]!) state[k + 5] = moved;
			path[i] = (i > 0 ? path[i - 1]! : 0) + moved;
			state[at] = x;
			state[at + 1] = y;
		}
	}
	for (let c = 3; c < 6; c++) if (o[c]! > state[18 + c]!) state[18 + c] = o[c]!;
}
