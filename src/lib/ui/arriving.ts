/**
 * Parts of the page that come later, when something first needs them. While the server is away they cannot: then they are asked for again
 * until they come, or until nobody needs them any more.
 */
const AGAIN_MS = 3000;

/** Never answers once `gone` says that nobody waits. `late` is called when it did not come at once. */
export async function arriving<T>(load: () => Promise<T>, gone: () => boolean, late?: () => void): Promise<T> {
	for (;;) {
		try {
			return await load();
		} catch {
			late?.();
			await new Promise((next) => setTimeout(next, AGAIN_MS));
			if (gone()) return new Promise<never>(() => undefined);
		}
	}
}
