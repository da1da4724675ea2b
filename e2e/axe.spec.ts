/** Every room, by day and by night, against WCAG 2.2 AA as far as axe can tell. */
import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { address, answers, makeProject, thud, withoutPicture } from './journey';
import { wire } from './documents';

const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'];
const demo = (path: string): string => `${address()}/lamp-at-morrowskerry/${path}`;

async function open(page: Page, url: string): Promise<void> {
	await page.goto(url);
	await answers(page);
}

/** What axe finds in what is shown, by day and by night. */
async function found(page: Page): Promise<string[]> {
	const out: string[] = [];
	for (const theme of ['day', 'night']) {
		await page.evaluate((theme) => void (document.documentElement.dataset.theme = theme), theme);
		// Where a pin stands on the timeline is its time: two that are near each other cannot be farther apart.
		const { violations } = await new AxeBuilder({ page }).withTags(TAGS).exclude('.pin').analyze();
		for (const { id, nodes } of violations)
			for (const node of nodes.slice(0, 4))
				out.push(`${theme} ${id}: ${node.html.slice(0, 160)} ${node.any[0]?.message ?? node.all[0]?.message ?? ''}`);
	}
	return out;
}

test.beforeEach(({ page }) => withoutPicture(page));

test('the Bench and the pages of its sheet', async ({ page }) => {
	await open(page, demo('bench/wave-on-tower'));
	expect(await found(page)).toEqual([]);
	for (const name of ['Played', 'Try', 'Vary']) {
		await page.getByRole('button', { name, exact: true }).click();
		if (name === 'Vary') await expect(page.getByRole('button', { name: /^Neighbour 6: / })).toBeVisible();
		expect(await found(page), name).toEqual([]);
	}
	await open(page, demo('bench/keepers-walk'));
	await expect(page.getByRole('slider', { name: 'Walking speed' })).toBeVisible();
	expect(await found(page), 'a head bob').toEqual([]);
});

test('the Library, the Cues, and what they open', async ({ page }) => {
	const project = (await makeProject(page.request, [thud({ tags: ['sea'], about: 'For trying' })])).replace(
		/\/bench\/.*/,
		''
	);
	const cue = { id: 'c', event: 'hit', actions: [{ kind: 'play', pick: [{ preset: 'thud' }] }] };
	const hit = { id: 'hit', name: 'Hit', values: [{ id: 'speed' }], tags: ['blow'] };
	const cues = [cue, { ...cue, id: 'd', event: 'gone' }, { ...cue, id: 'e', on: false }];
	await wire(page.request, project, { events: [hit], parameters: [], cues });
	await open(page, `${project}/library`);
	await expect(page.getByText('to go')).toHaveCount(0);
	expect(await found(page), 'library').toEqual([]);
	await page.getByRole('radio', { name: 'starter sets' }).click();
	await page.getByRole('button', { name: 'Take Blast close by', exact: true }).waitFor();
	expect(await found(page), 'starter sets').toEqual([]);
	await open(page, `${project}/cues`);
	await expect(page.getByText('There is no event “gone”')).toBeVisible();
	expect(await found(page), 'cues').toEqual([]);
	await page.getByRole('button', { name: 'Say more' }).first().click();
	expect(await found(page), 'a menu').toEqual([]);
	await page.keyboard.press('Escape');
	await page
		.getByRole('button', { name: /^Presets:/ })
		.first()
		.click();
	expect(await found(page), 'a list to find in').toEqual([]);
	await page.keyboard.press('Escape');
	await page.getByRole('radio', { name: /events and values/ }).click();
	expect(await found(page), 'events').toEqual([]);
	await page.keyboard.press('ControlOrMeta+k');
	await expect(page.getByRole('dialog', { name: 'Command palette' })).toBeVisible();
	expect(await found(page), 'the palette').toEqual([]);
});

test('the Rig room, stage by stage', async ({ page }) => {
	await open(page, demo('rig/keepers-eyes'));
	for (const stage of ['Body', 'Lag', 'Limits', 'Head bob', 'Lean', 'Shakes', 'Ceiling']) {
		await page.locator('.chain').getByText(stage, { exact: true }).first().click();
		expect(await found(page), stage).toEqual([]);
	}
});

test('the Course room, the shelf and the project’s page', async ({ page }) => {
	await open(page, demo('course/first-watch'));
	await expect(page.locator('.plays span').first()).toBeVisible();
	expect(await found(page), 'course').toEqual([]);
	await page.goto(`${address()}/projects`);
	await expect(page.getByRole('heading', { name: 'Projects' })).toBeVisible();
	expect(await found(page), 'shelf').toEqual([]);
	await page.goto(demo('project'));
	await expect(page.getByRole('heading', { name: 'Backups' })).toBeVisible();
	await page.getByRole('button', { name: 'Show it' }).click();
	await expect(page.locator('[data-of="key"]')).toBeVisible();
	expect(await found(page), 'project').toEqual([]);
	await page.getByRole('button', { name: /^Key 1: / }).click();
	await expect(page.getByRole('listbox')).toBeVisible();
	expect(await found(page), 'a key').toEqual([]);
});

test('the Review, tab by tab', async ({ page }) => {
	await open(page, demo('review/shake%3Askiff-aground'));
	await expect(page.getByRole('table', { name: 'Comfort' })).toBeVisible();
	await page.getByRole('button', { name: 'Held against' }).click();
	await page.getByRole('combobox', { name: 'What it is held against' }).fill('hatch slam');
	await page.keyboard.press('Enter');
	await expect(page.getByText(/is milder in/)).toBeVisible();
	expect(await found(page), 'figures').toEqual([]);
	for (const [tab, waits] of [
		['Many plays', 'All figures over many plays'],
		['Players', 'For players who want less']
	] as const) {
		await page.getByRole('tab', { name: tab }).click();
		await expect(page.getByRole('table', { name: waits })).toBeVisible();
		expect(await found(page), tab).toEqual([]);
	}
	await page.getByRole('tab', { name: 'Frequencies' }).click();
	expect(await found(page), 'frequencies').toEqual([]);
	await open(page, demo('review'));
	await expect(page.getByRole('table', { name: 'All that moves' }).getByRole('row').nth(5)).toBeVisible();
	expect(await found(page), 'all').toEqual([]);
});
