import { readFileSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { join } from 'node:path';
import { expect, test, type Page } from '@playwright/test';
import { build } from 'vite';
import { casesOf, type Vector } from 'dinesis-runtime/vectors';
import { courseCasesOf } from '../src/lib/course/vectors/cases';
import { bakeCourse, CourseRun } from '../src/lib/course';
import { createPlayer } from 'dinesis-runtime';
import { isShake } from 'dinesis-runtime/tools';
import { readKit, type Kit } from '../src/lib/documents';
import { ROOT } from '../scripts/lib/paths';

const kit = (readKit(readFileSync(join(ROOT, 'demo/lamp-at-morrowskerry.kit.json'), 'utf8')) as { value: Kit }).value;

/** Fires every preset of the kit in turn and gives all frames' bits. */
function bake(create: typeof createPlayer, presets: Kit['presets'], ids: readonly string[]): number[] {
	const player = create(presets, { seed: 77 });
	const frames: number[] = [];
	for (let i = 0; i < 1200; i++) {
		if (i % 40 === 0) player.fire(ids[(i / 40) % ids.length]!, { strength: 0.5 + (i % 7) / 10 });
		if (i === 900) player.stopAll();
		frames.push(...new Uint32Array(Float64Array.from(player.advanceTo(i / 60)).buffer));
	}
	return frames;
}

/** Where each course's cameras are, twice a second. */
function look(Run: typeof CourseRun, whole: Kit): string {
	const all: number[] = [];
	for (const course of whole.courses) {
		const run = new Run(whole, course);
		for (let t = 0; t <= course.seconds; t += 0.5) {
			run.advanceTo(t);
			for (const { rig } of run.bodies) all.push(...rig.camera, ...rig.offset, rig.fov);
		}
	}
	return all.join();
}

/** Bundles a file and puts what it exports on an empty page, as `window[name]`. */
async function bring(page: Page, entry: string, name: string): Promise<void> {
	const built = (await build({
		configFile: false,
		logLevel: 'silent',
		build: { write: false, minify: false, lib: { entry: join(ROOT, entry), formats: ['iife'], name } }
	})) as { output: { code: string }[] }[];
	await page.goto('about:blank');
	await page.addScriptTag({ content: `${built[0]!.output[0]!.code}; window.${name} = ${name};` });
}

test('Node and Chromium give the same bits', async ({ page }) => {
	await bring(page, 'runtime/src/index.ts', 'runtime');
	const ids = kit.presets.filter(isShake).map((p) => p.id);
	const there = await page.evaluate(
		([source, presets, names]) =>
			new Function(`return (${source})`)()((window as any).runtime.createPlayer, presets, names),
		[bake.toString(), kit.presets, ids] as const
	);
	const digest = (frames: number[]): string => createHash('sha256').update(Uint32Array.from(frames)).digest('hex');
	expect(there).toHaveLength(1200 * 14);
	expect(digest(there)).toBe(digest(bake(createPlayer, kit.presets, ids)));
	// And a whole course through all cues.
	await bring(page, 'src/lib/course/index.ts', 'course');
	const baked = await page.evaluate(
		(whole) => (window as any).course.bakeCourse(whole, whole.courses[0], { fps: 20 }).values.join() as string,
		kit
	);
	expect(baked.split(',')).toHaveLength(1201 * 7);
	expect(baked === bakeCourse(kit, kit.courses[0]!, { fps: 20 })!.values.join()).toBe(true);
	// And what the cameras of all courses see: lag, limits, lean, blends, flat and chase.
	const seen = await page.evaluate(
		([source, whole]) => new Function(`return (${source})`)()((window as any).course.CourseRun, whole) as string,
		[look.toString(), kit] as const
	);
	expect(seen.split(',').length).toBeGreaterThan(4000);
	expect(seen === look(CourseRun, kit)).toBe(true);
});

test('the golden vectors hold in Chromium', async ({ page }) => {
	const differ: string[] = [];
	let count = 0;
	const compare = async (folder: string, files: readonly string[], playing: string): Promise<void> => {
		for (const name of files) {
			const list = JSON.parse(readFileSync(join(ROOT, folder, `${name}.json`), 'utf8')) as Vector[];
			const hashes = await page.evaluate(
				([vectors, demo, play]) => vectors.map((vector) => (window as any).vectors[play](vector, demo).hash as string),
				[list, kit, playing] as const
			);
			hashes.forEach((hash, i) => hash !== list[i]!.hash && differ.push(list[i]!.name));
			count += hashes.length;
		}
	};
	await bring(page, 'runtime/vectors/play.ts', 'vectors');
	await compare('runtime/vectors', Object.keys(casesOf(kit)), 'playVector');
	await bring(page, 'src/lib/course/vectors/cases.ts', 'vectors');
	await compare('src/lib/course/vectors', Object.keys(courseCasesOf(kit)), 'playCourseVector');
	expect(count).toBeGreaterThan(150);
	expect(differ).toEqual([]);
});
