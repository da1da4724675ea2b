/** Backups: everything kept, in one file of PostgreSQL's own archive format; and putting one in place of what is kept now. */
import { spawn } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import {
	chmodSync,
	existsSync,
	mkdtempSync,
	openSync,
	readdirSync,
	readSync,
	renameSync,
	rmSync,
	statSync,
	writeFileSync,
	closeSync
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import { MIGRATIONS } from '../../src/lib/server/db/migrations';
import { needFolder, plain } from './folder';
import { DATA } from './paths';

/** Where backups go that are made by themselves. */
export const BACKUPS = join(DATA, 'backups');
const KEPT = 10;
const ENDING = '.backup';

/** An address without its password, and the line of a password file that holds it. */
export function withoutPassword(url: string): { address: string; line: string } {
	const parsed = new URL(url);
	const part = (text: string): string => decodeURIComponent(text).replace(/[\\:]/g, '\\$&');
	const line = ['*', '*', '*', part(parsed.username) || '*', part(parsed.password)].join(':');
	parsed.password = '';
	return { address: parsed.href, line };
}

/** Runs one of PostgreSQL's programs on a database. The password goes in a file that only we can read: a process list shows arguments. */
async function call(program: string, url: string | null, args: readonly string[]): Promise<string> {
	const folder = mkdtempSync(join(tmpdir(), 'dinesis-pass-'));
	try {
		const env: NodeJS.ProcessEnv = { ...process.env, PGPASSWORD: undefined };
		const all = [...args];
		if (url !== null) {
			const { address, line } = withoutPassword(url);
			env.PGPASSFILE = join(folder, 'pass');
			writeFileSync(env.PGPASSFILE, `${line}\n`, { mode: 0o600 });
			all.push(`--dbname=${address}`);
		}
		return await new Promise((resolve, reject) => {
			const child = spawn(program, all, { env, detached: true, stdio: ['ignore', 'pipe', 'pipe'] });
			let [out, wrong] = ['', ''];
			child.stdout.on('data', (text: Buffer) => (out += text.toString()));
			child.stderr.on('data', (text: Buffer) => (wrong += text.toString()));
			child.on('error', (error) =>
				reject(new Error(`${program} cannot be run (${error.message}); it comes with Debian's postgresql-client.`))
			);
			child.on('close', (code) =>
				code === 0 ? resolve(out) : reject(new Error(wrong.trim().split('\n').slice(0, 4).join(' ')))
			);
		});
	} finally {
		rmSync(folder, { recursive: true, force: true });
	}
}

/** Writes a backup: whole, or there is no file. Throws an Error that says why not. */
export async function dump(url: string, file: string): Promise<void> {
	const partial = `${file}.partial`;
	try {
		writeFileSync(partial, '', { mode: 0o600 });
		await call('pg_dump', url, ['--format=custom', '--no-owner', `--file=${partial}`]);
		renameSync(partial, file);
		chmodSync(file, 0o600);
	} catch (error) {
		rmSync(partial, { force: true });
		if (/No space left/i.test((error as Error).message)) throw plain({ code: 'ENOSPC' }, file);
		throw plain(error, file);
	}
}

/** Backups that were made by themselves, the newest first. */
export const listBackups = (folder = BACKUPS): { name: string; path: string; bytes: number; at: Date }[] =>
	(existsSync(folder) ? readdirSync(folder) : [])
		.filter((name) => name.endsWith(ENDING))
		.sort()
		.reverse()
		.map((name) => {
			const path = join(folder, name);
			const { size, mtime } = statSync(path);
			return { name, path, bytes: size, at: mtime };
		});

/** Makes one by itself, `why` in its name, and keeps the last ten. Returns its path. */
export async function backUp(url: string, why: string, folder = BACKUPS, now = new Date()): Promise<string> {
	needFolder(folder);
	const stamp = now.toISOString().slice(0, 19).replace('T', '-').replaceAll(':', '');
	const path = join(folder, `${stamp}-${why}${ENDING}`);
	await dump(url, path);
	for (const { path: old } of listBackups(folder).slice(KEPT)) rmSync(old, { force: true });
	return path;
}

/** What is wrong with a file as a backup, in a sentence; null: nothing that can be told from its head and its list. */
export async function faultOf(file: string): Promise<string | null> {
	if (!existsSync(file)) return `There is no file ${file}.`;
	if (!statSync(file).isFile()) return `${file} is no file.`;
	const head = Buffer.alloc(5);
	const opened = openSync(file, 'r');
	readSync(opened, head, 0, 5, 0);
	closeSync(opened);
	if (head.toString('latin1') !== 'PGDMP') return `${file} is no backup: it does not begin as one does.`;
	try {
		const list = await call('pg_restore', null, ['--list', file]);
		const holds = (table: string): boolean => new RegExp(` TABLE DATA \\S+ ${table} `).test(list);
		for (const table of ['migrations', 'projects'])
			if (!holds(table)) return `${file} is no backup of Dinesis: it holds no ${table}.`;
		// Presets had a table of their own before all documents had one.
		if (!holds('documents') && !holds('presets')) return `${file} is no backup of Dinesis: it holds no documents.`;
		return null;
	} catch (error) {
		return `${file} cannot be read: ${(error as Error).message}`;
	}
}

async function asked<T>(url: string, work: (client: pg.Client) => Promise<T>): Promise<T> {
	const client = new pg.Client({ connectionString: url, connectionTimeoutMillis: 10_000 });
	client.on('error', () => undefined);
	await client.connect();
	try {
		return await work(client);
	} finally {
		await client.end().catch(() => undefined);
	}
}
const quoted = (name: string): string => `"${name.replaceAll('"', '""')}"`;
const urlOf = (url: string, name: string): string => {
	const parsed = new URL(url);
	parsed.pathname = `/${encodeURIComponent(name)}`;
	return parsed.href;
};

/**
 * Puts a backup in place of what is kept: into a database of its own first, which is looked over and brought up to date by `prepare`, and
 * takes the place of the former in one transaction. Cut off at any moment, either the one is there or the other. Throws an Error that
 * says why not; then nothing was changed.
 */
export async function putBack(url: string, file: string, prepare: (url: string) => Promise<void>): Promise<void> {
	const fault = await faultOf(file);
	if (fault) throw new Error(`${fault} Nothing was changed.`);
	const name = decodeURIComponent(new URL(url).pathname.slice(1));
	const beside = urlOf(url, 'postgres');
	await sweep(url);
	const fresh = `${name}_restore_${randomBytes(4).toString('hex')}`;
	const former = fresh.replace('_restore_', '_former_');
	const drop = (which: string): Promise<unknown> =>
		asked(beside, (client) => client.query(`DROP DATABASE IF EXISTS ${quoted(which)} WITH (FORCE)`));
	await asked(beside, (client) => client.query(`CREATE DATABASE ${quoted(fresh)}`));
	try {
		const aside = urlOf(url, fresh);
		await call('pg_restore', aside, ['--no-owner', '--exit-on-error', '--single-transaction', file]);
		const marks = await asked(aside, (client) => client.query<{ name: string }>('SELECT name FROM migrations'));
		const newer = marks.rows.find((row) => !MIGRATIONS.some((known) => known.name === row.name));
		if (newer) throw new Error(`It was made by a newer Dinesis (it knows "${newer.name}"). Restore it with that one.`);
		await prepare(aside);
		await asked(beside, async (client) => {
			const end = (which: string): Promise<unknown> =>
				client.query(
					'SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = $1 AND pid <> pg_backend_pid()',
					[which]
				);
			await end(fresh);
			await end(name);
			await client.query('BEGIN');
			await client.query(`ALTER DATABASE ${quoted(name)} RENAME TO ${quoted(former)}`);
			await client.query(`ALTER DATABASE ${quoted(fresh)} RENAME TO ${quoted(name)}`);
			await client.query('COMMIT');
		});
	} catch (error) {
		await drop(fresh).catch(() => undefined);
		throw new Error(`Restoring failed and changed nothing. ${(error as Error).message}`, { cause: error });
	}
	await drop(former).catch(() => undefined);
}

/** Takes away what a restoring that was cut off left beside. */
async function sweep(url: string): Promise<void> {
	const name = decodeURIComponent(new URL(url).pathname.slice(1));
	await asked(urlOf(url, 'postgres'), async (client) => {
		const { rows } = await client.query<{ datname: string }>('SELECT datname FROM pg_database WHERE datname ~ $1', [
			`^${name}_(restore|former)_[0-9a-f]{8}$`
		]);
		for (const { datname } of rows) await client.query(`DROP DATABASE IF EXISTS ${quoted(datname)} WITH (FORCE)`);
	});
}
