import { expect, test, type Page } from '@playwright/test';
import { newPreset } from 'dinesis-runtime/tools';
import { address, makeProject, thud, type, withoutPicture } from './journey';
import { readDocuments, sendParts, wire } from './documents';

const demo = (): string => `${address()}/lamp-at-morrowskerry/cues`;
const kept = (page: Page) => page.getByTestId('keeping');
const cueRows = (page: Page) => page.getByRole('list', { name: 'Cues' }).getByRole('listitem');
const caption = (page: Page) => page.locator('.glass .caption').first();

async function openCues(page: Page, url: string): Promise<void> {
	await withoutPicture(page);
	await page.goto(url);
	// From here on the page answers.
	await expect(page.getByText('This browser draws no 3D here')).toBeVisible();
}

test('from an empty project: an impact is declared and wired so that harder hits shake more, near ones more than far ones', async ({
	page,
	request
}) => {
	const bench = await makeProject(request, [thud()]);
	await openCues(page, bench.replace(/\/bench\/.*/, '/cues'));
	await page.getByRole('button', { name: 'The first event' }).click();
	await page.getByLabel('Name of the event').fill('Impact');
	await page.getByLabel('Name of the event').press('Enter');
	await page.getByLabel('Impact has a place').check();
	await page.getByRole('button', { name: '+ number' }).click();
	await page.getByLabel('Name of the number').fill('speed');
	await page.getByLabel('Name of the number').press('Enter');
	await page.getByRole('radio', { name: /cues/ }).click();
	await page.getByRole('button', { name: 'New cue' }).click();
	const more = page.getByRole('button', { name: 'Say more' });
	await more.click();
	await page.getByRole('menuitem', { name: 'strength by speed' }).click();
	await more.click();
	await page.getByRole('menuitem', { name: 'at most every so often' }).click();
	await expect(page.locator('.sentence')).toHaveText(
		/^\s*When\s+Impact\s*, at most every\s+0\.20\s*s\s*, play\s+Thud\s+at\s+0\.2 … 1\.5 by speed\s*, from where it happened/
	);

	const fire = page.getByRole('button', { name: 'Fire Impact' });
	await type(page, 'try with speed', '10');
	await fire.click();
	await expect(caption(page)).toHaveText('Thud at 1.50');
	await page.waitForTimeout(300);
	await type(page, 'try with speed', '0');
	await fire.click();
	await expect(caption(page)).toHaveText('Thud at 0.20');

	await page.getByRole('button', { name: 'Give it a reach' }).click();
	await type(page, 'Gone by, m', '6');
	await expect(page.getByText('0.00 of full strength')).toBeVisible();
	await page.getByRole('slider', { name: /Where it happens/ }).focus();
	for (let i = 0; i < 9; i++) await page.keyboard.press('ArrowDown');
	await expect(page.getByText('0.00 of full strength')).toHaveCount(0);
	await expect(kept(page)).toHaveText(/kept/);
	await page.reload();
	await expect(page.locator('.sentence')).toContainText('0.2 … 1.5 by speed');
	await expect(page.getByRole('spinbutton', { name: 'Gone by, m' })).toHaveAttribute('aria-valuenow', '6');
	await page.getByRole('button', { name: 'Copy this cue' }).click();
	await expect(page.getByText('Another cue above answers to the same')).toBeVisible();
	await page.keyboard.press('ControlOrMeta+z');
	await expect(page.getByText('Another cue above answers to the same')).toHaveCount(0);
});

test('a state is held and let go; a cue is switched off; words are changed in place', async ({ page }) => {
	await openCues(page, demo());
	await expect(cueRows(page)).toHaveCount(35);
	const lens = cueRows(page).filter({ hasText: 'Winch under load' });
	const hold = lens.getByRole('button', { name: 'Hold Winch under load' });
	await hold.focus();
	await page.keyboard.down('Enter');
	await expect(caption(page)).toHaveText('Winch under strain at 1.00');
	await expect(lens.getByRole('switch')).toHaveClass(/lit/);
	await page.keyboard.up('Enter');
	await expect(caption(page)).toHaveText('stop own');
	await page.keyboard.press('2');
	await expect(caption(page)).toHaveText(/^Cask set down at/);
	await page.keyboard.down('3');
	await expect(cueRows(page).filter({ hasText: 'Lens turning' }).first().getByRole('switch')).toHaveClass(/lit/);
	await page.keyboard.up('3');
	await expect(caption(page)).toHaveText('stop own');
	await lens.getByRole('switch').click();
	await hold.press('Enter');
	await page.waitForTimeout(200);
	await expect(caption(page)).toHaveText('stop own');
	await lens.getByRole('button', { name: 'Event: Winch under load' }).click();
	await page.getByRole('option', { name: /^Thunder\s*moment/ }).click();
	await expect(cueRows(page).filter({ hasText: /^\s*When\s+Thunder/ })).toHaveCount(3);
	await page.keyboard.press('ControlOrMeta+z');
	await page.keyboard.press('ControlOrMeta+z');
	await expect(lens.getByRole('switch')).toHaveAttribute('aria-checked', 'true');
});

test('what is used says so before it goes, and the cue says so after', async ({ page, request }) => {
	const bench = await makeProject(request, [thud(), { ...newPreset('spare', 'Spare') }]);
	const project = bench.replace(/\/bench\/.*/, '');
	const cue = {
		id: 'c',
		event: 'hit',
		actions: [{ kind: 'play', pick: [{ preset: 'thud' }] }]
	};
	await wire(request, project, { events: [{ id: 'hit', name: 'Hit' }], parameters: [], cues: [cue] });
	const [kept] = await readDocuments(request, project, ['cue']);
	const when = (on: number, to: string) =>
		sendParts(request, project, [{ document: kept!.uuid, on, fields: [{ path: ['body', 'when'], to }] }]);
	const bad = await when(1, 'sometimes');
	expect(bad.status()).toBe(409);
	expect((await bad.json()).refusals[0]).toMatchObject({ reason: 'unsound', path: ['body', 'when'] });
	await withoutPicture(page);
	await page.goto(bench);
	await expect(page.getByRole('button', { name: 'Set off by: Hit' })).toBeVisible();
	await page.goto(`${project}/library`);
	await page.getByLabel('Choose Thud').click();
	await page.getByRole('button', { name: 'Retire', exact: true }).click();
	await expect(page.getByText('A cue points there and will do nothing')).toBeVisible();
	await page.getByRole('link', { name: 'Cues' }).click();
	await expect(page.getByText('There is no preset “thud” any more')).toBeVisible();
});
