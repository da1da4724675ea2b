import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { readKit } from '../src/lib/documents';
import { address, keeping, withoutPicture } from './journey';

const PRESETS = [
	'Gangway drops',
	'Hull bump',
	'Engine idle',
	'Horn',
	'Crate slides',
	'Gull lands',
	'Squall',
	'Cheese falls'
];
const EVENTS = ['Docking', 'Horn blown', 'Squall hits', 'Crate hits wall', 'Gull'];
const CUES: readonly (readonly [event: string, preset: string])[] = [
	['Docking', 'Hull bump'],
	['Docking', 'Gangway drops'],
	['Horn blown', 'Horn'],
	['Squall hits', 'Squall'],
	['Crate hits wall', 'Crate slides'],
	['Gull', 'Gull lands']
];
/** Types a name where one is asked for, and keeps it. */
async function name(page: Page, text: string): Promise<void> {
	await expect(page.locator('input:focus')).toBeVisible();
	await page.keyboard.type(text);
	await page.keyboard.press('Enter');
}
const heading = (page: Page, text: string) => page.getByRole('heading', { level: 1, name: text, exact: true });

test('a game of one’s own, by mouse and keyboard alone: five events, eight presets, six cues, two rigs, a course and a free run, sent out', async ({
	page
}) => {
	await withoutPicture(page);
	await page.goto(`${address()}/projects#new`);
	await name(page, 'Ferry Mice');
	await page.getByRole('button', { name: 'Make the first preset' }).click();
	for (const [i, preset] of PRESETS.entries()) {
		if (i > 0) {
			await page.getByRole('button', { name: 'Choose a preset' }).click();
			await page.getByRole('button', { name: 'New', exact: true }).click();
		}
		await name(page, preset);
		await expect(heading(page, preset)).toBeVisible();
	}
	// The name is the id, in the address too; the keyboard is the work’s again.
	await expect(page).toHaveURL(/\/ferry-mice\/bench\/cheese-falls$/);
	await page.keyboard.press('Space');
	await expect(page.locator('.cap.live')).toHaveText(/Cheese falls/);

	await page.getByRole('link', { name: 'Cues' }).click();
	await page.getByRole('button', { name: 'The first event' }).click();
	for (const [i, event] of EVENTS.entries()) {
		if (i > 0) await page.getByRole('button', { name: 'event', exact: true }).click();
		await name(page, event);
	}
	await page.getByRole('radio', { name: /cues$/ }).click();
	const rows = page
		.getByRole('list', { name: 'Cues' })
		.getByRole('listitem')
		.filter({ has: page.locator('.sentence') });
	for (const [i, [event, preset]] of CUES.entries()) {
		await page.getByRole('button', { name: 'New cue' }).click();
		const row = rows.nth(i);
		// It is off until it has its words.
		await expect(row.getByRole('switch')).toHaveAttribute('aria-checked', 'false');
		await row.getByRole('button', { name: 'Event: what happens?' }).click();
		await page.getByRole('option', { name: event }).click();
		await row.getByRole('button', { name: 'Presets: which preset?' }).click();
		await page.keyboard.type(preset);
		await page.keyboard.press('Enter');
		await expect(row.getByRole('switch')).toHaveAttribute('aria-checked', 'true');
	}

	await page.getByRole('link', { name: 'Rig' }).click();
	await page.getByRole('button', { name: 'Through the eyes' }).click();
	await name(page, 'Mouse eyes');
	await expect(heading(page, 'Mouse eyes')).toBeVisible();
	await page.getByRole('button', { name: 'Choose a rig' }).click();
	await page.getByRole('button', { name: 'New rig' }).click();
	await name(page, 'From the mast');
	await expect(heading(page, 'From the mast')).toBeVisible();

	await page.getByRole('link', { name: 'Course' }).click();
	await page.getByRole('button', { name: 'New course' }).click();
	await name(page, 'First crossing');
	await expect(heading(page, 'First crossing')).toBeVisible();
	await page.keyboard.press('f');
	await expect(page.getByRole('button', { name: 'Keep as a take' })).toBeEnabled();
	await page.keyboard.down('w');
	await expect.poll(async () => parseFloat((await page.locator('output').first().textContent())!)).toBeGreaterThan(0.5);
	await page.keyboard.up('w');
	await page.keyboard.press('Escape');
	await expect(heading(page, 'Take 1')).toBeVisible();
	await expect(keeping(page)).toContainText('kept');

	await page.getByRole('link', { name: 'Library' }).click();
	const [download] = await Promise.all([
		page.waitForEvent('download'),
		page.getByRole('button', { name: 'Send out all' }).click()
	]);
	expect(download.suggestedFilename()).toBe('Ferry Mice.kit.json');
	const read = readKit(readFileSync(await download.path(), 'utf8'));
	if (!read.ok) throw new Error(JSON.stringify(read.problems));
	const { presets, events, cues, rigs, courses } = read.value;
	const idOf = (text: string): string => text.toLowerCase().replaceAll(' ', '-');
	expect(presets.map(({ id }) => id)).toEqual(PRESETS.map(idOf));
	expect(events.map(({ id, placed }) => [id, placed])).toEqual(EVENTS.map((event) => [idOf(event), false]));
	const said = cues.map(({ event, on, actions }) => [
		event,
		on,
		actions[0]?.kind === 'play' && actions[0].pick[0]!.preset
	]);
	expect(said).toEqual(CUES.map(([event, preset]) => [idOf(event), true, idOf(preset)]));
	expect(rigs.map(({ id }) => id)).toEqual(['mouse-eyes', 'from-the-mast']);
	expect(courses.map(({ id }) => id)).toEqual(['first-crossing', 'take-1']);
});

test('the project’s page: settings hold at once, a key fires an event, a backup comes back, a game elsewhere reads the kit', async ({
	page,
	request
}) => {
	await withoutPicture(page);
	await page.goto(`${address()}/projects#new`);
	await name(page, 'Ferry Rats');
	await page.getByRole('button', { name: 'Make the first preset' }).click();
	await name(page, 'Bump');
	await page.getByRole('link', { name: 'Cues' }).click();
	await page.getByRole('button', { name: 'The first event' }).click();
	await name(page, 'Bell');
	await page.getByRole('radio', { name: /cues$/ }).click();
	// There is one event and one preset: they are meant.
	await page.getByRole('button', { name: 'New cue' }).click();

	await page.keyboard.press('g');
	await page.keyboard.press('s');
	await expect(heading(page, 'Project')).toBeVisible();
	await page.getByRole('radio', { name: 'centimetres' }).click();
	await page.getByLabel('your own name to the others').fill('Ada');
	await page.keyboard.press('Tab');
	await page.getByRole('button', { name: /^Key 5: nothing/ }).click();
	await page.getByRole('option', { name: 'Bell' }).click();
	await page.getByLabel('What the backup is called').fill('with a bell');
	await page.keyboard.press('Enter');
	await expect(page.getByRole('button', { name: 'Bring back with a bell' })).toBeVisible();

	await page.getByRole('link', { name: 'Bench' }).click();
	await expect(page.getByRole('spinbutton', { name: /^Amplitude of .*, cm$/ }).first()).toBeVisible();
	await page.keyboard.press('5');
	await expect(page.locator('.cap').filter({ hasText: 'Bell' })).toContainText('raised');
	await expect(page.locator('.cap.live')).toContainText('Bump');

	await page.getByRole('link', { name: 'Cues' }).click();
	await page.getByRole('radio', { name: /events/ }).click();
	await page.getByRole('button', { name: 'Take Bell out' }).click();
	await expect(page.getByText('No event yet')).toBeVisible();
	await page.getByRole('link', { name: 'Project' }).click();
	await page.getByRole('button', { name: 'Bring back with a bell' }).click();
	await expect(page.getByText('The project is as it was in with a bell.')).toBeVisible();
	await expect(page.getByRole('button', { name: /^Key 5: Bell/ })).toBeVisible();
	await expect(page.getByText('before going back to with a bell')).toBeVisible();

	await page.getByRole('button', { name: 'Show it' }).click();
	const key = (await page.locator('[data-of="key"]').textContent())!;
	const kit = `${address()}/api/projects/ferry-rats/kit`;
	const elsewhere = { origin: 'http://127.0.0.1:9' };
	expect((await request.get(kit, { headers: elsewhere })).status()).toBe(401);
	const wrong = { ...elsewhere, authorization: 'Bearer wrong' };
	expect((await request.get(kit, { headers: wrong })).status()).toBe(401);
	const shown = await request.get(kit, { headers: { ...elsewhere, authorization: `Bearer ${key}` } });
	expect([shown.status(), shown.headers()['access-control-allow-origin']]).toEqual([200, 'http://127.0.0.1:9']);
	expect(await shown.json()).toMatchObject({ name: 'Ferry Rats', settings: { length: 'cm' } });
	await page.getByRole('button', { name: 'A new key' }).click();
	await expect(page.getByText('There is a new key')).toBeVisible();
	expect((await request.get(kit, { headers: { ...elsewhere, authorization: `Bearer ${key}` } })).status()).toBe(401);
});

test('a gamepad fires the keys, walks the free run and ends it', async ({ page }) => {
	await withoutPicture(page);
	// A simulated one, in the standard layout, that the journey's own hand moves.
	await page.addInitScript(() => {
		const buttons = Array.from({ length: 17 }, () => ({ pressed: false, touched: false, value: 0 }));
		const pad = { id: 'Simulated', index: 0, connected: true, mapping: 'standard', buttons, axes: [0, 0, 0, 0] };
		Object.assign(window, { pad });
		navigator.getGamepads = () => [pad] as unknown as (Gamepad | null)[];
	});
	type Padded = Window & { pad: { buttons: { pressed: boolean; value: number }[]; axes: number[] } };
	const button = (at: number, down: boolean) =>
		page.evaluate(
			([i, on]) => {
				(window as unknown as Padded).pad.buttons[i as number] = { pressed: on as boolean, value: on ? 1 : 0 };
			},
			[at, down] as const
		);
	await page.goto(`${address()}/lamp-at-morrowskerry/bench/wave-on-tower`);
	await expect(page.getByText('This browser draws no 3D here')).toBeVisible();
	await page.getByRole('button', { name: 'Try', exact: true }).click();
	await expect(page.getByText('buttons fire keys 1–8')).toBeVisible();
	await button(1, true);
	await expect(page.locator('.cap.live').filter({ hasText: 'Cask set down' })).toHaveCount(1);
	await button(1, false);

	await page.goto(`${address()}/lamp-at-morrowskerry/course/first-watch`);
	await expect(page.getByText('This browser draws no 3D here')).toBeVisible();
	await page.keyboard.press('f');
	await expect(page.getByRole('button', { name: 'Keep as a take' })).toBeEnabled();
	// The run button and the stick ahead: one runs.
	await button(7, true);
	await page.evaluate(() => ((window as unknown as Padded).pad.axes[1] = -1));
	await expect(page.getByRole('row', { name: /^Running/ })).toContainText('1×');
	await button(9, true);
	await expect(page.getByRole('heading', { level: 1, name: /^Take/ })).toBeVisible();
});
