/**
 * ./dinesis bench wire [--seconds S] [--games N]: games on the wire, each with sixty poses and fifty events a second, looked on by a page. What
 * may not be lost is counted, the server's memory is looked at over the time, and pages are asked for meanwhile.
 */
import { spawn, type ChildProcess } from 'node:child_process';
import { chmodSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createRuntime, openKit } from 'dinesis-runtime';
import { connect } from 'dinesis-runtime/wire';
import { WebSocket } from 'ws';
import { readArguments, numberFlag } from '../scripts/lib/arguments';
import { Cluster } from '../scripts/lib/cluster';
import { DEMO_KIT, ROOT } from '../scripts/lib/paths';
import { prepareDatabase } from '../scripts/lib/prepare';
import { say, tell } from '../scripts/lib/say';
import type { ToPage } from '../src/lib/wire/pages';

const args = readArguments(process.argv.slice(2), { values: ['seconds', 'games'] });
const seconds = numberFlag(args, 'seconds', { min: 5, max: 3600 }) ?? 60;
const count = numberFlag(args, 'games', { min: 1, max: 100, whole: true }) ?? 20;
const SLUG = 'lamp-at-morrowskerry';

/** What the client adds to a frame, in microseconds: the best of many rounds, with a line that takes all at once. */
async function costOfWire(): Promise<number> {
	const read = openKit(JSON.parse(readFileSync(DEMO_KIT, 'utf8')));
	if (!read.ok) throw new Error('The demo cannot be read.');
	class Line {
		bufferedAmount = 0;
		readyState = 1;
		onopen: (() => void) | null = null;
		onclose = null;
		onerror = null;
		onmessage: ((event: { data: string }) => void) | null = null;
		constructor() {
			queueMicrotask(() => {
				this.onopen?.();
				for (const message of [
					{ type: 'welcome', wire: 1, project: '' },
					{ type: 'want', frames: true, felt: true }
				])
					this.onmessage?.({ data: JSON.stringify(message) });
			});
		}
		send(): void {}
		close(): void {}
	}
	const round = async (wired: boolean): Promise<number> => {
		const runtime = createRuntime(read.value, { seed: 1, rig: 'keepers-eyes' });
		if (wired) connect(runtime, 'ws://none', { WebSocket: Line as never });
		await new Promise((done) => setTimeout(done, 10));
		let best = Infinity;
		for (let k = 0; k < 15; k++) {
			const from = performance.now();
			for (let i = 0; i < 3000; i++) {
				if (i % 60 === 0) runtime.raise('wave-breaks', { values: { height: 5 }, place: [1, 0, -3] });
				runtime.advance(1 / 60, { pose: [i / 100, 0, -i / 60, i, 0], speed: 1.4, grounded: true });
			}
			best = Math.min(best, ((performance.now() - from) / 3000) * 1000);
		}
		return best;
	};
	const without = await round(false);
	return (await round(true)) - without;
}

const folder = mkdtempSync(join(tmpdir(), 'dinesis-wire-'));
chmodSync(folder, 0o755);
const cluster = await Cluster.open({ folder, throwaway: true, say });
await prepareDatabase(cluster.url, { demo: true, say });
const children: ChildProcess[] = [];
const start = (script: string, more: readonly string[], env: NodeJS.ProcessEnv = {}): ChildProcess => {
	const child = spawn(process.execPath, ['--import', 'tsx', join(ROOT, script), ...more], {
		cwd: ROOT,
		env: { ...process.env, ...env },
		stdio: ['ignore', 'pipe', 'inherit']
	});
	children.push(child);
	return child;
};
const line = (child: ChildProcess, what: RegExp): Promise<string> =>
	new Promise((done, failed) => {
		let text = '';
		child.stdout!.on('data', (part: Buffer) => {
			text += part.toString();
			const found = what.exec(text);
			if (found) done(found[1] ?? '');
		});
		child.once('exit', () => failed(new Error(`It ended: ${text.slice(-500)}`)));
	});
/** Resident memory in MB. */
const memoryOf = (child: ChildProcess): number =>
	Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${child.pid}/status`, 'utf8'))?.[1] ?? 0) / 1024;

const server = start('bench/wire-server.ts', [], { DATABASE_URL: cluster.url });
const address = await line(server, /at (http\S+)/);
// Pages of people who work meanwhile; before, and while the games run.
const asked = async (): Promise<number> => {
	const from = performance.now();
	await (await fetch(`${address}/${SLUG}/cues`)).text();
	return performance.now() - from;
};
const before: number[] = [];
for (let i = 0; i < 40; i++) before.push(await asked());
const games = start('bench/wire-games.ts', [
	address.replace(/^http/, 'ws') + `/wire/${SLUG}`,
	String(count),
	String(seconds)
]);

// The page: it looks on all of them, and counts.
const heard = new Map<string, number>();
let frames = 0;
let outOfOrder = 0;
let lostFrames = 0;
const page = new WebSocket(`${address.replace(/^http/, 'ws')}/wire/${SLUG}?tool`, { headers: { origin: address } });
const looked = new Set<string>();
page.on('message', (data: Buffer) => {
	const message = JSON.parse(data.toString()) as ToPage;
	if (message.type === 'games')
		for (const { id } of message.games) {
			if (looked.has(id)) continue;
			looked.add(id);
			page.send(JSON.stringify({ type: 'want', game: id, frames: true }));
		}
	if (message.type === 'skipped') lostFrames += message.frames;
	if (message.type !== 'game' || message.said.type !== 'frames') return;
	frames += message.said.frames.length;
	lostFrames += message.said.lost[0];
	for (const [, called] of message.said.calls) {
		if (called.call !== 'event' || called.event !== 'footfall') continue;
		const next = heard.get(message.game) ?? 0;
		if (called.options.values?.speed !== next % 6) outOfOrder++;
		heard.set(message.game, next + 1);
	}
});
const beat = setInterval(() => page.send(JSON.stringify({ type: 'beat' })), 5000);

const answers: number[] = [];
const memory: number[] = [];
const ask = setInterval(() => {
	void asked()
		.then((ms) => answers.push(ms))
		.catch(() => answers.push(Infinity));
	memory.push(memoryOf(server));
}, 500);

const sent = Number(await line(games, /sent (\d+)/));
await new Promise((done) => setTimeout(done, 1500));
clearInterval(ask);
clearInterval(beat);
page.close();
const got = [...heard.values()].reduce((a, b) => a + b, 0);
const sorted = [...answers].sort((a, b) => a - b);
const at = (part: number): number => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * part))] ?? NaN;
const middle = (list: readonly number[]): number => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)] ?? NaN;
const quarter = Math.floor(memory.length / 4);
const early = middle(memory.slice(quarter, 2 * quarter));
const late = middle(memory.slice(-quarter));
const row = (holds: boolean, what: string, value: string, bound: string): void =>
	tell(`${holds ? 'holds ' : 'BROKEN'}  ${what.padEnd(44)} ${value.padStart(16)}   ${bound}`);
tell(`${count} games for ${seconds} s, 60 poses and 50 events a second each, looked on by a page`);
row(got === sent && outOfOrder === 0, 'events, all in their order', `${got} of ${sent}`, 'none lost');
row(frames > 0.97 * count * seconds * 60, 'frames', `${frames}`, `of ${count * seconds * 60}, ${lostFrames} left out`);
row(
	late < early * 1.1 + 8,
	'memory of the server, early and late',
	`${early.toFixed(0)}, ${late.toFixed(0)} MB`,
	'flat'
);
const alone = middle(before.slice(10));
row(
	at(0.5) < Math.max(100, 1.3 * alone),
	'a page answers, in the middle and at p95',
	`${at(0.5).toFixed(0)}, ${at(0.95).toFixed(0)} ms`,
	`≤ 100 ms; without games ${alone.toFixed(0)} ms`
);

const cost = await costOfWire();
row(cost < 20, 'a game’s frame, with sixty poses a second', `${cost.toFixed(1)} µs more`, '≤ 20 µs');

for (const child of children) child.kill('SIGTERM');
await cluster.close();
rmSync(folder, { recursive: true, force: true });
process.exit(0);
