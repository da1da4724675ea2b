import { expect, test } from '@playwright/test';
import { newCue, newPreset } from 'dinesis-runtime/tools';
import { readDocuments, wire } from './documents';
import { field, makeProject, openBench, thud } from './journey';

test('what looks wrong is counted in every head, told where one works, and put right by its fix', async ({
	page,
	request
}) => {
	const spare = newPreset('spare', 'Spare');
	const short = thud({
		timing: { ...thud().timing, duration: 0.4, fadeOut: { time: 3, ease: 'smooth' } }
	});
	const bench = await makeProject(request, [short, spare]);
	const cue = { ...newCue('c', 'hit', 'thud'), when: 'lasts' };
	await wire(request, bench, { events: [{ id: 'hit', name: 'Hit' }], parameters: [], cues: [cue] });
	await openBench(page, bench);
	const chip = page.getByRole('button', { name: 'Findings' });
	await expect(chip).toHaveText('1 error, 1 warning');
	// Beside the figures, not instead of them.
	await expect(page.getByText(/both are shortened to fit/)).toBeVisible();
	await expect(page.getByText(/of the picture’s height/)).toBeVisible();
	await page.getByRole('button', { name: 'Set them so' }).click();
	await expect(field(page, 'fade out, s')).toHaveAttribute('aria-valuenow', /^0\.\d+$/);
	await expect(chip).toHaveText('1 error');
	await chip.click();
	const list = page.getByRole('list', { name: 'What was found' });
	// The error, the event that nothing raises, and the preset that nothing plays.
	await expect(list.getByRole('listitem')).toHaveCount(3);
	await list.getByRole('link', { name: /^cue: Hit lasts/ }).click();
	await expect(page).toHaveURL(/\/cues\/c$/);
	await expect(page.getByText(/“Hit” is a moment/)).toBeVisible();
	await page.getByRole('button', { name: 'Answer when it happens' }).click();
	await expect(page.getByText(/“Hit” is a moment/)).toHaveCount(0);
	await expect(chip).toHaveCount(0);
	await page.keyboard.press('ControlOrMeta+z');
	await expect(chip).toHaveText('1 error');
	await page.keyboard.press('ControlOrMeta+k');
	await page.keyboard.type('finding is a moment');
	await expect(page.getByRole('option', { name: /“Hit” is a moment/ })).toBeVisible();
	await page.keyboard.press('Escape');
	const [kept] = await readDocuments(request, bench, ['cue']);
	expect((kept!.body as { when: string }).when).toBe('lasts');
});
