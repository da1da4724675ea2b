/**
 * The wire's middle: games and pages of a project, on whichever server of this database they are. Games get the project's kit and what is
 * changed of it (`told-kit.ts`); pages get what games send, as far as they look. It knows no socket, no database: both are handed to it.
 */
import type { FromGame, Hello, ToGame } from 'dinesis-runtime/wire';
import type { FromPage, GameThere, ToPage } from '../../wire/pages';
import { ToldKit, type ProjectKit } from './told-kit';

/** A line to somebody. */
export interface Line {
	/** Characters on their way. */
	readonly waiting: number;
	send(text: string): void;
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

/** Between servers. */
export type Said =
	| { readonly of: 'games'; readonly project: string; readonly server: string; readonly games: readonly GameThere[] }
	| { readonly of: 'who'; readonly project: string }
	| {
			readonly of: 'game';
			readonly project: string;
			readonly game: string;
			readonly frames: number;
			readonly text: string;
	  }
	| { readonly of: 'page'; readonly project: string; readonly message: FromPage }
	| {
			readonly of: 'look';
			readonly project: string;
			readonly server: string;
			readonly wants: readonly string[];
	  };

interface Game {
	readonly there: GameThere;
	readonly line: Line;
	wants: boolean;
	/** When it was sent the whole kit last, and whether it will be again. */
	wholeAt: number;
	wholeDue: boolean;
}
interface Page {
	readonly line: Line;
	/** Games whose frames it looks at. */
	readonly looks: Set<string>;
	skipped: number;
}
/** What another server has said, and when. */
interface Elsewhere {
	games: readonly GameThere[];
	/** Games that its pages look at. */
	looks: ReadonlySet<string>;
	at: number;
}
interface Project {
	readonly id: string;
	readonly games: Map<string, Game>;
	readonly pages: Set<Page>;
	/** By server. */
	readonly elsewhere: Map<string, Elsewhere>;
	readonly kit: ToldKit;
}
/** A project as it is looked up. */
interface Named {
	readonly id: string;
	readonly name: string;
}

/** Beyond so many characters on their way to a page its frames are left out. */
export const MOST_WAITING = 1024 * 1024;
/** A server that has said nothing for so long is gone. */
export const GONE_MS = 16_000;
/** A game that says again and again that it lost its way is sent the whole kit no sooner than this. */
const WHOLE_MS = 1000;

export class Hub {
	private readonly projects = new Map<string, Project>();

	constructor(
		private readonly host: HubHost,
		readonly server: string
	) {}

	private project(id: string): Project {
		const known = this.projects.get(id);
		if (known) return known;
		const games = new Map<string, Game>();
		const { host } = this;
		const kit = new ToldKit({
			load: () => host.load(id),
			tell: (message) => games.forEach(({ line }) => say(line, message)),
			hasGames: () => games.size > 0,
			later: (work, ms) => host.later(work, ms),
			now: () => host.now()
		});
		const made: Project = { id, games, pages: new Set(), elsewhere: new Map(), kit };
		this.projects.set(id, made);
		host.pass({ of: 'who', project: id });
		return made;
	}

	private leaveIfEmpty(project: Project): void {
		if (project.games.size > 0 || project.pages.size > 0) return;
		project.kit.close();
		this.projects.delete(project.id);
	}

	// Games.

	/** A game that was let in. Returns what hears it, and what says that it is gone. */
	joinGame({ id, name }: Named, hello: Hello, line: Line): { hear(message: FromGame): void; gone(): void } {
		const project = this.project(id);
		const { game, kit, version, seed, rig, viewers, takes } = hello;
		const now = this.host.now();
		const there = { id: this.host.newId(), game, kit, version, seed, rig, viewers, takes, since: now };
		const mine: Game = { there, line, wants: false, wholeAt: now, wholeDue: false };
		project.games.set(there.id, mine);
		say(line, { type: 'welcome', wire: 1, project: name });
		void this.sendWhole(project, mine).then(() => this.tellWants(project, mine, true));
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

	private async sendWhole(project: Project, game: Game): Promise<void> {
		game.wholeAt = this.host.now();
		const whole = await project.kit.whole();
		if (whole && project.games.has(game.there.id)) say(game.line, { type: 'kit', ...whole });
	}

	/** It has something else than it was told: what is kept decides. */
	private lost(project: Project, game: Game): void {
		if (game.wholeDue) return;
		game.wholeDue = true;
		this.host.later(
			() => {
				game.wholeDue = false;
				project.kit.forget();
				void this.sendWhole(project, game);
			},
			Math.max(0, game.wholeAt + WHOLE_MS - this.host.now())
		);
	}

	private hearGame(project: Project, mine: Game, message: FromGame): void {
		if (message.type === 'beat' || message.type === 'hello') return;
		if (message.type === 'lost') this.lost(project, mine);
		const game = mine.there.id;
		const frames = message.type === 'frames' ? message.frames.length : 0;
		const text = JSON.stringify({ type: 'game', game, said: message } satisfies ToPage);
		const bare =
			message.type === 'frames' && frames > 0
				? JSON.stringify({ type: 'game', game, said: { ...message, frames: [] } } satisfies ToPage)
				: text;
		this.toPages(project, game, frames, text, bare);
		// Frames go only to servers where somebody looks.
		const far = [...project.elsewhere.values()].some(({ looks }) => looks.has(game));
		this.host.pass({ of: 'game', project: project.id, game, frames: far ? frames : 0, text: far ? text : bare });
	}

	/** Calls are heard by every page, frames by those that look; `bare`: the same without its frames. */
	private toPages(project: Project, game: string, frames: number, text: string, bare: string): void {
		for (const page of project.pages) {
			const looks = frames > 0 && page.looks.has(game);
			if (looks && page.line.waiting > MOST_WAITING) {
				page.skipped += frames;
				page.line.send(bare);
				continue;
			}
			if (page.skipped > 0 && looks) {
				say(page.line, { type: 'skipped', frames: page.skipped });
				page.skipped = 0;
			}
			page.line.send(looks ? text : bare);
		}
	}

	/** Whether anybody, here or on another server, looks at a game's frames. */
	private tellWants(project: Project, game: Game, always = false): void {
		const { id } = game.there;
		const looked = (list: Iterable<{ readonly looks: ReadonlySet<string> }>): boolean =>
			[...list].some(({ looks }) => looks.has(id));
		const wants = looked(project.pages) || looked(project.elsewhere.values());
		if (!always && wants === game.wants) return;
		game.wants = wants;
		say(game.line, { type: 'want', frames: wants, felt: wants });
	}

	// Pages.

	joinPage({ id }: Named, line: Line): { hear(message: FromPage): void; gone(): void } {
		const project = this.project(id);
		const page: Page = { line, looks: new Set(), skipped: 0 };
		project.pages.add(page);
		say(line, { type: 'games', games: gamesOf(project) });
		return {
			hear: (message) => this.hearPage(project, page, message),
			gone: () => {
				project.pages.delete(page);
				this.tellLooks(project);
				this.leaveIfEmpty(project);
			}
		};
	}

	private hearPage(project: Project, page: Page, message: FromPage): void {
		if (message.type === 'beat') return say(page.line, { type: 'beat' });
		if (message.type === 'want') {
			if (message.frames) page.looks.add(message.game);
			else page.looks.delete(message.game);
			this.tellLooks(project);
		}
		this.obey(project, message);
		this.host.pass({ of: 'page', project: project.id, message });
	}

	/** What a page wants of the games that are here. */
	private obey(project: Project, message: FromPage): void {
		if (message.type === 'change') return project.kit.change(message.sets, message.stamp);
		if (message.type === 'beat') return;
		const game = project.games.get(message.game);
		if (!game) return;
		if (message.type === 'take') return say(game.line, { type: 'take', recording: message.recording });
		const { moment } = message;
		if (moment !== undefined) say(game.line, { type: 'want', frames: game.wants, felt: game.wants, moment });
	}

	// What is kept.

	/** The project has changed. */
	changed(id: string): void {
		this.projects.get(id)?.kit.kept();
	}

	/** Something may have been missed. */
	changedAll(): void {
		for (const { kit } of this.projects.values()) kit.kept();
	}

	// Several servers.

	/** What another server says. */
	hear(said: Said): void {
		const project = this.projects.get(said.project);
		if (!project) return;
		switch (said.of) {
			case 'who':
				return this.pass(project);
			case 'games':
				this.elsewhere(project, said.server).games = said.games;
				return this.showGames(project);
			case 'look':
				this.elsewhere(project, said.server).looks = new Set(said.wants);
				for (const game of project.games.values()) this.tellWants(project, game);
				return;
			case 'game':
				return this.toPages(project, said.game, said.frames, said.text, said.text);
			case 'page':
				return this.obey(project, said.message);
		}
	}

	private elsewhere(project: Project, server: string): Elsewhere {
		const known = project.elsewhere.get(server) ?? { games: [], looks: new Set<string>(), at: 0 };
		known.at = this.host.now();
		project.elsewhere.set(server, known);
		return known;
	}

	private showGames(project: Project): void {
		for (const { line } of project.pages) say(line, { type: 'games', games: gamesOf(project) });
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
			const gone = [...project.elsewhere].filter(([, { at }]) => at < since);
			if (gone.length === 0) continue;
			for (const [server] of gone) project.elsewhere.delete(server);
			this.showGames(project);
			for (const game of project.games.values()) this.tellWants(project, game);
		}
	}

	private pass(project: Project): void {
		const games = [...project.games.values()].map(({ there }) => there);
		this.host.pass({ of: 'games', project: project.id, server: this.server, games });
		this.tellLooks(project);
	}

	private tellLooks(project: Project): void {
		const wants = [...new Set([...project.pages].flatMap(({ looks }) => [...looks]))];
		this.host.pass({ of: 'look', project: project.id, server: this.server, wants });
		for (const game of project.games.values()) this.tellWants(project, game);
	}
}

const gamesOf = ({ games, elsewhere }: Project): GameThere[] =>
	[...[...games.values()].map(({ there }) => there), ...[...elsewhere.values()].flatMap((server) => server.games)].sort(
		(a, b) => a.since - b.since
	);

const say = (line: Line, message: ToGame | ToPage): void => line.send(JSON.stringify(message));
