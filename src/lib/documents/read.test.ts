import { readFileSync } from 'node:fs';
import Ajv from 'ajv/dist/2020';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { freeId } from './ids';
import { newPreset } from 'dinesis-runtime/tools';
import { kitJsonSchema, type Kit } from './kit';
import { readKit } from './read';
import { sayProblem, writeKit } from './write';
import { openPreset } from './read-preset';
import type { ShakePreset } from 'dinesis-runtime';

const demo = readFileSync(new URL('../../../demo/lamp-at-morrowskerry.kit.json', import.meta.url), 'utf8');
const docs = readFileSync(new URL('../../../docs/kit-format.md', import.meta.url), 'utf8');
const published = readFileSync(new URL('../../../static/kit.schema.json', import.meta.url), 'utf8');
const small = { format: 'dinesis-kit', version: 1, name: 'Small' };
const preset = {
	id: 'a',
	family: 'shake',
	name: 'A',
	timing: { mode: 'burst' },
	layers: [{ id: 'l', pattern: { kind: 'noise' } }]
};

function problemsOf(kit: unknown): string[] {
	const result = readKit(typeof kit === 'string' ? kit : JSON.stringify(kit));
	return result.ok ? [] : result.problems.map(sayProblem);
}
const withPreset = (change: (p: Record<string, any>) => void): unknown => {
	const copy = JSON.parse(JSON.stringify(preset));
	change(copy);
	return { ...small, presets: [copy] };
};

describe('reading', () => {
	it('takes the demo and writes it back to the same bytes', () => {
		const result = readKit(demo);
		expect(result.ok && writeKit(result.value)).toBe(demo);
	});

	it('fills in what is left out', () => {
		const result = readKit(JSON.stringify(withPreset(() => undefined)));
		if (!result.ok) throw new Error(sayProblem(result.problems[0]!));
		const read = result.value.presets[0] as ShakePreset;
		expect(read.amount).toBe(1);
		expect(read.timing.duration).toBe(1);
		expect(read.timing.fadeIn).toEqual({ time: 0, ease: 'smooth' });
		expect(read.layers[0]!.pattern).toEqual({ kind: 'noise', octaves: 1, lacunarity: 2, persistence: 0.5 });
		expect(read.overlap).toEqual({ rule: 'stack', limit: 8 });
	});

	it('gives each preset defaults of its own', () => {
		const result = readKit(JSON.stringify({ ...small, presets: [preset, { ...preset, id: 'b' }] }));
		const [a, b] = (result as { value: Kit }).value.presets as ShakePreset[];
		expect(a!.timing.fadeIn).not.toBe(b!.timing.fadeIn);
	});

	it('keeps what it does not know, anywhere', () => {
		const kit = withPreset((p) => {
			p.studio = { mood: ['grim'] };
			p.layers[0].colour = 'oxblood';
			p.timing.extra = 1;
		}) as Record<string, unknown>;
		kit.notes = 'ours';
		const result = readKit(JSON.stringify(kit));
		const written = JSON.parse(writeKit((result as { value: Kit }).value));
		expect(written.notes).toBe('ours');
		expect(written.presets[0].studio).toEqual({ mood: ['grim'] });
		expect(written.presets[0].layers[0].colour).toBe('oxblood');
		expect(written.presets[0].timing.extra).toBe(1);
	});

	it('a bob or a lag that is no more than a name, as kits once had them, is read and filled in', () => {
		const presets = [
			{ id: 'stair', family: 'bob', name: 'Stair' },
			{ id: 'heavy', family: 'lag', name: 'Heavy', axes: { yaw: { follow: 'spring' } } }
		];
		const result = readKit(JSON.stringify({ ...small, presets })) as { value: Kit };
		expect(result.value.presets).toMatchObject([
			{ gaits: [], amount: 1, landing: null },
			{ axes: { yaw: { follow: 'spring', frequency: 2, damping: 1 } }, leadsBy: 0 }
		]);
	});

	it.each<[unknown, string]>([
		[{ family: 'bob', gaits: [{ id: 'w', speed: 0, steps: 2 }] }, 'presets[0].gaits[0].speed'],
		[
			{ family: 'bob', gaits: [{ id: 'w', speed: 1, steps: 2, channels: { y: { amplitude: 1, shape: 'keys' } } }] },
			'presets[0].gaits[0].channels.y.keys'
		],
		[{ family: 'lag', axes: { x: { follow: 'slowly' } } }, 'presets[0].axes.x.follow'],
		[{ family: 'bob', landing: { dip: 1 } }, 'presets[0].landing.most']
	])('what is wrong in a bob or a lag is told by its place: %j', (part, place) => {
		const presets = [{ id: 'p', name: 'P', ...(part as object) }];
		const result = readKit(JSON.stringify({ ...small, presets }));
		expect(result.ok ? '' : result.problems[0]!.place).toBe(place);
	});

	it('numbers survive to the last digit', () => {
		fc.assert(
			fc.property(fc.double({ min: 0, max: 100, noNaN: true }), (amount) => {
				const result = readKit(JSON.stringify(withPreset((p) => (p.amount = amount))));
				const written = JSON.parse(writeKit((result as { value: Kit }).value));
				expect(written.presets[0].amount).toBe(Object.is(amount, -0) ? 0 : amount);
			}),
			{ seed: 46, numRuns: 50 }
		);
	});
});

describe('refusing', () => {
	it.each<[string, (p: Record<string, any>) => void, RegExp]>([
		[
			'a text for a number',
			(p) => (p.timing.fadeIn = { time: 'soon' }),
			/^presets\[0\]\.timing\.fadeIn\.time is "soon"; a number from 0 to 3600/
		],
		['a missing name', (p) => delete p.name, /^presets\[0\]\.name is missing/],
		['a bad id', (p) => (p.id = 'Über'), /^presets\[0\]\.id is "Über"; an id of 1 to 64/],
		[
			'an unknown pattern',
			(p) => (p.layers[0].pattern.kind = 'wobble'),
			/^presets\[0\]\.layers\[0\]\.pattern\.kind is "wobble"; one of "noise"/
		],
		[
			'a name that every object has',
			(p) => (p.layers[0].pattern.kind = 'constructor'),
			/pattern\.kind is "constructor"; one of/
		],
		['half an octave', (p) => (p.layers[0].pattern.octaves = 1.5), /octaves is 1\.5; a whole number from 1 to 8/],
		[
			'an overshooting fade',
			(p) => (p.timing.fadeOut = { time: 1, ease: 'back-out' }),
			/fadeOut\.ease is "back-out", which overshoots/
		],
		[
			'an ease that runs backward',
			(p) => (p.timing.fadeIn = { time: 1, ease: [2, 0, 0.5, 1] }),
			/fadeIn\.ease has an x outside 0–1/
		],
		[
			'points that do not rise',
			(p) =>
				(p.timing.life = {
					points: [
						{ at: 0.5, value: 1 },
						{ at: 0.2, value: 1 }
					]
				}),
			/life\.points\[1\]\.at is 0\.2, not after/
		],
		['an edge nearer than full', (p) => (p.reach = { full: 9, edge: 3 }), /reach\.edge is 3, nearer than "full" at 9/],
		['two layers of one id', (p) => p.layers.push(p.layers[0]), /layers\[1\]\.id is "l", as in item 0/],
		['a list for an object', (p) => (p.timing = []), /timing is a list; an object is needed/],
		['null for a family', (p) => (p.family = null), /family is null; one of "shake"/]
	])('%s, with the place and what would be right', (_, change, wanted) => {
		expect(problemsOf(withPreset(change)).join('\n')).toMatch(wanted);
	});

	it.each<[string, Record<string, unknown>, RegExp]>([
		['a view nobody knows', { view: { kind: 'sideways' } }, /^rigs\[0\]\.view\.kind is "sideways"; one of/],
		[
			'limits that end before they begin',
			{ limits: { x: [3, 1] } },
			/^rigs\[0\]\.limits\.x goes from 3 to 1; the second/
		],
		[
			'an area of two corners',
			{
				limits: {
					area: [
						[0, 0],
						[1, 1]
					]
				}
			},
			/^rigs\[0\]\.limits\.area/
		],
		[
			'a stage twice',
			{ order: ['lag', 'lag', 'bob', 'lean', 'shakes', 'ceiling'] },
			/^rigs\[0\]\.order is .*each of lag/
		],
		['a spring without a frequency', { lean: { frequency: 0 } }, /^rigs\[0\]\.lean\.frequency is 0/]
	])('a rig with %s', (_, part, wanted) => {
		expect(problemsOf({ ...small, rigs: [{ id: 'r', name: 'R', ...part }] })[0]).toMatch(wanted);
	});

	it('a rig says no more than it must: the rest is filled in', () => {
		const read = readKit(
			JSON.stringify({ ...small, rigs: [{ id: 'r', name: 'R', view: { kind: 'chase' }, lean: {} }] })
		);
		const [rig] = (read as { value: Kit }).value.rigs;
		expect(rig!.view).toMatchObject({ kind: 'chase', back: 4, down: 12, fov: 62, height: 1.62 });
		expect(rig!.order).toEqual(['lag', 'limits', 'bob', 'lean', 'shakes', 'ceiling']);
		expect(rig!.lean).toMatchObject({ rollByTurn: 0, mostRoll: 6, damping: 1 });
	});

	it('two presets of one id', () => {
		expect(problemsOf({ ...small, presets: [preset, preset] })[0]).toMatch(/^presets\[1\]\.id is "a", as in item 0/);
	});

	it.each<[string, string, RegExp]>([
		['an empty file', ' \n', /empty; a kit is/],
		['a list', '[]', /A kit is a JSON object/],
		['another format', '{"format":"other","version":1,"name":"x"}', /^format is "other"; "dinesis-kit" is needed/],
		[
			'a later version',
			'{"format":"dinesis-kit","version":7,"name":"x"}',
			/^version is 7; this Dinesis reads up to version 1/
		],
		['no name', '{"format":"dinesis-kit","version":1}', /^name is missing/],
		['a cut off file', demo.slice(0, 3000), /^events\[\d+\].*line \d+, column \d+: the text ends here/],
		[
			'NaN',
			'{"format":"dinesis-kit","version":1,"name":"x","presets":[{"amount":NaN}]}',
			/^presets\[0\]\.amount line 1, column 69: .*not "NaN"/
		],
		['a trailing comma', '{"a":[1,2,]}', /^a\[2\] line 1, column 11: a value is needed/],
		['single quotes', "{'a':1}", /field name in double quotes is needed, not "'"/]
	])('%s', (_, text, wanted) => {
		expect(problemsOf(text)[0]).toMatch(wanted);
	});

	it('a prototype in disguise, anywhere, without harm', () => {
		expect(
			problemsOf('{"format":"dinesis-kit","version":1,"name":"x","extra":{"a":[{"__proto__":{"bad":1}}]}}')[0]
		).toMatch(/^extra\.a\[0\]\.__proto__ cannot be the name of a field/);
		expect(openPreset(JSON.parse('{"__proto__":{"id":"a"}}')).ok).toBe(false);
		expect(({} as Record<string, unknown>).bad).toBeUndefined();
	});

	it('a file that is too large, before it is parsed', () => {
		expect(problemsOf(' '.repeat(21 * 1024 * 1024))[0]).toMatch(/21 MB; a kit may have up to 20 MB/);
	});

	it('stops at 50 problems', () => {
		expect(
			problemsOf({ ...small, presets: Array.from({ length: 900 }, () => ({ family: 'shake', amount: 'x' })) })
		).toHaveLength(50);
	});

	it('never throws, whatever it is given', () => {
		fc.assert(
			fc.property(fc.json({ maxDepth: 5 }), fc.anything({ maxDepth: 4 }), (text, anything) => {
				readKit(text);
				readKit(JSON.stringify({ ...small, presets: [anything], events: anything }) ?? '');
			}),
			{ seed: 47 }
		);
	});
});

describe('ids of actions', () => {
	const read = (actions: object[]) =>
		readKit(JSON.stringify({ format: 'dinesis-kit', version: 1, name: 'K', cues: [{ id: 'c', event: 'e', actions }] }));
	const play = { kind: 'play', pick: [{ preset: 'a' }] };

	it('are given to those that have none, 1, 2, 3 … in their order, and are written back', () => {
		const kit = read([play, { kind: 'stop' }, play]);
		expect(kit.ok && kit.value.cues[0]!.actions.map((a) => a.id)).toEqual(['1', '2', '3']);
		const again = readKit(writeKit((kit as { value: Kit }).value));
		expect(again).toEqual(kit);
		const some = read([{ ...play, id: '2' }, play, play]);
		expect(some.ok && some.value.cues[0]!.actions.map((a) => a.id)).toEqual(['2', '3', '4']);
	});

	it('must differ within a cue', () => {
		const kit = read([
			{ ...play, id: 'boom' },
			{ ...play, id: 'boom' }
		]);
		expect(kit).toMatchObject({ ok: false, problems: [{ place: 'cues[0].actions[1].id' }] });
	});
});

describe('the published schema', () => {
	const validate = new Ajv({ strict: false, allErrors: true }).compile(JSON.parse(published));

	it('is the one the reader works by', () => {
		expect(JSON.parse(published)).toEqual(JSON.parse(JSON.stringify(kitJsonSchema())));
	});

	it('takes the demo and every whole example of the docs, and the reader takes them too', () => {
		const examples = [...docs.matchAll(/```json\n([\s\S]*?)```/g)]
			.map((m) => m[1]!)
			.filter((t) => t.includes('"dinesis-kit"'));
		expect(examples.length).toBeGreaterThan(0);
		for (const text of [demo, ...examples]) {
			expect(validate(JSON.parse(text)), JSON.stringify(validate.errors)).toBe(true);
			expect(problemsOf(text)).toEqual([]);
		}
	});

	it('refuses what the reader refuses', () => {
		expect(validate(withPreset((p) => (p.amount = 'x')))).toBe(false);
		expect(validate(withPreset((p) => (p.layers[0].pattern.kind = 'wobble')))).toBe(false);
		expect(validate({ ...small, version: 2 })).toBe(false);
	});
});

describe('new ids', () => {
	it('come from names, free ones', () => {
		expect(freeId('Cask thud', [])).toBe('cask-thud');
		expect(freeId('Cask thud', ['cask-thud', 'cask-thud-2'])).toBe('cask-thud-3');
		expect(freeId('Éa — !', [])).toBe('ea');
		expect(freeId('灯', [])).toBe('preset');
		expect(freeId('x'.repeat(200), []).length).toBeLessThanOrEqual(64);
	});

	it('a new preset is sound', () => {
		expect(openPreset(JSON.parse(JSON.stringify(newPreset('a', 'A')))).ok).toBe(true);
	});
});
