/** What a player wants, written from PORTING.md alone: made of the vector of all motion, it gives the others to the bit. */
import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { exp2, hex, LN2 } from './hand';

interface Row {
	readonly name: string;
	readonly inputs: { readonly acts: readonly { readonly player?: Record<string, unknown> }[] };
	readonly rows: readonly (readonly string[])[];
}
const vectors = JSON.parse(readFileSync(new URL('../vectors/players.json', import.meta.url), 'utf8')) as Row[];
const TAU = 0.08;
const numberOf = (digits: string): number => {
	const view = new DataView(new ArrayBuffer(8));
	view.setBigUint64(0, BigInt(`0x${digits}`));
	return view.getFloat64(0);
};

/** A row is the camera's seven numbers, the offset's seven, and the lens. */
function share(whole: readonly (readonly number[])[], player: Record<string, unknown>): number[][] {
	const {
		intensity = 1,
		rotation = true,
		roll = true,
		lens = true,
		gentle = false
	} = player as {
		intensity?: number;
		rotation?: boolean;
		roll?: boolean;
		lens?: boolean;
		gentle?: boolean;
	};
	let [was, between, out] = [0, 1, 2].map(() => Array<number>(7).fill(0)) as [number[], number[], number[]];
	return whole.map((row, i) => {
		let u = row.slice(7, 14);
		if (!rotation) u = u.map((v, c) => (c >= 3 && c <= 5 ? 0 : v));
		if (!roll) u[5] = 0;
		if (!lens) u[6] = 0;
		if (gentle && i > 0) {
			const dt = 1 / 120;
			const e = exp2(-dt / TAU / LN2);
			const next = u.map((v, c) => {
				const s = (v - was[c]!) / dt;
				const a = between[c]! - was[c]! + s * TAU;
				const b = out[c]! - was[c]! + 2 * s * TAU;
				return [v - s * TAU + a * e, v - 2 * s * TAU + (b + (a * dt) / TAU) * e] as const;
			});
			between = next.map(([y]) => y);
			out = next.map(([, z]) => z);
			const still = [...between, ...out].every((v) => Math.abs(v) < 1e-6) && u.every((v) => v === 0);
			if (still) [between, out] = [between.map(() => 0), out.map(() => 0)];
		}
		was = u;
		const seen = gentle ? out : u;
		return [...row.slice(0, 7), ...seen.map((v) => v * intensity), row[14]!];
	});
}

const all = vectors[0]!.rows.map((row) => row.map(numberOf));
it.each(vectors.filter(({ name }) => !name.includes('bob')).map((vector) => [vector.name, vector] as const))(
	'%s',
	(_, { inputs, rows }) => {
		const made = share(all, inputs.acts.find(({ player }) => player)!.player!);
		expect(made.map(hex)).toEqual(rows);
	}
);
