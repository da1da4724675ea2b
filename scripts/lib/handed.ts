/** What the commands hand over: which part of a kit, in which world, to where. */
import { closeSync, openSync, renameSync, writeFileSync, writeSync } from 'node:fs';
import type { Kit, KindName } from '../../src/lib/documents';
import { drawIn, everythingIn, partOf, taggedIn, worldOf, type Picked, type TargetWorld } from '../../src/lib/handover';
import type { Arguments } from './arguments';
import { fail, say } from './say';

const KINDS: readonly KindName[] = ['shake', 'bob', 'lag', 'rig', 'cue', 'event', 'value', 'course'];

/** The part that `--only kind:id,…` or `--tag T,…` name, with what it needs; without either the kit as it is. */
export function partFrom(args: Arguments, kit: Kit): Kit {
	const only = args.flags.get('only');
	const tags = args.flags.get('tag');
	if (only === undefined && tags === undefined) return kit;
	const picked: Picked[] =
		tags === undefined
			? []
			: taggedIn(
					kit,
					tags.split(',').map((tag) => tag.trim())
				);
	if (tags !== undefined && picked.length === 0) fail(`Nothing in the kit is tagged ${tags}.`);
	const all = [...everythingIn(kit), ...kit.courses.map(({ id }): Picked => ({ kind: 'course', id }))];
	for (const name of (only ?? '').split(',').filter(Boolean)) {
		const [kind = '', id] = name.split(':').map((part) => part.trim());
		if (!KINDS.includes(kind as KindName))
			fail(`--only names "${name}"; kind:id is needed, the kind one of ${KINDS.join(', ')}.`);
		const meant = all.filter((one) => one.kind === kind && (id === undefined || id === '*' || one.id === id));
		if (meant.length === 0) fail(`--only names "${name}"; the kit has none of that.`);
		picked.push(...meant);
	}
	return partOf(kit, drawIn(kit, picked));
}

export function worldFrom(args: Arguments): TargetWorld {
	const world = worldOf(args.flags.get('axes') ?? '');
	return typeof world === 'string' ? fail(`--axes: ${world}`) : world;
}

/** Somewhere to write: stdout, or a file that is there as a whole or not at all. */
export interface Sink {
	/** Waits while whoever reads is slower. */
	write(part: string | Uint8Array): Promise<void>;
	/** What belongs beside it: under its name with another ending. On stdout there is no room for it, which is said. */
	beside(ending: string, data: string | Uint8Array): void;
	end(): void;
}

export function sinkFor(path: string | undefined): Sink {
	if (path === undefined) {
		process.stdout.on('error', () => process.exit(0));
		return {
			write: (part) =>
				new Promise((done) => {
					if (process.stdout.write(part)) done();
					else process.stdout.once('drain', () => done());
				}),
			beside: (ending) => say(`What belongs beside it (${ending}) is left out; --out FILE writes both.`),
			end: () => undefined
		};
	}
	const making = `${path}.part`;
	let file: number;
	try {
		file = openSync(making, 'w');
	} catch (error) {
		return fail(`${path} cannot be written (${(error as NodeJS.ErrnoException).code}).`);
	}
	return {
		write: (part) => {
			if (typeof part === 'string') writeSync(file, part);
			else writeSync(file, part);
			return Promise.resolve();
		},
		beside: (ending, data) => {
			const name = `${path.replace(/\.[^./\\]+$/, '')}${ending}`;
			writeFileSync(name, data);
			say(`${name} is written.`);
		},
		end: () => {
			closeSync(file);
			renameSync(making, path);
		}
	};
}

/** Says on stderr how far something long has come, where somebody looks. */
export function progressOn(what: string): (part: number) => void {
	let said = -1;
	return (part) => {
		const tenth = Math.floor(part * 10);
		if (tenth === said || !process.stderr.isTTY) return;
		said = tenth;
		process.stderr.write(`\r${what}, ${tenth * 10} %   ${tenth >= 9 ? '\n' : ''}`);
	};
}
