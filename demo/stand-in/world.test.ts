import { describe, expect, it } from 'vitest';
import { JIB, QUAY, STEP, World, type Told, type Wish } from './world';

const REST: Wish = { along: 0, lift: 0, grab: false };
const listen = () => {
	const said: [string, ...number[]][] = [];
	const told: Told = {
		landed: (impact, x, y) => said.push(['landed', impact, x, y]),
		splashed: (x) => said.push(['splashed', x]),
		wave: (height, x) => said.push(['wave', height, x]),
		engine: (runs) => said.push(['engine', runs ? 1 : 0])
	};
	return { said, told, of: (what: string) => said.filter(([w]) => w === what) };
};
const go = (world: World, told: Told, seconds: number, wish = REST): void => {
	for (let i = 0; i < seconds / STEP; i++) world.step(wish, told);
};

describe('the crane', () => {
	it('a small swing takes 2π ÷ √(g ÷ rope − (drag ÷ 2)²)', () => {
		const world = new World(1);
		const { told } = listen();
		world.swing = 0.02;
		const crossings: number[] = [];
		for (let i = 0, was = world.swing; i < 1200; i++, was = world.swing) {
			world.step(REST, told);
			if (was > 0 !== world.swing > 0) crossings.push(world.time);
		}
		const wanted = (2 * Math.PI) / Math.sqrt(9.81 / world.rope - (0.35 / 2) ** 2);
		expect(Math.abs((crossings[2]! - crossings[0]!) / wanted - 1)).toBeLessThan(0.005);
	});

	it('a crate that is let go lands with √(2gh), and the sea gives one back', () => {
		const world = new World(1);
		const { told, of } = listen();
		go(world, told, 2);
		const crate = world.crates[0]!;
		const before = of('landed').length;
		Object.assign(crate, { x: -8, y: QUAY.top + 2, vx: 0, vy: 0, rests: false });
		go(world, told, 1);
		const [landed] = of('landed').slice(before);
		expect(landed![1]! / Math.sqrt(2 * 9.81 * 2)).toBeCloseTo(1, 1);
		expect(crate.y).toBe(QUAY.top);
		Object.assign(crate, { x: 5.5, y: 1, rests: false });
		go(world, told, 2);
		expect(of('splashed')).toHaveLength(1);
		expect(crate.x).toBeLessThan(QUAY.to);
	});

	it('takes hold of what hangs below it, and lets it go with its speed', () => {
		const world = new World(1);
		const { told } = listen();
		go(world, told, 2);
		// Nothing stands on it.
		const crate = world.crates[3]!;
		world.trolley = crate.x;
		world.rope = JIB - (crate.y + crate.size);
		world.step({ ...REST, grab: true }, told);
		expect(world.held).toBe(crate);
		go(world, told, 0.5, { ...REST, lift: 1 });
		expect(crate.y).toBeGreaterThan(0.3);
		world.step({ ...REST, grab: true }, told);
		expect([world.held, crate.rests]).toEqual([null, false]);
	});

	it('is the same for the same seed; the engine is told when it begins and when it rests', () => {
		const run = (seed: number) => {
			const world = new World(seed);
			const { said, told, of } = listen();
			go(world, told, 1, { along: 1, lift: -1, grab: false });
			go(world, told, 20);
			return { said, engine: of('engine').map(([, on]) => on) };
		};
		expect(run(3).said).toEqual(run(3).said);
		expect(run(3).said).not.toEqual(run(4).said);
		expect(run(3).engine).toEqual([1, 0]);
	});
});
