import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { FIGURE_NAMES } from '../src/lib/review';
import { MOTION_CHECKS } from '../src/lib/review/findings';
import { ROOT } from './lib/paths';

let folder = '';
beforeAll(() => (folder = mkdtempSync(join(tmpdir(), 'dinesis-review-'))));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const run = (...args: string[]) =>
	spawnSync(process.execPath, ['--import', 'tsx', join(ROOT, 'scripts/review.ts'), ...args], {
		cwd: ROOT,
		encoding: 'utf8'
	});
const kit = (name: string, amount: number): string => {
	const path = join(folder, name);
	const presets = [
		{
			id: 'thud',
			family: 'shake',
			name: 'Thud',
			amount,
			timing: { mode: 'burst', duration: 0.6, fadeOut: { time: 0.5, ease: 'cubic-out' } },
			layers: [{ id: 'rattle', pattern: { kind: 'noise' }, channels: { pitch: { amplitude: 1, frequency: 6 } } }]
		}
	];
	writeFileSync(path, JSON.stringify({ format: 'dinesis-kit', version: 1, name: 'K', presets }));
	return path;
};
interface Reviewed {
	readonly reviewed: readonly {
		readonly figures: Readonly<
			Record<string, { readonly median: number; readonly worst: number; readonly mildest: number }>
		>;
		readonly apart?: Readonly<Record<string, { readonly more: number; readonly chance: number; readonly by: number }>>;
		readonly passed: readonly { readonly figure: string; readonly share: number }[];
	}[];
}

it('tells each figure over the plays; twice the motion is twice as far, and apart beyond chance', () => {
	const [one, two] = [kit('one.json', 1), kit('two.json', 2)];
	const alone = run(one, '--seeds', '40', '--json');
	expect(alone.status).toBe(0);
	const [thud] = (JSON.parse(alone.stdout) as Reviewed).reviewed;
	expect(Object.keys(thud!.figures)).toEqual(FIGURE_NAMES);
	const { mildest, median, worst } = thud!.figures.turning!;
	expect(mildest < median && median < worst).toBe(true);
	const [held] = (JSON.parse(run(two, '--seeds', '40', '--against', one, '--json').stdout) as Reviewed).reviewed;
	// A turn is linear in its amount.
	expect(held!.figures.turning!.median).toBeCloseTo(2 * median, 6);
	expect(held!.apart!.turning!.by).toBeCloseTo(median, 6);
	expect(held!.apart!.turning!.chance).toBeLessThan(0.001);
	expect(held!.apart!.roll!.chance).toBeGreaterThan(0.99);
});

it('fails what passes a limit, and says how often', () => {
	const one = kit('one.json', 1);
	const passes = run(one, '--seeds', '20', '--limit', 'turning=0.001');
	expect(passes.status).toBe(1);
	expect(passes.stdout).toContain('LIMIT: turning above 0.001 °/s in 100 % of plays');
	expect(run(one, '--seeds', '20', '--limit', 'turning=10000').status).toBe(0);
	const wrong = run(one, '--limit', 'loudness=1');
	expect([wrong.status, wrong.stderr]).toEqual([2, expect.stringContaining('--limit names "loudness"')]);
});

it('docs/review.md tells every figure and every check there is, and no other', () => {
	const text = readFileSync(join(ROOT, 'docs/review.md'), 'utf8');
	const [figures = '', rest = ''] = text.split('## Frequencies');
	expect([...figures.matchAll(/^\| `(\w+)` \|/gm)].map((m) => m[1])).toEqual(FIGURE_NAMES);
	const [, checks = ''] = rest.split('## What is found');
	const told = [...checks.matchAll(/^\| (`[^|]+`) \|/gm)].flatMap((m) =>
		[...m[1]!.matchAll(/`([\w-]+)`/g)].map((n) => n[1]!)
	);
	expect(told.sort()).toEqual([...new Set(MOTION_CHECKS.map(({ check }) => check))].sort());
});
