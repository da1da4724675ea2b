/**
 * The stand-in game without a picture, as fast as its own clock or as fast as it can: for tests and logs.
 *
 *     node … demo/stand-in/headless.ts ws://127.0.0.1:5170/wire/PROJECT [--key K] [--seconds S] [--seed N] [--fast] [--log]
 */
import { readFileSync } from 'node:fs';
import { createRuntime, openKit } from 'dinesis-runtime';
import { connect } from 'dinesis-runtime/wire';
import { WebSocket } from 'ws';
import { Play, RIG } from './play';
import { STEP, type Wish } from './world';

const args = process.argv.slice(2);
const flag = (name: string): string | undefined => {
	const at = args.indexOf(`--${name}`);
	return at >= 0 ? args[at + 1] : undefined;
};
const url = args[0] ?? '';
const seconds = Number(flag('seconds') ?? Infinity);
const seed = Number(flag('seed') ?? 7);
const read = openKit(JSON.parse(readFileSync(new URL('../lamp-at-morrowskerry.kit.json', import.meta.url), 'utf8')));
if (!read.ok) throw new Error('The demo cannot be read.');
const runtime = createRuntime(read.value, { seed, rig: RIG });
const wire = connect(runtime, url, {
	key: flag('key'),
	game: flag('name') ?? 'The crane, unseen',
	version: 'as it ships',
	WebSocket: WebSocket as never,
	take: (recording) => play.playTake(recording),
	onState: ({ state, why }) => console.error(`wire: ${state}${why ? ` (${why})` : ''}`)
});
const play = new Play(runtime, seed, () => wire.tookTake());

/** Somebody who works the crane, the same way for the same seed. */
function wishAt(step: number): Wish {
	const t = step * STEP + seed;
	return {
		along: Math.sign(Math.sin(t * 0.7)),
		lift: Math.sign(Math.sin(t * 1.3 + 1)) * (Math.sin(t * 0.31) > 0 ? 1 : 0),
		grab: step % 170 === 20
	};
}
let steps = 0;
const due = (ms: number): number => Math.floor(ms / (1000 * STEP));
const begun = Date.now();
function go(): void {
	const until = Math.min(due(Date.now() - begun), due(seconds * 1000));
	for (let k = 0; steps < until && k < 60; k++) {
		play.step(wishAt(steps++));
		if (args.includes('--log')) {
			const { camera, offset } = runtime.frameOf(0);
			console.log(JSON.stringify([runtime.now, ...camera.subarray(0, 3), ...offset]));
		}
	}
	// After a hitch it goes on from where it was.
	if (until - steps > 240) steps = until;
	if (steps >= due(seconds * 1000)) {
		wire.close();
		return;
	}
	setTimeout(go, 8);
}
go();
process.on('SIGINT', () => {
	wire.close();
	process.exit(0);
});
