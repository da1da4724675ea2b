import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { keepAlive, TROUBLE } from './keep-alive';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => {
	vi.useRealTimers();
	delete process.env[TROUBLE];
});

/** A cluster that can be killed. */
function mortal(revive: () => Promise<void> = async () => undefined) {
	const cluster = {
		lives: true,
		revived: 0,
		revive: async (): Promise<void> => {
			await revive();
			cluster.revived++;
			cluster.lives = true;
		}
	};
	return cluster;
}

describe('a database that is watched', () => {
	it('is left alone while it lives, brought back when it died, and that is said', async () => {
		const cluster = mortal();
		const said: string[] = [];
		const look = keepAlive(cluster, { say: (m) => said.push(m), isEnding: () => false });
		await look();
		expect([cluster.revived, said]).toEqual([0, []]);
		cluster.lives = false;
		await look();
		expect([cluster.revived, said]).toEqual([1, ['the database died; bringing it back', 'the database is back']]);
		expect(process.env[TROUBLE]).toBe('');
	});

	it('tells the pages what is wrong as long as it is', async () => {
		let come = (): void => undefined;
		const cluster = mortal(() => new Promise((resolve) => (come = resolve)));
		cluster.lives = false;
		const look = keepAlive(cluster, { say: () => undefined, isEnding: () => false });
		const looking = look();
		expect(process.env[TROUBLE]).toMatch(/being brought back/);
		// Meanwhile nobody starts it a second time.
		await look();
		come();
		await looking;
		expect([cluster.revived, process.env[TROUBLE]]).toEqual([1, '']);
	});

	it('is given up after five deaths within ten minutes, and taken up again later', async () => {
		let now = 0;
		const cluster = mortal();
		const said: string[] = [];
		const look = keepAlive(cluster, { say: (m) => said.push(m), isEnding: () => false, now: () => now });
		for (let i = 0; i < 8; i++) {
			cluster.lives = false;
			now += 1000;
			await look();
		}
		expect(cluster.revived).toBe(5);
		expect(said.filter((line) => line.includes('left alone'))).toHaveLength(1);
		expect(process.env[TROUBLE]).toMatch(/given up\. Start Dinesis again/);
		now += 600_000;
		await look();
		expect(cluster.revived).toBe(6);
	});

	it('is not brought back while Dinesis ends; a failed try is told and tried again', async () => {
		let ending = true;
		const cluster = mortal();
		cluster.lives = false;
		const said: string[] = [];
		const look = keepAlive(cluster, { say: (m) => said.push(m), isEnding: () => ending });
		await look();
		expect(cluster.revived).toBe(0);
		ending = false;
		cluster.revive = () => Promise.reject(new Error('the port is taken'));
		await look();
		expect(said.at(-1)).toBe('it could not be brought back. the port is taken');
		expect(process.env[TROUBLE]).not.toBe('');
	});

	it('is looked at every second', async () => {
		const cluster = mortal();
		keepAlive(cluster, { say: () => undefined, isEnding: () => false });
		cluster.lives = false;
		await vi.advanceTimersByTimeAsync(999);
		expect(cluster.revived).toBe(0);
		await vi.advanceTimersByTimeAsync(1);
		expect(cluster.revived).toBe(1);
	});
});
