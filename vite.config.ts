import { sveltekit } from '@sveltejs/kit/vite';
import { defineConfig } from 'vite';

export default defineConfig({
	plugins: [sveltekit()],
	worker: { format: 'es' },
	// No data: addresses: the content-security policy takes fonts from our own server only.
	build: { assetsInlineLimit: 0, chunkSizeWarningLimit: 1200 },
	server: { fs: { allow: ['runtime', 'demo'] } }
});
