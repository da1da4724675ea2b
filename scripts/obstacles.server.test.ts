/** Disks that are full or cannot be written to, and folders of another user. Only root can make these; elsewhere they are passed over. */
import { spawnSync } from 'node:child_process';
import { chmodSync, chownSync, copyFileSync, existsSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeAll, describe, expect, it } from 'vitest';
import { builtApplication } from './lib/build';
import { ROOT } from './lib/paths';
import { isWell, Trial } from './lib/trial';

const isRoot = process.getuid?.() === 0;
const mount = (...args: string[]): boolean => spawnSync('mount', args).status === 0;
const mounted: string[] = [];
let trial: Trial;

/** A data folder on a disk of its own; false where none can be mounted. */
function onDisk(megabytes: number): boolean {
	trial = new Trial();
	mkdirSync(trial.data);
	if (!isRoot || !mount('-t', 'tmpfs', '-o', `size=${megabytes}m,mode=755`, 'tmpfs', trial.data)) return false;
	mounted.push(trial.data);
	return true;
}
beforeAll(() => void builtApplication(() => undefined), 300_000);
afterEach(async () => {
	for (const folder of mounted) mount('-o', 'remount,rw', folder);
	rmSync(join(trial.data, 'filler'), { force: true });
	const pid = trial.note?.pid;
	if (pid) spawnSync('kill', ['-9', String(pid)]);
	await trial.done('stop');
	for (const folder of mounted.splice(0)) spawnSync('umount', ['-l', folder]);
	await trial.clear();
}, 60_000);

const save = (address: string): Promise<Response> =>
	fetch(`${address}/api/projects`, {
		method: 'POST',
		headers: { 'content-type': 'application/json', origin: address },
		body: JSON.stringify({ name: 'Kept' })
	});
/** Fills the disk to the last byte. */
const fill = (): void => void spawnSync('sh', ['-c', `cat /dev/zero > '${join(trial.data, 'filler')}'`]);

describe('a full disk', () => {
	it('under a running server is said as such, and nothing is left behind at the end', async () => {
		if (!onDisk(160)) return;
		const started = trial.start();
		const address = await started.address();
		expect((await save(address)).status).toBe(201);
		fill();
		const health = await fetch(`${address}/api/health`);
		expect([health.status, (await health.json()).message]).toEqual([
			503,
			expect.stringMatching(/disk .* is full\. Make room/)
		]);
		started.child.kill('SIGINT');
		await started.ended();
		expect(trial.postmasters).toEqual([]);

		// Room again: what was kept is there.
		rmSync(join(trial.data, 'filler'));
		const again = trial.start();
		const there = await again.address();
		expect(await isWell(there)).toBe(true);
		expect(await (await fetch(`${there}/projects`)).text()).toContain('Kept');
		again.child.kill('SIGINT');
		await again.ended();
	});

	it('before a start is said in a sentence', async () => {
		if (!onDisk(1)) return;
		fill();
		const { code, said } = await trial.done('start', ['--no-demo']);
		expect(code).toBe(1);
		expect(said).toMatch(/full disk|No space left/i);
		expect(said).not.toMatch(/\n {4}at /);
		expect(trial.postmasters).toEqual([]);
	});
});

describe('a folder that cannot be written to', () => {
	it('before a start is said in one sentence, with what to do', async () => {
		if (!onDisk(8) || !mount('-o', 'remount,ro', trial.data)) return;
		const { code, said } = await trial.done('start', ['--no-demo']);
		expect(code).toBe(1);
		expect(said).toMatch(/lies on a medium that cannot be written to\. Make it writable, or set DINESIS_DATA/);
		expect(said).not.toMatch(/\n {4}at /);
	});

	it('from a moment on does not keep the database from being ended', async () => {
		if (!onDisk(160)) return;
		const started = trial.start();
		await started.address();
		// As a disk that fails is: what is open stays open, nothing more is written.
		if (!mount('-o', 'remount,ro', trial.data)) fill();
		started.child.kill('SIGTERM');
		await started.ended();
		expect(trial.postmasters).toEqual([]);
	});
});

describe('a clone of somebody else', () => {
	const clone = (owner: number): string => {
		const folder = mkdtempSync(join(tmpdir(), 'dinesis-clone-'));
		copyFileSync(join(ROOT, 'dinesis'), join(folder, 'dinesis'));
		chmodSync(join(folder, 'dinesis'), 0o755);
		chmodSync(folder, 0o755);
		for (const path of [folder, join(folder, 'dinesis')]) chownSync(path, owner, owner);
		return folder;
	};
	const NOBODY = 65534;

	it('started with sudo is refused before anything is changed', () => {
		trial = new Trial();
		if (!isRoot) return;
		const folder = clone(NOBODY);
		const asked = spawnSync(join(folder, 'dinesis'), ['start'], {
			encoding: 'utf8',
			env: { ...process.env, SUDO_UID: String(NOBODY) }
		});
		expect(asked.status).toBe(1);
		expect(asked.stderr).toMatch(/belongs to \S+; started by root it would be locked to them\. Run it without sudo\./);
		expect(existsSync(join(folder, 'node_modules'))).toBe(false);
		rmSync(folder, { recursive: true });
	});

	it('with files that root left is told how to be given back', () => {
		trial = new Trial();
		if (!isRoot) return;
		const folder = clone(NOBODY);
		mkdirSync(join(folder, 'node_modules'));
		writeFileSync(join(folder, 'package-lock.json'), '{}');
		const asked = spawnSync('runuser', ['-u', 'nobody', '--', join(folder, 'dinesis'), 'stop'], {
			encoding: 'utf8',
			cwd: '/',
			env: { PATH: process.env.PATH }
		});
		expect(asked.status).toBe(1);
		expect(asked.stderr).toMatch(/node_modules belongs to root, who ran Dinesis here before\. Give it back/);
		expect(asked.stderr).toMatch(/sudo chown -R "nobody"/);
		rmSync(folder, { recursive: true });
	});
});
