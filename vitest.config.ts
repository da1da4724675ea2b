import { svelte } from '@sveltejs/vite-plugin-svelte';
import { svelteTesting } from '@testing-library/svelte/vite';
import { defineConfig } from 'vitest/config';

const root = new URL('.', import.meta.url).pathname;

export default defineConfig({
	test: {
		testTimeout: 60000,
		hookTimeout: 120000,
		projects: [
			{
				resolve: { alias: { $lib: `${root}src/lib`, $runtime: `${root}runtime/index.ts` } },
				test: {
					name: 'unit',
					include: [
						'src/lib/{core,plots,ui,features,workers,viewport,world}/**/*.test.ts',
						'runtime/**/*.test.ts',
						'scripts/**/*.test.ts'
					],
					exclude: ['**/*.svelte.test.ts']
				}
			},
			{
				plugins: [svelte(), svelteTesting()],
				resolve: { alias: { $lib: `${root}src/lib`, $runtime: `${root}runtime/index.ts` } },
				test: {
					name: 'page',
					environment: 'jsdom',
					include: ['src/lib/**/*.svelte.test.ts']
				}
			},
			{
				resolve: { alias: { $lib: `${root}src/lib` } },
				test: {
					name: 'server',
					include: ['src/lib/server/**/*.test.ts'],
					globalSetup: ['scripts/lib/test-database.ts']
				}
			}
		]
	}
});
