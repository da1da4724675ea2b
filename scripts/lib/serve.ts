/** Serves a build in this process. */
import { createServer, type Server } from 'node:http';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { Door, isSecure } from '../../src/lib/server/door';
import { openWire } from '../../src/lib/server/wire/sockets';

export interface Serving {
	readonly address: string;
	close(): Promise<void>;
}

export interface ServeOptions {
	readonly folder: string;
	readonly host: string;
	/** A port that must be free, or a first one to try upward from. */
	readonly port: number;
	readonly exact: boolean;
	/** The access key, where others can reach it. */
	readonly key?: string;
}

type Handler = (request: unknown, response: unknown, next: () => void) => void;

/** Throws an Error that says which port is taken. */
export async function serve(options: ServeOptions): Promise<Serving> {
	process.env.PROTOCOL_HEADER = 'x-dinesis-protocol';
	process.env.HOST_HEADER = 'host';
	process.env.BODY_SIZE_LIMIT = '21M';
	const { handler } = (await import(pathToFileURL(join(options.folder, 'handler.js')).href)) as { handler: Handler };
	const door = new Door({ key: options.key ?? null });
	const server = createServer((request, response) => {
		void door
			.answers(request, response)
			.then((answered) => {
				if (answered) return;
				request.headers['x-dinesis-protocol'] = isSecure(request) ? 'https' : 'http';
				handler(request, response, () => {
					response.statusCode = 404;
					response.end('Not found');
				});
			})
			// Whoever broke off in the middle hears nothing more.
			.catch(() => response.destroy());
	});
	const url = process.env.DATABASE_URL;
	const wire = url ? openWire(server, { door, url }) : null;
	const port = await listen(server, options);
	const shown = options.host.includes(':') ? `[${options.host}]` : options.host;
	return {
		address: `http://${shown}:${port}`,
		close: () =>
			new Promise((resolve) => {
				wire?.close();
				server.close(() => resolve());
				server.closeAllConnections();
			})
	};
}

async function listen(server: Server, { host, port, exact }: ServeOptions): Promise<number> {
	for (let tried = port; ; tried++) {
		try {
			await new Promise<void>((resolve, reject) => {
				server.once('error', reject);
				server.listen(tried, host, () => {
					server.removeListener('error', reject);
					resolve();
				});
			});
			return (server.address() as { port: number }).port;
		} catch (error) {
			const { code } = error as NodeJS.ErrnoException;
			if (code !== 'EADDRINUSE' || exact || tried > port + 100)
				throw new Error(
					code === 'EADDRINUSE'
						? `Port ${tried} is taken. Set PORT to another one, or leave it out and the next free one is used.`
						: `Cannot listen on ${host}:${tried} (${code}).`
				);
		}
	}
}
