import { live } from '$lib/server/store/live';
import type { RequestHandler } from './$types';

/** So often something is sent, so that whoever is between keeps the line open. */
const BEAT_MS = 20_000;

/** Server-sent events: of every project that changes its id and last number; `{}` when something may have been missed. */
export const GET: RequestHandler = ({ request }) => {
	const encoder = new TextEncoder();
	let end = (): void => undefined;
	const body = new ReadableStream<Uint8Array>({
		start(controller) {
			const send = (text: string): void => {
				try {
					controller.enqueue(encoder.encode(text));
				} catch {
					end();
				}
			};
			const stop = live().listen((told) => send(`data: ${JSON.stringify(told ?? {})}\n\n`));
			const beat = setInterval(() => send(': here\n\n'), BEAT_MS);
			end = () => {
				clearInterval(beat);
				stop();
			};
			request.signal.addEventListener('abort', () => end());
			send('retry: 1000\ndata: {}\n\n');
		},
		cancel: () => end()
	});
	return new Response(body, {
		headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' }
	});
};
