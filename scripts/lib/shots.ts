/** The main views and how each is brought into a state worth a picture. */
import type { Page } from '@playwright/test';

export interface Shot {
	readonly name: string;
	/** Below the demo project. */
	readonly path: string;
	readonly act: (page: Page) => Promise<void>;
}

const pictureReady = async (page: Page): Promise<void> => {
	await page.locator('.picture.ready').waitFor();
	await page.waitForTimeout(2500);
};

export const SHOTS: readonly Shot[] = [
	{
		name: 'bench',
		path: 'bench/wave-on-tower',
		act: async (page) => {
			await pictureReady(page);
			await page.keyboard.press('1');
			await page.waitForTimeout(450);
			await page.keyboard.press('p');
			await page.addStyleTag({ content: '.paused { display: none !important }' }).catch(() => undefined);
			await page.waitForTimeout(300);
		}
	}
];
