import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { address, field, keeping, makeProject, thud, type, withoutPicture } from './journey';

const demo = (path: string): string => `${address()}/lamp-at-morrowskerry/${path}`;
const stage = (page: Page, name: string) => page.getByRole('button', { name: new RegExp(`^${name}:`) });
const adds = (page: Page, name: string) => stage(page, name).locator('output');
const order = (page: Page) => page.locator('.chain strong').allTextContents();

async function open(page: Page, url: string): Promise<void> {
	await withoutPicture(page);
	await page.goto(url);
	await expect(page.getByText('This browser draws no 3D here')).toBeVisible();
}
async function serious(page: Page): Promise<string[]> {
	const { violations } = await new AxeBuilder({ page }).analyze();
	return violations
		.filter((v) => v.impact === 'serious' || v.impact === 'critical')
		.map((v) => `${v.id}: ${v.nodes.map((n) => n.html).slice(0, 3)}`);
}

test('a rig from nothing: where it stands, its stages, their order, and over to another one', async ({
	page,
	request
}) => {
	const bench = await makeProject(request, [thud()]);
	const project = bench.replace(/\/bench\/.*/, '');
	await withoutPicture(page);
	await page.goto(`${project}/rig`);
	await expect(page.getByRole('heading', { name: 'What the player sees through' })).toBeVisible();
	// The heading comes with the page; its buttons answer once the script has come too.
	await expect(page.locator('html')).toHaveAttribute('data-theme', /day|night/);
	const menu = page.getByRole('button', { name: 'Choose a rig, a head bob or a lag' });
	const newRig = async (): Promise<void> => {
		await menu.click();
		await page.getByRole('button', { name: 'New' }).first().click();
		// It is named at once; Enter keeps the name it came with.
		await expect(page.getByRole('textbox', { name: 'Name it' })).toBeFocused();
		await page.keyboard.press('Enter');
	};
	await newRig();
	await expect(page.getByRole('heading', { name: 'Rig 1' })).toBeVisible();

	// Where the camera stands.
	await stage(page, 'Body').click();
	await page.getByRole('radio', { name: 'chase' }).click();
	await type(page, 'behind by', '6');
	await expect(stage(page, 'Body')).toContainText('chase, 6 m behind');
	await page.getByLabel('name').fill('Astern');
	await page.getByLabel('name').press('Enter');
	await expect(page.getByRole('heading', { name: 'Astern' })).toBeVisible();

	// A lag and a head bob, made new where they are wanted; what they do is seen at once.
	await stage(page, 'Lag').click();
	await page.getByRole('combobox', { name: 'lag' }).selectOption({ label: 'a new one' });
	await expect(adds(page, 'Lag')).toContainText(/\d (c?m)/);
	await expect(page.getByText(/settles within 2 % in/)).toBeVisible();
	await type(page, 'half-life', '0.4');
	await expect(page.getByText('trails', { exact: true }).locator('xpath=following-sibling::dd')).toContainText(
		'0.92 m walking'
	);
	await stage(page, 'Head bob').click();
	await page.getByRole('combobox', { name: 'head bob' }).selectOption({ label: 'a new one' });
	await expect(page.getByRole('group', { name: /^A stride at/ })).toBeVisible();
	await stage(page, 'Lean').click();
	await page.getByRole('checkbox', { name: 'leans' }).check();
	await expect(page.locator('canvas[aria-label^="Roll and sway"]')).toHaveAttribute(
		'aria-label',
		/At most [\d.]+° of roll and [\d.]+ cm of sway/
	);
	await stage(page, 'Limits').click();
	await page.getByRole('button', { name: 'A box about the camera' }).click();
	await expect(page.getByRole('slider', { name: 'x to' })).toBeVisible();
	const before = Number(await field(page, 'x to').getAttribute('aria-valuenow'));
	await page.getByRole('slider', { name: 'x to' }).press('Shift+ArrowRight');
	await expect(field(page, 'x to')).toHaveAttribute('aria-valuenow', String(before + 1));

	// One stage after another left out and taken in, by its switch and by its number.
	const lagIn = page.getByRole('switch', { name: 'Lag in the chain' });
	await lagIn.click();
	await expect(lagIn).not.toBeChecked();
	await expect(adds(page, 'Lag')).toHaveText('–');
	await page.keyboard.press('1');
	await expect(lagIn).toBeChecked();

	// Limits behind the shakes eat them: that stands there, and goes with the order.
	expect(await order(page)).toEqual(['Body', 'Lag', 'Limits', 'Head bob', 'Lean', 'Shakes', 'Ceiling']);
	await stage(page, 'Limits').focus();
	for (let i = 0; i < 3; i++) await page.keyboard.press('Alt+ArrowRight');
	await expect.poll(() => order(page)).toEqual(['Body', 'Lag', 'Head bob', 'Lean', 'Shakes', 'Limits', 'Ceiling']);
	const told = page.getByText('The limits come after the head bob and the lean and the shakes');
	await expect(told).toBeVisible();
	await page.getByRole('button', { name: 'Put them in the usual order' }).click();
	await expect(told).toHaveCount(0);
	await page.keyboard.press('ControlOrMeta+z');
	await expect(told).toBeVisible();
	await page.keyboard.press('ControlOrMeta+Shift+z');
	await expect(told).toHaveCount(0);

	// Over to another rig, and back.
	await newRig();
	await expect(page.getByRole('heading', { name: 'Rig 2' })).toBeVisible();
	const over = page.getByRole('button', { name: 'Go over' });
	await over.click();
	await page.getByRole('button', { name: 'Come back' }).click();
	await expect(over).toBeVisible();
	await expect(keeping(page)).toContainText('kept');
	await page.reload();
	await page.getByRole('button', { name: 'Choose a rig, a head bob or a lag' }).click();
	await page
		.getByRole('listbox')
		.getByRole('option', { name: /Astern/ })
		.click();
	await expect(stage(page, 'Limits')).toContainText('a box in x, y, z');

	// Back to how it began, and here again.
	await page.getByRole('button', { name: 'Versions' }).click();
	await page.getByRole('button', { name: 'change by change' }).click();
	await page.getByRole('list', { name: 'Change by change' }).getByRole('button', { name: 'Go back' }).last().click();
	await expect(stage(page, 'Limits')).not.toContainText('a box in x, y, z');
	await page.keyboard.press('ControlOrMeta+z');
	await expect(stage(page, 'Limits')).toContainText('a box in x, y, z');
});

test('the demo’s rigs: each stage says what it does, on a course and on the spot', async ({ page }) => {
	await open(page, demo('rig/keepers-eyes'));
	for (const name of ['Lag', 'Head bob', 'Shakes']) await expect(adds(page, name)).toContainText(/[1-9].* · /);
	await stage(page, 'Head bob').click();
	await page.getByLabel('Tried on').selectOption({ label: 'on the spot' });
	await page.getByRole('slider', { name: 'Walking speed' }).press('ArrowRight');
	await expect(page.locator('.glass .caption').first()).toHaveText('on the spot, 1.50 m/s');
	await page.getByRole('button', { name: 'Sweep from standing to sprint and back' }).click();
	await expect
		.poll(async () => Number((await page.locator('.glass .caption').first().textContent())!.match(/[\d.]+(?= m)/)![0]))
		.toBeGreaterThan(3);
	await page.getByRole('button', { name: 'Stop the sweep' }).click();
	await stage(page, 'Ceiling').click();
	await expect(page.getByText('What bob, lean and shakes come to just now.')).toBeVisible();
	expect(await serious(page)).toEqual([]);

	await open(page, demo('rig/crane-yard'));
	await expect(stage(page, 'Body')).toContainText('flat, 96 px a metre');
	await expect(adds(page, 'Lag')).toContainText(/[1-9].* px/);
	await expect(adds(page, 'Shakes')).toContainText('px');
	await stage(page, 'Shakes').click();
	await expect(page.getByText('Yard: engine idling').first()).toBeVisible();
	await expect(page.getByText(/more are made for space, in metres/)).toBeVisible();
});

test('a head bob and a lag have benches of their own, and stand in the Library', async ({ page }) => {
	await open(page, demo('library'));
	await page.getByRole('radio', { name: 'head bobs' }).click();
	await page.getByRole('searchbox').fill('ladder');
	// Its head and the one.
	await expect(page.getByRole('row')).toHaveCount(2);
	await page.getByRole('button', { name: 'Copy Up the ladder' }).click();
	await expect(page.getByRole('heading', { name: 'Up the ladder, copy' })).toBeVisible();
	const place = page.getByRole('slider', { name: 'Where roll is lowest in the stride' });
	const at = Number(await place.getAttribute('aria-valuenow'));
	await place.press('ArrowRight');
	await expect(place).toHaveAttribute('aria-valuenow', String((at + 1) % 100));
	await type(page, 'amount', '2');
	await expect(page.getByRole('button', { name: 'Versions' })).toContainText(/version 2 · kept/);
	await page.getByRole('button', { name: 'Versions' }).click();
	await page.getByRole('button', { name: 'change by change' }).click();
	await page.getByRole('button', { name: 'Go back' }).click();
	await expect(field(page, 'amount')).toHaveAttribute('aria-valuenow', '1');

	await page.getByRole('button', { name: 'Choose a rig, a head bob or a lag' }).click();
	await page.getByRole('option', { name: /^Tide/ }).click();
	await expect(page.getByText(/overshoots 8\.\d %/)).toBeVisible();
	await type(page, 'damping', '1');
	await expect(page.getByText(/overshoots/)).toHaveCount(0);
	await page.keyboard.press('ControlOrMeta+z');
	await expect(page.getByText(/overshoots 8\.\d %/)).toBeVisible();
	await page.getByRole('radio', { name: 'ramp' }).click();
	await expect(page.getByText('the body goes at 1.6 m/s and stands')).toBeVisible();
	expect(await serious(page)).toEqual([]);

	await page.goto(demo('library'));
	await page.getByRole('radio', { name: 'head bobs' }).click();
	await page.getByRole('button', { name: 'Retire Up the ladder, copy' }).click();
	await expect(page.getByText('“Up the ladder, copy” is retired.')).toBeVisible();
	await expect(page.getByRole('row').filter({ hasText: 'Up the ladder, copy' })).toHaveCount(0);
});

test('a cue shows another rig while a state lasts', async ({ page }) => {
	await open(page, demo('cues'));
	const row = page.getByRole('list', { name: 'Cues' }).getByRole('listitem').filter({ hasText: 'Behind the skiff' });
	await expect(row).toContainText('see through');
	await row.getByRole('button', { name: /^Head bob:/ }).click();
	await page.getByRole('option', { name: /^Running scared/ }).click();
	await expect(row).toContainText('Running scared');
	await page.keyboard.press('ControlOrMeta+z');
	await expect(row).toContainText('its own head bob');
});
