import adapter from '@sveltejs/adapter-node';
import { vitePreprocess } from '@sveltejs/vite-plugin-svelte';

/** @type {import('@sveltejs/kit').Config} */
export default {
	preprocess: vitePreprocess(),
	compilerOptions: { runes: ({ filename }) => (filename.includes('node_modules') ? undefined : true) },
	kit: {
		adapter: adapter({ out: process.env.DINESIS_BUILD ?? 'build/loose' }),
		// Our own check of a write's origin (hooks.server.ts) covers every content type.
		csrf: { trustedOrigins: [] },
		csp: {
			mode: 'auto',
			directives: {
				'default-src': ['none'],
				// The physics of the free run is WebAssembly that ships with the page.
				'script-src': ['self', 'wasm-unsafe-eval'],
				'style-src': ['self'],
				'style-src-attr': ['unsafe-inline'],
				'img-src': ['self', 'data:', 'blob:'],
				'font-src': ['self'],
				'connect-src': ['self'],
				'worker-src': ['self'],
				'manifest-src': ['self'],
				'form-action': ['self'],
				'base-uri': ['none'],
				'frame-ancestors': ['none'],
				'object-src': ['none']
			}
		}
	}
};
