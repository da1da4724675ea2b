/** So many games in one process, each with a run-time of its own at sixty frames and fifty events a second: ADDRESS COUNT SECONDS. */
import { readFileSync } from 'node:fs';
import { createRuntime, openKit } from 'dinesis-runtime';
import { connect } from 'dinesis-runtime/wire';
import { WebSocket } from 'ws';
import { DEMO_KIT } from '../scripts/lib/paths';

const [url, count, seconds] = process.argv.slice(2);
const read = openKit(JSON.parse(readFileSync(DEMO_KIT, 'utf8')));
if (!read.ok) throw new Error('The demo cannot be read.');
const games = Array.from({ length: Number(count) }, (_, i) => {
	const runtime = createRuntime(read.value, { seed: i + 1, rig: 'keepers-eyes' });
	const wire = connect(runtime, url!, { game: `Game ${i + 1}`, WebSocket: WebSocket as never });
	return { runtime, wire, sent: 0 };
});
while (!games.every(({ wire }) => wire.state === 'open')) await new Promise((done) => setTimeout(done, 20));
// Whoever looks on has to hear of it first.
await new Promise((done) => setTimeout(done, 1000));
const begun = performance.now();
let frame = 0;
while (frame < Number(seconds) * 60) {
	const due = Math.min(Number(seconds) * 60, Math.floor(((performance.now() - begun) / 1000) * 60));
	for (; frame < due; frame++)
		for (const game of games) {
			// Fifty a second: five of six frames bring one.
			if (frame % 6 !== 0) game.runtime.raise('footfall', { values: { speed: game.sent++ % 6 } });
			const turn = frame / 60;
			game.runtime.advance(1 / 60, { pose: [Math.sin(turn), 0, -turn, turn * 9, 0], speed: 1.4, grounded: true });
		}
	await new Promise((done) => setTimeout(done, 4));
}
await new Promise((done) => setTimeout(done, 1000));
for (const { wire } of games) wire.close();
console.log(`sent ${games.reduce((sum, { sent }) => sum + sent, 0)}`);
setTimeout(() => process.exit(0), 300);
