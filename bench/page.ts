/**
 * The page's own script, without WebGL (drawing 3D in software is not the page's script) and without what a canvas paints:
 * while a number is dragged and a shake plays, and in a Library of 10,000 presets.
 */
import { gzipSync } from 'node:zlib';
import { addDocuments } from '../e2e/documents';
import { chromium, type Browser, type Page } from '@playwright/test';
import setup from '../e2e/server';
import { withoutPicture } from '../e2e/journey';
import { CHROMIUM_ARGS } from '../playwright.config';
import type { ShakePreset } from 'dinesis-runtime';
import { newPreset } from 'dinesis-runtime/tools';

const PRESETS = 10_000;
/** What the script may take in one go: beyond it the page is felt to hang. */
const BLOCK_MS = 50;
/** A pause in the script longer than this ends a go: what is between is the browser's own work. */
const PAUSE_MS = 2;

let failed = false;
function line(holds: boolean, what: string, bound: string): void {
	failed ||= !holds;
	process.stdout.write(`${holds ? 'holds ' : 'MISSES'}  ${what}   ${bound}\n`);
}

async function newPage(browser: Browser): Promise<Page> {
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
	return page;
}

const quantile = (sorted: readonly number[], part: number): number =>
	sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * part))] ?? 0;

async function dragging(browser: Browser): Promise<void> {
	const page = await newPage(browser);
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
	const p95 = quantile(spent, 0.95);
	line(
		p95 <= 8,
		`dragging a number while it plays: p50 ${quantile(spent, 0.5).toFixed(1)} ms, p95 ${p95.toFixed(1)} ms of script a frame over ${spent.length} frames`,
		'≤ 8 ms'
	);
	await page.close();
}

/** Ten thousand presets, no two alike, in a project of their own. */
async function makeLarge(page: Page): Promise<string> {
	const address = process.env.DINESIS_ADDRESS!;
	const headers = { origin: address };
	const made = await page.request.post(`${address}/api/projects`, { data: { name: 'Large' }, headers });
	const { slug } = (await made.json()) as { slug: string };
	const base = newPreset('p', 'P');
	const documents = Array.from({ length: PRESETS }, (_, i): ShakePreset => {
		const duration = 0.1 + (i % 40) / 20;
		return {
			...base,
			id: `p-${i}`,
			name: `Preset ${i}`,
			about: `Number ${i} of many, for ${['doors', 'seas', 'engines', 'falls'][i % 4]}`,
			tags: [`t${i % 30}`, i % 2 ? 'odd' : 'even'],
			amount: 0.2 + (i % 97) / 40,
			rate: 0.3 + (i % 53) / 20,
			timing: { ...base.timing, duration }
		};
	});
	await addDocuments(page.request, `${address}/${slug}`, 'shake', documents);
	return `${address}/${slug}/library`;
}

async function library(browser: Browser): Promise<void> {
	const page = await newPage(browser);
	const url = await makeLarge(page);
	const devtools = await page.context().newCDPSession(page);
	await devtools.send('Profiler.enable');
	await devtools.send('Profiler.setSamplingInterval', { interval: 500 });
	await devtools.send('Profiler.start');
	const began = performance.now();
	await page.goto(url);
	await page.getByText(`${PRESETS} presets`).waitFor();
	const shown = performance.now() - began;
	await page.waitForTimeout(300);
	// Starting the page is not what is measured here.
	await devtools.send('Profiler.stop');
	await devtools.send('Profiler.start');
	await page.waitForFunction(() => !document.body.textContent?.includes('still coming'), null, { timeout: 120_000 });
	const whole = performance.now() - began;
	/** Goes of script since the last call, in milliseconds, rising. */
	const take = async (): Promise<number[]> => {
		const { profile } = await devtools.send('Profiler.stop');
		await devtools.send('Profiler.start');
		const native = new Set(
			profile.nodes.filter((n) => /^\((idle|program|root)\)$/.test(n.callFrame.functionName)).map((n) => n.id)
		);
		const goes: number[] = [];
		const collector = profile.nodes.find((n) => n.callFrame.functionName === '(garbage collector)')?.id;
		let go = 0;
		let pause = 0;
		profile.samples?.forEach((id, i) => {
			const took = (profile.timeDeltas?.[i] ?? 0) / 1000;
			// The engine's own tidying is neither the script's nor a pause in it.
			if (id === collector) return;
			if (native.has(id)) pause += took;
			else {
				if (pause > PAUSE_MS) goes.push(go);
				if (pause > PAUSE_MS) go = 0;
				pause = 0;
				go += took;
			}
		});
		return [...goes, go].sort((a, b) => a - b);
	};
	const loading = await take();
	// Figures go on coming in while one works.
	await page.mouse.move(400, 400);
	for (let i = 0; i < 40; i++) {
		await page.mouse.wheel(0, 900);
		await page.waitForTimeout(30);
	}
	const scrolling = await take();
	await page.getByRole('searchbox').pressSequentially('preset 4321', { delay: 80 });
	await page.waitForTimeout(400);
	const searching = await take();
	await page.getByRole('searchbox').fill('');
	for (const name of ['name', 'size', 'pace', 'length']) {
		await page.getByRole('table').getByRole('button', { name, exact: true }).click();
		await page.waitForTimeout(500);
	}
	const sorting = await take();
	const inDom = await page.getByRole('row').count();
	const say = (name: string, tasks: number[]): void =>
		line(
			quantile(tasks, 1) <= BLOCK_MS,
			`${PRESETS} presets, ${name}: longest go of script ${Math.round(quantile(tasks, 1))} ms, p95 ${Math.round(quantile(tasks, 0.95))} ms`,
			`≤ ${BLOCK_MS} ms`
		);
	process.stdout.write(
		`        ${PRESETS} presets: page after ${Math.round(shown)} ms, all there after ${Math.round(whole)} ms, ${inDom} rows in the page\n`
	);
	say('arriving', loading);
	say('scrolling', scrolling);
	say('searching', searching);
	say('sorting', sorting);
	await page.close();
}

/** The moving picture, drawn in software where there is no graphics card: how many a second, of how many pixels. */
async function pictures(browser: Browser): Promise<void> {
	const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
	// What runs this file names its functions by a helper that the page does not have.
	await page.addInitScript('globalThis.__name = (f) => f');
	const address = process.env.DINESIS_ADDRESS!;
	for (const [room, path] of [
		['Bench', 'bench/wave-on-tower'],
		['Course', 'course/first-watch']
	] as const) {
		const began = performance.now();
		await page.goto(`${address}/lamp-at-morrowskerry/${path}`);
		await page.locator('.glass.ready').waitFor();
		const moves = performance.now() - began;
		if (room === 'Course') await page.getByRole('button', { name: 'Play', exact: true }).click();
		// Its resolution has settled by then.
		await page.waitForTimeout(6000);
		const [rate, width, height] = await page.evaluate(
			(seconds) =>
				new Promise<[number, number, number]>((done) => {
					const canvas = document.querySelector<HTMLCanvasElement>('.glass canvas')!;
					const from = performance.now();
					let count = 0;
					const next = (now: number): void => {
						count++;
						if (now - from < seconds * 1000) requestAnimationFrame(next);
						else done([count / seconds, canvas.width, canvas.height]);
					};
					requestAnimationFrame(next);
				}),
			4
		);
		process.stdout.write(
			`        ${room}: ${rate.toFixed(0)} pictures a second of ${width} × ${height} pixels, the first after ${Math.round(moves)} ms\n`
		);
	}
	await page.close();
}

/** What a room's page asks for before it is seen, gzip, and the most it may be. */
const FIRST_SCRIPTS: readonly [path: string, bound: number][] = [
	['bench/wave-on-tower', 165],
	['library', 150],
	['cues', 150],
	['rig/keepers-eyes', 181],
	['course/first-watch', 198],
	['review/shake%3Awave-on-tower', 161]
];

async function firstScripts(browser: Browser): Promise<void> {
	const { request } = await browser.newContext();
	const address = process.env.DINESIS_ADDRESS!;
	for (const [path, bound] of FIRST_SCRIPTS) {
		const url = `${address}/lamp-at-morrowskerry/${path}`;
		// The server names what the page needs at once, where the browser can begin with it first.
		const named = (await request.get(url)).headers().link ?? '';
		let bytes = 0;
		for (const [, href] of named.matchAll(/<([^>]+)>; rel="modulepreload"/g))
			bytes += gzipSync(await (await request.get(new URL(href!, url).href)).body(), { level: 9 }).length;
		const size = bytes / 1024;
		line(size > 0 && size <= bound, `${path}: ${size.toFixed(1)} KB of script before it is seen`, `≤ ${bound} KB`);
	}
}

const stop = await setup();
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: CHROMIUM_ARGS });
try {
	await firstScripts(browser);
	await pictures(browser);
	await dragging(browser);
	await library(browser);
} finally {
	await browser.close();
	await stop();
}
process.exit(failed ? 1 : 0);
