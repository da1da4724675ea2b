/** The stand-in game: built on the package that a game installs, and served from a port of its own, as a game would be. */
import { createReadStream, existsSync, mkdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import { extname, join, normalize } from 'node:path';
import { build } from 'vite';
import { DEMO_KIT, ROOT } from './paths';
import { readKit } from '../../src/lib/documents';
import { kitMinified } from '../../src/lib/handover';

/** `installed`: the folder of the unpacked package. */
export async function buildStandIn(installed: string, out: string): Promise<void> {
	mkdirSync(out, { recursive: true });
	await build({
		configFile: false,
		logLevel: 'error',
		root: join(ROOT, 'demo/stand-in'),
		base: './',
		resolve: {
			alias: [
				{ find: /^dinesis-runtime\/wire$/, replacement: join(installed, 'dist/wire.js') },
				{ find: /^dinesis-runtime$/, replacement: join(installed, 'dist/index.js') }
			]
		},
		build: { outDir: out, emptyOutDir: true, target: 'es2022', modulePreload: { polyfill: false } }
	});
	const kit = readKit(readFileSync(DEMO_KIT));
	if (!kit.ok) throw new Error('The demo cannot be read.');
	writeFileSync(join(out, 'kit.json'), kitMinified({ ...kit.value, courses: [] }));
}

const TYPES: Readonly<Record<string, string>> = {
	'.html': 'text/html; charset=utf-8',
	'.js': 'text/javascript; charset=utf-8',
	'.css': 'text/css; charset=utf-8',
	'.json': 'application/json; charset=utf-8'
};

/** Serves its files and nothing else. Resolves to its address. */
export async function serveStandIn(
	folder: string,
	host: string,
	first: number
): Promise<{ address: string; close(): void }> {
	const server: Server = createServer((request, response) => {
		const { pathname } = new URL(request.url ?? '/', 'http://own');
		const file = join(folder, normalize(pathname === '/' ? '/index.html' : pathname));
		const type = TYPES[extname(file)];
		if (!file.startsWith(folder) || !type || !existsSync(file) || !statSync(file).isFile()) {
			response.writeHead(404).end('Not found');
			return;
		}
		response.writeHead(200, { 'content-type': type, 'cache-control': 'no-cache', 'x-content-type-options': 'nosniff' });
		createReadStream(file).pipe(response);
	});
	for (let port = first; ; port++)
		try {
			await new Promise<void>((done, failed) => {
				server.once('error', failed);
				server.listen(port, host, () => {
					server.removeListener('error', failed);
					done();
				});
			});
			const bound = (server.address() as { port: number }).port;
			return {
				address: `http://${host.includes(':') ? `[${host}]` : host}:${bound}`,
				close: () => {
					server.close();
					server.closeAllConnections();
				}
			};
		} catch (error) {
			if ((error as NodeJS.ErrnoException).code !== 'EADDRINUSE' || port > first + 50 || first === 0) throw error;
		}
}
