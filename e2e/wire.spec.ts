import { spawn, type ChildProcess } from 'node:child_process';
import { join } from 'node:path';
import { expect, test, type APIRequestContext, type Page } from '@playwright/test';
import { builtApplication, STAND_IN } from '../scripts/lib/build';
import { ROOT } from '../scripts/lib/paths';
import { serveStandIn } from '../scripts/lib/stand-in';
import { readKit } from '../src/lib/documents';
import { readFileSync } from 'node:fs';
import { address, withoutPicture } from './journey';

const DEMO = join(ROOT, 'demo/lamp-at-morrowskerry.kit.json');

/** A project of the demo's kit, for one journey. */
async function project(request: APIRequestContext): Promise<{ slug: string; key: string }> {
	const made = await request.post(`${address()}/api/kits`, {
		data: readFileSync(DEMO, 'utf8'),
		headers: { origin: address(), 'content-type': 'application/json' }
	});
	const { slug } = (await made.json()) as { slug: string };
	const key = await request.get(`${address()}/api/projects/${slug}/key`);
	return { slug, ...((await key.json()) as { key: string }) };
}
const wireOf = (slug: string): string => `${address().replace(/^http/, 'ws')}/wire/${slug}`;

/** The stand-in game without a picture. */
function play(slug: string, ...more: string[]): { game: ChildProcess; end(): Promise<void> } {
	const game = spawn(process.execPath, ['--import', 'tsx', 'demo/stand-in/headless.ts', wireOf(slug), ...more], {
		cwd: ROOT,
		stdio: 'ignore'
	});
	const gone = new Promise<void>((done) => game.once('exit', () => done()));
	return { game, end: () => (game.kill('SIGKILL'), gone) };
}
const chip = (page: Page) => page.getByRole('button', { name: 'Running games' });
const lookOn = async (page: Page): Promise<void> => {
	await chip(page).click();
	await page.getByRole('link', { name: 'Look on, and record' }).click();
};

test('a running game is tuned, looked on, recorded; the take plays what it felt, and is played there again', async ({
	page,
	request
}) => {
	const { slug } = await project(request);
	const { game, end } = play(slug, '--name', 'Trial game');
	await withoutPicture(page);
	await page.goto(`${address()}/${slug}/bench/yard-engine`);
	await expect(chip(page)).toContainText('Trial game');

	// A change is in the game, and the page hears how soon.
	await page.getByRole('spinbutton', { name: 'amount' }).first().focus();
	await page.keyboard.press('ArrowUp');
	await expect(page.getByTestId('wire-delay')).toContainText(/^\d+ ms$/);

	// What it sends is known here, or learned.
	await chip(page).click();
	await expect(page.getByRole('link', { name: 'load-set-down' })).toBeVisible();
	await page.keyboard.press('Escape');

	// Looked on: what is played here is what it feels, to the bit.
	await lookOn(page);
	await expect(page).toHaveURL(/\/course$/);
	await expect(page.getByTestId('alike')).toContainText(/^\d{3,} frames felt here as there, to the bit\./);
	await page.getByRole('button', { name: 'Record' }).click();
	await expect(page.getByRole('button', { name: /^Keep ([2-9]|\d\d)\.\d s as a take$/ })).toBeVisible();
	await page.getByRole('button', { name: /^Keep/ }).click();
	await expect(page).toHaveURL(/\/course\/trial-game/);
	await expect(page.getByText('Recorded from “Trial game”.')).toHaveCount(0);
	await expect(page.getByLabel('what for')).toHaveValue('Recorded from “Trial game”.');

	// Sent back, and played there.
	await page.getByRole('button', { name: 'Play in the game' }).click();
	await expect(page.getByText('“Trial game” has played it.')).toBeVisible();

	// The game is killed while it is recorded: what there was up to there is kept.
	await lookOn(page);
	await page.getByRole('button', { name: 'Record' }).click();
	await expect(page.getByRole('button', { name: /^Keep ([1-9]|\d\d)\.\d s as a take$/ })).toBeVisible();
	await end();
	await expect(page.getByText(/is gone\. What was recorded up to there is kept\./)).toBeVisible();
	await expect(chip(page)).toHaveCount(0);
	const kit = readKit(await (await request.get(`${address()}/api/projects/${slug}/kit`)).text());
	if (!kit.ok) throw new Error('The kit cannot be read.');
	const takes = kit.value.courses.filter((c) => c.recording);
	expect(takes).toHaveLength(2);
	expect(takes.every((c) => c.recording!.moment !== null && c.recording!.frames.length > 100)).toBe(true);
	expect(game.killed).toBe(true);
});

test('the stand-in game on a port of its own: with the project’s key it is on the wire, without it plays alone', async ({
	page,
	context,
	request
}) => {
	const { slug, key } = await project(request);
	const served = await serveStandIn(
		join(
			builtApplication(() => undefined),
			STAND_IN
		),
		'127.0.0.1',
		0
	);
	try {
		const game = await context.newPage();
		const troubles: string[] = [];
		game.on('pageerror', (error) => troubles.push(error.message));
		const open = (shown: string) =>
			game.goto(`${served.address}/?${shown}#${new URLSearchParams({ at: wireOf(slug), key: shown }).toString()}`);
		await game.goto(served.address);
		await expect(game.getByRole('status')).toHaveText('alone, with the kit that it ships with');
		await open('wrong');
		await expect(game.getByRole('status')).toHaveText(/^not let in: The project’s key is needed/);
		await open(key);
		await expect(game.getByRole('status')).toHaveText('on the wire: Lamp at Morrowskerry');

		// Its keys.
		await game.keyboard.press('?');
		await expect(game.getByRole('heading', { name: 'The crane at Morrowskerry' })).toBeVisible();
		await game.keyboard.press('Escape');

		// An event that the project does not know is made with one press.
		await withoutPicture(page);
		await page.goto(`${address()}/${slug}/bench/yard-engine`);
		await expect(chip(page)).toContainText('The crane at Morrowskerry');
		await game.keyboard.down('d');
		await chip(page).click();
		await expect(page.getByRole('link', { name: 'engine-running' })).toBeVisible();
		expect(troubles).toEqual([]);
		await game.close();
	} finally {
		served.close();
	}
});
