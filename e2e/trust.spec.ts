import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Browser, type Page } from '@playwright/test';
import { builtApplication } from '../scripts/lib/build';
import { serve } from '../scripts/lib/serve';
import { address, field, keeping, makeProject, openBench, thud, type } from './journey';
import { readDocuments } from './documents';

/** Two people, each with a browser of their own, on one preset. */
async function twoPeople(browser: Browser, url: string): Promise<[Page, Page]> {
	const pages = [await (await browser.newContext()).newPage(), await (await browser.newContext()).newPage()] as const;
	for (const page of pages) await openBench(page, url);
	return [...pages];
}
const value = (page: Page, name: string) => ({
	is: (text: string) => expect(field(page, name)).toHaveAttribute('aria-valuenow', text)
});
const loseTheLine = (page: Page): Promise<unknown> => page.route('**/api/**', (route) => route.abort());

test('two people on one preset: each sees at once what the other does, and undo takes back only one’s own', async ({
	browser,
	request
}) => {
	const [one, two] = await twoPeople(browser, await makeProject(request, [thud()]));
	await expect(one.getByTitle('somebody is here too')).toBeVisible();
	await two.getByRole('button', { name: 'Who is here: 1 more' }).click();
	await two.getByLabel('your name to others').fill('Ada');
	await two.keyboard.press('Enter');
	await two.keyboard.press('Escape');
	await expect(one.getByTitle('Ada is here too')).toBeVisible();
	await type(one, 'amount, ×', '1.5');
	await value(two, 'amount, ×').is('1.5');
	await type(two, 'rate, ×', '2');
	await value(one, 'rate, ×').is('2');
	await type(two, 'amount, ×', '0.5');
	await value(one, 'amount, ×').is('0.5');
	await one.keyboard.press('ControlOrMeta+z');
	await expect(one.getByText('somebody else has changed amount since')).toBeVisible();
	await value(one, 'amount, ×').is('0.5');
	await two.keyboard.press('ControlOrMeta+z');
	await value(one, 'amount, ×').is('1.5');
	await two.keyboard.press('ControlOrMeta+z');
	await value(one, 'rate, ×').is('1');
	await expect(keeping(two)).toHaveText(/^kept/);
});

test('two people at one number while the line of one is broken: both values are there, and one presses', async ({
	browser,
	request
}) => {
	const [one, two] = await twoPeople(browser, await makeProject(request, [thud()]));
	await loseTheLine(two);
	await type(one, 'amount, ×', '1.5');
	await expect(keeping(one)).toHaveText(/^kept/);
	await type(two, 'amount, ×', '0.5');
	await type(two, 'rate, ×', '3');
	await two.unroute('**/api/**');
	const note = two.getByRole('region', { name: 'Not taken: amount of Thud' });
	await expect(note).toContainText(/made it 1.5 first, at .*\. Yours, 0.5, waits here/);
	// What did not collide is kept, and nobody was asked about it.
	await value(one, 'rate, ×').is('3');
	await value(two, 'amount, ×').is('1.5');
	await expect(keeping(two)).toHaveText('one value waits');
	await two.reload();
	await note.getByRole('button', { name: 'Take mine' }).click();
	await value(one, 'amount, ×').is('0.5');
	await expect(note).toHaveCount(0);
	await expect(keeping(two)).toHaveText(/^kept/);
});

test('a note comes in the middle of typing: what is typed goes on being typed, and no Enter answers it', async ({
	browser,
	request
}) => {
	const [one, two] = await twoPeople(browser, await makeProject(request, [thud()]));
	await loseTheLine(two);
	await type(one, 'amount, ×', '1.5');
	await expect(keeping(one)).toHaveText(/^kept/);
	await type(two, 'amount, ×', '0.5');
	// At once on to the next number, half of which is typed when the note comes.
	await field(two, 'rate, ×').focus();
	await two.keyboard.press('Enter');
	await two.keyboard.press('ControlOrMeta+a');
	await two.keyboard.type('2.');
	await two.unroute('**/api/**');
	const note = two.getByRole('region', { name: 'Not taken: amount of Thud' });
	await expect(note).toBeVisible();
	await two.keyboard.type('25');
	await two.keyboard.press('Enter');
	await two.keyboard.press('Enter');
	await two.keyboard.press('Escape');
	await value(two, 'rate, ×').is('2.25');
	await value(one, 'rate, ×').is('2.25');
	await value(one, 'amount, ×').is('1.5');
	await expect(note).toBeVisible();
	await note.getByRole('button', { name: 'Drop mine' }).click();
	await expect(note).toHaveCount(0);
	await value(two, 'amount, ×').is('1.5');
});

test('two tabs of one browser know of each other and stay alike', async ({ context, request }) => {
	const url = await makeProject(request, [thud()]);
	const [one, two] = [await context.newPage(), await context.newPage()];
	await openBench(one, url);
	await openBench(two, url);
	await expect(one.getByText('open in another tab')).toBeVisible();
	await expect(two.getByText('open in another tab')).toBeVisible();
	await type(one, 'amount, ×', '1.7');
	await expect(field(two, 'amount, ×')).toHaveAttribute('aria-valuenow', '1.7');
	await type(two, 'amount, ×', '1.9');
	await expect(keeping(two)).toHaveText(/^kept/);
	await two.close();
	await expect(one.getByText('open in another tab')).toHaveCount(0);
	await expect(field(one, 'amount, ×')).toHaveAttribute('aria-valuenow', '1.9');
});

test('while the server is away the page goes on, holds the work, and catches up', async ({ page, request }) => {
	await openBench(page, await makeProject(request, [thud()]));
	await page.route('**/api/**', (route) => route.abort());
	await type(page, 'amount, ×', '2.5');
	await expect(keeping(page)).toHaveText('server away, held here');
	await page.keyboard.press('1');
	await expect(page.locator('.cap.live')).toHaveCount(1);
	await page.unroute('**/api/**');
	await expect(keeping(page)).toHaveText(/^kept/);
	await page.reload();
	await expect(field(page, 'amount, ×')).toHaveAttribute('aria-valuenow', '2.5');
});

test('what is typed and not confirmed is there again after a reload, and rooms are reached while the server is away', async ({
	page,
	request
}) => {
	await openBench(page, await makeProject(request, [thud(), thud({ id: 'hum', name: 'Hum' })]));
	await field(page, 'rate, ×').focus();
	await page.keyboard.press('Enter');
	await page.keyboard.press('ControlOrMeta+a');
	await page.keyboard.type('2.2');
	await page.reload();
	const entry = page.getByRole('textbox', { name: 'rate' });
	await expect(entry).toHaveValue('2.2');
	await value(page, 'rate, ×').is('1');
	await entry.press('Enter');
	await value(page, 'rate, ×').is('2.2');
	await expect(keeping(page)).toHaveText(/^kept/);
	await page.waitForLoadState('networkidle');
	await page.context().setOffline(true);
	await page.getByRole('link', { name: 'Library' }).click();
	await expect(page.getByRole('heading', { name: 'Library' })).toBeVisible();
	await expect(page.getByText('Hum', { exact: true }).first()).toBeVisible();
	await page.getByRole('link', { name: 'Cues' }).click();
	await expect(page.getByRole('heading', { name: 'Cues' })).toBeVisible();
	await page.context().setOffline(false);
});

test('a change that the server did not take is there again after the tab was left', async ({ page, request }) => {
	const url = await makeProject(request, [thud()]);
	await openBench(page, url);
	await page.route('**/api/**', (route) => route.abort());
	await type(page, 'amount, ×', '2.75');
	await expect(keeping(page)).toHaveText('server away, held here');
	await page.context().setOffline(true);
	await page.goto('about:blank');
	await page.unroute('**/api/**');
	await page.context().setOffline(false);
	await page.goto(url);
	await expect(field(page, 'amount, ×')).toHaveAttribute('aria-valuenow', '2.75');
	await expect(keeping(page)).toHaveText(/^kept/);
});

test('what is done in the moment before a reload is there again, retirements and undo too', async ({
	page,
	request
}) => {
	const url = await makeProject(request, [thud(), thud({ id: 'b', name: 'Bang' })]);
	const project = url.replace(/\/bench\/.*/, '');
	await openBench(page, url);
	// Nothing reaches the server before the page is gone.
	await page.route('**/changes', (route) => (route.request().method() === 'POST' ? route.abort() : route.continue()));
	await type(page, 'amount, ×', '2.75');
	await page.reload();
	await expect(field(page, 'amount, ×')).toHaveAttribute('aria-valuenow', '2.75');
	await page.unroute('**/changes');
	await expect(keeping(page)).toHaveText(/^kept/);

	await page.goto(`${project}/library`);
	const rows = page.getByRole('row').filter({ has: page.getByRole('cell') });
	await expect(rows).toHaveCount(2);
	await page.getByLabel('Choose Bang').click();
	await page.getByRole('button', { name: 'Retire', exact: true }).click();
	await expect(rows).toHaveCount(1);
	await expect.poll(() => readDocuments(request, url, ['shake']).then((list) => list.length)).toBe(1);
	// The page that is loaded now does not have it.
	await page.reload();
	await expect(rows).toHaveCount(1);
	await expect(page.getByRole('button', { name: 'Undo' })).toBeEnabled();
	await page.getByRole('button', { name: 'Undo' }).click();
	await expect(rows).toHaveCount(2);
	await page.reload();
	await expect(rows).toHaveCount(2);
});

test('nothing serious for axe on the Bench; text that is small is readable', async ({ page }) => {
	await openBench(page, `${address()}/lamp-at-morrowskerry/bench/wave-on-tower`, true);
	const { violations } = await new AxeBuilder({ page }).analyze();
	const serious = violations.filter((v) => v.impact === 'serious' || v.impact === 'critical');
	expect(
		serious.map(
			(v) =>
				`${v.id}: ${v.nodes
					.map((n) => n.html)
					.slice(0, 3)
					.join(' ')}`
		)
	).toEqual([]);
});

test('everything on the Bench is reached with Tab', async ({ page, request }) => {
	await openBench(page, await makeProject(request, [thud()]));
	const seen = new Set<string>();
	for (let i = 0; i < 90; i++) {
		await page.keyboard.press('Tab');
		seen.add(
			await page.evaluate(
				() => document.activeElement?.getAttribute('aria-label') ?? document.activeElement?.textContent?.trim() ?? ''
			)
		);
	}
	for (const name of [
		'Choose a preset',
		'Versions',
		'Pause',
		'amount, ×',
		'fade out, s',
		'Amplitude of roll, °',
		'Frequency of roll, Hz',
		'Where roll begins',
		'Fade in ends',
		'Ends',
		'Fire Thud',
		'Tune Thud',
		'Fire again and again'
	])
		expect([...seen]).toContain(name);
});

test('a system that asks for less motion gets a still picture that says so', async ({ browser }) => {
	const page = await (await browser.newContext({ reducedMotion: 'reduce' })).newPage();
	await openBench(page, `${address()}/lamp-at-morrowskerry/bench/wave-on-tower`, true);
	await expect(page.getByText('Still, because your system asks for less motion')).toBeVisible();
	await expect(page.locator('.mark em').first()).toHaveText('0.0 px');
	await page.getByText('Still, because').click();
	await expect(page.locator('.mark em').first()).not.toHaveText('0.0 px');
});

test('the door is watched: policy, origin, host, bodies', async ({ request }) => {
	const page = await request.get(`${address()}/lamp-at-morrowskerry/bench/wave-on-tower`);
	const policy = page.headers()['content-security-policy']!;
	expect(policy).toContain("default-src 'none'");
	expect(policy).toMatch(/script-src 'self' 'wasm-unsafe-eval' 'nonce-/);
	expect(policy).not.toMatch(/script-src[^;]*'unsafe-(inline|eval)'/);
	const project = `${address()}/lamp-at-morrowskerry`;
	const [thud] = await readDocuments(request, project, ['shake']);
	const save = (headers: Record<string, string>, data: unknown, at = 'changes') =>
		request.post(`${address()}/api/projects/lamp-at-morrowskerry/${at}`, { headers, data: data as object });
	expect((await save({ origin: 'http://elsewhere.example' }, {})).status()).toBe(403);
	expect((await save({}, {})).status()).toBe(403);
	expect((await request.get(address(), { headers: { host: 'rebound.example' }, maxRedirects: 0 })).status()).toBe(403);
	const own = { origin: address() };
	const change = { change: '0b4f0f56-0000-4000-8000-000000000001', window: 'w', seen: 0, note: '' };
	expect((await save(own, change)).status()).toBe(400);
	expect((await save(own, { ...change, parts: [{ document: 'x' }] })).status()).toBe(400);
	const much = { document: thud!.uuid, on: thud!.version, fields: [{ path: ['body', 'amount'], to: 'much' }] };
	const bad = await save(own, { ...change, parts: [much] });
	expect(bad.status()).toBe(409);
	expect((await bad.json()).refusals[0]).toMatchObject({
		path: ['body', 'amount'],
		message: expect.stringContaining('is "much"')
	});
	const nowhere = { ...change, parts: [much] };
	const elsewhere = { headers: own, data: nowhere };
	expect((await request.post(`${address()}/api/projects/nobody/changes`, elsewhere)).status()).toBe(404);
	expect((await save(own, { ...change, parts: [much], padding: 'x'.repeat(21_000_000) })).status()).toBe(413);
});

test('the first script is small and three.js comes after the first paint', async ({ page, request }) => {
	const { gzipSync } = await import('node:zlib');
	const bench = `${address()}/lamp-at-morrowskerry/bench/wave-on-tower`;
	const scripts: { url: string; at: number; size: number }[] = [];
	page.on('response', async (response) => {
		if (!response.url().endsWith('.js')) return;
		scripts.push({
			url: response.url(),
			at: response.request().timing().startTime,
			size: gzipSync(await response.body()).length
		});
	});
	await openBench(page, bench, true);
	await page.waitForLoadState('networkidle');
	const paint = await page.evaluate(
		() => performance.timeOrigin + performance.getEntriesByName('first-contentful-paint')[0]!.startTime
	);
	const large = scripts.filter((s) => s.size > 90_000);
	expect(large).toHaveLength(1);
	expect(large[0]!.at).toBeGreaterThan(paint);
	// The first script is what the page itself names: all that must be there before it answers.
	const answer = await request.get(bench);
	const named = new Set(
		[...`${answer.headers().link} ${await answer.text()}`.matchAll(/[\w-]+\.js\b/g)].map(([name]) => name)
	);
	const first = scripts.filter((s) => named.has(s.url.split('/').at(-1)!));
	expect(first.length).toBeGreaterThan(10);
	expect(first.reduce((sum, s) => sum + s.size, 0)).toBeLessThan(150 * 1024);
});

test('a database that is away is a word in every page, and goes when it is back', async ({ page }) => {
	let well = false;
	const message = 'The database died and is being brought back.';
	await page.route('**/api/health', (route) =>
		route.fulfill({ status: well ? 200 : 503, json: { database: well, message: well ? '' : message } })
	);
	await page.goto(`${address()}/projects`);
	await expect(page.getByRole('status').filter({ hasText: message })).toBeVisible();
	well = true;
	await expect(page.getByText(message)).toBeHidden();
});

test('an open Dinesis asks for its key once, and leads on to where one was going', async ({ page }) => {
	const served = await serve({
		folder: builtApplication(() => undefined),
		host: '127.0.0.1',
		port: 0,
		exact: true,
		key: 'a lantern at dusk'
	});
	try {
		const asked: string[] = [];
		page.on('request', (request) => asked.push(new URL(request.url()).pathname));
		const answer = await page.goto(`${served.address}/projects`);
		expect(answer!.status()).toBe(401);
		await expect(page.getByRole('heading', { name: 'Access key' })).toBeVisible();
		// The key page needs nothing else; the browser itself may ask for an icon.
		expect(asked.filter((path) => path !== '/favicon.ico')).toEqual(['/projects']);
		await page.getByLabel('Whoever started').fill('wrong');
		await page.getByRole('button', { name: 'Enter' }).click();
		await expect(page.getByRole('alert')).toHaveText(/not the key/);
		await page.getByLabel('Whoever started').fill('a lantern at dusk');
		await page.getByRole('button', { name: 'Enter' }).click();
		await expect(page).toHaveURL(`${served.address}/projects`);
		await expect(page.getByRole('heading', { name: 'Projects' })).toBeVisible();
		const { violations } = await new AxeBuilder({ page }).analyze();
		expect(violations.filter((v) => v.impact === 'critical')).toEqual([]);
		// The key runs out in the middle of the work: it is asked for in place, and everything goes on.
		await openBench(page, `${served.address}/lamp-at-morrowskerry/bench/cask-set-down`, true);
		await page.context().clearCookies();
		const before = await field(page, 'amount, ×').getAttribute('aria-valuenow');
		await type(page, 'amount, ×', '1.125');
		await expect(keeping(page)).toHaveText('server away, held here');
		const key = page.getByLabel('Access key');
		await key.fill('wrong', { timeout: 20_000 });
		await page.getByRole('button', { name: 'Enter', exact: true }).click();
		await expect(page.getByText('That is not the key')).toBeVisible();
		await key.fill('a lantern at dusk');
		await page.getByRole('button', { name: 'Enter', exact: true }).click();
		await expect(keeping(page)).toHaveText(/^kept/);
		await expect(key).toHaveCount(0);
		await value(page, 'amount, ×').is('1.125');
		await type(page, 'amount, ×', before!);
		await expect(keeping(page)).toHaveText(/^kept/);
	} finally {
		await served.close();
	}
});
