import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import ts from 'typescript';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openKit, readKit, type Kit } from '../documents';
import { answered, callsFile, functionNames, usedValues } from './calls';
import { LANGUAGES, LANGUAGE_WORDS, namesFile } from './names';

const demo = (
	readKit(readFileSync(new URL('../../../demo/lamp-at-morrowskerry.kit.json', import.meta.url), 'utf8')) as {
		value: Kit;
	}
).value;
const event = (id: string, kind = 'moment', values: readonly string[] = []) => ({
	id,
	name: `Event ${id} */ "`,
	kind,
	placed: kind === 'moment',
	values: values.map((v) => ({ id: v, unit: 'm/s', min: 0, max: 9 }))
});
function sound(read: ReturnType<typeof openKit>): Kit {
	if (!read.ok) throw new Error(JSON.stringify(read.problems));
	return read.value;
}
/** Ids that a language might stumble over. */
const odd = sound(
	openKit({
		format: 'dinesis-kit',
		version: 1,
		name: 'Odd',
		events: [
			event('a-1', 'moment', ['class', '3d', 'a-1']),
			event('a1'),
			event('2-fast'),
			event('class', 'moment', ['speed']),
			event('end', 'state'),
			event('none'),
			event('runtime'),
			event('default', 'state', ['new'])
		],
		parameters: [{ id: 'while', name: 'While' }],
		presets: [
			{
				id: 'x',
				family: 'shake',
				name: 'X',
				timing: { mode: 'burst', duration: 1 },
				drives: [{ parameter: 'while', to: 'amount', curve: [{ at: 0, value: 1 }] }]
			}
		],
		cues: ['a-1', 'a1', '2-fast', 'class', 'end', 'none', 'runtime', 'default'].map((e, i) => ({
			id: `c-${i}`,
			event: e,
			actions: [{ kind: 'play', pick: [{ preset: 'x' }] }]
		})),
		rigs: []
	})
);
const kits: readonly [string, Kit][] = [
	['the demo', demo],
	['odd ids', odd],
	['nothing', { ...odd, events: [], parameters: [], presets: [], cues: [], rigs: [] }]
];
const idsOf = (kit: Kit): string[] =>
	[...kit.events, ...kit.parameters, ...kit.presets, ...kit.rigs].map(({ id }) => id);

let folder = '';
beforeAll(() => (folder = mkdtempSync(join(tmpdir(), 'dinesis-names-'))));
afterAll(() => rmSync(folder, { recursive: true }));
const put = (name: string, text: string): string => {
	const path = join(folder, name);
	writeFileSync(path, text);
	return path;
};
const has = (command: string): boolean =>
	spawnSync(command, [command.startsWith('lua') ? '-v' : '--version']).status === 0;
/** What TypeScript says of files, beside each other. */
function typeErrors(files: Readonly<Record<string, string>>): string[] {
	const options: ts.CompilerOptions = {
		strict: true,
		noEmit: true,
		target: ts.ScriptTarget.ES2022,
		lib: ['lib.es2022.d.ts'],
		module: ts.ModuleKind.ESNext,
		moduleResolution: ts.ModuleResolutionKind.Bundler,
		types: []
	};
	const program = ts.createProgram(
		Object.entries(files).map(([name, text]) => put(name, text)),
		options
	);
	return ts.getPreEmitDiagnostics(program).map(({ messageText }) => ts.flattenDiagnosticMessageText(messageText, ' '));
}

describe.each(kits)('names of %s', (_, kit) => {
	it.each(LANGUAGES)('as %s have every id, once in its group', (language) => {
		const text = namesFile(kit, language);
		for (const id of idsOf(kit)) expect(text).toMatch(new RegExp(`["']${id}["']`));
	});

	it('compile as TypeScript; a mistyped one does not', () => {
		const names = namesFile(kit, 'typescript');
		expect(typeErrors({ 'names.ts': names })).toEqual([]);
		const use = "import { Events, type EventId } from './names';\nexport const it: EventId = Events.notThere;\n";
		expect(typeErrors({ 'names.ts': names, 'use.ts': use }).join()).toContain('notThere');
	});

	it.skipIf(!has('gcc'))('compile as C and as C++; a mistyped one does not', () => {
		put('motion_names.h', namesFile(kit, 'c'));
		const main = put('main.c', '#include "motion_names.h"\nint main(void) { return 0; }\n');
		for (const language of ['c', 'c++'])
			execFileSync('gcc', [
				'-x',
				language,
				'-Wall',
				'-Wno-unused-variable',
				'-Wno-unused-const-variable',
				'-Werror',
				'-fsyntax-only',
				main
			]);
		const wrong = put('wrong.c', '#include "motion_names.h"\nint main(void) { return MOTION_EVENT_NOT_THERE[0]; }\n');
		expect(spawnSync('gcc', ['-fsyntax-only', wrong]).status).not.toBe(0);
	});

	it.skipIf(!has('mcs'))('compile as C#; a mistyped one does not', () => {
		put('MotionNames.cs', namesFile(kit, 'csharp'));
		const compile = () =>
			spawnSync('mcs', ['-target:library', '-warnaserror', '-out:names.dll', 'MotionNames.cs', 'Use.cs'], {
				cwd: folder
			});
		const [, space] = /namespace (\w+)/.exec(namesFile(kit, 'csharp')) ?? [];
		const use = (name: string) =>
			`${space ? `using ${space};\n` : ''}static class Use { public static string It() { return ${name}; } }\n`;
		const [, first] = /class Events\s*\{\s*public const string (\w+)/.exec(namesFile(kit, 'csharp')) ?? [];
		put('Use.cs', use(first === undefined ? '"none"' : `Events.${first}`));
		expect(compile().stderr.toString()).toBe('');
		put('Use.cs', use('Events.NotThere'));
		expect(compile().stderr.toString()).toContain('NotThere');
	});

	it.skipIf(!has('python3'))('are read by Python, which tells a mistyped one', () => {
		put('motion_names.py', namesFile(kit, 'python'));
		const said = execFileSync(
			'python3',
			['-c', 'import motion_names as m, json; print(json.dumps([e.value for e in [*m.Event, *m.State]]))'],
			{ cwd: folder, env: { ...process.env, PYTHONDONTWRITEBYTECODE: '1' } }
		).toString();
		expect((JSON.parse(said) as string[]).sort()).toEqual(kit.events.map(({ id }) => id).sort());
		const wrong = spawnSync('python3', ['-c', 'import motion_names as m; m.Event.NOT_THERE'], { cwd: folder });
		expect(wrong.stderr.toString()).toContain('NOT_THERE');
	});

	it.skipIf(!has('lua5.4'))('are read by Lua, which tells a mistyped one', () => {
		put('motion_names.lua', namesFile(kit, 'lua'));
		execFileSync('lua5.4', ['-e', 'local m = require("motion_names"); assert(m.events)'], { cwd: folder });
		const wrong = spawnSync('lua5.4', ['-e', 'print(require("motion_names").events.not_there)'], { cwd: folder });
		expect(wrong.stderr.toString()).toContain('no event is called not_there');
	});

	it('as JSON say what each event carries', () => {
		const read = JSON.parse(namesFile(kit, 'json')) as { events: { id: string; numbers: { id: string }[] }[] };
		for (const { id, numbers } of read.events)
			expect(numbers.map((n) => n.id)).toEqual(kit.events.find((e) => e.id === id)!.values.map((v) => v.id));
	});
});

it('where two ids would be one name both keep their dashes', () => {
	const text = namesFile(odd, 'typescript');
	expect(text).toContain("a_1: 'a-1'");
	expect(text).toContain("a1: 'a1'");
	expect(text).toContain("_2Fast: '2-fast'");
	expect(namesFile(odd, 'csharp')).toContain('public const string _2Fast = "2-fast";');
	expect(new Set(Object.values(LANGUAGE_WORDS).map(({ file }) => file)).size).toBe(LANGUAGES.length);
});

describe.each(kits)('what a game writes for %s', (_, kit) => {
	const plain = callsFile(kit, { types: false, file: 'a.kit.json', rig: null });

	it('is sound JavaScript and TypeScript against the run-time', () => {
		const tools = 'declare module "./a.kit.json" { const kit: unknown; export default kit; }\n';
		const runtime = `declare module 'dinesis-runtime' {
	type Sent = { values?: Record<string, number>; place?: readonly [number, number, number]; length?: number; tags?: readonly string[] };
	export type RuntimeBody = { pose: number[] };
	export type RuntimeFrame = { fov: number };
	export const openKit: (kit: unknown) => { ok: true; value: object } | { ok: false; problems: { place: string; message: string }[] };
	export const createRuntime: (kit: object, options: { seed: number; rig?: string }) => {
		raise(event: string, options?: Sent): void;
		begin(event: string, options?: Sent & { key?: string }): void;
		end(event: string, options?: { key?: string }): void;
		set(value: string, to: number): void;
		advance(dt: number, body: RuntimeBody): RuntimeFrame;
	};
}
`;
		const typed = callsFile(kit, { types: true, file: 'a.kit.json', rig: kit.rigs[0]?.id ?? null })
			.replace(" with { type: 'json' }", '')
			.replace('./a.kit.json', 'a-kit');
		const errors = typeErrors({ 'calls.ts': typed, 'door.d.ts': runtime + tools.replace('./a.kit.json', 'a-kit') });
		expect(errors).toEqual([]);
		const module = ts.transpileModule(plain, {
			reportDiagnostics: true,
			compilerOptions: { target: ts.ScriptTarget.ESNext }
		});
		expect(module.diagnostics).toEqual([]);
	});

	it('has one call for each event that a cue answers, and for each value that something hangs on; nothing else', () => {
		const calls = [...plain.matchAll(/runtime\.(raise|begin|set)\('([^']+)'/g)].map((m) => m[2]!);
		expect(calls).toEqual([...answered(kit), ...usedValues(kit)].map(({ id }) => id));
	});
});

it('an event whose own length a cue asks for is called with it; tags that may come are its own', () => {
	const asks = {
		...odd,
		events: odd.events.map((e) => (e.id === 'a1' ? { ...e, mayCarry: ['enemy', "o'clock"] } : e)),
		cues: odd.cues.map((cue) => ({
			...cue,
			actions: cue.actions.map((a) =>
				a.kind === 'play' && cue.event === 'a1' ? { ...a, length: 'event' as const } : a
			)
		}))
	};
	const text = callsFile(asks, { types: true, file: 'a.kit.json', rig: null });
	expect(text).toContain(
		"length: number, tags?: readonly ('enemy' | 'o\\'clock')[]) => runtime.raise('a1', { place, length, tags });"
	);
	expect(callsFile(odd, { types: true, file: 'a.kit.json', rig: null })).not.toMatch(/length|tags/);
});

it('a file whose name has a mark of the language in it is still called so', () => {
	expect(callsFile(odd, { types: false, file: "Ida's.json", rig: null })).toContain("from './Ida\\'s.json' with");
});

it('what no cue answers, and what is off, is not called', () => {
	const off = { ...odd, cues: odd.cues.map((cue, i) => ({ ...cue, on: i > 0 })) };
	expect(answered(off).map(({ id }) => id)).not.toContain('a-1');
	expect([...functionNames(['class', 'a-b', 'aB', '2'])]).toEqual([
		['class', 'class_'],
		['a-b', 'aB'],
		['aB', 'aB_'],
		['2', '_2']
	]);
});
