/** Calls back once the page has shown its first content, or after a second where the browser does not tell. */
export function afterFirstPaint(run: () => void): void {
	let done = false;
	const once = (): void => {
		if (done) return;
		done = true;
		setTimeout(run, 0);
	};
	const painted = (): boolean => performance.getEntriesByName('first-contentful-paint').length > 0;
	if (painted()) return once();
	if (globalThis.PerformanceObserver?.supportedEntryTypes?.includes('paint')) {
		const observer = new PerformanceObserver(() => {
			if (!painted()) return;
			observer.disconnect();
			once();
		});
		observer.observe({ type: 'paint', buffered: true });
	}
	setTimeout(once, 1000);
}

/** Fetches parts of the page that are not seen at once, so that they are here when they are asked for, also while the server is away. */
export function fetchAfterPaint(...parts: readonly (() => Promise<unknown>)[]): void {
	afterFirstPaint(() => {
		for (const part of parts) void part().catch(() => undefined);
	});
}
