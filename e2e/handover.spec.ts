import AxeBuilder from '@axe-core/playwright';
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { address, answers, makeProject, thud, withoutPicture } from './journey';
import { listing } from '../scripts/lib/listings';
import { ROOT } from '../scripts/lib/paths';
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

	// A sheet for the team, which prints to one file.
	await page.getByRole('radio', { name: 'Markdown' }).check();
	await expect(page.getByLabel(/^What stands in .*\.md$/)).toContainText('### Thud (`thud`)');
	await page.getByRole('radio', { name: 'HTML' }).check();
	const html = page.getByLabel(/^What stands in .*\.html$/);
	await expect(html).toContainText('<h3>Thud <code>thud</code></h3>');
	const sheet = await page.context().newPage();
	await sheet.setContent((await html.textContent())!);
	expect((await sheet.pdf()).toString('latin1', 0, 5)).toBe('%PDF-');
	await sheet.close();

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

test('the empty page of docs/handover.md: a cube that shakes as the tool would shake it', async ({ page }) => {
	const dinesis = (name: string, ...args: string[]): string =>
		execFileSync(process.execPath, ['--import', 'tsx', `scripts/${name}.ts`, ...args], { cwd: ROOT, encoding: 'utf8' });
	const kit = 'demo/lamp-at-morrowskerry.kit.json';
	dinesis('pack');
	const files: Record<string, [type: string, body: string]> = {
		'/': ['text/html', listing('docs/handover.md', 'index.html')],
		'/page.js': ['text/javascript', listing('docs/handover.md', 'page.js')],
		'/motion.js': ['text/javascript', dinesis('export', kit, '--as', 'calls-js', '--rig', 'keepers-eyes')],
		'/motion.kit.json': ['application/json', dinesis('export', kit, '--as', 'kit')],
		'/dinesis-runtime.js': ['text/javascript', readFileSync(join(ROOT, 'packed/runtime/dist/single.js'), 'utf8')]
	};
	await page.route('http://game.invalid/**', (route) => {
		const file = files[new URL(route.request().url()).pathname];
		return file ? route.fulfill({ contentType: file[0], body: file[1] }) : route.fulfill({ status: 404 });
	});
	const errors: string[] = [];
	page.on('pageerror', (error) => errors.push(error.message));
	await page.goto('http://game.invalid/');
	await page.waitForFunction(() => 'seen' in globalThis);
	const farthest = (): Promise<number> =>
		page.evaluate(() =>
			Math.max(...[...(globalThis as unknown as { seen: { offset: number[] } }).seen.offset].slice(3, 6).map(Math.abs))
		);
	const still = await farthest();
	await page.mouse.click(300, 300);
	await expect.poll(farthest).toBeGreaterThan(still + 0.2);
	expect(errors).toEqual([]);
	// The cube is on the picture, about where five metres are.
	const box = await page.locator('#cube i').first().boundingBox();
	expect(box!.width).toBeGreaterThan(40);
});

test('a kit that a game has is held against the project: a field, a document, both played', async ({
	page,
	request
}) => {
	const bench = await makeProject(request, [thud(), newPreset('alone', 'Alone')]);
	const project = bench.replace(/\/bench\/.*/, '');
	const kitAt = `${address()}/api/projects/${new URL(project, address()).pathname.slice(1)}/kit`;
	const kit = (await (await request.get(kitAt)).json()) as {
		presets: { id: string; name: string; timing: { duration: number; delay: number } }[];
	};
	const [first, second] = kit.presets;
	Object.assign(first!.timing, { duration: 3.25, delay: 0.5 });
	const sent = { ...kit, presets: [first, { ...second, id: 'fresh', name: 'Fresh' }] };
	await withoutPicture(page);
	await page.goto(`${project}/handover`);
	await answers(page);
	await page.getByRole('radio', { name: 'Difference' }).click();
	const put = (text: string) =>
		page.getByLabel('A kit to hold against the project').setInputFiles({
			name: 'sent.kit.json',
			mimeType: 'application/json',
			buffer: Buffer.from(text)
		});
	await put('{"format":"dinesis-kit","version":1,"name":"x","presets":[{"id":"a"}]}');
	await expect(page.getByRole('alert')).toContainText('Nothing was changed.');
	await put(JSON.stringify(sent));
	await expect(page.getByText('1 changed, 1 only there, 1 only here.')).toBeVisible();
	expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);

	// One field: the other stays apart.
	await expect(page.getByRole('row', { name: /^length 3\.25 s/ })).toBeVisible();
	await page.getByRole('button', { name: 'Take length over' }).click();
	await expect(page.getByRole('row', { name: /^length/ })).toHaveCount(0);
	await expect(page.getByRole('row', { name: /^delay 0\.5 s/ })).toBeVisible();

	// What is only there comes in; undo takes it back.
	await page.getByRole('button', { name: /^Fresh/ }).click();
	await page.getByRole('button', { name: 'Bring it in' }).click();
	await expect(page.getByText('1 changed, 1 only here.')).toBeVisible();
	await page.getByRole('button', { name: 'Undo' }).first().click();
	await expect(page.getByText('1 changed, 1 only there, 1 only here.')).toBeVisible();

	// Both are played on the Bench, what is there as B.
	await page.getByRole('button', { name: new RegExp(`^${first!.name}`) }).click();
	await page.getByRole('button', { name: 'Play both' }).click();
	await expect(page).toHaveURL(new RegExp(`/bench/${first!.id}$`));
	await expect(page.getByRole('radio', { name: 'A | B' })).toBeChecked();
	// What is held is what was sent: taken, the delay is here too.
	await page.getByRole('button', { name: 'A and B', exact: true }).click();
	await page.getByRole('option', { name: /^Take B into A/ }).click();
	await expect
		.poll(async () => {
			const now = (await (await request.get(kitAt)).json()) as typeof kit;
			return now.presets.find(({ id }) => id === first!.id)!.timing;
		})
		.toMatchObject({ duration: 3.25, delay: 0.5 });

	// The project as it was, likewise.
	await page.goto(`${project}/handover`);
	await answers(page);
	await page.getByRole('radio', { name: 'Difference' }).click();
	await page.getByRole('button', { name: 'The project as it was' }).click();
	await page.getByRole('listbox', { name: 'A moment of the project' }).getByRole('option').nth(1).click();
	// Undo and what came behind it may have been kept as one change.
	await expect(page.getByText(/^1 changed(, 1 only there)?\.$/)).toBeVisible();
});
