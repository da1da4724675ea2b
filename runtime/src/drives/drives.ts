/** Game values that raise and lower a preset's amount or rate while it plays. Values are constant within a frame. */
import { compileCurve, runCurve, type CompiledCurve } from '../math/curve';
import { clamp, clamp01 } from '../math/scalar';
import type { Drive, GameParameter } from './types';

export interface CompiledDrive {
	readonly parameter: string;
	readonly rate: boolean;
	readonly curve: CompiledCurve;
}

export const compileDrives = (drives: readonly Drive[]): readonly CompiledDrive[] | null =>
	drives.length === 0
		? null
		: drives.map(({ parameter, to, curve }) => ({ parameter, rate: to === 'rate', curve: compileCurve(curve) }));

/** The game's values as a player holds them: each at rest until it is set. */
export class GameValues {
	private readonly known = new Map<string, { readonly min: number; readonly max: number; value: number }>();

	constructor(parameters: readonly GameParameter[] = []) {
		this.define(parameters);
	}

	/** Takes over what game values there are: those that were known stand where they stood, new ones at rest. */
	define(parameters: readonly GameParameter[]): void {
		const before = new Map(this.known);
		this.known.clear();
		for (const { id, min, max, rest } of parameters)
			this.known.set(id, { min, max, value: clamp(before.get(id)?.value ?? rest, min, max) });
	}

	/** The same values, going their own way. */
	fork(): GameValues {
		const copy = new GameValues();
		for (const [id, known] of this.known) copy.known.set(id, { ...known });
		return copy;
	}

	/** Sets a value, kept within its range. An unknown one is passed over: false. */
	set(id: string, value: number): boolean {
		const known = this.known.get(id);
		if (!known) return false;
		known.value = value < known.min ? known.min : value > known.max ? known.max : value;
		return true;
	}

	get(id: string): number | undefined {
		return this.known.get(id)?.value;
	}

	/** Where a value stands in its range, 0–1; undefined when there is none of that id. */
	part(id: string): number | undefined {
		const known = this.known.get(id);
		if (!known) return undefined;
		const width = known.max - known.min;
		return width > 0 ? clamp01((known.value - known.min) / width) : 0;
	}

	/** The product of the drives' curves: those of the rate into `out[1]`, those of the amount into `out[0]`. */
	drive(drives: readonly CompiledDrive[], out: Float64Array): void {
		out[0] = out[1] = 1;
		for (let i = 0; i < drives.length; i++) {
			const drive = drives[i]!;
			const part = this.part(drive.parameter);
			if (part === undefined) continue;
			const factor = runCurve(drive.curve, part);
			out[drive.rate ? 1 : 0]! *= factor > 0 ? factor : 0;
		}
	}
}
