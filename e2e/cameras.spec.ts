import { expect, test, type Page } from '@playwright/test';
import { field, keeping, makeProject, thud, type, withoutPicture } from './journey';
import type { ShakePreset } from 'dinesis-runtime';
import { newBob, newPreset, newRig, NO_LINKS } from 'dinesis-runtime/tools';
import { addDocuments, readDocuments, wire } from './documents';

const stage = (page: Page, name: string) => page.getByRole('button', { name: new RegExp(`^${name}:`) });
const wind: ShakePreset = {
	...newPreset('wind', 'Wind'),
	tags: ['weather'],
	timing: { ...newPreset('wind', 'Wind').timing, mode: 'continuous' }
};

test('a rig has motion of its own, lets some shakes through, and stands over a shoulder', async ({ page, request }) => {
	const bench = await makeProject(request, [thud(), wind]);
	const project = bench.replace(/\/bench\/.*/, '');
	await wire(request, bench, { events: [], parameters: [], cues: [], rigs: [newRig('eyes', 'Eyes')], world: NO_LINKS });
	await withoutPicture(page);
	await page.goto(`${project}/rig/eyes`);
	await stage(page, 'Shakes').click();
	await page.getByRole('button', { name: 'Let something play in it' }).click();
	await page.getByRole('combobox', { name: 'Find a continuous shake' }).fill('win');
	await page.keyboard.press('Enter');
	await expect(stage(page, 'Shakes')).toContainText('1 of its own');
	// It moves at once: the stage says what it adds.
	await expect(stage(page, 'Shakes').locator('output')).toContainText(/[1-9].* · /);
	await type(page, 'Strength of Wind', '0.5');

	// One that is missing is made where it is asked for.
	await page.getByRole('button', { name: 'Let something play in it' }).click();
	await page.getByRole('combobox', { name: 'Find a continuous shake' }).fill('Engine');
	await page.keyboard.press('Enter');
	await expect(page.getByRole('link', { name: 'Engine' }).first()).toBeVisible();

	await page.getByRole('button', { name: 'not those tagged: none' }).click();
	await page.getByRole('combobox', { name: 'Find a tag' }).fill('wea');
	await page.keyboard.press('Enter');
	await page.keyboard.press('Escape');
	await expect(page.getByText('2 of 3 are seen.')).toBeVisible();
	await type(page, 'share of all', '0.4');
	await expect(stage(page, 'Shakes')).toContainText('lets some through');

	await stage(page, 'Body').click();
	await page.getByRole('radio', { name: 'chase' }).click();
	await type(page, 'to the right by', '0.6');
	await expect(stage(page, 'Body')).toContainText('0.6 m right');
	await page.getByLabel('turns to a point ahead of the body').check();
	await type(page, 'at a point ahead by', '5');
	await page.getByLabel('comes nearer where something stands between').check();
	await type(page, 'nearest', '0.4');
	await expect(keeping(page)).toContainText('kept');
	const [rig] = await readDocuments(request, project, ['rig']);
	expect(rig!.body).toMatchObject({
		view: { kind: 'chase', side: 0.6, ahead: 5, nearer: { least: 0.4 } },
		lets: { not: ['weather'], share: 0.4 }
	});
});

test('a head bob by poses and by frames, beside another one, and six like it', async ({ page, request }) => {
	const bench = await makeProject(request, [thud()]);
	const project = bench.replace(/\/bench\/.*/, '');
	await addDocuments(request, bench, 'bob', [newBob('walk', 'Walk')]);
	await withoutPicture(page);
	await page.goto(`${project}/bench/walk`);
	// Poses: on the circle and as numbers.
	await page.getByRole('combobox', { name: 'y shape' }).selectOption('keys');
	await page.getByRole('combobox', { name: 'y goes round each' }).selectOption('stride');
	const pose = page.getByRole('slider', { name: 'Pose 2 of height y', exact: true });
	await expect(pose).toHaveAttribute('aria-valuenow', '100');
	await pose.press('Shift+ArrowDown');
	await expect(pose).toHaveAttribute('aria-valuenow', '90');
	await page.getByRole('button', { name: 'Add a pose' }).click();
	await expect(page.getByRole('slider', { name: /^Pose \d of height y$/ })).toHaveCount(3);
	await page.getByRole('textbox', { name: 'Name of the gait' }).fill('Stroll');
	await page.keyboard.press('Enter');
	await expect(page.getByRole('tab', { name: 'Stroll' })).toBeVisible();

	// Twenty frames, closed, a column for each channel.
	const rows = Array.from({ length: 21 }, (_, i) =>
		[i, 0.02 * Math.sin((i / 20) * 4 * Math.PI), Math.sin((i / 20) * 2 * Math.PI)].map((v) => v.toFixed(4)).join(',')
	);
	await page.getByRole('button', { name: 'Take a loop of frames as a gait' }).click();
	await page.getByRole('textbox', { name: 'Rows of frames' }).fill(['frame,y,tilt', ...rows].join('\n'));
	await expect(page.getByRole('alert').filter({ hasText: '“tilt”' })).toBeVisible();
	await page.getByRole('textbox', { name: 'Rows of frames' }).fill(['frame,y,roll', ...rows].join('\n'));
	await expect(
		page.getByText('20 frames, the last row is the first again; 20 at 60 a second: 6 steps a second')
	).toBeVisible();
	await type(page, 'frames', '40');
	await expect(page.getByText('40 at 60 a second: 3 steps a second')).toBeVisible();
	await page.getByPlaceholder('walk, run …').fill('Trot');
	await page.getByRole('button', { name: 'As a new gait' }).click();
	await expect(page.getByRole('tab', { name: 'Trot' })).toHaveAttribute('aria-selected', 'true');
	await expect(field(page, 'steps')).toHaveAttribute('aria-valuenow', '3');

	// Beside itself, then six like it; one is taken, and undone.
	await page.getByRole('radio', { name: 'A | B' }).click();
	await expect(page.getByRole('button', { name: 'now | B ×' })).toBeVisible();
	await page.keyboard.press('q');
	await expect(page.getByRole('button', { name: 'now | B ×' })).toHaveCount(0);
	await page.getByRole('radio', { name: 'neighbours' }).click();
	const second = page.getByRole('button', { name: /^Neighbour 2:/ });
	await second.hover();
	await expect(page.getByRole('button', { name: 'now | neighbour 2 ×' })).toBeVisible();
	await second.click();
	await page.getByRole('radio', { name: 'numbers' }).click();
	await page.keyboard.press('ControlOrMeta+z');
	await expect(field(page, 'steps')).toHaveAttribute('aria-valuenow', '3');
	await expect(keeping(page)).toContainText('kept');
	const [bob] = await readDocuments(request, project, ['bob']);
	expect(JSON.stringify(bob!.body)).toContain('"Trot"');
});

test('a shake says what sets it off, and a cue is made there', async ({ page, request }) => {
	const bench = await makeProject(request, [thud()]);
	await withoutPicture(page);
	await page.goto(bench);
	await page.getByRole('button', { name: 'Set off by: nothing yet' }).click();
	await page.getByRole('combobox', { name: 'Set off by …' }).fill('Anvil drops');
	await page.keyboard.press('Enter');
	await expect(page.getByRole('button', { name: 'Set off by: Anvil drops' })).toBeVisible();
	const project = bench.replace(/\/bench\/.*/, '');
	const made = async (): Promise<string[]> =>
		(await readDocuments(request, project, ['event', 'cue'])).map(({ kind }) => kind).sort();
	await expect.poll(made).toEqual(['cue', 'event']);
});
