import { describe, expect, it } from 'vitest';
import type { CommandTable } from '$lib/ui/commands.svelte';
import { everywhere } from './everywhere';
import { ROOMS } from './rooms';

const anything = (): never => new Proxy(() => anything(), { get: () => anything() }) as never;
const keysIn = ({ commands }: CommandTable): string[] => commands.flatMap(({ keys = [] }) => [...keys]);
/** Files of the rooms that make a table. */
const makers = import.meta.glob<Record<string, (...parts: never[]) => CommandTable>>('../*/commands.ts', {
	eager: true
});

describe('tables of commands', () => {
	const shell = keysIn(everywhere(anything()));
	it('every room is reached by G and its letter', () => {
		expect(new Set(ROOMS.map(({ letter }) => letter)).size).toBe(ROOMS.length);
		for (const { letter } of ROOMS) expect(shell).toContain(`g ${letter}`);
	});

	it.each(Object.entries(makers))('%s: no key twice, nor one that is taken everywhere', (_, maker) => {
		const [make] = Object.values(maker);
		const table = make!(anything(), anything(), anything());
		const keys = keysIn(table).filter((key) => key !== 'Escape' && !/^\d$/.test(key));
		// While one walks the same keys walk; rows say by `when` which of them is meant.
		const plain = table.commands.some(({ id }) => id === 'course steer') ? new Set(keys) : keys;
		expect(new Set(plain).size).toBe([...plain].length);
		for (const key of keys) expect(shell).not.toContain(key);
	});
});
