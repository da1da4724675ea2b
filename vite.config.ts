import { sveltekit } from '@sveltejs/kit/vite';
import { defineConfig, type Plugin } from 'vite';

/** The wire, while one develops; `./dinesis start` opens it itself. */
const wire: Plugin = {
	name: 'wire',
	apply: 'serve',
	async configureServer(server) {
		const url = process.env.DATABASE_URL;
		const { httpServer } = server;
		if (!url || !httpServer) return;
		const { openWire } = (await server.ssrLoadModule(
			'/src/lib/server/wire/sockets.ts'
		)) as typeof import('./src/lib/server/wire/sockets');
		const { Door } = (await server.ssrLoadModule('/src/lib/server/door.ts')) as typeof import('./src/lib/server/door');
		openWire(httpServer as never, { door: new Door({ key: null }), url });
	}
};

export default defineConfig({
	plugins: [sveltekit(), wire],
	worker: { format: 'es' },
	// No data: addresses: the content-security policy takes fonts from our own server only.
	build: { assetsInlineLimit: 0, chunkSizeWarningLimit: 1200 },
	server: { fs: { allow: ['runtime', 'demo'] } }
});
