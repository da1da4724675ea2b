import AxeBuilder from '@axe-core/playwright';
import { readFile } from 'node:fs/promises';
import { expect, test } from '@playwright/test';
import { address, makeProject, thud, withoutPicture } from './journey';
import { readKit } from '../src/lib/documents';
import { addDocuments, wire } from './documents';
import { newCue, newPreset, NO_LINKS } from 'dinesis-runtime/tools';

const hit = {
	id: 'hit',
	name: 'Hit',
	kind: 'moment',
	placed: true,
	tags: [],
	values: [{ id: 'force', unit: 'm/s', min: 0, max: 9 }]
};

test('from a project to what a game takes: a part of the kit, calls, names, and what changed since', async ({
	page,
	request
}) => {
	const bench = await makeProject(request, [thud(), newPreset('alone', 'Alone')]);
	const project = bench.replace(/\/bench\/.*/, '');
	await wire(request, bench, {
		events: [hit],
		parameters: [],
		cues: [newCue('c', 'hit', 'thud')],
		rigs: [],
		world: NO_LINKS
	});
	await withoutPicture(page);
	await page.goto(`${project}/handover`);
	await expect(page.getByText('2 presets, 1 event, 1 cue')).toBeVisible();
	// What the game must send stands there, with how often it came.
	await expect(page.getByRole('row', { name: /hit force in m\/s, a place 0×/ })).toBeVisible();

	// A part: the cue draws in its event and its preset; the other preset stays.
	await page.getByRole('radio', { name: 'what is chosen' }).click();
	await page.getByRole('textbox', { name: 'Find by name, id or tag' }).fill('c');
	await page.getByRole('checkbox', { name: 'c', exact: true }).check();
	await expect(page.getByText('1 preset, 1 event, 1 cue; 2 of them drawn in by the others')).toBeVisible();
	const saved = page.waitForEvent('download');
	await page.getByRole('button', { name: 'Save' }).click();
	const read = readKit(await readFile(await (await saved).path(), 'utf8'));
	if (!read.ok) throw new Error('The kit cannot be read.');
	expect(read.value.presets.map(({ id }) => id)).toEqual(['thud']);
	await expect(page.getByText(/nothing changed since/)).toBeVisible();

	// What the game writes.
	await page.getByRole('group', { name: 'What the game writes' }).getByRole('radio', { name: 'TypeScript' }).check();
	await expect(page.getByLabel('What stands in motion.ts')).toContainText(
		"export const hit = (force: number, place: readonly [number, number, number]) => runtime.raise('hit', { values: { force }, place });"
	);
	await page.getByRole('group', { name: 'Names' }).getByRole('radio', { name: 'C#' }).check();
	await expect(page.getByLabel('What stands in MotionNames.cs')).toContainText('public const string Hit = "hit";');

	// What changed since is told where it was made before.
	await addDocuments(request, bench, 'cue', [newCue('d', 'hit', 'thud')]);
	await page.getByRole('radio', { name: 'everything' }).click();
	await page.getByRole('radio', { name: 'kit', exact: true }).check();
	await expect(page.getByText('2 presets, 1 event, 2 cues')).toBeVisible();
	await page.getByRole('button', { name: 'Again' }).click();
	await expect(page.getByText('drawn in by the others')).toBeVisible();
});

test('motion as curves: few keys in another world, with what was done to it said', async ({ page }) => {
	await withoutPicture(page);
	await page.goto(`${address()}/lamp-at-morrowskerry/handover`);
	await page.getByRole('radio', { name: 'CSV' }).check();
	await page.getByRole('combobox', { name: 'Which shake' }).selectOption('hand-held-calm');
	await page.getByLabel('goes round without a seam').check();
	await expect(page.getByText(/go over from what follows its end, so that it goes round/)).toBeVisible();
	await page.getByLabel('as few keys as keep within').check();
	await expect(page.getByText(/\d+ keys in place of \d+/)).toBeVisible();
	await page.getByRole('combobox', { name: 'Up' }).selectOption('z');
	await expect(page.getByRole('img', { name: /A step ahead is −z here and x there/ })).toBeVisible();
	const saved = page.waitForEvent('download');
	await page.getByRole('button', { name: 'Save' }).click();
	expect((await readFile(await (await saved).path(), 'utf8')).split('\n')[0]).toBe('channel,time,value,slope');
	await page.getByRole('radio', { name: 'GLB' }).check();
	await expect(page.getByText('glTF has a world of its own')).toBeVisible();
	const glb = page.waitForEvent('download');
	await page.getByRole('button', { name: 'Save' }).click();
	expect((await readFile(await (await glb).path())).toString('latin1', 0, 4)).toBe('glTF');
	const { violations } = await new AxeBuilder({ page }).analyze();
	expect(
		violations
			.filter((v) => v.impact === 'serious' || v.impact === 'critical')
			.map((v) => `${v.id} ${v.nodes[0]!.html}`)
	).toEqual([]);
});
