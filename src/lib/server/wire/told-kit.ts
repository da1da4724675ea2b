/**
 * What the games of a project were told of its kit. What a page changes is told at once; what is kept follows by itself: whenever nobody has
 * changed anything for a while, what was told is held against what is kept, and the difference is told, so that in the end both are the same.
 */
import { fieldsBetween, withFields, type FieldSet, type ToGame } from 'dinesis-runtime/wire';

export interface ProjectKit {
	/** Of the project's last change in it. */
	readonly number: number;
	/** Without what only the tool knows. */
	readonly kit: Readonly<Record<string, unknown>>;
}

export interface ToldHost {
	/** What the project has now; null: it is not there. */
	load(): Promise<ProjectKit | null>;
	/** Tells all its games. */
	tell(message: ToGame): void;
	/** Whether there is anybody to tell. */
	hasGames(): boolean;
	/** Calls back after milliseconds, and gives what takes it back. */
	later(work: () => void, ms: number): () => void;
	now(): number;
}

/** A change that somebody's page has told of may take so long to be kept. */
export const SETTLES_MS = 1500;

export class ToldKit {
	/** null while it is being loaded. */
	private told: ProjectKit | null = null;
	private loading: Promise<void> | null = null;
	/** When a page changed something last. */
	private changedAt = -Infinity;
	private stopSettling: (() => void) | null = null;

	constructor(private readonly host: ToldHost) {}

	/** What a game that comes is told; null: the project is not to be had. */
	async whole(): Promise<ProjectKit | null> {
		if (this.told) return this.told;
		this.loading ??= this.host
			.load()
			.then((now) => void (this.told ??= now))
			.catch(() => undefined)
			.finally(() => (this.loading = null));
		await this.loading;
		return this.told;
	}

	/** A game has something else than it was told: what is kept decides. */
	forget(): void {
		this.told = null;
	}

	/** A page changes something. */
	change(sets: readonly FieldSet[], stamp: string): void {
		if (!this.host.hasGames()) return;
		this.changedAt = this.host.now();
		// What is being loaded may be from before: it is caught up.
		if (!this.told) return this.settle(SETTLES_MS);
		try {
			this.told = { ...this.told, kit: withFields(this.told.kit, sets) };
		} catch {
			// The page is ahead, or behind.
			return this.settle(0);
		}
		this.host.tell({ type: 'change', sets, stamp });
		this.settle(SETTLES_MS);
	}

	/** Something was kept: somebody's page may have told of it already. */
	kept(): void {
		if (!this.host.hasGames()) return;
		this.settle(Math.max(0, SETTLES_MS - (this.host.now() - this.changedAt)));
	}

	close(): void {
		this.stopSettling?.();
	}

	/** Once nothing has been changed for so long, games get what they do not have yet. */
	private settle(ms: number): void {
		this.stopSettling?.();
		this.stopSettling = this.host.later(() => {
			this.stopSettling = null;
			void this.catchUp();
		}, ms);
	}

	private async catchUp(): Promise<void> {
		const now = await this.host.load().catch(() => null);
		if (!now || !this.host.hasGames()) return;
		// Changed meanwhile: later.
		if (this.stopSettling) return;
		const { told } = this;
		this.told = now;
		if (!told) return this.host.tell({ type: 'kit', ...now });
		const sets = fieldsBetween([], told.kit, now.kit);
		if (sets.length > 0) this.host.tell({ type: 'change', sets });
	}
}
