/** The main views and how each is brought into a state worth a picture. */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { builtApplication, STAND_IN } from './build';
import { ROOT } from './paths';
import { serveStandIn } from './stand-in';

export interface Shot {
	readonly name: string;
	/** Below the demo project; with a slash before it, below the address. */
	readonly path: string;
	readonly act: (page: Page) => Promise<void>;
}

const pictureReady = async (page: Page): Promise<void> => {
	await page.locator('.glass.ready').waitFor();
	await page.waitForTimeout(2500);
};

/** Stands still without the words that say so. */
async function freeze(page: Page): Promise<void> {
	await page.keyboard.press('p');
	await page.waitForTimeout(900);
	await page.evaluate(() => document.querySelector<HTMLElement>('.paused')?.style.setProperty('display', 'none'));
}

/** Nothing has the focus: keys are the page's. */
const letGo = (page: Page): Promise<void> =>
	page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());

/** Stops time where something is tried: what stands still is drawn sharp. */
async function hold(page: Page): Promise<void> {
	await page.getByRole('button', { name: 'Pause', exact: true }).click();
	await page.mouse.move(640, 30);
	await page.waitForTimeout(1200);
}

/** The stand-in game without a picture, on the wire with the demo project. Returns what ends it. */
function standIn(page: Page): () => void {
	const at = `${new URL(page.url()).origin.replace(/^http/, 'ws')}/wire/lamp-at-morrowskerry`;
	const game = spawn(
		process.execPath,
		['--import', 'tsx', 'demo/stand-in/headless.ts', at, '--name', 'The crane at Morrowskerry'],
		{
			cwd: ROOT,
			stdio: 'ignore'
		}
	);
	return () => void game.kill('SIGKILL');
}

export const SHOTS: readonly Shot[] = [
	{
		name: 'projects',
		path: '/projects',
		act: async (page) => {
			await page.getByRole('button', { name: 'Copy Lamp at Morrowskerry', exact: true }).click();
			await page.getByRole('button', { name: 'Rename Lamp at Morrowskerry, copy' }).click();
			await page.keyboard.type('Lamp at Morrowskerry, winter');
			await page.keyboard.press('Enter');
			await page.getByRole('heading', { name: 'Lamp at Morrowskerry, winter' }).waitFor();
			await page.mouse.move(640, 600);
			await page.reload();
			await page.waitForTimeout(600);
		}
	},
	{
		name: 'project',
		path: 'project',
		act: async (page) => {
			await page.locator('html[data-theme]').waitFor();
			await page.waitForTimeout(600);
			await page.getByLabel('your own name to the others').fill('Ida');
			await page.keyboard.press('Tab');
			for (const [name, does] of [
				['Ida', 'cameras'],
				['Oskar', 'gameplay code']
			] as const) {
				await page.getByLabel('Somebody else’s name').fill(name);
				await page.keyboard.press('Enter');
				await page.getByLabel(`What ${name} does`).fill(does);
				await page.keyboard.press('Tab');
			}
			await page.getByLabel('What the backup is called').fill('before the storm');
			await page.keyboard.press('Enter');
			await page.getByRole('button', { name: 'Bring back before the storm' }).waitFor();
			await page.mouse.move(640, 780);
			await page.waitForTimeout(600);
		}
	},
	{
		name: 'bench',
		path: 'bench/wave-on-tower',
		act: async (page) => {
			await pictureReady(page);
			await page.keyboard.press('1');
			await page.waitForTimeout(450);
			await freeze(page);
		}
	},
	{
		name: 'bench-compare',
		path: 'bench/sea-from-abeam',
		act: async (page) => {
			await pictureReady(page);
			await page.keyboard.press('q');
			await page.getByRole('radio', { name: 'Wave' }).click();
			await letGo(page);
			for (const key of ['o', 'c', ' ']) await page.keyboard.press(key);
			await page.waitForTimeout(500);
			await freeze(page);
		}
	},
	{
		name: 'bench-neighbours',
		path: 'bench/struck',
		act: async (page) => {
			await pictureReady(page);
			await page.keyboard.press('v');
			const tile = page.getByRole('button', { name: /^Neighbour 2: / });
			await tile.waitFor();
			await tile.hover();
			await page.waitForTimeout(700);
		}
	},
	{
		name: 'bench-flat',
		path: 'bench/yard-big-sea',
		act: async (page) => {
			await pictureReady(page);
			await page.getByRole('button', { name: 'Played', exact: true }).click();
			await letGo(page);
			await page.keyboard.press(' ');
			await page.waitForTimeout(450);
			await freeze(page);
		}
	},
	{
		name: 'library',
		path: 'library',
		act: async (page) => {
			await page.waitForFunction(() => !document.body.textContent?.includes('to go'), null, { timeout: 60_000 });
			await page.locator('.glass.ready').waitFor();
			await page.getByRole('row').nth(7).hover();
			await page.waitForTimeout(900);
		}
	},
	{
		name: 'starter-sets',
		path: 'library#starter',
		act: async (page) => {
			const near = page.getByRole('row').filter({ hasText: 'Blast close by' }).first();
			await near.hover();
			await page.locator('.glass.ready').waitFor();
			// All that stand in the chart are measured.
			await page.locator('[data-id="dash-px"] .figures b').first().waitFor({ timeout: 90_000 });
			await page.mouse.move(600, 60);
			await near.hover();
			await page.waitForTimeout(700);
		}
	},
	{
		name: 'cues',
		path: 'cues',
		act: async (page) => {
			await page.locator('.glass.ready').waitFor();
			for (let i = 0; i < 3; i++) {
				await page.getByRole('button', { name: 'Fire Cask set down' }).click();
				await page.waitForTimeout(350);
			}
		}
	},
	{
		name: 'events',
		path: 'cues',
		act: async (page) => {
			await page.locator('.glass.ready').waitFor();
			await page.getByRole('radio', { name: /events and values/ }).click();
			await page.waitForTimeout(600);
		}
	},
	{
		name: 'review',
		path: 'review/shake%3Askiff-aground',
		act: async (page) => {
			await page.locator('.glass.ready').waitFor();
			await page.getByRole('button', { name: 'Held against' }).click();
			await page.getByRole('combobox', { name: 'What it is held against' }).fill('hatch slam');
			await page.keyboard.press('Enter');
			await page.getByText(/is milder in/).waitFor();
			await page.getByRole('button', { name: 'Pause' }).click();
			await page.getByRole('slider', { name: 'Moment' }).focus();
			for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowRight');
			await page.mouse.move(640, 30);
			await page.waitForTimeout(600);
		}
	},
	{
		name: 'handover',
		path: 'handover',
		act: async (page) => {
			await page
				.getByRole('group', { name: 'What the game writes' })
				.getByRole('radio', { name: 'TypeScript' })
				.check();
			await page.getByRole('combobox', { name: 'The rig that it begins with' }).selectOption('keepers-eyes');
			await page.waitForTimeout(600);
		}
	},
	{
		name: 'rig',
		path: 'rig/over-the-shoulder',
		act: async (page) => {
			await page.locator('.glass.ready').waitFor();
			await page.getByLabel('Time on the course').fill('7');
			await page.mouse.move(640, 30);
			await page.waitForTimeout(6000);
			await hold(page);
		}
	},
	{
		name: 'bench-bob',
		path: 'bench/bad-knee',
		act: async (page) => {
			await page.locator('.glass.ready').waitFor();
			await page.mouse.move(640, 30);
			await page.waitForTimeout(5000);
			await hold(page);
		}
	},
	{
		name: 'course',
		path: 'course/first-watch',
		act: async (page) => {
			await page.locator('.glass.ready').waitFor();
			await page.locator('.plays span').first().waitFor();
			await page.getByRole('button', { name: /^Wave breaks, at 33/ }).click();
			await page.getByRole('slider', { name: 'Playhead' }).focus();
			for (let i = 0; i < 33; i++) await page.keyboard.press('Shift+ArrowRight');
			for (let i = 0; i < 18; i++) await page.keyboard.press('ArrowRight');
			await page.mouse.move(700, 440);
			await page.waitForTimeout(1500);
		}
	},
	{
		name: 'course-two-players',
		path: 'course/crane-shift',
		act: async (page) => {
			await page.locator('.glass.ready').waitFor();
			await page.locator('.plays span').first().waitFor();
			await page.keyboard.press('n');
			await page.getByRole('slider', { name: 'Playhead' }).focus();
			for (let i = 0; i < 33; i++) await page.keyboard.press('Shift+ArrowRight');
			await page.waitForTimeout(1500);
		}
	},
	{
		name: 'free-run',
		path: 'course/first-watch',
		act: async (page) => {
			await page.locator('.glass.ready').waitFor();
			await page.keyboard.press('f');
			const keep = page.getByRole('button', { name: 'Keep as a take' });
			await keep.and(page.locator(':enabled')).waitFor();
			await page.keyboard.down('w');
			await page.waitForTimeout(3600);
			await page.keyboard.up('w');
			await page.keyboard.press(' ');
			await page.waitForTimeout(1600);
		}
	},
	{
		name: 'wire',
		path: 'bench/yard-engine',
		act: async (page) => {
			const end = standIn(page);
			const chip = page.getByRole('button', { name: 'Running games' });
			await chip.waitFor();
			await chip.click();
			await page.getByRole('link', { name: 'Look on, and record' }).click();
			await page.getByRole('button', { name: 'Record' }).click();
			await page.getByRole('button', { name: /^Keep 6\.\d s/ }).waitFor();
			await page.mouse.move(640, 30);
			await page.screenshot();
			end();
			const said = page.getByText(/up to there is kept/);
			await said.waitFor();
			await said.waitFor({ state: 'hidden' });
			await page.locator('.plays span').first().waitFor();
			await page.getByRole('slider', { name: 'Playhead' }).focus();
			await page.keyboard.press('Shift+ArrowRight');
			await page.waitForTimeout(1500);
		}
	},
	{
		name: 'stand-in',
		path: 'bench/yard-engine',
		act: async (page) => {
			const { key } = (await (
				await page.request.get(`${page.url().split('/lamp')[0]}/api/projects/lamp-at-morrowskerry/key`)
			).json()) as {
				key: string;
			};
			const at = `${new URL(page.url()).origin.replace(/^http/, 'ws')}/wire/lamp-at-morrowskerry`;
			const served = await serveStandIn(
				join(
					builtApplication(() => undefined),
					STAND_IN
				),
				'127.0.0.1',
				0
			);
			await page.goto(`${served.address}/#${new URLSearchParams({ at, key }).toString()}`);
			await page.getByText('on the wire').waitFor();
			await page.keyboard.down('s');
			await page.waitForTimeout(1300);
			await page.keyboard.up('s');
			await page.keyboard.press('Space');
			await page.keyboard.down('w');
			await page.waitForTimeout(900);
			await page.keyboard.up('w');
			await page.keyboard.down('d');
			await page.waitForTimeout(700);
			// What is seen of it is drawn by now; the page stays as it is until it is closed.
			served.close();
		}
	}
];
