/** Casks and door of the grounds as a take keeps them: under which names, as which numbers. */
import { thingAt } from '$lib/course';
import type { Thing } from '$lib/documents';
import type { Seconds } from 'dinesis-runtime/tools';
import { CASK, CASKS } from './grounds';
import type { CaskState } from './physics';

type Placed = Omit<CaskState, 'impact'>;
export interface Moved {
	readonly casks: readonly Placed[];
	readonly doorOpen: number;
}

const DOOR_ID = 'door';
const caskId = (i: number): string => `cask-${i + 1}`;

/** What moves as named numbers: a cask by its middle and its orientation, the door by how far it is open. */
export function* thingsOf({ casks, doorOpen }: Moved): Generator<readonly [id: string, numbers: readonly number[]]> {
	for (const [i, { x, y, z, qx, qy, qz, qw }] of casks.entries()) yield [caskId(i), [x, y, z, qx, qy, qz, qw]];
	yield [DOOR_ID, [doorOpen]];
}

const NUMBERS = 7;
/** Where everything is at a time of a take; what it does not name stands as before anybody came. */
export function movedAt(things: readonly Thing[], time: Seconds): Moved {
	const of = (id: string): number[] | null => {
		const thing = things.find((one) => one.id === id);
		return thing ? thingAt(thing, time, []) : null;
	};
	return {
		casks: CASKS.map(([x, y, z], i): Placed => {
			const found = of(caskId(i));
			if (found?.length !== NUMBERS) return { x, y: y + CASK.height / 2, z, qx: 0, qy: 0, qz: 0, qw: 1 };
			const [cx, cy, cz, qx, qy, qz, qw] = found as [number, number, number, number, number, number, number];
			const size = Math.hypot(qx, qy, qz, qw) || 1;
			return { x: cx, y: cy, z: cz, qx: qx / size, qy: qy / size, qz: qz / size, qw: qw / size };
		}),
		doorOpen: of(DOOR_ID)?.[0] ?? 1
	};
}
