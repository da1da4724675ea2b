/** Processes as the kernel tells of them: whether one is still the one that was meant. */
import { readdirSync, readFileSync, readlinkSync } from 'node:fs';

/**
 * When a process began, in the kernel's own count: with its number that names it for ever, as numbers come again. null when it is gone,
 * or dead and only not yet buried (a zombie).
 */
export function beganOf(pid: number): string | null {
	// Behind the name in brackets: the state, and as field 22 of the whole the beginning.
	const fields = statOf(pid);
	return fields === null || fields[0] === 'Z' || fields[0] === 'X' ? null : (fields[19] ?? null);
}

/** Which process it came from; null when it is gone. */
const parentOf = (pid: number): number | null => Number(statOf(pid)?.[1]) || null;

function statOf(pid: number): string[] | null {
	try {
		return readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ').at(-1)!.split(' ');
	} catch {
		return null;
	}
}

/** A process that is named for ever: `PID-BEGAN`. */
export const nameOf = (pid: number): string => `${pid}-${beganOf(pid)}`;

/** Whether the process of that name lives. */
export function lives(name: string): boolean {
	const [pid, began] = name.split('-');
	return began !== undefined && beganOf(Number(pid)) === began;
}

/** What a process was called with; empty where that is not told. */
export function callOf(pid: number): string[] {
	try {
		return readFileSync(`/proc/${pid}/cmdline`, 'utf8').split('\0').slice(0, -1);
	} catch {
		return [];
	}
}

/** The folder a process stands in; null where that is not told. One that was removed ends in " (deleted)". */
export function standsIn(pid: number): string | null {
	try {
		return readlinkSync(`/proc/${pid}/cwd`);
	} catch {
		return null;
	}
}

/**
 * Every PostgreSQL server on these files, also one whose folder was taken away from under it. What it forked bears its call until it has
 * given itself a name, and is none.
 */
export function postmastersOn(data: string): number[] {
	const called = (pid: number): boolean => {
		const [program = '', ...args] = callOf(pid);
		return /(^|\/)postgres$/.test(program) && args[args.indexOf('-D') + 1] === data && beganOf(pid) !== null;
	};
	return readdirSync('/proc')
		.filter((name) => /^\d+$/.test(name))
		.map(Number)
		.filter((pid) => called(pid) && !called(parentOf(pid) ?? 0));
}
