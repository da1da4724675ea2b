/**
 * Neighbours of a head bob: six that all differ from it by the same step, each toward another side, in how far and how fast it goes. Random
 * factors on channels, their places in the stride and its times give each a character of its own; then the amount is set so that the
 * measured size lies where it should, and the step rates so that the pace does. Which gait is for which speed stays.
 */
import type { BobPreset } from 'dinesis-runtime';
import {
	BobRun,
	RANGES,
	clamp,
	combine,
	compileBob,
	exp2,
	signedUnit,
	type BobChannel,
	type BobGait,
	type Channel
} from 'dinesis-runtime/tools';
import { NEIGHBOURS, place } from './neighbours';
import { pictureMovement } from './picture';

/** What may vary. What may not is locked. */
export interface BobFreedom {
	/** How far it goes: the amount. */
	readonly size: boolean;
	/** How fast it steps. */
	readonly pace: boolean;
	/** Channels against each other, alike in all gaits. */
	readonly balance: boolean;
	/** Places in the stride, how it settles, how it lands. */
	readonly character: boolean;
}

export interface BobNeighbour {
	readonly preset: BobPreset;
	/** How many times as far and as fast as the bob it stands beside; 1: the same. */
	readonly size: number;
	readonly pace: number;
}

const HZ = 120;
/** Long enough that the gait is reached. */
const REACHED_S = 3;
/** What a kit takes. */
const STEPS = [0.05, 20] as const;
/** A turn of a channel in the stride, in cycles, at a step of 1. */
const TURN = 0.12;

const tidy = (value: number): number => Number(value.toPrecision(3));

/** The farthest that the picture moves within a second of each gait, in percent of its height. */
export function bobSize(bob: BobPreset): number {
	let most = 0;
	const run = new BobRun(compileBob({ ...bob, idle: null, landing: null, drives: [], blendTime: 0 }));
	for (const { speed } of bob.gaits) {
		const walking = { speed, grounded: true };
		for (let i = 0; i < (REACHED_S + 1) * HZ; i++) {
			run.advance(1 / HZ, walking);
			if (i >= REACHED_S * HZ) most = Math.max(most, pictureMovement(run.offset, 0, bob.view));
		}
	}
	return most;
}

function stray(bob: BobPreset, step: number, free: BobFreedom, chance: () => number): BobPreset {
	const factors = new Map<Channel, number>();
	const turns = new Map<Channel, number>();
	const of = (map: Map<Channel, number>, channel: Channel, make: () => number): number => {
		if (!map.has(channel)) map.set(channel, make());
		return map.get(channel)!;
	};
	const channel = (name: Channel, one: BobChannel): BobChannel => ({
		...one,
		amplitude: free.balance
			? clamp(
					tidy(one.amplitude * of(factors, name, () => exp2(0.8 * step * chance()))),
					-RANGES.amplitude,
					RANGES.amplitude
				)
			: one.amplitude,
		// Up and down stays with the feet.
		phase: free.character && name !== 'y' ? tidy(one.phase + of(turns, name, () => TURN * step * chance())) : one.phase
	});
	const gait = (one: BobGait): BobGait => ({
		...one,
		channels: Object.fromEntries(
			(Object.entries(one.channels) as [Channel, BobChannel][]).map(([name, c]) => [name, channel(name, c)])
		)
	});
	const times = (value: number): number => clamp(tidy(value * exp2(0.6 * step * chance())), 0, RANGES.seconds);
	const gaits = bob.gaits.map(gait);
	if (!free.character) return { ...bob, gaits };
	const { landing } = bob;
	return {
		...bob,
		gaits,
		blendTime: times(bob.blendTime),
		settleTime: times(bob.settleTime),
		landing: landing && { ...landing, damping: tidy(clamp(landing.damping * exp2(0.8 * step * chance()), 0.01, 10)) }
	};
}

/** `step`: in octaves, 1 doubles or halves. The bob comes back six times where everything is locked, or where nothing of it moves. */
export function bobNeighboursOf(
	bob: BobPreset,
	{ seed, step, free }: { readonly seed: number; readonly step: number; readonly free: BobFreedom }
): BobNeighbour[] {
	const own = bobSize(bob);
	return Array.from({ length: NEIGHBOURS }, (_, k) => {
		let question = 0;
		const chance = (): number => signedUnit(combine(combine(seed, k + 1), question++));
		const [farther, faster] = place(k, { seed, step, free });
		const strayed = stray(bob, step, free, chance);
		const gaits = free.pace
			? strayed.gaits.map((one) => ({ ...one, steps: clamp(tidy(one.steps * exp2(faster)), ...STEPS) }))
			: strayed.gaits;
		const paced = { ...strayed, gaits };
		const seen = bobSize(paced);
		// What the random factors made of the size is taken back as well.
		const short = own > 0 && seen > 0 ? (own * exp2(farther)) / seen : 1;
		const same = Math.abs(short - 1) < 1e-9;
		const amount = same ? paced.amount : clamp(tidy(paced.amount * short), 0, RANGES.multiplier);
		const preset = { ...paced, amount };
		const fastest = bob.gaits.at(-1);
		return {
			preset,
			size: own > 0 ? bobSize(preset) / own : 1,
			pace: fastest ? preset.gaits.at(-1)!.steps / fastest.steps : 1
		};
	});
}

/** A bob with the motion of another one: what was written about it stays. */
export const withMotionOf = (bob: BobPreset, of: BobPreset): BobPreset => ({
	...of,
	id: bob.id,
	name: bob.name,
	about: bob.about,
	tags: bob.tags,
	...(bob.seededBy && { seededBy: bob.seededBy })
});
