import { beforeAll, expect, it } from 'vitest';
import { builtApplication } from './lib/build';
import { torture } from './lib/torture';

beforeAll(() => void builtApplication(() => undefined), 300_000);

it('six kills, one at each kind of moment: nothing bricked, left behind or lost (./dinesis torture does it at length)', async () => {
	const { rounds, saves, findings } = await torture({ seed: 5, each: 2, say: () => undefined });
	expect(findings).toEqual([]);
	expect(rounds).toBe(6);
	expect(saves).toBeGreaterThan(5);
}, 300_000);
