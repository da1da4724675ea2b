import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { newPreset } from 'dinesis-runtime/tools';
import { address, field, keeping, makeProject, thud, type, withoutPicture } from './journey';
import { wire } from './documents';

const demo = (id = ''): string => `${address()}/lamp-at-morrowskerry/course/${id}`;
const caption = (page: Page) => page.locator('.glass .caption').first();
const clock = (page: Page) => page.getByTestId('clock');

async function openCourse(page: Page, url: string): Promise<void> {
	await withoutPicture(page);
	await page.goto(url);
	await expect(page.getByText('This browser draws no 3D here')).toBeVisible();
}
/** Holds keys of the free run for so long; the run's own clock tells when. */
async function hold(page: Page, keys: readonly string[], seconds: number): Promise<void> {
	const now = async (): Promise<number> =>
		Number((await page.locator('output').first().textContent())!.replace(' s', ''));
	const until = (await now()) + seconds;
	for (const key of keys) await page.keyboard.down(key);
	await expect.poll(now).toBeGreaterThan(until);
	for (const key of keys) await page.keyboard.up(key);
}

test('from an empty project: what the world raises is declared and wired, walked through, kept as a take, and scrubbed', async ({
	page,
	request
}) => {
	const hum = { ...newPreset('hum', 'Hum'), timing: { ...thud().timing, mode: 'continuous' as const } };
	const shudder = newPreset('shudder', 'Shudder');
	const bench = await makeProject(request, [thud(), hum, shudder]);
	const project = bench.replace(/\/bench\/.*/, '');
	await openCourse(page, `${project}/course`);
	await expect(page.getByRole('heading', { name: 'Try it in play' })).toBeVisible();
	await page.locator('.first').getByRole('button', { name: 'Free run' }).click();
	await expect(page.getByRole('button', { name: 'Keep as a take' })).toBeEnabled();
	for (const name of ['Landing', 'Running', 'Door closing'])
		await page.getByLabel(`${name} is`).selectOption({ label: `declare “${name}”` });
	await page.getByRole('button', { name: 'Throw away' }).click();

	await page.getByRole('link', { name: 'Cues' }).click();
	const rows = page.getByRole('list', { name: 'Cues' }).getByRole('listitem');
	const wire = async (event: string, preset: string): Promise<void> => {
		await page.getByRole('button', { name: 'New cue' }).click();
		const row = rows.filter({ has: page.locator('.sentence') }).last();
		await row.getByRole('button', { name: /^Event:/ }).click();
		await page.getByRole('option', { name: new RegExp(`^${event}\\s*(state|moment)`) }).click();
		await row.getByRole('button', { name: /^Presets:/ }).click();
		await page.getByRole('option', { name: preset }).click();
	};
	await wire('Landing', 'Thud');
	await wire('Running', 'Hum');
	await wire('Door closing', 'Shudder');
	// A burst of a second, stretched to the door's own three.
	await rows.filter({ hasText: 'Door closing' }).getByRole('button', { name: 'Say more' }).click();
	await page.getByRole('menuitem', { name: 'for as long as the event' }).click();
	await expect(rows.filter({ has: page.locator('.sentence') })).toHaveCount(3);

	await page.getByRole('link', { name: 'Course' }).click();
	await expect(page.getByRole('heading', { name: 'Try it in play' })).toBeVisible();
	await page.keyboard.press('f');
	await expect(page.getByRole('button', { name: 'Keep as a take' })).toBeEnabled();
	await hold(page, ['Space'], 1.2);
	await expect(caption(page)).toContainText('Thud at 1.00');
	await hold(page, ['Shift', 'w'], 1.6);
	await expect(page.getByRole('row', { name: /^Running/ })).toContainText('1×');
	await expect(page.getByRole('row', { name: /^Door closing/ })).toContainText('1×');
	await hold(page, [], 3);
	await page.keyboard.press('Escape');

	await expect(page.getByRole('heading', { level: 1, name: 'Take 1' })).toBeVisible();
	await expect(keeping(page)).toContainText('kept');
	const door = page.locator('.plays span[title^="Shudder"]');
	await expect(door).toHaveCount(1);
	const [from, to] = /([\d.]+)–([\d.]+) s/
		.exec((await door.getAttribute('title'))!)!
		.slice(1)
		.map(Number);
	expect(to! - from!).toBeGreaterThan(2.9);
	expect(to! - from!).toBeLessThan(3.1);
	const landing = page.getByRole('button', { name: /^Landing, at/ });
	await expect(landing).toHaveCount(1);
	await landing.click();
	const at = Number(await field(page, 'at, s').getAttribute('aria-valuenow'));
	await page.getByRole('slider', { name: 'Playhead' }).focus();
	await page.keyboard.press('Home');
	await expect(caption(page)).toHaveText('nothing plays');
	for (let t = 0; t < at + 0.1; t += 1) await page.keyboard.press('Shift+ArrowRight');
	await expect(clock(page)).not.toContainText('0.00 of');
	await type(page, 'at, s', '0.5');
	await page.getByRole('slider', { name: 'Playhead' }).focus();
	await page.keyboard.press('Home');
	for (let i = 0; i < 36; i++) await page.keyboard.press('ArrowRight');
	await expect(caption(page)).toContainText('Thud');

	await page.getByRole('button', { name: 'Make it a course' }).click();
	await expect(page.getByRole('heading', { level: 1, name: 'Take 1, as a course' })).toBeVisible();
	await expect(page.getByRole('button', { name: /^Place \d/ }).first()).toBeVisible();
});

test('the demo’s course: played, scrubbed, events dragged and copied, undone; the address says where one is', async ({
	page
}) => {
	await openCourse(page, demo('crane-shift'));
	await expect(page.getByRole('heading', { level: 1, name: 'Crane shift' })).toBeVisible();
	const cask = page.getByRole('button', { name: 'Cask set down, at 11.00 s, 1.8 m/s' });
	// The lane of plays takes its room when the survey has come.
	await page.locator('.plays span').first().waitFor();
	const box = (await cask.boundingBox())!;
	await page.mouse.move(box.x + 5, box.y + 10);
	await page.mouse.down();
	await page.mouse.move(box.x + 45, box.y + 10, { steps: 5 });
	await page.mouse.up();
	const moved = page.getByRole('button', { name: /^Cask set down, at 12\.\d+ s, 1\.8 m\/s/ });
	await expect(moved).toBeVisible();
	await page.keyboard.press('ControlOrMeta+c');
	await page.getByRole('slider', { name: 'Playhead' }).focus();
	for (let i = 0; i < 3; i++) await page.keyboard.press('Shift+ArrowRight');
	await page.keyboard.press('ControlOrMeta+v');
	await expect(page.getByRole('button', { name: 'Cask set down, at 3.00 s, 1.8 m/s' })).toBeVisible();
	await page.keyboard.press('Delete');
	for (let i = 0; i < 3; i++) await page.keyboard.press('ControlOrMeta+z');
	await expect(cask).toBeVisible();

	await page.getByRole('button', { name: 'Play', exact: true }).click();
	await expect(caption(page)).toContainText('Crane engine');
	await page.getByRole('button', { name: 'Pause' }).click();
	await page.keyboard.press('Escape');
	await expect(page.getByLabel('seen through')).toHaveValue('under-load');
	await page.getByRole('combobox', { name: 'lag', exact: true }).selectOption({ label: 'Dreamy' });
	const bob = page.getByRole('button', { name: 'bob', exact: true });
	await bob.click();
	await expect(bob).toHaveAttribute('aria-pressed', 'false');
	await page.keyboard.press('ControlOrMeta+z');
	await page.keyboard.press('ControlOrMeta+z');
	await expect(page.getByRole('combobox', { name: 'lag', exact: true })).toHaveValue('easy');
	await expect(bob).toHaveAttribute('aria-pressed', 'true');
	await page.getByRole('button', { name: 'tune the bob' }).click();
	await expect(page.getByText('2.8 × 4.4 cm')).toBeVisible();
	await type(page, 'x size, m', '0.007');
	await expect(page.getByText('1.4 × 4.4 cm')).toBeVisible();
	await page.keyboard.press('ControlOrMeta+z');
	await page.getByRole('button', { name: 'back', exact: true }).click();
	await page.getByRole('combobox', { name: 'head bob' }).selectOption({ label: 'a copy of it' });
	await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Heavy boots, copy');
	await page.getByRole('button', { name: 'back', exact: true }).click();
	await page.keyboard.press('ControlOrMeta+z');
	await expect(page.getByRole('combobox', { name: 'head bob' })).toHaveValue('heavy-boots');
	await page.getByRole('button', { name: 'tune the lag' }).click();
	await expect(page.getByText(/m walking/)).toBeVisible();
	await page.getByRole('button', { name: 'back', exact: true }).click();

	const ruler = (await page.getByRole('slider', { name: 'Playhead' }).boundingBox())!;
	await page.keyboard.down('Shift');
	await page.mouse.move(ruler.x + ruler.width * 0.25, ruler.y + 8);
	await page.mouse.down();
	await page.mouse.move(ruler.x + ruler.width * 0.5, ruler.y + 8, { steps: 4 });
	await page.mouse.up();
	await page.keyboard.up('Shift');
	await expect(page.getByText(/again and again 10\.\d+–20\.\d+ s/)).toBeVisible();
	await page.getByRole('button', { name: 'Trim to it' }).click();
	await expect(clock(page)).toContainText('of 10 s');
	await expect(page.getByRole('button', { name: /^Cask set down, at 0\.\d+ s/ })).toBeVisible();
	await page.getByRole('button', { name: 'Undo', exact: true }).click();
	await expect(clock(page)).toContainText('of 41 s');

	await page.getByRole('button', { name: 'Choose a course' }).click();
	await page.getByRole('option', { name: /^First watch/ }).click();
	await expect(page).toHaveURL(/course\/first-watch$/);
	await expect(page.getByText('At the top of the stairs').first()).toBeVisible();
});

test('a course from nothing: a way on the map, an event and a game value in their lanes, two players', async ({
	page,
	request
}) => {
	const bench = await makeProject(request, [thud()]);
	const project = bench.replace(/\/bench\/.*/, '');
	await wire(request, project, {
		events: [
			{ id: 'hit', name: 'Hit' },
			{ id: 'storm', name: 'Storm', kind: 'state' }
		],
		parameters: [{ id: 'cold', name: 'Cold' }],
		cues: [{ id: 'c', event: 'hit', actions: [{ kind: 'play', pick: [{ preset: 'thud' }] }] }]
	});
	await openCourse(page, `${project}/course`);
	await page.locator('.first').getByRole('button', { name: 'New course' }).click();
	await expect(page.getByText('no way yet')).toBeVisible();
	const map = (await page.getByRole('region', { name: 'Map' }).boundingBox())!;
	for (const [x, y] of [
		[0.4, 0.5],
		[0.5, 0.4],
		[0.6, 0.55]
	] as const) {
		await page.mouse.dblclick(map.x + map.width * x, map.y + map.height * y);
		await page.keyboard.press('Escape');
	}
	await expect(page.getByRole('button', { name: /^Place \d/ })).toHaveCount(3);
	await expect(page.getByText(/3 places, walked in/)).toBeVisible();
	await page.getByRole('button', { name: 'Add a lane' }).click();
	await page.getByRole('menuitem', { name: /^Hit\s*moment/ }).click();
	await page.getByRole('button', { name: 'Add a lane' }).click();
	await page.getByRole('menuitem', { name: /^Cold\s*game value/ }).click();
	await expect(page.getByRole('button', { name: 'Cold 1 at 20.00 s' })).toBeVisible();
	await expect(page.locator('.plays span')).toHaveCount(1);
	await page.keyboard.press('Escape');
	await page.getByRole('button', { name: 'Add an area' }).click();
	await expect(page.getByRole('heading', { name: 'Area' })).toBeVisible();
	await page.keyboard.press('Escape');
	await page.getByLabel('two players on one screen').check();
	await expect(page.locator('.glass .centre')).toHaveCount(2);
	await expect(keeping(page)).toContainText('kept');
	await page.reload();
	await expect(page.getByLabel('two players on one screen')).toBeChecked();
	await expect(page.getByRole('button', { name: /^Place \d/ })).toHaveCount(4);
});

test('a log comes in as a take, what is wrong in one is told by its row; a bake is saved', async ({
	page,
	request
}) => {
	const bench = await makeProject(request, [thud()]);
	await openCourse(page, bench.replace(/\/bench\/.*/, '/course'));
	const bring = async (name: string, text: string): Promise<void> => {
		await page
			.getByRole('dialog')
			.locator('input[type=file]')
			.setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });
	};
	await page.getByRole('button', { name: 'Bring in …' }).click();
	await bring('bad.csv', 'time,event\nsoon,hit\n');
	await expect(page.getByRole('dialog')).toContainText('row 2');
	await bring('session.csv', 'time,event,force\n1,gate-hit,4\n2.5,gate-hit,9\n');
	await expect(page.getByLabel('What gate-hit is')).toHaveValue('*declare');
	await page.getByRole('button', { name: 'Make a take' }).click();
	await expect(page.getByRole('heading', { level: 1, name: 'session' })).toBeVisible();
	await expect(page.getByRole('button', { name: /^Gate hit, at/ })).toHaveCount(2);

	await page.getByRole('button', { name: 'Bake', exact: true }).click();
	const saved = page.waitForEvent('download');
	await page.getByRole('button', { name: 'Bake and save' }).click();
	const download = await saved;
	expect(download.suggestedFilename()).toBe('session, 60 a second.csv');
	const rows = readFileSync((await download.path())!, 'utf8')
		.trim()
		.split('\n');
	expect(rows[0]).toBe('time,x,y,z,pitch,yaw,roll,fov');
	// 5.5 s of 60 pictures, and the one at the end.
	expect(rows).toHaveLength(332);
});

test('a sound comes in as a take: its knocks are events', async ({ page, request }) => {
	const bench = await makeProject(request, [thud()]);
	const project = bench.replace(/\/bench\/.*/, '');
	await wire(request, project, { events: [{ id: 'knock', name: 'Knock' }], parameters: [], cues: [] });
	await openCourse(page, `${project}/course`);
	const rate = 8000;
	const wav = Buffer.alloc(44 + rate * 2 * 2);
	wav.write('RIFF', 0);
	wav.write('WAVEfmt ', 8);
	wav.writeUInt32LE(16, 16);
	wav.writeUInt16LE(1, 20);
	wav.writeUInt16LE(1, 22);
	wav.writeUInt32LE(rate, 24);
	wav.writeUInt16LE(16, 34);
	wav.write('data', 36);
	wav.writeUInt32LE(rate * 2 * 2, 40);
	for (const at of [0.5, 1.2])
		for (let i = 0; i < 1600; i++)
			wav.writeInt16LE(Math.round(20000 * Math.exp(-i / 250) * Math.sin(i / 4)), 44 + 2 * (Math.round(at * rate) + i));
	await page.getByRole('button', { name: 'Bring in …' }).click();
	await page
		.getByRole('dialog')
		.locator('input[type=file]')
		.setInputFiles({ name: 'knocks.wav', mimeType: 'audio/wav', buffer: wav });
	await expect(page.getByRole('dialog')).toContainText('2 onsets in 2.0 s');
	await page.getByRole('button', { name: 'Make a take' }).click();
	await expect(page.getByRole('button', { name: /^Knock, at 0\.(49|5)/ })).toBeVisible();
	await expect(page.getByRole('button', { name: /^Knock, at 1\.(19|2)/ })).toBeVisible();
});
