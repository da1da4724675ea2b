/**
 * The page's own script while a number is dragged and a shake plays: what frames and pointer handlers take, per frame.
 * Without WebGL: drawing 3D in software is not the page's script.
 */
import { chromium } from '@playwright/test';
import setup from '../e2e/server';
import { withoutPicture } from '../e2e/journey';
import { CHROMIUM_ARGS } from '../playwright.config';

const stop = await setup();
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: CHROMIUM_ARGS });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await withoutPicture(page);
await page.addInitScript(() => {
	const spent: number[] = [];
	// What a canvas paints is the software renderer's time here, not the script's.
	for (const paint of ['stroke', 'fill', 'fillText', 'fillRect', 'clearRect', 'drawImage'] as const)
		CanvasRenderingContext2D.prototype[paint] = () => undefined;
	let now = 0;
	Object.assign(window, { spent });
	const real = window.requestAnimationFrame.bind(window);
	window.requestAnimationFrame = (run) =>
		real((time) => {
			const before = performance.now();
			run(time);
			spent.push(now + performance.now() - before);
			now = 0;
		});
	// From before the first handler to behind the last: what handlers queue runs between them.
	let began = 0;
	window.addEventListener('pointermove', () => void (began = performance.now()), true);
	window.addEventListener('pointermove', () => void (now += performance.now() - began));
});
await page.goto(`${process.env.DINESIS_ADDRESS}/lamp-at-morrowskerry/bench/wave-on-tower`);
await page.waitForTimeout(1500);
const box = (await page.getByRole('spinbutton', { name: 'amount, ×' }).boundingBox())!;
await page.keyboard.press('r');
await page.mouse.move(box.x + 20, box.y + 20);
await page.mouse.down();
await page.evaluate(() => void ((window as unknown as { spent: number[] }).spent.length = 0));
for (let i = 0; i < 300; i++) await page.mouse.move(box.x + 20 + 60 * Math.sin(i / 12), box.y + 20);
await page.mouse.up();
const spent = (await page.evaluate(() => (window as unknown as { spent: number[] }).spent)).sort((a, b) => a - b);
await browser.close();
await stop();
const at = (part: number): number => spent[Math.min(spent.length - 1, Math.floor(spent.length * part))]!;
const ok = at(0.95) <= 8;
process.stdout.write(
	`${ok ? 'holds ' : 'MISSES'}  dragging a number while it plays: p50 ${at(0.5).toFixed(1)} ms, p95 ${at(0.95).toFixed(1)} ms of script a frame over ${spent.length} frames   ≤ 8 ms\n`
);
process.exit(ok ? 0 : 1);
