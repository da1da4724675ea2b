/** Reads a kit and holds it against a project, off the page's thread. */
import { expose } from 'comlink';
import { arrivalsOf, comparedWith, readKit, type Arrival, type Coming, type Held } from '$lib/documents';
import type { KitDoor } from './protocol';

let coming: readonly Coming[] = [];
let arrivals: readonly Arrival[] = [];
const held: Held[] = [];

const door: KitDoor = {
	read(bytes) {
		const read = readKit(bytes);
		if (!read.ok) return { ok: false, problems: read.problems.slice(0, 20) };
		coming = arrivalsOf(read.value);
		return { ok: true, value: coming.length };
	},
	here: (documents) => void held.push(...documents),
	compare: () => (arrivals = comparedWith(coming, held)).length,
	take: (from, count) => arrivals.slice(from, from + count)
};
expose(door);
