/** Takes the README's pictures anew, from the demo data; all of them, or those that are named. */
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import setup from '../../e2e/server';
import { CHROMIUM_ARGS } from '../../playwright.config';
import { ROOT } from './paths';
import { readArguments } from './arguments';
import { fail, say } from './say';
import { SHOTS } from './shots';

const { plain } = readArguments(process.argv.slice(2), {});
const shots = plain.length === 0 ? SHOTS : SHOTS.filter(({ name }) => plain.includes(name));
if (shots.length === 0) fail(`No picture is called so. There are ${SHOTS.map(({ name }) => name).join(', ')}.`);
const stop = await setup();
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: CHROMIUM_ARGS });
const folder = join(ROOT, 'docs/screenshots');
mkdirSync(folder, { recursive: true });
try {
	for (const shot of shots) {
		const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
		const below = shot.path.startsWith('/') ? '' : '/lamp-at-morrowskerry/';
		// Who has been here before is not told how to begin.
		await page.addInitScript(() => localStorage.setItem('dinesis-begun', 'yes'));
		await page.goto(`${process.env.DINESIS_ADDRESS}${below}${shot.path}`);
		await shot.act(page);
		await page.screenshot({ path: join(folder, `${shot.name}.png`) });
		await page.close();
		say(`docs/screenshots/${shot.name}.png`);
	}
} finally {
	await browser.close();
	await stop();
}
