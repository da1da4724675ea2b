import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import type { ShakePreset } from 'dinesis-runtime';
import { KIT_FORMAT } from 'dinesis-runtime/tools';
import { readKit, writeKit, type Kit } from '../src/lib/documents';
import { answers, address, keeping, makeProject, thud, withoutPicture } from './journey';
import { addDocuments } from './documents';

const rows = (page: Page) => page.getByRole('row').filter({ has: page.getByRole('cell') });
const names = (page: Page) => rows(page).locator('.open');

async function openLibrary(page: Page, project: string): Promise<void> {
	await withoutPicture(page);
	await page.goto(`${project}/library`);
	await expect(page.getByRole('heading', { name: 'Library' })).toBeVisible();
	await answers(page);
}
const demo = (): string => `${address()}/lamp-at-morrowskerry`;
const projectOf = (bench: string): string => bench.replace(/\/bench\/.*/, '');
const kitOf = (presets: readonly ShakePreset[]): Kit => ({
	format: KIT_FORMAT,
	version: 1,
	name: 'Other',
	events: [],
	parameters: [],
	cues: [],
	rigs: [],
	courses: [],
	world: { events: [], values: [] },
	presets
});

test('the list: figures, sorting, search that forgives, tags; arrows audition, Enter opens the Bench', async ({
	page
}) => {
	await openLibrary(page, demo());
	await expect(page.getByText('37 presets')).toBeVisible();
	await expect(rows(page).first().locator('.size')).toHaveText(/3\.0\s*–4\.5 %/);
	await expect(rows(page).first().locator('svg path')).toHaveCount(2);
	await expect(page.getByText('to go')).toHaveCount(0);
	await page.getByRole('button', { name: 'size' }).click();
	await expect(names(page).first()).toHaveText('Skiff runs aground');
	await page.getByRole('button', { name: 'size' }).click();
	await expect(names(page).first()).toHaveText('Yard: engine idling');
	await page.getByRole('searchbox').fill('thundr');
	// What means the same is among them; the list stays sorted by size.
	await expect(names(page)).toHaveText(['Far thunder', 'The storm comes up', 'Thunder overhead']);
	await page.getByRole('searchbox').fill('');
	await page.getByRole('button', { name: 'Tags', exact: true }).click();
	await page.getByRole('button', { name: /^hum/ }).first().click();
	await page.keyboard.press('Escape');
	await expect(rows(page)).toHaveCount(3);
	await page.getByRole('table').focus();
	for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowUp');
	await page.keyboard.press('ArrowDown');
	const second = await names(page).nth(1).textContent();
	await expect(page.locator('.glass .caption').first()).toHaveText(second!);
	await page.keyboard.press('Enter');
	await expect(page).toHaveURL(/\/bench\//);
	await expect(page.getByRole('heading', { name: second! })).toBeVisible();
});

test('several are chosen, tagged, copied and retired; undo and the list of the retired bring them back', async ({
	page,
	request
}) => {
	const project = projectOf(
		await makeProject(request, [thud(), thud({ id: 'b', name: 'Bang' }), thud({ id: 'c', name: 'Clang' })])
	);
	await openLibrary(page, project);
	await page.getByLabel('Choose Thud').click();
	await page.getByLabel('Choose Bang').click({ modifiers: ['Shift'] });
	await expect(page.getByText('2 chosen')).toBeVisible();
	await page.getByLabel('Tag for the chosen').fill('deck');
	await page.getByRole('button', { name: 'Tag them' }).click();
	await expect(rows(page).filter({ hasText: 'deck' })).toHaveCount(2);
	await page.getByRole('button', { name: 'Copy' }).click();
	await expect(names(page)).toHaveText(['Thud', 'Bang', 'Clang', 'Thud, copy', 'Bang, copy']);
	await rows(page).nth(3).hover();
	await expect(page.getByText('copied from Thud')).toBeVisible();
	await page.getByRole('button', { name: 'Retire', exact: true }).click();
	await expect(rows(page)).toHaveCount(3);
	await page.getByRole('table').focus();
	await page.keyboard.press('ControlOrMeta+z');
	await expect(rows(page)).toHaveCount(5);
	await page.getByLabel('Choose Clang').click();
	await page.getByRole('button', { name: 'Retire', exact: true }).click();
	await expect(rows(page)).toHaveCount(4);
	await page.reload();
	await expect(rows(page)).toHaveCount(4);
	await page.getByRole('button', { name: 'Retired' }).click();
	await page.getByRole('listitem').filter({ hasText: 'Clang' }).getByRole('button', { name: 'Bring back' }).click();
	await page.keyboard.press('Escape');
	await expect(names(page)).toHaveText(['Thud', 'Bang', 'Clang', 'Thud, copy', 'Bang, copy']);
	await rows(page).nth(2).hover();
	await page.getByRole('table').focus();
	await page.keyboard.press('F2');
	await page.getByLabel('New name').fill('<b>Clank</b>');
	await page.keyboard.press('Enter');
	await expect(names(page).nth(2)).toHaveText('<b>Clank</b>');
});

test('a kit is brought in with a choice for each conflict; what is wrong is said and changes nothing', async ({
	page,
	request
}) => {
	const project = projectOf(
		await makeProject(request, [thud(), thud({ id: 'b', name: 'Bang' }), thud({ id: 'c', name: 'Clang' })])
	);
	await openLibrary(page, project);
	await page.getByRole('button', { name: 'Bring in' }).click();
	const give = (name: string, text: string) =>
		page.locator('input[type=file]').setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) });
	const bad = JSON.parse(writeKit(kitOf([thud({ id: 'x' })])));
	bad.presets[0].timing.fadeIn.time = 'long';
	await give('bad.json', JSON.stringify(bad));
	const alert = page.getByRole('dialog').getByRole('alert');
	await expect(alert).toContainText('presets[0].timing.fadeIn.time');
	await expect(alert).toContainText('Nothing was brought in');
	const brought = [
		thud(),
		thud({ id: 'b', name: 'Bang', amount: 3 }),
		thud({ id: 'c', name: 'Clang, louder', amount: 4 }),
		thud({ id: 'n', name: 'New one' })
	];
	await give('other.kit.json', writeKit(kitOf(brought)));
	await expect(page.getByTestId('counted')).toHaveText('4 in it: 1 new, 1 changed, 1 clashing, 1 here already.');
	const tree = page.getByRole('tree', { name: 'What is in the kit' });
	await tree.getByRole('treeitem', { name: 'Bang' }).click();
	await expect(page.getByRole('row', { name: 'amount 1 3' })).toBeVisible();
	const what = page.getByRole('radiogroup', { name: 'What to do with Bang' });
	await expect(what.getByRole('radio', { name: 'replace' })).toBeChecked();
	await page.getByRole('button', { name: 'Bring in', exact: true }).last().click();
	await expect(page.getByText('2 brought in, 1 replaced, 1 were here already')).toBeVisible();
	await expect(names(page)).toHaveText(['Thud', 'Bang', 'Clang', 'Clang, louder', 'New one']);
	await page.getByRole('button', { name: 'Bang' }).first().click();
	await expect(page.getByRole('spinbutton', { name: 'amount, ×' })).toHaveAttribute('aria-valuenow', '3');
	await expect(keeping(page)).toHaveText(/^kept/);
	await page.getByRole('link', { name: 'Library' }).click();
	const [download] = await Promise.all([
		page.waitForEvent('download'),
		page.getByRole('button', { name: 'Send out all' }).click()
	]);
	const read = readKit(readFileSync(await download.path(), 'utf8'));
	expect(read.ok && read.value.presets.map((p) => [p.id, (p as ShakePreset).amount])).toEqual([
		['thud', 1],
		['b', 3],
		['c', 1],
		['c-2', 4],
		['n', 1]
	]);
});

test('a large project: pages come one after the other, rows only where one looks', async ({ page, request }) => {
	const project = projectOf(await makeProject(request, [thud()]));
	const documents = Array.from({ length: 2300 }, (_, i) => thud({ id: `p-${i}`, name: `Thud ${i}` }));
	await addDocuments(request, project, 'shake', documents);
	await openLibrary(page, project);
	await expect(page.getByText('2301 presets')).toBeVisible();
	await expect(page.getByText('still coming')).toHaveCount(0);
	expect(await rows(page).count()).toBeLessThan(60);
	await page.getByRole('searchbox').fill('thud 2299');
	await expect(names(page).first()).toHaveText('Thud 2299');
	await page.getByRole('searchbox').fill('');
	await page.getByRole('button', { name: 'name' }).click();
	await page.getByRole('button', { name: 'name' }).click();
	await expect(names(page).first()).toHaveText('Thud 2299');
	await page.goto(`${project}/bench/p-2100`);
	await expect(page.getByRole('heading', { name: 'Thud 2100' })).toBeVisible();
});
