import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { createRuntime, openKit } from 'dinesis-runtime';
import { ROOT } from '../scripts/lib/paths';

test('the package plays in a plain page, without a bundler, as the tool does', async ({ page }) => {
	execFileSync(process.execPath, ['--import', 'tsx', 'scripts/pack.ts'], { cwd: ROOT, stdio: 'ignore' });
	const module = readFileSync(join(ROOT, 'packed/runtime/dist/single.js'), 'utf8');
	const example = /```js\n([\s\S]*?)```/.exec(readFileSync(join(ROOT, 'runtime/README.md'), 'utf8'))![1]!;

	// A page of a game's own: two files beside it, and a map from the package's name to its file.
	const html = `<!doctype html><script type="importmap">{ "imports": { "dinesis-runtime": "./index.js" } }</script>
		<script type="module" src="./game.js"></script>`;
	const files: Record<string, [type: string, body: string]> = {
		'/': ['text/html', html],
		'/index.js': ['text/javascript', module],
		'/game.js': ['text/javascript', `${example}\nwindow.numbers = [...camera, ...offset, fov];`]
	};
	await page.route('http://game.invalid/**', (route) => {
		const file = files[new URL(route.request().url()).pathname];
		return file ? route.fulfill({ contentType: file[0], body: file[1] }) : route.fulfill({ status: 404 });
	});
	const errors: string[] = [];
	page.on('pageerror', (error) => errors.push(error.message));
	await page.goto('http://game.invalid/');
	await page.waitForFunction(() => 'numbers' in window);
	const there = await page.evaluate(() => (window as unknown as { numbers: number[] }).numbers);

	const parsed = new Function(`${/const parsed = ([\s\S]*?\n\};)/.exec(example)![0]} return parsed;`)() as unknown;
	const read = openKit(parsed);
	if (!read.ok) throw new Error('The example’s kit cannot be read.');
	const runtime = createRuntime(read.value, { seed: 1 });
	const body = { pose: [0, 0, 0, 0, 0], speed: 0, grounded: true };
	runtime.advance(0, body);
	runtime.raise('landing');
	const { camera, offset, fov } = runtime.advance(1 / 60, body);
	expect(errors).toEqual([]);
	expect(there).toEqual([...camera, ...offset, fov]);
	expect(there[8]).not.toBe(0);
});
