/** The page's side of what belongs to a project as a whole: its key, its backups, who worked on it. */
import { at, call, type Answer } from './api';

export interface Backup {
	readonly id: string;
	/** Of the project's last change in it. */
	readonly number: number;
	readonly name: string;
	readonly who: string;
	readonly bytes: number;
	readonly savedAt: string;
}

/** Somebody by the name that changes bear; empty: who bore none. */
export interface Worker {
	readonly who: string;
	readonly changes: number;
	readonly lastAt: string;
}

export const fetchShareKey = (slug: string): Promise<Answer<{ readonly key: string }>> =>
	call('GET', `${at(slug)}/key`);
export const renewShareKey = (slug: string): Promise<Answer<{ readonly key: string }>> =>
	call('POST', `${at(slug)}/key`);

/** Where the stand-in game is; null: none was started. */
export const fetchStandIn = (): Promise<Answer<{ readonly address: string | null }>> => call('GET', '/api/stand-in');

/** The address of a project's wire, for games. */
export const wireAddress = (slug: string, { protocol, host }: Pick<Location, 'protocol' | 'host'> = location): string =>
	`${protocol === 'https:' ? 'wss' : 'ws'}://${host}/wire/${encodeURIComponent(slug)}`;

/** The stand-in game, which connects by itself; null: there is none, or it is not to be had. */
export async function standInFor(slug: string): Promise<string | null> {
	const [there, key] = await Promise.all([fetchStandIn(), fetchShareKey(slug)]);
	if (!there.ok || !key.ok || there.value.address === null) return null;
	return `${there.value.address}/#${new URLSearchParams({ at: wireAddress(slug), key: key.value.key }).toString()}`;
}

export const fetchWorkers = (slug: string, after = 0): Promise<Answer<Worker[]>> =>
	call('GET', `${at(slug)}/people?after=${after}`);

export const fetchBackups = (slug: string): Promise<Answer<Backup[]>> => call('GET', `${at(slug)}/backups`);
export const makeBackup = (slug: string, name: string, who: string): Promise<Answer<Backup>> =>
	call('POST', `${at(slug)}/backups`, { name, who });
/** Where the file of one can be had. */
export const backupAddress = (slug: string, id: string): string => `${at(slug)}/backups/${id}`;

/** The file of one, as text. */
export const fetchBackup = async (slug: string, id: string): Promise<Answer<string>> => {
	try {
		const response = await fetch(backupAddress(slug, id));
		if (response.ok) return { ok: true, value: await response.text() };
		const message = ((await response.json().catch(() => null)) as { message?: string } | null)?.message;
		return { ok: false, away: false, status: response.status, message: message ?? 'It could not be had.' };
	} catch {
		return { ok: false, away: true, status: 0, message: 'The server does not answer.' };
	}
};
