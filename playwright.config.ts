import { defineConfig } from '@playwright/test';

/** WebGL in software; everything else drawn without a GPU, which in software is many times faster than through one. */
export const CHROMIUM_ARGS = [
	'--disable-accelerated-2d-canvas',
	'--disable-gpu-rasterization',
	'--disable-gpu-compositing',
	'--no-sandbox',
	'--use-gl=angle',
	'--use-angle=swiftshader',
	'--ignore-gpu-blocklist',
	'--enable-unsafe-swiftshader',
	'--disable-quic',
	'--no-first-run',
	'--disable-background-networking',
	'--disable-component-update',
	'--disable-sync'
];

export default defineConfig({
	testDir: 'e2e',
	testMatch: '*.spec.ts',
	timeout: 240_000,
	expect: { timeout: 60_000 },
	workers: 1,
	// A loaded machine is many times slower: a journey that stumbled over that is tried again, one that is wrong fails again.
	retries: 2,
	reporter: process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ? [['json'], ['line']] : [['line']],
	globalSetup: './e2e/server.ts',
	outputDir: 'test-results',
	use: {
		viewport: { width: 1280, height: 800 },
		launchOptions: { executablePath: '/usr/bin/chromium', args: CHROMIUM_ARGS }
	}
});
