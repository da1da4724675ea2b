/** The rooms, in the order of the work: their tabs, their keys, the palette's “Go to”. */
export interface Room {
	readonly path: string;
	readonly label: string;
	readonly about: string;
	/** Its letter after G. */
	readonly letter: string;
}

export const ROOMS: readonly Room[] = [
	{ path: 'bench', label: 'Bench', about: 'tune one preset', letter: 'b' },
	{ path: 'library', label: 'Library', about: 'all presets, by how they feel', letter: 'l' },
	{ path: 'cues', label: 'Cues', about: 'what sets the camera moving', letter: 'c' },
	{ path: 'rig', label: 'Rig', about: 'what the player sees through', letter: 'r' },
	{ path: 'course', label: 'Course', about: 'try it in a stretch of play', letter: 'p' },
	{ path: 'review', label: 'Review', about: 'is it right, and why', letter: 'v' },
	{ path: 'handover', label: 'Handover', about: 'files, names and calls for the game', letter: 'o' }
];
