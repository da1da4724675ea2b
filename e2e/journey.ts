/** What the journeys share. */
import { expect, type APIRequestContext, type Locator, type Page } from '@playwright/test';
import type { ShakePreset } from 'dinesis-runtime';
import { newPreset } from 'dinesis-runtime/tools';
import { addDocuments } from './documents';

export const address = (): string => process.env.DINESIS_ADDRESS!;

/** A project of its own with these presets; returns the address of the first one's bench. */
export async function makeProject(request: APIRequestContext, presets: readonly ShakePreset[]): Promise<string> {
	const headers = { origin: address() };
	const made = await request.post(`${address()}/api/projects`, { data: { name: 'Trial' }, headers });
	const { slug } = (await made.json()) as { slug: string };
	const bench = `${address()}/${slug}/bench/${presets[0]!.id}`;
	await addDocuments(request, bench, 'shake', presets);
	return bench;
}

export const thud = (part: Partial<ShakePreset> = {}): ShakePreset => ({ ...newPreset('thud', 'Thud'), ...part });

/** Makes pages without WebGL: drawing 3D in software takes most of the machine, and most journeys are not about it. */
export const withoutPicture = (page: Page): Promise<unknown> =>
	page.addInitScript(() => {
		const real = HTMLCanvasElement.prototype.getContext;
		HTMLCanvasElement.prototype.getContext = function (this: HTMLCanvasElement, kind: string, ...rest: unknown[]) {
			return kind.startsWith('webgl') ? null : Reflect.apply(real, this, [kind, ...rest]);
		} as typeof real;
	});

/** Waits until the page answers to keys and presses: what it is served as only looks so. */
export const answers = (page: Page): Promise<void> => expect(page.locator('html[data-theme]')).toHaveCount(1);

/** Opens a bench and waits until it answers; without the 3D picture unless one asks for it. */
export async function openBench(page: Page, url: string, picture = false): Promise<void> {
	if (!picture) await withoutPicture(page);
	await page.goto(url);
	if (picture) await expect(page.locator('.glass.ready')).toBeVisible();
	else await expect(page.getByText('This browser draws no 3D here')).toBeVisible();
}

export const field = (page: Page, name: string): Locator => page.getByRole('spinbutton', { name });
export const keeping = (page: Page): Locator => page.getByTestId('keeping');

/** Types a number into a field. */
export async function type(page: Page, name: string, value: string): Promise<void> {
	await field(page, name).focus();
	await page.keyboard.press('Enter');
	await page.keyboard.press('ControlOrMeta+a');
	await page.keyboard.type(value);
	await page.keyboard.press('Enter');
}
