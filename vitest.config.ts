import { svelte } from '@sveltejs/vite-plugin-svelte';
import { svelteTesting } from '@testing-library/svelte/vite';
import { defineConfig } from 'vitest/config';

/** A loaded machine is many times slower. Projects do not take this from the root. */
const patience = { testTimeout: 60000, hookTimeout: 120000 };
const root = new URL('.', import.meta.url).pathname;

export default defineConfig({
	test: {
		projects: [
			{
				resolve: { alias: { $lib: `${root}src/lib` } },
				test: {
					name: 'unit',
					...patience,
					include: ['src/lib/**/*.test.ts', 'demo/**/*.test.ts', 'runtime/**/*.test.ts', 'scripts/**/*.test.ts'],
					exclude: ['**/*.svelte.test.ts', '**/*.server.test.ts', 'src/lib/server/**']
				}
			},
			{
				plugins: [svelte(), svelteTesting()],
				resolve: { alias: { $lib: `${root}src/lib` } },
				test: {
					name: 'page',
					...patience,
					environment: 'jsdom',
					include: ['src/lib/**/*.svelte.test.ts']
				}
			},
			{
				resolve: { alias: { $lib: `${root}src/lib` } },
				test: {
					name: 'server',
					...patience,
					include: ['src/lib/server/**/*.test.ts', 'scripts/**/*.server.test.ts'],
					globalSetup: ['scripts/lib/test-database.ts']
				}
			}
		]
	}
});
