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
