import { spawn, spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeAll, describe, expect, it } from 'vitest';
import { builtApplication } from './lib/build';
import { beganOf } from './lib/processes';
import { isWell, Trial, until } from './lib/trial';

let trial: Trial;
const fresh = (env: Record<string, string> = {}): Trial => (trial = new Trial(env));
beforeAll(() => void builtApplication(() => undefined), 300_000);
afterEach(() => trial?.clear(), 60_000);

/** Ends it as Ctrl+C does, and sees that nothing is left. */
async function endsClean(started: ReturnType<Trial['start']>): Promise<void> {
	started.child.kill('SIGINT');
	await started.ended();
	expect(trial.postmasters).toEqual([]);
	expect(trial.note).toBeNull();
}
const save = (address: string): Promise<Response> =>
	fetch(`${address}/api/projects`, {
		method: 'POST',
		headers: { 'content-type': 'application/json', origin: address },
		body: JSON.stringify({ name: 'Kept' })
	});
const names = async (address: string): Promise<string> => (await fetch(`${address}/projects`)).text();

describe('starting and ending', () => {
	it('leaves nothing behind; a second start asks for health before it says that it runs', async () => {
		fresh();
		const first = trial.start({ PORT: '' });
		const address = await first.address();
		expect(await isWell(address)).toBe(true);
		const second = await trial.done('start');
		expect([second.code, second.said]).toEqual([0, expect.stringContaining(`already running at ${address}`)]);
		await endsClean(first);
	});

	it.each([0, 300, 900, 1500, 2200, 3000])(
		'cut off %i ms after it began leaves nothing, and starts again',
		async (after) => {
			fresh();
			const first = trial.start();
			await new Promise((resolve) => setTimeout(resolve, 600 + after));
			first.child.kill('SIGINT');
			await first.ended();
			expect(trial.postmasters).toEqual([]);
			const again = trial.start();
			expect(await isWell(await again.address())).toBe(true);
			await endsClean(again);
		}
	);

	it.each(['SIGHUP', 'SIGTERM'] as const)(
		'nobody reads what it says any more, then %s: it ends in order',
		async (signal) => {
			fresh();
			const started = trial.start();
			await started.address();
			started.child.stdout!.destroy();
			started.child.stderr!.destroy();
			started.child.kill(signal);
			await started.ended();
			expect(trial.postmasters).toEqual([]);
		}
	);

	it('says nothing into a full disk and goes on', async () => {
		fresh();
		const full = spawn(
			'sh',
			['-c', `exec "$0" "$@" 2>/dev/full`, process.execPath, '--import', 'tsx', 'scripts/start.ts', '--no-demo'],
			{ env: { ...process.env, DINESIS_DATA: trial.data, PORT: '0', DATABASE_URL: undefined, NODE_ENV: undefined } }
		);
		let said = '';
		full.stdout.on('data', (text: Buffer) => (said += text.toString()));
		await until('it is there', () => said.includes('Dinesis is at'), 60_000);
		const ended = new Promise((resolve) => full.on('exit', resolve));
		full.kill('SIGINT');
		await ended;
		expect(trial.postmasters).toEqual([]);
	});

	it('stop ends a database that a killed server left behind', async () => {
		fresh();
		const started = trial.start();
		await started.address();
		started.child.kill('SIGKILL');
		await started.ended();
		expect(trial.postmasters).toHaveLength(1);
		const { said } = await trial.done('stop');
		expect(said).toMatch(/left behind; it is ended/);
		expect(trial.postmasters).toEqual([]);
	});
});

describe('the database under a running server', () => {
	it('comes back when it was killed; what was kept is there', async () => {
		fresh();
		const started = trial.start();
		const address = await started.address();
		expect((await save(address)).status).toBe(201);
		const [pid] = trial.postmasters;
		process.kill(pid!, 'SIGKILL');
		await until('the database is back', async () => trial.postmasters[0] !== pid && (await isWell(address)));
		expect(await names(address)).toContain('Kept');
		expect((await save(address)).status).toBe(201);
		await endsClean(started);
	});

	it('frozen, it gives an answer within ten seconds, and is ended all the same', async () => {
		fresh();
		const started = trial.start();
		const address = await started.address();
		const [postmaster] = trial.postmasters;
		const backends = spawnSync('pgrep', ['-P', String(postmaster)], { encoding: 'utf8' })
			.stdout.trim()
			.split('\n');
		for (const pid of [postmaster!, ...backends.map(Number)]) process.kill(pid, 'SIGSTOP');
		const before = Date.now();
		const answer = await fetch(`${address}/api/health`);
		expect(Date.now() - before).toBeLessThan(10_000);
		expect([answer.status, (await answer.json()).message]).toEqual([503, expect.stringMatching(/not answer/)]);
		await endsClean(started);
	});

	it('goes on with one that a killed server left, and there is only ever one', async () => {
		fresh();
		const first = trial.start();
		await save(await first.address());
		first.child.kill('SIGKILL');
		await first.ended();
		const second = trial.start();
		const address = await second.address();
		expect(second.said()).toMatch(/still running; going on with it/);
		expect(trial.postmasters).toHaveLength(1);
		expect(await names(address)).toContain('Kept');
		await endsClean(second);
	});

	it('ends a server whose files were taken away before it makes new ones at their place', async () => {
		fresh();
		const first = trial.start();
		await first.address();
		const [before] = trial.postmasters;
		first.child.kill('SIGKILL');
		await first.ended();
		renameSync(trial.data, `${trial.data}.gone`);
		rmSync(`${trial.data}.gone`, { recursive: true, force: true });
		const second = trial.start();
		expect(await isWell(await second.address())).toBe(true);
		expect(trial.postmasters).toHaveLength(1);
		expect(trial.postmasters).not.toContain(before);
		await endsClean(second);
	});

	it.each([
		['of a living process', (): number => process.pid],
		['of nobody', (): number => 4_194_000]
	])('an old note with the number %s does not keep it from starting', async (_, number) => {
		fresh();
		const first = trial.start();
		await first.address();
		await endsClean(first);
		const file = join(trial.cluster, 'postmaster.pid');
		writeFileSync(file, `${number()}\n${trial.cluster}\n1700000000\n5432\n\n127.0.0.1\n\nready\n`);
		spawnSync('chown', ['--reference', trial.cluster, file]);
		const second = trial.start();
		expect(await isWell(await second.address())).toBe(true);
		await endsClean(second);
	});
});

describe('what stands in the way is said in one sentence', () => {
	const sentences = (said: string): string[] =>
		said.split('\n').filter((line) => /failed|cannot|needed|belongs/.test(line));

	it('a folder that cannot be made', async () => {
		fresh({ DINESIS_DATA: '/proc/dinesis' });
		const { code, said } = await trial.done('start');
		expect(code).toBe(1);
		expect(sentences(said)).toHaveLength(1);
		expect(said).not.toMatch(/\n {4}at /);
	});

	it('a file where the folder should be', async () => {
		const place = join(tmpdir(), `dinesis-file-${process.pid}`);
		writeFileSync(place, '');
		fresh({ DINESIS_DATA: join(place, 'data') });
		const { code, said } = await trial.done('start');
		rmSync(place);
		expect(code).toBe(1);
		expect(said).toMatch(/has a file where a folder is needed\. .*DINESIS_DATA/);
		expect(said).not.toMatch(/\n {4}at /);
	});

	it('a folder that belongs to somebody else', async () => {
		if (process.getuid?.() !== 0) return;
		const place = mkdtempSync(join(tmpdir(), 'dinesis-theirs-'));
		spawnSync('chmod', ['755', place]);
		mkdirSync(join(place, 'data'), { mode: 0o700 });
		const asked = spawnSync(
			'runuser',
			[
				'-u',
				'nobody',
				'--',
				process.execPath,
				'--import',
				join(process.cwd(), 'node_modules/tsx/dist/loader.mjs'),
				'-e',
				`import(${JSON.stringify(join(process.cwd(), 'scripts/lib/folder.ts'))}).then((f) => f.needFolder(${JSON.stringify(join(place, 'data/postgres'))})).catch((e) => console.log(e.message))`
			],
			{ encoding: 'utf8', cwd: '/', env: { ...process.env, HOME: '/tmp', TMPDIR: '/tmp' } }
		);
		rmSync(place, { recursive: true });
		expect(asked.stdout).toMatch(/belongs to root, who once started Dinesis here\. Give it back: sudo chown/);
	});

	it('two folders of the same name, told from where one stands, are two', async () => {
		fresh();
		const [a, b] = ['a', 'b'].map((name) => {
			const path = join(trial.folder, name);
			mkdirSync(path);
			return path;
		});
		const first = trial.run('start', ['--no-demo'], { env: { DINESIS_DATA: 'data' }, cwd: a });
		const second = trial.run('start', ['--no-demo'], { env: { DINESIS_DATA: 'data' }, cwd: b });
		const [one, two] = [await first.address(), await second.address()];
		await save(one);
		expect(await names(one)).toContain('Kept');
		expect(await names(two)).not.toContain('Kept');
		for (const started of [first, second]) {
			started.child.kill('SIGINT');
			await started.ended();
		}
	});
});

describe('processes', () => {
	it('one that is dead and not yet buried does not live', async () => {
		fresh();
		// The shell's child ends at once; what the shell has become never asks after it.
		const parent = spawn('sh', ['-c', 'sleep 0 & echo $!; exec sleep 30'], { stdio: ['ignore', 'pipe', 'ignore'] });
		const pid = await new Promise<number>((resolve) =>
			parent.stdout.once('data', (text: Buffer) => resolve(Number(text.toString())))
		);
		await until('it is a zombie', () => readFileSync(`/proc/${pid}/stat`, 'utf8').includes(') Z '));
		expect(beganOf(pid)).toBeNull();
		expect(beganOf(process.pid)).toMatch(/^\d+$/);
		parent.kill('SIGKILL');
	});
});
