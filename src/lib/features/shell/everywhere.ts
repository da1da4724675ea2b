/** What can be done in every room of a project. */
import type { ShelfEntry } from '$lib/session/api';
import type { ProjectSession } from '$lib/session/session.svelte';
import type { Command, CommandTable, Gesture } from '$lib/ui/commands.svelte';
import { theme } from '$lib/ui/theme.svelte';
import { centreMark } from '$lib/viewport/centre-mark.svelte';
import { documentCommands } from './documents';
import { ROOMS } from './rooms';

export interface ShellParts {
	readonly session: ProjectSession;
	/** Goes to an address of the application. */
	readonly go: (address: string) => void;
	/** Opens a room as one left it. */
	readonly visit: (room: string) => void;
	/** Opens a document in its room. */
	readonly open: (room: string, document?: string) => void;
	readonly openPalette: () => void;
	readonly showShortcuts: () => void;
	readonly showHistory: () => void;
	/** Other projects, as far as they have been asked for. */
	readonly shelf: () => readonly ShelfEntry[];
}

/** At most so many findings stand in the palette. */
const FINDINGS = 50;
const GESTURES: readonly Gesture[] = [
	{
		shown: 'On a number',
		says: 'Drag it; arrows step it (Shift coarse, Alt fine); Enter types, also *2, /2, +0.1, 50%; Delete or a double click sets it back'
	},
	{ shown: 'In a list', says: 'Arrows, Home and End go through it; letters find an entry; Enter or Space takes it' }
];

export function everywhere(parts: ShellParts): CommandTable {
	const { session } = parts;
	return {
		commands: [
			{
				id: 'palette',
				label: 'Find a command or a document',
				says: 'The command palette: every command and every document',
				about: 'help',
				keyOnly: true,
				keys: ['$mod+k'],
				whileTyping: true,
				run: parts.openPalette
			},
			...ROOMS.map(({ path, label, about, letter }): Command => ({
				id: `room ${path}`,
				label: `Go to the ${label}`,
				about,
				keys: [`g ${letter}`],
				run: () => parts.visit(path)
			})),
			{
				id: 'shelf',
				label: 'All projects',
				about: 'open, make, copy, send out',
				keys: ['g a'],
				run: () => parts.go('/projects')
			},
			{
				id: 'project',
				label: 'The project itself',
				about: 'settings, keys, people, backups, key for a game elsewhere',
				keys: ['g s'],
				run: () => parts.visit('project')
			},
			{
				id: 'starters',
				label: 'Starter sets',
				about: 'motions to begin from',
				run: () => parts.go(`${session.home}/library#starter`)
			},
			{
				id: 'stand-in',
				label: 'Try the stand-in game',
				about: 'a small game of its own, on the wire with this project',
				run: async () => {
					const { standInFor } = await import('$lib/session/project-api');
					const there = await standInFor(session.project.slug);
					if (there) window.open(there, '_blank', 'noopener');
					else session.say('The stand-in game was not started with this Dinesis: ./dinesis start starts it.');
				}
			},
			{ id: 'shelf new', label: 'New project', about: 'projects', run: () => parts.go('/projects#new') },
			{
				id: 'theme',
				get label() {
					return theme.now === 'day' ? 'Night theme' : 'Day theme';
				},
				says: 'Night or day',
				about: 'the look',
				keys: ['n'],
				run: () => theme.turn()
			},
			{
				id: 'centre',
				get label() {
					return centreMark.on ? 'Hide the centre mark' : 'Show the centre mark';
				},
				says: 'Mark the middle of the picture, or not',
				about: 'the picture',
				keys: ['m'],
				run: () => centreMark.turn()
			},
			{
				id: 'undo',
				label: 'Undo',
				get about() {
					return session.undoLabel ?? 'nothing to undo';
				},
				found: '',
				keys: ['$mod+z'],
				run: () => session.goBack()
			},
			{
				id: 'redo',
				label: 'Redo',
				get about() {
					return session.redoLabel ?? 'nothing to redo';
				},
				found: '',
				keys: ['$mod+Shift+z', '$mod+y'],
				run: () => session.goForward()
			},
			{
				id: 'history',
				label: 'What was done in the project',
				about: 'history, versions',
				keys: ['g h'],
				run: parts.showHistory
			},
			{
				id: 'shortcuts',
				label: 'List all shortcuts',
				says: 'This list',
				about: 'help',
				shown: '?',
				keys: ['?', 'Shift+?'],
				run: parts.showShortcuts
			}
		],
		gestures: GESTURES,
		more: () => [
			...session.findings.list.slice(0, FINDINGS).map(({ kind, document, finding }, i): Command => ({
				id: `finding ${i}`,
				label: finding.sentence,
				about: `${finding.level} in ${document.name ?? document.id}`,
				found: `finding ${finding.level}`,
				run: () => parts.go(session.addressOf(kind, document.id))
			})),
			...documentCommands(session, parts.open),
			...parts
				.shelf()
				.filter((entry) => entry.slug !== session.project.slug)
				.map((entry): Command => ({
					id: `project ${entry.slug}`,
					label: entry.name,
					about: 'a project',
					run: () => parts.go(`/${encodeURIComponent(entry.slug)}`)
				}))
		]
	};
}
