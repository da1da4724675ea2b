import { expect, test, type Page } from '@playwright/test';
import { address, answers, makeProject, thud, withoutPicture } from './journey';

const listed = (page: Page) => page.getByRole('table', { name: 'Starter motions' }).getByRole('row');
const heading = (page: Page, text: string) => page.getByRole('heading', { level: 1, name: text, exact: true });

test('from an empty project to a motion that is nearly right: in one’s own words, heard, taken and tuned', async ({
	page
}) => {
	await withoutPicture(page);
	await page.goto(`${address()}/projects#new`);
	await expect(page.locator('input:focus')).toBeVisible();
	await page.keyboard.type('Night Post');
	await page.keyboard.press('Enter');
	await page.getByRole('link', { name: 'Begin from a starter set' }).click();
	await expect(listed(page).filter({ hasText: 'Blast close by' }).first()).toBeVisible();
	await page.keyboard.press('/');
	await page.keyboard.type('a heavy door falls shut behind me');
	await expect(listed(page).first()).toContainText('Heavy door falls shut');
	await page.keyboard.press('ArrowDown');
	// It plays as it is come to, and what is said of it teaches.
	await expect(page.locator('.glass .caption').first()).toHaveText('Heavy door falls shut');
	await expect(page.getByText('Turn the damping ratio of the slam first')).toHaveCount(2);
	await page.keyboard.press('Enter');
	await expect(heading(page, 'Heavy door falls shut')).toBeVisible();
	await expect(page).toHaveURL(/\/bench\/heavy-door-shuts$/);
	await page.keyboard.press('Space');
	await expect(page.locator('.cap.live')).toHaveText(/Heavy door/);

	// Who has nothing of the kind is shown what the sets have, in the list of one's own too.
	await page.getByRole('link', { name: 'Library' }).click();
	await expect(page.getByText('1 preset', { exact: false }).first()).toBeVisible();
	await page.getByRole('searchbox').fill('coin');
	await expect(page.getByRole('heading', { name: 'Nothing of yours fits' })).toBeVisible();
	await page.getByRole('button', { name: 'Hear it' }).click();
	await listed(page).first().getByRole('button', { name: 'Take Picked up' }).click();
	await expect(listed(page).first().getByRole('link', { name: 'open' })).toBeVisible();
	await page.getByRole('searchbox').fill('');
	await page
		.getByRole('navigation', { name: 'Starter sets' })
		.getByRole('button', { name: /^Cameras/ })
		.click();
	await page.getByRole('button', { name: 'Take all 5' }).click();
	await expect(listed(page).getByRole('link', { name: 'open' })).toHaveCount(5);
	await page.getByRole('radio', { name: 'yours' }).click();
	await expect(page.getByText('2 presets', { exact: false }).first()).toBeVisible();
	await page.getByRole('radio', { name: 'lags' }).click();
	await expect(page.getByRole('table').getByText('Calm from above')).toBeVisible();
	// As one step.
	await page.keyboard.press('Control+z');
	await expect(page.getByRole('table').getByText('Calm from above')).toHaveCount(0);
});

test('own head bobs are found by ordinary words too', async ({ page, request }) => {
	await withoutPicture(page);
	const bench = await makeProject(request, [thud()]);
	await page.goto(`${bench.replace(/\/bench\/.*/, '')}/library#starter`);
	await answers(page);
	await page
		.getByRole('navigation', { name: 'Starter sets' })
		.getByRole('button', { name: /^Steps/ })
		.click();
	await page.getByRole('button', { name: 'Take all 8' }).click();
	await expect(listed(page).getByRole('link', { name: 'open' })).toHaveCount(8);
	await page.getByRole('radio', { name: 'yours' }).click();
	await page.getByRole('radio', { name: 'head bobs' }).click();
	const own = page.getByRole('table', { name: 'Head bobs and lags' }).getByRole('row');
	await expect(own.filter({ hasText: 'Small paws' })).toBeVisible();
	await page.getByRole('searchbox').fill('sneak');
	await expect(own.filter({ hasText: 'Small paws' })).toHaveCount(0);
	await expect(own.filter({ hasText: 'Creeping' })).toBeVisible();
});
