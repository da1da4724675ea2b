/**
 * The wire's middle: games and pages of a project, on whichever server of this database they are. Games get the project's kit and what is
 * changed of it; pages get what games send, as far as they look. It knows no socket, no database: both are handed to it.
 *
 * A page sends what one changes there at once, so that it is felt within a picture; the server's own changes follow when they are kept. What
 * the games were told is held against what is kept whenever nobody has changed anything for a while, so that in the end both are the same.
 */
import { fieldsBetween, withFields, type FieldSet, type FromGame, type ToGame } from 'dinesis-runtime/wire';
import type { FromPage } from './check';

/** A line to somebody. */
export interface Line {
	/** Characters on their way. */
	readonly waiting: number;
	send(text: string): void;
	/** 4001 and 4002 are not tried again. */
	close(code: number, reason: string): void;
}

export interface ProjectKit {
	readonly number: number;
	/** Without what only the tool knows. */
	readonly kit: Readonly<Record<string, unknown>>;
}

export interface HubHost {
	/** What a project has now; null: it is not there. */
	load(project: string): Promise<ProjectKit | null>;
	/** Says something to the other servers of this database. */
	pass(said: Said): void;
	/** Calls back after milliseconds, and gives what takes it back. */
	later(work: () => void, ms: number): () => void;
	now(): number;
	newId(): string;
}

/** A game as pages hear of it. */
export interface GameThere {
	readonly id: string;
	readonly game: string;
	readonly kit: string;
	readonly version: string | null;
	readonly seed: number;
	readonly rig: string | null;
	readonly viewers: number;
	readonly takes: boolean;
	/** When it came, in milliseconds. */
	readonly since: number;
}

/** To a page of the tool. */
export type ToPage =
	| { readonly type: 'games'; readonly games: readonly GameThere[] }
	| { readonly type: 'game'; readonly game: string; readonly said: Exclude<FromGame, { type: 'hello' | 'beat' }> }
	/** Frames that were left out on the way to this page. */
	| { readonly type: 'skipped'; readonly frames: number }
	| { readonly type: 'beat' };

/** Between servers. */
export type Said =
	| { readonly of: 'games'; readonly project: string; readonly server: string; readonly games: readonly GameThere[] }
	| { readonly of: 'who'; readonly project: string }
	| { readonly of: 'game'; readonly project: string; readonly game: string; readonly text: string }
	| { readonly of: 'page'; readonly project: string; readonly text: string }
	| {
			readonly of: 'look';
			readonly project: string;
			readonly server: string;
			readonly wants: Readonly<Record<string, boolean>>;
	  };

interface Game {
	readonly there: GameThere;
	readonly line: Line;
	wants: boolean;
}
interface Page {
	readonly line: Line;
	/** Games whose frames it looks at. */
	readonly looks: Set<string>;
	skipped: number;
}
interface Project {
	readonly id: string;
	readonly name: string;
	readonly games: Map<string, Game>;
	readonly pages: Set<Page>;
	/** By server: its games, and which games it wants frames of; when it said so. */
	readonly elsewhere: Map<string, { readonly games: readonly GameThere[]; readonly at: number }>;
	readonly wanted: Map<string, { readonly games: Readonly<Record<string, boolean>>; readonly at: number }>;
	/** What its games were told; null while it is being loaded. */
	told: ProjectKit | null;
	loading: Promise<void> | null;
	/** When a page changed something last. */
	changedAt: number;
	stopSettling: (() => void) | null;
}

/** A change that somebody's page has told of may take so long to be kept. */
export const SETTLES_MS = 1500;
/** Beyond so many characters on their way to a page its frames are left out. */
export const MOST_WAITING = 1024 * 1024;
/** A server that has said nothing for so long is gone. */
export const GONE_MS = 16_000;

export class Hub {
	private readonly projects = new Map<string, Project>();

	constructor(
		private readonly host: HubHost,
		readonly server: string
	) {}

	private project(id: string, name: string): Project {
		const known = this.projects.get(id);
		if (known) return known;
		const made: Project = {
			id,
			name,
			games: new Map(),
			pages: new Set(),
			elsewhere: new Map(),
			wanted: new Map(),
			told: null,
			loading: null,
			changedAt: -Infinity,
			stopSettling: null
		};
		this.projects.set(id, made);
		this.host.pass({ of: 'who', project: id });
		return made;
	}

	private leaveIfEmpty(project: Project): void {
		if (project.games.size > 0 || project.pages.size > 0) return;
		project.stopSettling?.();
		this.projects.delete(project.id);
	}

	// Games.

	/** A game that was let in. Returns what hears it, and what says that it is gone. */
	joinGame(
		{ id, name }: { readonly id: string; readonly name: string },
		hello: Extract<FromGame, { type: 'hello' }>,
		line: Line
	): { hear(message: FromGame): void; gone(): void } {
		const project = this.project(id, name);
		const { game, kit, version, seed, rig, viewers, takes } = hello;
		const there: GameThere = {
			id: this.host.newId(),
			game,
			kit,
			version,
			seed,
			rig,
			viewers,
			takes,
			since: this.host.now()
		};
		const mine: Game = { there, line, wants: false };
		project.games.set(there.id, mine);
		say(line, { type: 'welcome', wire: 1, project: name });
		void this.withKit(project).then(() => {
			if (project.told && project.games.has(there.id)) say(line, { type: 'kit', ...project.told });
			this.tellWants(project, mine, true);
		});
		this.tellGames(project);
		return {
			hear: (message) => this.hearGame(project, mine, message),
			gone: () => {
				if (!project.games.delete(there.id)) return;
				this.tellGames(project);
				this.leaveIfEmpty(project);
			}
		};
	}

	private hearGame(project: Project, { there, line }: Game, message: FromGame): void {
		if (message.type === 'beat' || message.type === 'hello') return;
		if (message.type === 'lost') {
			// It has something else than it was told: the whole again.
			project.told = null;
			void this.withKit(project).then(() => project.told && say(line, { type: 'kit', ...project.told }));
		}
		const text = JSON.stringify({ type: 'game', game: there.id, said: message } satisfies ToPage);
		this.toPages(project, there.id, text, message.type === 'frames' ? message.frames.length : 0);
		this.host.pass({ of: 'game', project: project.id, game: there.id, text });
	}

	private toPages(project: Project, game: string, text: string, frames: number): void {
		let bare: string | null = null;
		for (const page of project.pages) {
			if (frames > 0 && page.line.waiting > MOST_WAITING) {
				page.skipped += frames;
				continue;
			}
			if (page.skipped > 0) {
				say(page.line, { type: 'skipped', frames: page.skipped });
				page.skipped = 0;
			}
			// Calls are heard by everybody, frames by who looks.
			page.line.send(frames > 0 && !page.looks.has(game) ? (bare ??= withoutFrames(text)) : text);
		}
	}

	/** Whether anybody, here or on another server, looks at a game's frames. */
	private tellWants(project: Project, game: Game, always = false): void {
		const { id } = game.there;
		const wants =
			[...project.pages].some(({ looks }) => looks.has(id)) ||
			[...project.wanted.values()].some(({ games }) => games[id] === true);
		if (!always && wants === game.wants) return;
		game.wants = wants;
		say(game.line, { type: 'want', frames: wants, felt: wants });
	}

	// Pages.

	joinPage(
		{ id, name }: { readonly id: string; readonly name: string },
		line: Line
	): { hear(message: FromPage): void; gone(): void } {
		const project = this.project(id, name);
		const page: Page = { line, looks: new Set(), skipped: 0 };
		project.pages.add(page);
		say(line, { type: 'games', games: this.gamesOf(project) });
		return {
			hear: (message) => this.hearPage(project, page, message),
			gone: () => {
				project.pages.delete(page);
				this.tellLooks(project);
				for (const game of project.games.values()) this.tellWants(project, game);
				this.leaveIfEmpty(project);
			}
		};
	}

	private hearPage(project: Project, page: Page, message: FromPage): void {
		switch (message.type) {
			case 'look':
				return say(page.line, { type: 'games', games: this.gamesOf(project) });
			case 'beat':
				return say(page.line, { type: 'beat' });
			case 'want':
				if (message.frames) page.looks.add(message.game);
				else page.looks.delete(message.game);
				this.tellLooks(project);
				break;
		}
		this.obey(project, message);
		if (message.type !== 'want' || message.moment !== undefined)
			this.host.pass({ of: 'page', project: project.id, text: JSON.stringify(message) });
	}

	/** What a page wants of the games that are here. */
	private obey(project: Project, message: FromPage): void {
		if (message.type === 'change') return this.change(project, message.sets, message.stamp);
		if (message.type !== 'want' && message.type !== 'take') return;
		const game = project.games.get(message.game);
		if (!game) return;
		if (message.type === 'take') return say(game.line, { type: 'take', recording: message.recording });
		this.tellWants(project, game);
		const { moment } = message;
		if (moment !== undefined) say(game.line, { type: 'want', frames: game.wants, felt: game.wants, moment });
	}

	private change(project: Project, sets: readonly FieldSet[], stamp: string): void {
		if (project.games.size === 0) return;
		project.changedAt = this.host.now();
		const { told } = project;
		// What is being loaded may be from before: it is caught up.
		if (!told) return this.settle(project, SETTLES_MS);
		try {
			project.told = { ...told, kit: withFields(told.kit, sets) };
		} catch {
			// The page is ahead, or behind: what is kept decides.
			return this.settle(project, 0);
		}
		for (const { line } of project.games.values()) say(line, { type: 'change', sets, stamp });
		this.settle(project, SETTLES_MS);
	}

	// What is kept.

	/** The project has changed: somebody's page may have told of it already. */
	changed(id: string): void {
		const project = this.projects.get(id);
		if (!project || project.games.size === 0) return;
		const since = this.host.now() - project.changedAt;
		this.settle(project, Math.max(0, SETTLES_MS - since));
	}

	/** Something may have been missed. */
	changedAll(): void {
		for (const id of this.projects.keys()) this.changed(id);
	}

	/** Once nothing has been changed for so long, games get what they do not have yet. */
	private settle(project: Project, ms: number): void {
		project.stopSettling?.();
		project.stopSettling = this.host.later(() => {
			project.stopSettling = null;
			void this.catchUp(project);
		}, ms);
	}

	private async catchUp(project: Project): Promise<void> {
		const now = await this.host.load(project.id).catch(() => null);
		const { told } = project;
		if (!now || project.games.size === 0) return;
		// Changed meanwhile: later.
		if (this.host.now() - project.changedAt < SETTLES_MS && project.changedAt > -Infinity)
			return this.settle(project, SETTLES_MS);
		project.told = now;
		const sets = told ? fieldsBetween([], told.kit, now.kit) : [];
		for (const { line } of project.games.values())
			if (!told) say(line, { type: 'kit', ...now });
			else if (sets.length > 0) say(line, { type: 'change', sets });
	}

	private withKit(project: Project): Promise<void> {
		if (project.told) return Promise.resolve();
		project.loading ??= this.host
			.load(project.id)
			.then((now) => void (project.told ??= now))
			.catch(() => undefined)
			.finally(() => (project.loading = null));
		return project.loading;
	}

	// Several servers.

	/** What another server says. */
	hear(said: Said): void {
		const project = this.projects.get(said.project);
		if (!project) return;
		switch (said.of) {
			case 'who':
				this.pass(project);
				return;
			case 'games':
				if (said.server === this.server) return;
				if (said.games.length > 0) project.elsewhere.set(said.server, { games: said.games, at: this.host.now() });
				else if (!project.elsewhere.delete(said.server)) return;
				this.showGames(project);
				return;
			case 'game':
				this.toPages(project, said.game, said.text, said.text.includes('"frames":[]') ? 0 : 1);
				return;
			case 'page':
				return this.obey(project, JSON.parse(said.text) as FromPage);
			case 'look':
				if (said.server === this.server) return;
				project.wanted.set(said.server, { games: said.wants, at: this.host.now() });
				for (const game of project.games.values()) this.tellWants(project, game);
		}
	}

	private gamesOf(project: Project): GameThere[] {
		return [
			...[...project.games.values()].map(({ there }) => there),
			...[...project.elsewhere.values()].flatMap(({ games }) => games)
		].sort((a, b) => a.since - b.since);
	}

	private showGames(project: Project): void {
		for (const { line } of project.pages) say(line, { type: 'games', games: this.gamesOf(project) });
	}

	private tellGames(project: Project): void {
		this.showGames(project);
		this.pass(project);
	}

	/** Called every few seconds: says again who is here, and forgets servers that say nothing any more. */
	beat(): void {
		const since = this.host.now() - GONE_MS;
		for (const project of this.projects.values()) {
			for (const { line } of project.games.values()) say(line, { type: 'beat' });
			this.pass(project);
			for (const [server, { at }] of project.wanted) if (at < since) project.wanted.delete(server);
			let left = false;
			for (const [server, { at }] of project.elsewhere) if (at < since) left = project.elsewhere.delete(server) || left;
			if (left) this.showGames(project);
			for (const game of project.games.values()) this.tellWants(project, game);
		}
	}

	private pass(project: Project): void {
		const games = [...project.games.values()].map(({ there }) => there);
		this.host.pass({ of: 'games', project: project.id, server: this.server, games });
		this.tellLooks(project);
	}

	private tellLooks(project: Project): void {
		const wants: Record<string, boolean> = {};
		for (const { looks } of project.pages) for (const game of looks) wants[game] = true;
		this.host.pass({ of: 'look', project: project.id, server: this.server, wants });
		for (const game of project.games.values()) this.tellWants(project, game);
	}
}

const say = (line: Line, message: ToGame | ToPage): void => line.send(JSON.stringify(message));

/** The same without its frames. */
function withoutFrames(text: string): string {
	const message = JSON.parse(text) as Extract<ToPage, { type: 'game' }>;
	if (message.said.type !== 'frames') return text;
	return JSON.stringify({ ...message, said: { ...message.said, frames: [] } });
}
