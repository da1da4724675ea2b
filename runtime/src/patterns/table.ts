/** Every kind of pattern: adding one is a file beside this one, its name in `pattern.ts` and a row here. */
import type { Channel } from '../units/channels';
import { addJumps, compileJumps, createJumpsRun, type CompiledJumps, type JumpsPattern, type JumpsRun } from './jumps';
import { addKeys, compileKeys, type CompiledKeys, type KeysPattern } from './keys';
import { addKick, compileKick, type CompiledKick, type KickPattern } from './kick';
import { addNoise, compileNoise, createNoiseRun, type CompiledNoise, type NoisePattern, type NoiseRun } from './noise';
import type { ChannelSettings, Pattern, PatternKind, PatternRow } from './pattern';
import { addWave, type WavePattern, type WaveShape } from './wave';

const no = (): boolean => false;
const none = (): number => 0;
const one = (): number => 1;
const own = (_: Pattern, channel: Channel, channels: Readonly<Partial<Record<Channel, ChannelSettings>>>): number =>
	channels[channel]!.frequency;
/** What most patterns have in common. */
const plain = {
	seeds: one,
	begins: 'random',
	beginsAtZero: no,
	hangsOnAge: no,
	shiftsOctaves: false,
	shared: none,
	frequency: own
} as const;

const noise: PatternRow<NoisePattern, CompiledNoise, NoiseRun> = {
	...plain,
	seeds: (pattern) => pattern.octaves,
	shiftsOctaves: true,
	compile: compileNoise,
	start: (_, seeds, shifts) => createNoiseRun(seeds, shifts),
	add: (compiled, run, voice, _, out) => addNoise(compiled, run, voice, out)
};

const wave: PatternRow<WavePattern, WaveShape, null> = {
	...plain,
	compile: (pattern) => pattern.shape,
	start: () => null,
	add: (shape, _run, voice, _, out) => addWave(shape, voice, out)
};

/** How many position channels share one clock and one target. */
const SHARED = { box: 0, disc: 2, ball: 3 } as const;
const POSITION: readonly Channel[] = ['x', 'y', 'z'];

const jumps: PatternRow<JumpsPattern, CompiledJumps, JumpsRun> = {
	...plain,
	shared: ({ within }) => SHARED[within],
	frequency({ within }, channel, channels) {
		const together = POSITION.slice(0, SHARED[within]);
		const clock = together.map((c) => channels[c]).find((c) => c !== undefined);
		return together.includes(channel) && clock ? clock.frequency : channels[channel]!.frequency;
	},
	compile: (pattern) => compileJumps(pattern, SHARED[pattern.within]),
	start: (_, seeds, _shifts, fromZero) => createJumpsRun(seeds, fromZero),
	add: (compiled, run, voice, _, out) => addJumps(compiled, run, voice, out)
};

const keys: PatternRow<KeysPattern, readonly CompiledKeys[], null> = {
	...plain,
	// The poses of all channels stay together.
	begins: 'zero',
	beginsAtZero: (pattern) => !pattern.loop,
	hangsOnAge: (pattern) => !pattern.loop,
	frequency: (pattern) => 1 / pattern.cycle,
	compile: (pattern, settings) => settings.map((c) => compileKeys(c.keys ?? [], pattern.loop)),
	start: () => null,
	add: (curves, _run, voice, spare, out) => addKeys(curves, spare, voice, out)
};

const kick: PatternRow<KickPattern, CompiledKick, null> = {
	...plain,
	beginsAtZero: () => true,
	hangsOnAge: () => true,
	compile: compileKick,
	start: () => null,
	add: (compiled, _run, voice, _, out) => addKick(compiled, voice, out)
};

/** A row as the shake compiler sees it: it takes no pattern but its own. */
export type AnyRow = PatternRow<Pattern, unknown, unknown>;

/** Exhaustive: a kind without a row does not compile. */
const ROWS: {
	readonly [K in PatternKind]: {
		compile(pattern: Extract<Pattern, { kind: K }>, settings: readonly ChannelSettings[]): unknown;
	};
} = {
	noise,
	wave,
	jumps,
	keys,
	kick
};

export const PATTERN_KINDS = Object.keys(ROWS) as readonly PatternKind[];

/** The row of a kind. Throws a RangeError for one that is not there: an unknown pattern never plays as another one. */
export function rowOf(kind: PatternKind): AnyRow {
	const row = ROWS[kind] as unknown as AnyRow | undefined;
	if (!row) throw new RangeError(`There is no pattern "${kind}"; there are ${PATTERN_KINDS.join(', ')}.`);
	return row;
}
