import { readFile } from 'node:fs/promises';
import { expect, test } from '@playwright/test';
import { answers, makeProject, thud, withoutPicture } from './journey';
import { newPreset } from 'dinesis-runtime/tools';

test('two versions are compared, the better one is taken for a reason that the screen gives; the verdict is sent', async ({
	page,
	request
}) => {
	const bench = await makeProject(request, [thud(), { ...newPreset('slam', 'Slam'), amount: 3 }]);
	const project = bench.replace(/\/bench\/.*/, '');
	await withoutPicture(page);
	await page.goto(`${project}/review`);
	await answers(page);
	// The whole project first; a press looks at one.
	await page.getByRole('table', { name: 'All that moves' }).getByRole('button', { name: 'Slam shake' }).click();
	await expect(page).toHaveURL(/\/review\/shake/);
	const comfort = page.getByRole('table', { name: 'Comfort' });
	await expect(comfort.getByRole('row', { name: /^roll/ })).toBeVisible();

	await page.getByRole('button', { name: 'Held against' }).click();
	await page.getByRole('combobox', { name: 'What it is held against' }).fill('thud');
	await page.keyboard.press('Enter');
	await expect(page.getByText(/milder in \d+:/)).toBeVisible();
	await page.getByRole('tab', { name: 'Many plays' }).click();
	await expect(page.getByRole('table', { name: 'All figures over many plays' })).toBeVisible();
	await page.getByRole('button', { name: /^Worst / }).click();
	await page.getByRole('tab', { name: 'Frequencies' }).click();
	await page.getByRole('radio', { name: '30', exact: true }).click();
	await expect(page.getByText('Drawn in amber: what is seen at 30.')).toBeVisible();

	// A limit of the project's own is passed; nothing is.
	await page.getByRole('tab', { name: 'Figures' }).click();
	const limit = comfort.getByRole('spinbutton', { name: 'Limit of load' });
	await limit.click();
	await page.keyboard.type('0.1');
	await page.keyboard.press('Enter');
	await expect(comfort.getByRole('row', { name: /^load/ }).locator('.over').first()).toBeVisible();

	await page.getByRole('button', { name: 'Verdict' }).click();
	const coming = page.waitForEvent('download');
	await page.getByRole('button', { name: 'A page to print' }).click();
	const file = await coming;
	expect(file.suggestedFilename()).toBe('Slam.review.html');
	const html = await readFile(await file.path(), 'utf8');
	expect(html).toContain('1 pass a limit: Slam');
});

test('A and B of the Bench are looked at in figures, the milder one is taken, and each room opens what the other had', async ({
	page,
	request
}) => {
	const bench = await makeProject(request, [thud()]);
	await withoutPicture(page);
	await page.goto(bench);
	await answers(page);
	await page.keyboard.press('q');
	await page.getByRole('spinbutton', { name: 'amount, ×', exact: true }).click();
	await page.keyboard.type('3');
	await page.keyboard.press('Enter');
	await page.getByRole('button', { name: 'A and B', exact: true }).click();
	await page.getByRole('combobox', { name: 'What to do, or another preset as B' }).fill('both in the review');
	await page.keyboard.press('Enter');
	await expect(page).toHaveURL(/\/review\/shake%3Athud/);
	await expect(page.getByText(/B is milder in \d+:/)).toBeVisible();
	await page.getByRole('button', { name: 'Take B' }).click();
	await expect(page.getByRole('button', { name: 'Take B' })).toBeHidden();
	await page.keyboard.press('g');
	await page.keyboard.press('b');
	await expect(page).toHaveURL(/\/bench\/thud$/);
	await expect(page.getByRole('spinbutton', { name: 'amount, ×', exact: true })).toHaveAttribute('aria-valuenow', '1');
	await page.keyboard.press('g');
	await page.keyboard.press('v');
	await expect(page).toHaveURL(/\/review\/shake%3Athud$/);
});

test('what is wrong with a motion is found while one does nothing, mended with its fix, or left alone with a reason', async ({
	page,
	request
}) => {
	const loud = thud();
	const layer = { ...loud.layers[0]!, pattern: { kind: 'wave', shape: 'sine' } as const };
	const channels = { roll: { amplitude: 40, frequency: 1, start: 'zero' as const } };
	const duration = 2;
	const timing = { ...loud.timing, duration, fadeIn: { time: 0.5, ease: 'smooth' as const } };
	const bench = await makeProject(request, [{ ...loud, timing, layers: [{ ...layer, channels }] }]);
	await withoutPicture(page);
	await page.goto(bench);
	await answers(page);
	// On the Bench, where one tunes it.
	await expect(page.getByText(/^Too much roll:/)).toBeVisible();
	await page.goto(bench.replace('/bench/', '/review/shake%3A'));
	await page.getByRole('tab', { name: /^Found/ }).click();
	await expect(page.getByText(/^Too much roll:/)).toBeVisible();
	await page.getByRole('button', { name: 'It is meant so …' }).first().click();
	await page.getByRole('textbox', { name: 'Why it is meant so' }).fill('the ship goes down');
	await page.keyboard.press('Enter');
	await expect(page.getByText('Meant so: the ship goes down')).toBeVisible();
	await page.getByRole('button', { name: 'Tell it again' }).click();
	await page
		.getByRole('button', { name: /^Lower the amount/ })
		.first()
		.click();
	await expect(page.getByText(/^Too much roll/)).toBeHidden();
});

test('what players see who want less is judged, offered, and taken by the game by name', async ({ page, request }) => {
	const project = (await makeProject(request, [thud()])).replace(/\/bench\/.*/, '');
	await withoutPicture(page);
	await page.goto(`${project}/review/shake%3Athud`);
	await answers(page);
	await page.getByRole('tab', { name: 'Players' }).click();
	const table = page.getByRole('table', { name: 'For players who want less' });
	await expect(table.getByRole('row', { name: /^No motion 0 0/ })).toBeVisible();
	await page.getByRole('button', { name: 'Offer these' }).click();
	await expect(page.getByText("runtime.setPlayer({ setting: 'half' })")).toBeVisible();
	await table.getByRole('button', { name: 'Gentle' }).click();
	await expect(page.getByRole('button', { name: 'Gentle ×' })).toBeVisible();
	await expect
		.poll(async () => {
			const kit = (await (await request.get(project.replace(/\/([^/]+)$/, '/api/projects/$1/kit'))).json()) as {
				players?: { id: string }[];
			};
			return kit.players?.map(({ id }) => id) ?? [];
		})
		.toContain('gentle');
});
