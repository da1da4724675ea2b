import { expect, test, type Page } from '@playwright/test';
import { address, field, keeping, makeProject, openBench, thud, type, withoutPicture } from './journey';

const demo = (): string => `${address()}/lamp-at-morrowskerry/bench/wave-on-tower`;
/** Pixels that a landmark is away from its rest, as the window says. */
const moved = async (page: Page): Promise<number> =>
	Number.parseFloat((await page.locator('.mark em').first().textContent()) ?? '0');
const left = (page: Page, key: number): Promise<number> =>
	page
		.locator('.cap')
		.nth(key - 1)
		.locator('.left')
		.first()
		.evaluate((bar) => Number.parseFloat(/[\d.]+/.exec(bar.style.transform)?.[0] ?? '0'));

test('the first address leads to a picture that moves by itself', async ({ page }) => {
	await page.goto(address());
	await expect(page).toHaveURL(/lamp-at-morrowskerry\/bench\//);
	await expect(page.getByRole('heading', { name: 'Wave on the tower' })).toBeVisible();
	await expect(page.locator('.glass.ready')).toBeVisible();
	await expect.poll(() => moved(page)).toBeGreaterThan(0.3);
	await expect(page.locator('.cap.live')).toHaveCount(1);
});

/** Opens a bench whose time the test steps. Without the 3D picture, so that a frame costs next to nothing. */
async function openStepped(page: Page, url: string): Promise<void> {
	await withoutPicture(page);
	await page.clock.install({ time: '2026-01-01T08:00:00Z' });
	await page.goto(url);
	await page.clock.pauseAt('2026-01-01T09:00:00Z');
	await expect
		.poll(
			async () => {
				await page.clock.runFor(50);
				return page.getByText('This browser draws no 3D here').count();
			},
			{ timeout: 120_000 }
		)
		.toBe(1);
}

test('a key fires in the next frame, its bar drains, and the camera comes back to rest', async ({ page }) => {
	await openStepped(page, demo());
	await page.keyboard.press('x');
	await page.clock.runFor(3000);
	await expect(page.locator('.cap.live')).toHaveCount(0);
	await page.keyboard.press('1');
	await page.clock.runFor(17);
	expect(await left(page, 1)).toBeGreaterThan(0.9);
	await page.clock.runFor(400);
	const halfway = await left(page, 1);
	expect(halfway).toBeGreaterThan(0.5);
	expect(halfway).toBeLessThan(0.9);
	await page.clock.runFor(1500);
	expect(await left(page, 1)).toBe(0);
	await expect(page.locator('.cap.live')).toHaveCount(0);
});

test('a continuous motion is held, or tapped on and off', async ({ page }) => {
	await openStepped(page, demo());
	await page.keyboard.down('3');
	await page.clock.runFor(1000);
	expect(await left(page, 3)).toBe(1);
	await page.keyboard.up('3');
	await page.clock.runFor(200);
	expect(await left(page, 3)).toBeLessThan(1);
	await page.clock.runFor(2000);
	expect(await left(page, 3)).toBe(0);
	await page.keyboard.press('3');
	await page.clock.runFor(3000);
	expect(await left(page, 3)).toBe(1);
	await page.keyboard.press('3');
	await page.clock.runFor(2000);
	expect(await left(page, 3)).toBe(0);
});

test('slow motion, pause and one frame on', async ({ page }) => {
	await openStepped(page, demo());
	await page.getByRole('radio', { name: '⅒' }).click();
	await page.keyboard.press('1');
	await page.clock.runFor(1600);
	expect(await left(page, 1)).toBeCloseTo(0.9, 1);
	await page.keyboard.press('p');
	const paused = await left(page, 1);
	await page.clock.runFor(5000);
	expect(await left(page, 1)).toBe(paused);
	await page.keyboard.press('.');
	await page.clock.runFor(20);
	expect(await left(page, 1)).toBeCloseTo(paused - 1 / 60 / 1.6, 2);
});

test('repeat fires by itself', async ({ page, request }) => {
	await openStepped(page, await makeProject(request, [thud()]));
	await page.keyboard.press('r');
	await page.clock.runFor(100);
	expect(await left(page, 1)).toBeGreaterThan(0.8);
	await page.clock.runFor(1500);
	expect(await left(page, 1)).toBe(0);
	await page.clock.runFor(1000);
	expect(await left(page, 1)).toBeGreaterThan(0.5);
});

test('what is tuned while it plays is kept, after the play and after a reload', async ({ page, request }) => {
	const url = await makeProject(request, [thud()]);
	await openBench(page, url);
	await page.keyboard.press('Space');
	await type(page, 'amount, ×', '1.8');
	await type(page, 'fade out, s', '0.25');
	await type(page, 'Amplitude of roll, °', '*3');
	await expect(keeping(page)).toHaveText(/^kept/);
	await page.reload();
	await expect(field(page, 'amount, ×')).toHaveAttribute('aria-valuenow', '1.8');
	await expect(field(page, 'fade out, s')).toHaveAttribute('aria-valuenow', '0.25');
	expect(Number(await field(page, 'Amplitude of roll, °').getAttribute('aria-valuenow'))).toBeCloseTo(2.4, 9);
});

test('numbers are dragged, stepped and set back; one drag is one undo', async ({ page, request }) => {
	await openBench(page, await makeProject(request, [thud()]));
	const amount = field(page, 'amount, ×');
	const box = (await amount.boundingBox())!;
	await page.mouse.move(box.x + 20, box.y + 20);
	await page.mouse.down();
	for (let i = 1; i <= 10; i++) await page.mouse.move(box.x + 20 + i * 5, box.y + 20);
	await page.mouse.up();
	await expect(amount).toHaveAttribute('aria-valuenow', '1.5');
	await page.keyboard.press('ControlOrMeta+z');
	await expect(amount).toHaveAttribute('aria-valuenow', '1');
	await page.keyboard.press('ControlOrMeta+Shift+z');
	await expect(amount).toHaveAttribute('aria-valuenow', '1.5');
	await expect(page.getByText('There is nothing to redo')).toHaveCount(0);
	await amount.focus();
	await page.keyboard.press('ArrowUp');
	await expect(amount).toHaveAttribute('aria-valuenow', '1.53');
	await page.keyboard.press('Delete');
	await expect(amount).toHaveAttribute('aria-valuenow', '1');
	await type(page, 'amount, ×', 'nonsense');
	await expect(page.locator('input.wrong')).toBeVisible();
	await page.keyboard.press('Escape');
	await expect(amount).toHaveAttribute('aria-valuenow', '1');
});

test('fades and length are dragged on the strip', async ({ page, request }) => {
	await openBench(page, await makeProject(request, [thud()]));
	const handle = page.getByRole('slider', { name: 'Fade out begins' });
	const box = (await handle.boundingBox())!;
	await page.mouse.move(box.x + 7, box.y + 40);
	await page.mouse.down();
	await page.mouse.move(box.x + 120, box.y + 40, { steps: 6 });
	await page.mouse.up();
	const fade = Number(await field(page, 'fade out, s').getAttribute('aria-valuenow'));
	expect(fade).toBeGreaterThan(0.4);
	expect(fade).toBeLessThan(0.58);
	await page.getByRole('slider', { name: 'Ends', exact: true }).focus();
	await page.keyboard.press('Shift+ArrowRight');
	await expect(field(page, 'length, s')).toHaveAttribute('aria-valuenow', '1.1');
});

test('versions are listed and any of them comes back', async ({ page, request }) => {
	await openBench(page, await makeProject(request, [thud()]));
	await type(page, 'amount, ×', '2');
	await expect(keeping(page)).toHaveText(/^kept/);
	await type(page, 'amount, ×', '3');
	await expect(page.getByRole('button', { name: 'Versions' })).toContainText('version 3');
	await page.getByRole('button', { name: 'Versions' }).click();
	// One stretch of work says what came of it; its changes are had one by one.
	await expect(page.getByText('amount 1 → 3')).toBeVisible();
	await page.getByRole('button', { name: 'change by change' }).click();
	const single = page.getByRole('list', { name: 'Change by change' }).getByRole('listitem');
	await single
		.filter({ hasText: 'amount 1 → 2' })
		.filter({ has: page.getByRole('button', { name: 'Go back' }) })
		.getByRole('button', { name: 'Go back' })
		.click();
	await expect(field(page, 'amount, ×')).toHaveAttribute('aria-valuenow', '2');
	await expect(page.getByRole('button', { name: 'Versions' })).toContainText('version 4 · kept');

	// The beginning is compared with now, given a name, and one field of it taken back; undo brings it here again.
	await page.getByRole('button', { name: 'Versions' }).click();
	await page.getByRole('button', { name: 'change by change' }).click();
	const first = single.filter({ hasText: 'made' }).filter({ has: page.getByRole('button', { name: 'Compare' }) });
	await first.getByRole('textbox', { name: /^Name of/ }).fill('As it began');
	await page.keyboard.press('Enter');
	await first.getByRole('button', { name: 'Compare' }).click();
	const compared = page.getByRole('dialog', { name: 'As it began and now' });
	await expect(compared.getByRole('row', { name: 'amount 1 2' })).toBeVisible();
	await compared.getByRole('button', { name: 'Take amount back' }).click();
	await expect(compared.getByText('It is as it was then.')).toBeVisible();
	await page.keyboard.press('Escape');
	await page.keyboard.press('Escape');
	await expect(field(page, 'amount, ×')).toHaveAttribute('aria-valuenow', '1');
	await page.keyboard.press('ControlOrMeta+z');
	await expect(field(page, 'amount, ×')).toHaveAttribute('aria-valuenow', '2');
	await page.keyboard.press('g');
	await page.keyboard.press('h');
	const done = page.getByRole('dialog', { name: /^What was done in/ });
	await expect(done.getByRole('heading', { name: 'Today' })).toBeVisible();
	await expect(done.getByRole('textbox', { name: /^Name of/ }).last()).toHaveValue('As it began');
});

test('layers, patterns and channels', async ({ page, request }) => {
	await openBench(page, await makeProject(request, [thud()]));
	await page.getByRole('radio', { name: 'Wave' }).click();
	await page.getByRole('radio', { name: 'triangle' }).click();
	await page.getByRole('switch', { name: 'pitch' }).click();
	await expect(field(page, 'Amplitude of pitch, °')).toBeVisible();
	await page.getByRole('button', { name: 'layer', exact: true }).click();
	await expect(page.getByRole('tab')).toHaveCount(2);
	await page.getByRole('button', { name: 'mute', exact: true }).click();
	await expect(page.getByRole('tab').nth(1)).toHaveText(/muted/);
	await page.getByTitle('Linked').click();
	await page.getByRole('tab').first().click();
	await type(page, 'Amplitude of roll, °', '1.6');
	// Linked: height was 0.05 and doubles with roll.
	await expect(field(page, 'Amplitude of height y, m')).toHaveAttribute('aria-valuenow', '0.1');
	await expect(keeping(page)).toHaveText(/^kept/);
});

test('what is wrong is said with a fix', async ({ page, request }) => {
	await openBench(page, await makeProject(request, [thud()]));
	await type(page, 'fade out, s', '5');
	await expect(page.getByText('The fades take 5.05 s of 1 s')).toBeVisible();
	await page.getByRole('button', { name: 'Set them so' }).click();
	await expect(page.getByText('The fades take')).toHaveCount(0);
});

test('new, copy, rename, retire and bring back', async ({ page, request }) => {
	await openBench(page, await makeProject(request, [thud(), thud({ id: 'knock', name: 'Knock' })]));
	await page.getByRole('button', { name: 'Choose a preset' }).click();
	await page.getByRole('button', { name: 'Copy this' }).click();
	await expect(page.getByRole('heading', { name: 'Thud, copy' })).toBeVisible();
	await page.getByRole('button', { name: 'Choose a preset' }).click();
	await page.getByLabel('name', { exact: true }).fill('<img src=x onerror=alert(1)>');
	await page.getByLabel('name', { exact: true }).press('Enter');
	await expect(page.getByRole('heading', { name: '<img src=x onerror=alert(1)>' })).toBeVisible();
	await expect(page.locator('img')).toHaveCount(0);
	await page.getByRole('button', { name: 'Retire' }).click();
	await expect(page.locator('.cap')).toHaveCount(3);
	await expect(page.getByRole('heading', { name: 'Knock' })).toBeVisible();
	await page.keyboard.press('ControlOrMeta+z');
	await expect(page.locator('.cap')).toHaveCount(4);
	await page.getByRole('button', { name: 'Choose a preset' }).click();
	await page.getByRole('button', { name: 'Copy this' }).click();
	await expect(page.getByRole('heading', { name: 'Knock, copy' })).toBeVisible();
	await page.keyboard.press('ControlOrMeta+z');
	await expect(page.getByRole('heading', { name: 'Knock, copy' })).toHaveCount(0);
	await expect(page.locator('.cap')).toHaveCount(4);
});

test('an empty project teaches the first step', async ({ page }) => {
	await page.goto(address());
	const made = await page.evaluate(() =>
		fetch('/api/projects', {
			method: 'POST',
			headers: { 'content-type': 'application/json' },
			body: JSON.stringify({ name: 'Bare' })
		}).then((r) => r.json())
	);
	await page.goto(`${address()}/${made.slug}/bench`);
	await page.getByRole('button', { name: 'Make the first preset' }).click();
	// It is named at once; Enter keeps the name it came with.
	await expect(page.getByRole('textbox', { name: 'Name it' })).toBeFocused();
	await page.keyboard.press('Enter');
	await expect(page.getByRole('heading', { name: 'New shake' })).toBeVisible();
	await page.keyboard.press('Space');
	await expect(page.locator('.cap.live')).toHaveCount(1);
});

test('how a preset is played: its second page, and what it does to the keys', async ({ page, request }) => {
	await openBench(page, await makeProject(request, [thud()]));
	await page.getByRole('button', { name: 'Played' }).click();
	await page.getByRole('radio', { name: 'ignore' }).click();
	await page.getByLabel('tags').fill('sea,  sea, heavy ,');
	await page.getByLabel('tags').press('Tab');
	await expect(page.getByLabel('tags')).toHaveValue('sea, heavy');
	await page.getByRole('tab').first().click();
	await page.keyboard.press('1');
	await page.keyboard.press('1');
	await expect(page.getByText('ignored: it plays already')).toBeVisible();
	await expect(keeping(page)).toHaveText(/^kept/);
	await page.reload();
	await page.getByRole('button', { name: 'Played' }).click();
	await expect(page.getByRole('radio', { name: 'ignore' })).toHaveAttribute('aria-checked', 'true');
});

test('keys are set by hand: a pose is moved, added and taken out', async ({ page, request }) => {
	await openBench(page, await makeProject(request, [thud()]));
	await page.getByRole('radio', { name: 'Keys' }).click();
	const poses = page.getByRole('button', { name: /^Pose \d of height y/ });
	await expect(poses).toHaveCount(3);
	await poses.nth(1).focus();
	await page.keyboard.press('ArrowDown');
	await expect(poses.nth(1)).toHaveAccessibleName('Pose 2 of height y, at 25 % of the cycle, 98 %');
	const paper = (await page.getByRole('group', { name: 'Poses of height y' }).boundingBox())!;
	await page.mouse.dblclick(paper.x + paper.width * 0.9, paper.y + 20);
	await expect(poses).toHaveCount(4);
	await poses.nth(3).focus();
	await page.keyboard.press('Delete');
	await expect(poses).toHaveCount(3);
	await expect(keeping(page)).toHaveText(/^kept/);
});
