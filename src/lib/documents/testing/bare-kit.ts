/** A kit with nothing in it but what a test says. */
import { KIT_FORMAT } from 'dinesis-runtime/tools';
import type { Kit } from '../kit';

export const bareKit = (part: Partial<Kit> = {}): Kit => ({
	format: KIT_FORMAT,
	version: 1,
	name: 'Harbour',
	events: [],
	parameters: [],
	cues: [],
	rigs: [],
	courses: [],
	presets: [],
	world: { events: [], values: [] },
	...part
});
