import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { DEMO_KIT } from '../scripts/lib/paths';
import { answers, address, field, keeping, makeProject, openBench, thud, type, withoutPicture } from './journey';
import { retire } from './documents';

const wholeKit = async (page: Page, name: string): Promise<{ text: string; kit: { name: string } }> => {
	const [download] = await Promise.all([
		page.waitForEvent('download'),
		page.getByRole('link', { name: `Send out ${name}`, exact: true }).click()
	]);
	const text = readFileSync(await download.path(), 'utf8');
	return { text, kit: JSON.parse(text) };
};

test('from the first page to a game of one’s own: an event, a cue, a preset; sent out, made again, the same', async ({
	page
}) => {
	await withoutPicture(page);
	await page.goto(address());
	await expect(page).toHaveURL(/\/lamp-at-morrowskerry\/bench\//);
	await page.getByRole('link', { name: 'begin a project of your own' }).click();
	await expect(page.getByRole('heading', { name: 'Projects' })).toBeVisible();
	await page.keyboard.type('Маяк «Öland»');
	await page.keyboard.press('Enter');
	await page.getByRole('button', { name: 'Make the first preset' }).click();
	await expect(page).toHaveURL(new RegExp(`/${encodeURIComponent('маяк-oland')}/bench/new-shake`, 'i'));
	await type(page, 'amount, ×', '1.25');

	await page.keyboard.press('g');
	await page.keyboard.press('c');
	await page.getByRole('button', { name: 'The first event' }).click();
	await page.keyboard.type('Bell');
	await page.keyboard.press('Enter');
	await page.getByRole('radio', { name: /cues$/ }).click();
	await page.getByRole('button', { name: 'New cue' }).click();
	await expect(page.getByRole('list', { name: 'Cues' }).getByText('New shake')).toBeVisible();
	await expect(keeping(page)).toHaveText(/^kept/);

	await page.getByRole('link', { name: 'Маяк «Öland»' }).click();
	const card = page.getByRole('listitem').filter({ hasText: 'Маяк «Öland»' });
	await expect(card).toContainText('1 shake, 1 event, 1 cue');
	const sent = await wholeKit(page, 'Маяк «Öland»');
	const renamed = {
		name: 'again.kit.json',
		mimeType: 'application/json',
		buffer: Buffer.from(sent.text.replace('Маяк «Öland»', 'Again'))
	};
	await page.getByLabel('A kit file to make a project of').setInputFiles(renamed);
	await expect(page).toHaveURL(/\/again\/bench\/new-shake$/);
	await expect(field(page, 'amount, ×')).toHaveAttribute('aria-valuenow', '1.25');
	await page.goto(`${address()}/projects`);
	expect((await wholeKit(page, 'Again')).kit).toEqual({ ...sent.kit, name: 'Again' });
});

test('the demo goes out whole and comes in whole; a copy has everything; bad files and names make nothing', async ({
	page
}) => {
	await page.goto(`${address()}/projects`);
	const { kit } = await wholeKit(page, 'Lamp at Morrowskerry');
	const demo = JSON.parse(readFileSync(DEMO_KIT, 'utf8'));
	expect(Object.keys(kit).sort()).toEqual(Object.keys(demo).sort());
	await page.getByRole('button', { name: 'Copy Lamp at Morrowskerry', exact: true }).click();
	await expect(page.getByRole('link', { name: 'Lamp at Morrowskerry, copy', exact: true })).toBeVisible();
	expect((await wholeKit(page, 'Lamp at Morrowskerry, copy')).kit).toEqual({
		...kit,
		name: 'Lamp at Morrowskerry, copy'
	});

	const before = await page.getByRole('list', { name: 'All projects' }).getByRole('listitem').count();
	const choose = (text: string) =>
		page
			.getByLabel('A kit file to make a project of')
			.setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from(text) });
	await choose('{"format": "dinesis-kit", "version": 1, "name": "X", "presets": [{"id": "a"}');
	await expect(page.getByRole('alert')).toContainText('line 1');
	await choose('{"format": "dinesis-kit", "version": 1, "name": "X", "presets": [{"id": "A b", "name": "A"}]}');
	await expect(page.getByRole('alert')).toContainText('presets[0].id');
	await choose('{"format": "dinesis-kit", "version": 1, "name": "a\\u0000b"}');
	await expect(page.getByRole('alert')).toContainText('U+0000');
	await page.getByRole('textbox', { name: 'Begin a project' }).fill('   ');
	await page.getByRole('button', { name: 'Begin it empty' }).click();
	await expect(page.getByRole('alert')).toContainText('name');
	await page.reload();
	await expect(page.getByRole('list', { name: 'All projects' }).getByRole('listitem')).toHaveCount(before);
});

test('renamed, retired and brought back; a retired one says where it is', async ({ page, request }) => {
	const bench = await makeProject(request, [thud()]);
	const slug = new URL(bench).pathname.split('/')[1]!;
	await page.goto(`${address()}/projects`);
	const card = page.getByRole('listitem').filter({ has: page.locator(`a[href="/${slug}"]`) });
	await card.getByRole('button', { name: /^Rename / }).click();
	await page.keyboard.type('Harbour wall');
	await page.keyboard.press('Enter');
	await expect(card.getByRole('heading')).toHaveText('Harbour wall');
	await card.getByRole('button', { name: 'Retire Harbour wall' }).click();
	await expect(card).toHaveCount(0);
	expect((await page.goto(bench))!.status()).toBe(410);
	await expect(page.getByText('“Harbour wall” is retired')).toBeVisible();
	await page.getByRole('link', { name: 'All projects' }).click();
	await page.getByRole('button', { name: 'Show those that were retired' }).click();
	await page
		.getByRole('listitem')
		.filter({ hasText: 'Harbour wall' })
		.getByRole('button', { name: 'Bring back' })
		.click();
	await expect(card).toBeVisible();
	await openBench(page, bench);
	await expect(page.getByRole('link', { name: 'Harbour wall' })).toBeVisible();
});

test('from one project to another in the same tab: only its own documents, only its own motion', async ({
	page,
	request
}) => {
	const one = await makeProject(request, [thud({ id: 'only-here', name: 'Only here' })]);
	const two = await makeProject(request, [thud({ id: 'other', name: 'Other' })]);
	await openBench(page, one);
	await page.keyboard.press('1');
	await expect(page.locator('.cap.live')).toHaveCount(1);
	const slug = new URL(two).pathname.split('/')[1]!;
	await page.getByRole('link', { name: 'Trial' }).click();
	await page.locator(`h2 a[href="/${slug}"]`).click();
	await expect(page.getByRole('heading', { name: 'Other' })).toBeVisible();
	await expect(page.locator('.cap.live')).toHaveCount(0);
	await page.getByRole('button', { name: 'Choose a preset' }).click();
	await expect(page.getByRole('listbox', { name: 'Find by name or tag' }).getByRole('option')).toHaveCount(1);
	await page.keyboard.press('Escape');
	await type(page, 'amount, ×', '2');
	await expect(keeping(page)).toHaveText(/^kept/);
	await page.goto(one);
	await expect(field(page, 'amount, ×')).toHaveAttribute('aria-valuenow', '1');
});

test('later visits open where one was, and each room what was open there', async ({ page, request }) => {
	const presets = ['a', 'b', 'c'].map((id) => thud({ id, name: `Preset ${id}` }));
	const bench = await makeProject(request, presets);
	await openBench(page, bench.replace(/a$/, 'b'));
	await page.getByRole('link', { name: 'Library' }).click();
	await expect(page.getByRole('heading', { name: 'Library' })).toBeVisible();
	await page.getByRole('link', { name: 'Bench' }).click();
	await expect(page.getByRole('heading', { name: 'Preset b' })).toBeVisible();
	await page.keyboard.press('g');
	await page.keyboard.press('l');
	await expect(page).toHaveURL(/library$/);
	await page.keyboard.press('g');
	await page.keyboard.press('b');
	await expect(page.getByRole('heading', { name: 'Preset b' })).toBeVisible();
	await page.goto(address());
	await expect(page).toHaveURL(bench.replace(/a$/, 'b'));
	// Retired meanwhile, elsewhere: the room opens all the same.
	await retire(request, bench, 'shake', 'b');
	await page.goto(address());
	await expect(page).toHaveURL(bench);
});

test('pickers have the focus, Enter takes the match, and no key gets through to the room', async ({
	page,
	request
}) => {
	await openBench(page, await makeProject(request, [thud(), thud({ id: 'slip', name: 'Slip on the ladder' })]));
	await page.getByRole('button', { name: 'Choose a preset' }).click();
	await page.keyboard.type('slip');
	await expect(page.locator('.cap.live')).toHaveCount(0);
	await page.keyboard.press('Enter');
	await expect(page.getByRole('heading', { name: 'Slip on the ladder' })).toBeVisible();
	await page.getByRole('button', { name: 'Choose a preset' }).click();
	await page.keyboard.press('ArrowUp');
	await page.keyboard.press('Enter');
	await expect(page.getByRole('heading', { name: 'Thud' })).toBeVisible();
	await page.getByRole('button', { name: 'Versions' }).click();
	await page.keyboard.press('1');
	await page.keyboard.press('r');
	await page.keyboard.press('Escape');
	await expect(page.locator('.cap.live')).toHaveCount(0);
});

test('the palette runs what was typed and finds every kind of document', async ({ page }) => {
	await withoutPicture(page);
	await page.goto(`${address()}/lamp-at-morrowskerry/bench/wave-on-tower`);
	await answers(page);
	const palette = page.getByRole('dialog', { name: 'Command palette' });
	const find = async (typed: string) => {
		await expect(palette).toBeHidden();
		await page.keyboard.press('ControlOrMeta+k');
		await page.keyboard.type(typed);
	};
	for (const [typed, about] of [
		['behind the skiff', 'rig, chase'],
		['first watch', 'course'],
		['cask set down play', 'cue'],
		['at the oars', 'head bob'],
		['tide', 'camera lag'],
		['cold', 'game value']
	] as const) {
		await find(typed);
		await expect(page.getByRole('option').filter({ hasText: about }).first()).toBeVisible();
		await page.keyboard.press('Escape');
	}
	await find('zzzz');
	await page.keyboard.press('Enter');
	await expect(page.getByText('Nothing here is called so.')).toBeVisible();
	await page.keyboard.press('Escape');
	await find('cask set down play');
	await page.keyboard.press('Enter');
	await expect(page).toHaveURL(/\/cues\/[a-z-]+$/);
	await find('new bob');
	await page.keyboard.press('Enter');
	await expect(page.getByRole('textbox', { name: 'Name it' })).toHaveValue('New bob');
	await page.keyboard.type('Waddle');
	await page.keyboard.press('Enter');
	await expect(page.getByRole('heading', { name: 'Waddle' })).toBeVisible();
});

test('a kit comes in whole, or what one chooses with what it needs, and is one step back', async ({
	page,
	request
}) => {
	await openBench(page, await makeProject(request, [thud()]));
	await page.getByRole('link', { name: 'Library' }).click();
	const bring = async (): Promise<void> => {
		await page.getByRole('button', { name: 'Bring in' }).click();
		await page.locator('dialog input[type=file]').setInputFiles(DEMO_KIT);
		await expect(page.getByTestId('counted')).toBeVisible();
	};
	await bring();
	const tree = page.getByRole('tree', { name: 'What is in the kit' });
	await tree.focus();
	// Shakes are left out as a group, with the keys alone: then cues want some of them.
	await expect(tree.getByRole('treeitem', { name: 'Shakes' })).toHaveAttribute('aria-checked', 'true');
	await page.keyboard.press('Home');
	await page.keyboard.press(' ');
	await expect(tree.getByRole('treeitem', { name: 'Shakes' })).toHaveAttribute('aria-checked', 'false');
	await expect(page.getByTestId('wanted')).toContainText('which would not come along');
	await page.getByRole('button', { name: 'Take them along' }).click();
	await expect(tree.getByRole('treeitem', { name: 'Shakes' })).toHaveAttribute('aria-checked', 'mixed');
	await page.keyboard.press('Escape');
	await bring();
	await page.getByRole('button', { name: 'Bring in', exact: true }).last().click();
	await expect(page.getByText(/brought in/)).toBeVisible();
	await page.getByRole('link', { name: 'Cues' }).click();
	await expect(page.getByRole('list', { name: 'Cues' }).getByRole('listitem').first()).toBeVisible();
	await page.getByRole('link', { name: 'Library' }).click();
	await page.keyboard.press('ControlOrMeta+z');
	await expect(page.getByRole('banner')).toContainText('· 1 preset');
	await page.getByRole('link', { name: 'Rig', exact: true }).click();
	await page.getByRole('button', { name: 'Choose a rig, a head bob or a lag' }).click();
	await expect(page.getByRole('listbox', { name: 'Find a rig, a head bob or a lag' }).getByRole('option')).toHaveCount(
		0
	);
});
