import { describe, expect, it } from 'vitest';
import { newLayer, RANGES, type Layer } from 'dinesis-runtime/tools';
import { clockOf, inProportion, toggled, withChannel } from './channel-edits';

const channel = (amplitude: number) => ({ amplitude, frequency: 3, start: 'random' as const });
const layer = (part: Partial<Layer> = {}): Layer => ({
	...newLayer('l'),
	channels: { x: channel(0.1), y: channel(-0.2), roll: channel(4) },
	...part
});

describe('channels of a layer', () => {
	it('are switched off, and on with the others’ frequency', () => {
		const without = toggled(layer(), 'x', 'space');
		expect(Object.keys(without.channels)).toEqual(['y', 'roll']);
		expect(toggled(without, 'pitch', 'space').channels.pitch).toEqual({ amplitude: 1, frequency: 3, start: 'random' });
		expect(toggled(without, 'x', 'flat').channels.x!.amplitude).toBe(8);
	});

	it('linked keep their proportions and stay in their range', () => {
		const twice = inProportion(layer(), 'x', 0.2);
		expect(twice.channels).toMatchObject({ x: { amplitude: 0.2 }, y: { amplitude: -0.4 }, roll: { amplitude: 8 } });
		const far = inProportion(layer({ channels: { x: channel(1), y: channel(-RANGES.amplitude) } }), 'x', 5);
		expect(far.channels.y!.amplitude).toBe(-RANGES.amplitude);
	});

	it('one changed in part leaves the others as they are', () => {
		const before = layer();
		const made = withChannel(before, 'y', { frequency: 9 });
		expect(made.channels.y).toEqual({ ...channel(-0.2), frequency: 9 });
		expect(made.channels.x).toBe(before.channels.x);
	});

	it('that jump together go by the clock of the first of them', () => {
		const jumps = (within: string) =>
			layer({
				pattern: { kind: 'jumps', within } as unknown as Layer['pattern'],
				channels: { y: channel(1), z: channel(1), roll: channel(1) }
			});
		expect(clockOf(jumps('box'), 'z')).toBeNull();
		expect(clockOf(jumps('ball'), 'z')).toBe('y');
		expect([clockOf(jumps('ball'), 'y'), clockOf(jumps('ball'), 'roll')]).toEqual([null, null]);
		expect(clockOf(jumps('disc'), 'z')).toBeNull();
		expect(clockOf(layer(), 'y')).toBeNull();
	});
});
