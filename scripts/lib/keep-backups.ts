/** A backup a day while Dinesis runs. */
import { backUp, listBackups } from './archive';

const DAY = 24 * 3600_000;
const HOUR = 3600_000;

/** Whether the last one is a day old. */
export const isDue = (backups: readonly { readonly at: Date }[], now: number): boolean =>
	backups.every(({ at }) => now - at.getTime() >= DAY);

export function keepBackups(url: string, say: (message: string) => void): void {
	const look = async (): Promise<void> => {
		if (!isDue(listBackups(), Date.now())) return;
		try {
			await backUp(url, 'daily');
		} catch (error) {
			say(`the daily backup could not be made. ${(error as Error).message}`);
		}
	};
	// Not while the first pages are being opened.
	setTimeout(() => void look(), 60_000).unref();
	setInterval(() => void look(), HOUR).unref();
}
