/**
 * The wire at the tool's own address: `/wire/PROJECT` for games, `/wire/PROJECT?tool` for the tool's pages. Who may come in is decided here,
 * how much and how fast one may send, and that each message is one.
 */
import { randomUUID } from 'node:crypto';
import type { IncomingMessage, Server } from 'node:http';
import type { Duplex } from 'node:stream';
import { LIMITS, type FromGame } from 'dinesis-runtime/wire';
import { WebSocket, WebSocketServer } from 'ws';
import { database } from '../db/connect';
import { ProjectRow } from '../db/models';
import type { Door } from '../door';
import { isSecure } from '../door';
import { findProject, readWholeKit } from '../repositories/projects';
import { opensProject } from '../repositories/share-key';
import { Live } from '../store/live';
import { Bus } from './bus';
import { fromGame, fromPage, speaksOurs } from './check';
import type { FromPage } from '../../wire/pages';
import { Hub, type Line } from './hub';
import type { ProjectKit } from './told-kit';

const HELLO_MS = 5000;
const BEAT_MS = 5000;
const SILENT_MS = 16_000;
/** Seconds over which the rate of messages is looked at. */
const OVER_S = 5;
const MOST_PAGE = 40 * 1024 * 1024;

export const CODES = {
	key: 4001,
	version: 4002,
	message: 4003,
	project: 4004,
	rate: 4008,
	silent: 4009,
	away: 1012
} as const;

/** So many messages a second on an average; a burst is let through. */
export class Rate {
	private left = LIMITS.messages * OVER_S;
	private at: number;
	constructor(private readonly now: () => number) {
		this.at = now();
	}
	/** False: it was too much. */
	take(): boolean {
		const now = this.now();
		this.left = Math.min(LIMITS.messages * OVER_S, this.left + ((now - this.at) / 1000) * LIMITS.messages);
		this.at = now;
		if (this.left < 1) return false;
		this.left--;
		return true;
	}
}

/** What of a kit a game plays. */
async function loadKit(id: string): Promise<ProjectKit | null> {
	const row = await ProjectRow.findByPk(id);
	const kit = row && (await readWholeKit(database(), id));
	if (!row || !kit) return null;
	const { format, version, name, events, parameters, presets, cues, rigs, world } = kit;
	return { number: row.changeNumber, kit: { format, version, name, events, parameters, presets, cues, rigs, world } };
}

export interface OpenWire {
	close(): void;
}

/** Opens the wire on a server whose requests go through this door. */
export function openWire(server: Server, { door, url }: { readonly door: Door; readonly url: string }): OpenWire {
	database();
	const id = randomUUID().slice(0, 8);
	const hub: Hub = new Hub(
		{
			load: loadKit,
			pass: (said) => bus.pass(said),
			later: (work, ms) => {
				const timer = setTimeout(work, ms);
				timer.unref();
				return () => clearTimeout(timer);
			},
			now: Date.now,
			newId: () => randomUUID().slice(0, 8)
		},
		id
	);
	const bus = new Bus(
		url,
		id,
		(said) => hub.hear(said),
		() => hub.beat()
	);
	const live = new Live(url);
	const deaf = live.listen((told) => {
		if (told === null) hub.changedAll();
		else if ('number' in told) hub.changed(told.project);
	});
	const games = new WebSocketServer({ noServer: true, maxPayload: LIMITS.moment });
	const pages = new WebSocketServer({ noServer: true, maxPayload: MOST_PAGE });
	const beat = setInterval(() => hub.beat(), BEAT_MS);
	beat.unref();

	const upgrade = (request: IncomingMessage, socket: Duplex, head: Buffer): void => {
		const address = new URL(request.url ?? '/', 'http://own');
		const slug = /^\/wire\/([^/]+)$/.exec(address.pathname)?.[1];
		// While one develops, somebody else listens too.
		if (slug === undefined) return server.listenerCount('upgrade') > 1 ? undefined : refuse(socket, 404);
		const stands = door.stands(request);
		const own = `${isSecure(request) ? 'https' : 'http'}://${request.headers.host}`;
		const { origin } = request.headers;
		if (stands === 'away') return refuse(socket, 403);
		if (address.searchParams.has('tool')) {
			// Only our own pages speak as the tool.
			if (stands !== 'in' || origin !== own) return refuse(socket, 403);
			pages.handleUpgrade(request, socket, head, (line) => void joinPage(hub, line, decoded(slug)));
			return;
		}
		const needsKey = stands !== 'in' || (origin !== undefined && origin !== own);
		games.handleUpgrade(request, socket, head, (line) => awaitGame(hub, line, decoded(slug), needsKey));
	};
	server.on('upgrade', upgrade);
	return {
		close: () => {
			server.off('upgrade', upgrade);
			clearInterval(beat);
			deaf();
			bus.close();
			for (const all of [games, pages]) {
				for (const line of all.clients) line.close(CODES.away, 'the tool ends');
				for (const line of all.clients) line.terminate();
				all.close();
			}
		}
	};
}

const decoded = (part: string): string => {
	try {
		return decodeURIComponent(part);
	} catch {
		return part;
	}
};

function refuse(socket: Duplex, status: 403 | 404): void {
	socket.end(`HTTP/1.1 ${status} ${status === 403 ? 'Forbidden' : 'Not Found'}\r\nconnection: close\r\n\r\n`);
}

const lineOf = (socket: WebSocket): Line => ({
	get waiting() {
		return socket.bufferedAmount;
	},
	send: (text) => {
		if (socket.readyState === WebSocket.OPEN) socket.send(text);
	}
});

/** Hears messages that are sound, no faster than may be. What is none ends the connection with its reason. */
function listen<T>(
	socket: WebSocket,
	read: (text: string) => { readonly ok: true; readonly value: T } | { readonly ok: false; readonly why: string },
	hear: (message: T) => void,
	most: (message: T) => number
): void {
	const rate = new Rate(Date.now);
	socket.on('message', (data, binary) => {
		if (socket.readyState !== WebSocket.OPEN) return;
		if (!rate.take()) return socket.close(CODES.rate, `more than ${LIMITS.messages} messages a second`);
		if (binary) return socket.close(CODES.message, 'messages are text');
		const text = (data as Buffer).toString('utf8');
		const message = read(text);
		if (!message.ok) return socket.close(CODES.message, message.why.slice(0, 120));
		if (text.length > most(message.value)) return socket.close(1009, 'the message is too long');
		hear(message.value);
	});
	// A line that broke says so by closing.
	socket.on('error', () => undefined);
}

async function joinPage(hub: Hub, socket: WebSocket, slug: string): Promise<void> {
	const early: FromPage[] = [];
	let hear = (message: FromPage): void => void early.push(message);
	listen(
		socket,
		fromPage,
		(message) => hear(message),
		() => MOST_PAGE
	);
	const project = await findProject(slug).catch(() => null);
	if (!project) return socket.close(CODES.project, `There is no project "${slug}".`.slice(0, 120));
	if (socket.readyState !== WebSocket.OPEN) return;
	const page = hub.joinPage(project, lineOf(socket));
	hear = (message) => page.hear(message);
	early.forEach(hear);
	socket.on('close', () => page.gone());
}

function awaitGame(hub: Hub, socket: WebSocket, slug: string, needsKey: boolean): void {
	let game: { hear(message: FromGame): void; gone(): void } | null = null;
	let asked = false;
	let heardAt = Date.now();
	const tooLate = setTimeout(() => !asked && socket.close(CODES.silent, 'a game says hello first'), HELLO_MS);
	const silence = setInterval(
		() => Date.now() - heardAt > SILENT_MS && socket.close(CODES.silent, 'nothing was heard'),
		BEAT_MS
	);
	const end = (): void => {
		clearTimeout(tooLate);
		clearInterval(silence);
		game?.gone();
		game = null;
	};
	socket.on('close', end);
	listen(
		socket,
		fromGame,
		(message) => {
			heardAt = Date.now();
			if (game) return game.hear(message);
			if (asked) return;
			if (message.type !== 'hello') return socket.close(CODES.message, 'a game says hello first');
			asked = true;
			if (!speaksOurs(message.wire)) return socket.close(CODES.version, 'This tool speaks version 1 of the wire.');
			void letIn(slug, message.key ?? '', needsKey)
				.then((project) => {
					if ('code' in project) return socket.close(project.code, project.why);
					if (socket.readyState === WebSocket.OPEN) game = hub.joinGame(project, message, lineOf(socket));
				})
				.catch(() => socket.close(CODES.away, 'the database does not answer'));
		},
		({ type }) => (type === 'moment' ? LIMITS.moment : LIMITS.message)
	);
}

/** The project that a game is let in to, or why it is not. Whoever needs a key and has none is not told what there is. */
async function letIn(
	slug: string,
	key: string,
	needsKey: boolean
): Promise<{ readonly id: string; readonly name: string } | { readonly code: number; readonly why: string }> {
	const project = await findProject(slug);
	if (needsKey && !(project && (await opensProject(project.id, key))))
		return { code: CODES.key, why: 'The project’s key is needed. Its page shows the key.' };
	return project ?? { code: CODES.project, why: `There is no project "${slug.slice(0, 60)}".` };
}
