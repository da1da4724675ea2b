/** What can be done in the Library. */
import type { CommandTable } from '$lib/ui/commands.svelte';

export interface LibraryParts {
	readonly bringIn: () => void;
	readonly sendOut: () => void;
	readonly showRetired: () => void;
	readonly search: () => void;
}

export const libraryCommands = (parts: LibraryParts): CommandTable => ({
	commands: [
		{ id: 'library search', label: 'Search', about: 'presets', keys: ['/'], run: parts.search },
		{ id: 'library in', label: 'Bring in a kit', about: 'presets', run: parts.bringIn },
		{ id: 'library out', label: 'Send out all that is listed', about: 'presets', run: parts.sendOut },
		{ id: 'library retired', label: 'Retired presets', about: 'presets', run: parts.showRetired }
	],
	gestures: [
		{ shown: '↓ ↑', says: 'Go from preset to preset; each plays' },
		{ shown: 'Space', says: 'Play it again' },
		{ shown: 'Enter', says: 'Tune it on the Bench' },
		{ shown: 'F2', says: 'Rename it' },
		{ shown: 'X', says: 'Choose it, or let it go; Shift: all from the last chosen one' },
		{ shown: 'Ctrl A', says: 'Choose all' }
	]
});
