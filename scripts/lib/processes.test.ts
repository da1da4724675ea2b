import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { afterEach, expect, it } from 'vitest';
import { beganOf, lives, nameOf, postmastersOn } from './processes';

const started: ChildProcess[] = [];
afterEach(() => started.splice(0).forEach((child) => process.kill(-child.pid!, 'SIGKILL')));

/** A shell that the kernel tells as a PostgreSQL server on these files; it says the number of what it forked, which is told alike. */
async function server(data: string, forks: boolean): Promise<{ pid: number; forked: number }> {
	const script = forks ? '(read -r line; :) <&3 & echo $!; wait' : 'echo 0; read -r line <&3; :';
	const child = spawn('bash', ['-c', `exec -a /usr/lib/postgres bash -c '${script}' sh -D "${data}"`], {
		detached: true,
		stdio: ['ignore', 'pipe', 'ignore', 'pipe']
	});
	started.push(child);
	const [said] = (await once(child.stdout!, 'data')) as [Buffer];
	return { pid: child.pid!, forked: Number(said.toString()) };
}

it('a backend that was just forked still bears its server’s call, and is no server', async () => {
	const { pid, forked } = await server('/nowhere/forking', true);
	expect(beganOf(forked)).not.toBeNull();
	expect(postmastersOn('/nowhere/forking')).toEqual([pid]);
});

it('every server on the files is told, those on others are not', async () => {
	const one = await server('/nowhere/twice', false);
	const two = await server('/nowhere/twice', false);
	await server('/nowhere/else', false);
	expect(postmastersOn('/nowhere/twice').sort()).toEqual([one.pid, two.pid].sort());
});

it('a process is named for ever: its number alone does not make it live', async () => {
	const { pid } = await server('/nowhere/named', false);
	const name = nameOf(pid);
	expect(lives(name)).toBe(true);
	expect(lives(`${pid}-1`)).toBe(false);
	expect(lives(`${pid}`)).toBe(false);
});
