import { expect, test, type Page } from '@playwright/test';
import type { GameEvent } from 'dinesis-runtime';
import { newCue, newLayer } from 'dinesis-runtime/tools';
import { addDocuments } from './documents';
import { address, field, keeping, makeProject, openBench, thud, type } from './journey';

const noiseAndKick = () => ({
	layers: [newLayer('a'), { ...newLayer('b'), name: 'Rattle', pattern: { kind: 'kick' as const, damping: 0.3 } }]
});
const page2 = (page: Page, name: 'Played' | 'Try' | 'Vary') => page.getByRole('button', { name, exact: true }).click();
const tabs = (page: Page) => page.getByRole('tablist', { name: 'Layers' }).getByRole('tab');

test('layers are copied, named, put in order by key and by hand, heard alone, and have numbers of their own', async ({
	page,
	request
}) => {
	await openBench(page, await makeProject(request, [thud(noiseAndKick())]));
	await tabs(page).nth(1).click();
	await page.getByRole('button', { name: 'Copy layer' }).click();
	await expect(tabs(page)).toHaveText(['Layer 1', 'Rattle', 'Rattle, copy']);
	await page.getByLabel('Name of the layer').fill('Ring');
	await page.getByLabel('Name of the layer').press('Enter');
	await type(page, 'Delay of the layer, s', '0.2');
	await tabs(page).nth(2).focus();
	await page.keyboard.press('Alt+ArrowLeft');
	await expect(tabs(page)).toHaveText(['Layer 1', 'Ring', 'Rattle']);
	const [from, to] = [(await tabs(page).nth(0).boundingBox())!, (await tabs(page).nth(2).boundingBox())!];
	await page.mouse.move(from.x + 20, from.y + 10);
	await page.mouse.down();
	await page.mouse.move(from.x + 40, from.y + 10, { steps: 4 });
	await page.mouse.move(to.x + to.width / 2, to.y + 12, { steps: 12 });
	await page.waitForTimeout(300);
	await page.mouse.up();
	await expect(tabs(page).nth(2)).toHaveText(/Layer/);
	await page.getByRole('button', { name: 'solo' }).click();
	await expect(tabs(page).filter({ hasText: 'alone' })).toHaveCount(1);
	await expect(keeping(page)).toHaveText(/^kept/);
	await page.reload();
	await tabs(page).filter({ hasText: 'Ring' }).click();
	await expect(field(page, 'Delay of the layer, s')).toHaveAttribute('aria-valuenow', '0.2');
	// Hearing one alone is of the moment.
	await expect(tabs(page).filter({ hasText: 'alone' })).toHaveCount(0);
});

test('eases from drawings and by hand; strength over life as a curve, on its page and on the strip', async ({
	page,
	request
}) => {
	await openBench(page, await makeProject(request, [thud()]));
	await page.getByRole('button', { name: 'Ease of the fade in: sine-out' }).click();
	await page.getByRole('radio', { name: 'expo-in', exact: true }).click();
	await expect(page.getByRole('radio', { name: /^back/ })).toHaveCount(0);
	await page.getByRole('button', { name: /^Handle 1/ }).focus();
	await page.keyboard.press('ArrowRight');
	await expect(page.getByRole('button', { name: 'Ease of the fade in: by hand' })).toBeVisible();
	await page.keyboard.press('Escape');
	await page2(page, 'Played');
	await page.getByRole('radio', { name: 'dies away' }).click();
	await type(page, 'halves every, s', '0.3');
	await page.getByRole('radio', { name: 'a curve' }).click();
	const onStrip = page.getByRole('group', { name: 'Strip' }).getByRole('button', { name: /^Strength at/ });
	await expect(onStrip).toHaveCount(3);
	const before = (await onStrip.nth(1).boundingBox())!;
	await page.mouse.move(before.x + 5, before.y + 5);
	await page.mouse.down();
	await page.mouse.move(before.x + 105, before.y - 10, { steps: 5 });
	await page.mouse.up();
	await expect(onStrip.nth(1)).not.toHaveAccessibleName(/at 35 %/);
	await page.getByRole('group', { name: 'Strength over life' }).dblclick({ position: { x: 270, y: 30 } });
	await expect(onStrip).toHaveCount(4);
	await page.keyboard.press('ControlOrMeta+z');
	await expect(onStrip).toHaveCount(3);
	await expect(keeping(page)).toHaveText(/^kept/);
});

test('the moment is chosen on the ruler, and a part is played again and again', async ({ page, request }) => {
	await openBench(page, await makeProject(request, [thud()]));
	const ruler = page.getByRole('slider', { name: 'Moment in the window' });
	const box = (await ruler.boundingBox())!;
	await page.mouse.move(box.x + box.width * 0.3, box.y + 12);
	await page.mouse.down();
	await page.mouse.move(box.x + box.width * 0.5, box.y + 12, { steps: 4 });
	await page.mouse.up();
	await expect(page.getByRole('button', { name: 'Play', exact: true })).toBeVisible();
	// Half of 1.12 s.
	await expect(page.locator('.cap').first()).toHaveClass(/live/);
	const left = await page
		.locator('.cap .left')
		.first()
		.evaluate((bar) => Number(/[\d.]+/.exec(bar.style.transform)![0]));
	expect(left).toBeCloseTo(1 - 0.56, 1);
	await page.keyboard.down('Shift');
	await page.mouse.move(box.x + box.width * 0.2, box.y + 12);
	await page.mouse.down();
	await page.mouse.move(box.x + box.width * 0.4, box.y + 12, { steps: 4 });
	await page.mouse.up();
	await page.keyboard.up('Shift');
	await expect(page.getByRole('button', { name: 'again and again ×' })).toBeVisible();
	await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible();
	await page.getByRole('button', { name: 'again and again ×' }).click();
	await expect(page.getByRole('button', { name: 'again and again ×' })).toHaveCount(0);
});

test('A and B: held, swapped, taken; B is there again after a reload', async ({ page, request }) => {
	await openBench(page, await makeProject(request, [thud()]));
	await page.keyboard.press('q');
	await expect(page.getByRole('radio', { name: 'A | B' })).toHaveAttribute('aria-checked', 'true');
	await expect(page.getByRole('slider', { name: 'Seam between A and B' })).toBeVisible();
	await type(page, 'amount, ×', '2');
	await page.getByRole('button', { name: 'A and B' }).click();
	await page.getByRole('option', { name: /^Swap A and B/ }).click();
	await expect(field(page, 'amount, ×')).toHaveAttribute('aria-valuenow', '1');
	await expect(keeping(page)).toHaveText(/^kept/);
	await page.reload();
	await expect(page.getByText('full ink A')).toBeVisible();
	await page.getByRole('button', { name: 'A and B' }).click();
	await page.getByRole('option', { name: /^Take B into A/ }).click();
	await expect(field(page, 'amount, ×')).toHaveAttribute('aria-valuenow', '2');
	await page.keyboard.press('ControlOrMeta+z');
	await expect(field(page, 'amount, ×')).toHaveAttribute('aria-valuenow', '1');
});

test('six neighbours: the pointed one plays, one is taken, undo brings the former back', async ({ page, request }) => {
	await openBench(page, await makeProject(request, [thud()]));
	await page.keyboard.press('v');
	const tiles = page.getByRole('button', { name: /^Neighbour \d: / });
	await expect(tiles).toHaveCount(6);
	await page.getByRole('button', { name: 'length', exact: true }).click();
	await expect(page.getByRole('button', { name: 'length', exact: true })).toHaveAttribute('aria-pressed', 'false');
	await expect(tiles.first()).toHaveAccessibleName(/×1.00 as long/);
	await tiles.nth(2).hover();
	await expect(page.getByText('a neighbour is playing')).toBeVisible();
	await expect(page.locator('.cap.live')).toHaveCount(1);
	await tiles.nth(2).click();
	await expect(page.getByRole('button', { name: 'Undo' })).toHaveAttribute('title', /Take neighbour 3/);
	await page.mouse.move(10, 400);
	await page.keyboard.press('ControlOrMeta+z');
	await expect(field(page, 'amount, ×')).toHaveAttribute('aria-valuenow', '1');
	await expect(field(page, 'rate, ×')).toHaveAttribute('aria-valuenow', '1');
});

test('a flat view counts pixels; a ceiling and a picture rate are tried without touching the preset', async ({
	page,
	request
}) => {
	await openBench(page, await makeProject(request, [thud()]));
	await page2(page, 'Played');
	await page.getByRole('radio', { name: 'a flat view' }).click();
	await page2(page, 'Played');
	await expect(page.getByRole('switch')).toHaveCount(4);
	await expect(field(page, 'Amplitude of height y, px')).toHaveAttribute('aria-valuenow', '9.4');
	await expect(keeping(page)).toHaveText(/version|kept/);
	await expect(page.getByRole('button', { name: 'Versions' })).toContainText('version 2 · kept');
	await page2(page, 'Try');
	await page.getByRole('checkbox', { name: 'roll' }).check();
	await type(page, 'Ceiling of roll, °', '0.2');
	await page.getByRole('radio', { name: '30', exact: true }).click();
	await page.keyboard.press('Space');
	await expect(page.getByRole('button', { name: 'Versions' })).toContainText('version 2 · kept');
	await page.getByRole('radio', { name: 'the same' }).click();
	await expect(field(page, 'seed')).toBeVisible();
});

test('the palette finds what is meant; the night stays', async ({ page, request }) => {
	await openBench(page, await makeProject(request, [thud(), thud({ id: 'door', name: 'Heavy door' })]));
	await page.keyboard.press('ControlOrMeta+k');
	await page.keyboard.type('hevy dor');
	await expect(page.getByRole('dialog', { name: 'Command palette' }).getByRole('option').first()).toHaveText(
		/Heavy door/
	);
	await page.keyboard.press('Enter');
	await expect(page.getByRole('heading', { name: 'Heavy door' })).toBeVisible();
	await page.keyboard.press('ControlOrMeta+k');
	await page.keyboard.type('night');
	await page.keyboard.press('Enter');
	await expect(page.locator('html')).toHaveAttribute('data-theme', 'night');
	await page.reload();
	await expect(page.locator('html')).toHaveAttribute('data-theme', 'night');
	await page.keyboard.press('?');
	await expect(page.getByRole('dialog', { name: 'Shortcuts' })).toContainText('Six neighbours');
	await page.keyboard.press('Escape');
	expect(page.url()).toContain(`${address()}/`);
});

test('the id follows the name, in the address and in every cue; set by hand it stays; one undo takes it back', async ({
	page,
	request
}) => {
	const bench = await makeProject(request, [thud(), thud({ id: 'knock', name: 'Knock' })]);
	const project = bench.replace(/\/bench\/.*/, '');
	const hit: GameEvent = { id: 'hit', name: 'Hit', kind: 'moment', placed: false, tags: [], values: [] };
	await addDocuments(request, project, 'event', [hit]);
	await addDocuments(request, project, 'cue', [newCue('c', 'hit', 'thud')]);
	await openBench(page, bench);
	const id = page.getByLabel(/^Id of /);
	await expect(id).toHaveValue('thud');
	await page.getByRole('button', { name: 'Choose a preset' }).click();
	await page.getByLabel('name', { exact: true }).fill('Hull struck');
	await page.getByLabel('name', { exact: true }).press('Enter');
	await expect(page).toHaveURL(/\/bench\/hull-struck$/);
	await expect(id).toHaveValue('hull-struck');
	await page.keyboard.press('Escape');
	await expect(page.getByRole('button', { name: 'Set off by: Hit' })).toBeVisible();

	await id.fill('knock');
	await id.press('Enter');
	await expect(page.getByText('“knock” is the id of “Knock”.')).toBeVisible();
	await expect(id).toHaveValue('hull-struck');
	await id.fill('blow');
	await id.press('Enter');
	await expect(page).toHaveURL(/\/bench\/blow$/);
	await expect(keeping(page)).toHaveText(/^kept/);
	await page.reload();
	await expect(page.getByRole('heading', { name: 'Hull struck' })).toBeVisible();
	await expect(page.getByRole('button', { name: 'Set off by: Hit' })).toBeVisible();
	await expect(page.getByRole('button', { name: 'Undo' })).toBeEnabled();
	await page.keyboard.press('ControlOrMeta+z');
	await expect(page).toHaveURL(/\/bench\/hull-struck$/);
	await expect(page.getByRole('button', { name: 'Set off by: Hit' })).toBeVisible();
});

test('a number takes units and sums, says what it made of them, and what it does not understand', async ({
	page,
	request
}) => {
	await openBench(page, await makeProject(request, [thud()]));
	const length = page.getByRole('spinbutton', { name: 'length, s' });
	await length.focus();
	await page.keyboard.press('Enter');
	await page.keyboard.press('ControlOrMeta+a');
	await page.keyboard.type('30f + 250ms');
	await expect(page.getByRole('status').filter({ hasText: '= 0.75 s, at 60 frames a second' })).toBeVisible();
	await page.keyboard.press('Enter');
	await expect(length).toHaveAttribute('aria-valuenow', '0.75');
	await page.keyboard.press('Enter');
	await page.keyboard.press('ControlOrMeta+a');
	await page.keyboard.type('3 furlongs');
	await page.keyboard.press('Tab');
	await expect(page.getByRole('status').filter({ hasText: 'It stays 0.75 s' })).toBeVisible();
	await expect(length).toHaveAttribute('aria-valuenow', '0.75');
});
