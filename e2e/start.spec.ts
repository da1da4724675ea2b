import { randomUUID } from 'node:crypto';
import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { ROOT } from '../scripts/lib/paths';
import type { Held } from '../src/lib/documents';

/** Runs ./dinesis with a data folder of its own. */
function dinesis(data: string, args: string[], env: Record<string, string> = {}) {
	const { DATABASE_URL, ...rest } = process.env;
	void DATABASE_URL;
	const child: ChildProcess = spawn(join(ROOT, 'dinesis'), args, {
		env: { ...rest, DINESIS_DATA: data, PORT: '0', ...env }
	});
	let output = '';
	const heard = new Set<() => void>();
	for (const stream of [child.stdout!, child.stderr!])
		stream.on('data', (chunk: Buffer) => {
			output += chunk.toString();
			for (const listener of heard) listener();
		});
	const ended = once(child, 'exit').then(([code]) => code as number | null);
	const said = (pattern: RegExp): Promise<string> =>
		new Promise((resolve, reject) => {
			const look = (): void => {
				const match = pattern.exec(output);
				if (match) resolve(match[1] ?? match[0]);
			};
			heard.add(look);
			look();
			void ended.then(() => reject(new Error(`ended without saying ${pattern}:\n${output}`)));
		});
	return { child, ended, said, output: () => output };
}

test('start: runs, knows of itself, survives a kill, ends cleanly', async () => {
	test.setTimeout(300_000);
	const data = mkdtempSync(join(tmpdir(), 'dinesis-start-'));
	chmodSync(data, 0o755);
	try {
		const first = dinesis(data, ['start']);
		const address = await first.said(/at (http:\/\/127\.0\.0\.1:\d+)/);
		expect(first.output()).toContain('demo project "Lamp at Morrowskerry" loaded');
		expect((await fetch(`${address}/api/health`)).status).toBe(200);

		const second = dinesis(data, ['start']);
		expect(await second.ended).toBe(0);
		expect(second.output()).toContain(`already running at ${address}`);

		const api = `${address}/api/projects/lamp-at-morrowskerry`;
		const find = async (at: string): Promise<Held> =>
			((await (await fetch(`${at}/documents?kinds=shake`)).json()) as Held[]).find(({ id }) => id === 'cask-set-down')!;
		const { uuid, version } = await find(api);
		const saved = await fetch(`${api}/changes`, {
			method: 'POST',
			headers: { 'content-type': 'application/json', origin: address },
			body: JSON.stringify({
				change: randomUUID(),
				note: '',
				window: 'journey',
				who: '',
				seen: 0,
				parts: [{ document: uuid, on: version, fields: [{ path: ['body', 'amount'], to: 1.234 }] }]
			})
		});
		expect(saved.status).toBe(200);
		first.child.kill('SIGKILL');
		await first.ended;

		const third = dinesis(data, ['start']);
		const again = await third.said(/at (http:\/\/127\.0\.0\.1:\d+)/);
		expect(third.output()).toContain('database was still running');
		expect(third.output()).not.toContain('loaded');
		const back = await find(`${again}/api/projects/lamp-at-morrowskerry`);
		expect((back.body as { amount: number }).amount).toBe(1.234);
		const stop = dinesis(data, ['stop']);
		expect(await stop.ended).toBe(0);
		expect(await third.ended).toBe(0);
		await expect(fetch(`${again}/api/health`)).rejects.toThrow();
	} finally {
		rmSync(data, { recursive: true, force: true });
	}
});

test('start refuses a wider address without a key, and a taken port', async () => {
	const data = mkdtempSync(join(tmpdir(), 'dinesis-start-'));
	chmodSync(data, 0o755);
	const open = dinesis(data, ['start'], { HOST: '0.0.0.0' });
	expect(await open.ended).toBe(2);
	expect(open.output()).toContain('Set ACCESS_KEY');
	const taken = new URL(process.env.DINESIS_ADDRESS!).port;
	const busy = dinesis(data, ['start'], { PORT: taken, DATABASE_URL: process.env.DATABASE_URL! });
	expect(await busy.ended).toBe(1);
	expect(busy.output()).toContain(`Port ${taken} is taken`);
	rmSync(data, { recursive: true, force: true });
});

test('sample, bake and check, as a build pipeline calls them', async () => {
	const kit = join(ROOT, 'demo/lamp-at-morrowskerry.kit.json');
	const run = async (...args: string[]) => {
		const it = dinesis('', args);
		return { code: await it.ended, output: it.output() };
	};
	const csv = await run('sample', kit, '--preset', 'cask-set-down', '--fps', '10', '--seconds', '1');
	expect(csv.code).toBe(0);
	expect(csv.output.trim().split('\n')).toHaveLength(12);
	expect(csv.output.split('\n')[1]).toBe('0,0,0,0,0,0,0,0');
	expect((await run('sample', kit, '--preset', 'nobody')).output).toContain(
		'The kit has no preset "nobody". It has: wave-on-tower'
	);
	expect((await run('sample', kit, '--preset', 'cask-set-down', '--fps', 'x')).code).toBe(2);
	const baked = await run('bake', kit, '--course', 'crane-shift', '--fps', '30');
	expect(baked.code).toBe(0);
	expect(baked.output.trim().split('\n')).toHaveLength(1 + 41 * 30 + 1);
	expect((await run('bake', kit, '--course', 'nowhere')).output).toContain(
		'The kit has no course "nowhere". It has: first-watch, crane-shift, skiff-home'
	);
	expect((await run('bake', kit, '--course', 'crane-shift', '--rig', 'nobody')).output).toContain(
		'The kit has no rig "nobody". It has: keepers-eyes'
	);
	const bob = await run('sample', kit, '--preset', 'keepers-walk', '--speed', '1.6', '--fps', '10', '--seconds', '1');
	expect(bob.output.trim().split('\n')).toHaveLength(12);
	expect((await run('sample', kit, '--preset', 'tight')).output).toContain('--track FILE is needed');
	expect((await run('check', kit)).code).toBe(0);
	const missing = await run('check', join(ROOT, 'demo/none.json'));
	expect(missing.code).toBe(2);
	expect(missing.output).toContain('There is no such file.');
	expect((await run('check', join(ROOT, 'package.json'))).output).toContain(
		'format is missing; "dinesis-kit" is needed'
	);
});
