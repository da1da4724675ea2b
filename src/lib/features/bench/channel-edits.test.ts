import { describe, expect, it } from 'vitest';
import { newLayer, RANGES, type Layer } from 'dinesis-runtime/tools';
import {
	amplitudesSet,
	clockOf,
	freshChannel,
	inProportion,
	keptOf,
	toggled,
	withChannel,
	withChannels
} from './channel-edits';

const channel = (amplitude: number) => ({ amplitude, frequency: 3, start: 'random' as const });
const layer = (part: Partial<Layer> = {}): Layer => ({
	...newLayer('l'),
	channels: { x: channel(0.1), y: channel(-0.2), roll: channel(4) },
	...part
});

describe('channels of a layer', () => {
	it('are switched off with their numbers kept, and on again with those', () => {
		const own = { ...channel(0.1), frequency: 7, start: 0.25 };
		const off = toggled(withChannel(layer(), 'x', own), 'x', 'space');
		expect(Object.keys(off.channels)).toEqual(['y', 'roll']);
		// What is kept is no part of what plays, and goes along with the file.
		expect(JSON.parse(JSON.stringify(off)).off).toEqual({ x: own });
		const again = toggled(off, 'x', 'space');
		expect(again.channels.x).toEqual(own);
		expect('off' in again).toBe(false);
	});

	it('what is kept and cannot be is as nothing', () => {
		const off = { ...toggled(layer(), 'x', 'space'), off: { x: { amplitude: 'much' }, y: 3 } } as never;
		expect(toggled(off, 'x', 'space').channels.x).toMatchObject({ frequency: 3 });
		expect(keptOf(off, 'y')).toBeUndefined();
	});

	it('a new one is as much and as fast as the others of its family', () => {
		const bare = { ...layer(), channels: { y: channel(-0.2), roll: { ...channel(4), frequency: 9 } } };
		expect(freshChannel(bare, 'x', 'space')).toEqual({ amplitude: 0.2, frequency: 3, start: 'random' });
		expect(freshChannel(bare, 'pitch', 'space')).toEqual({ amplitude: 4, frequency: 9, start: 'random' });
		expect(freshChannel(bare, 'fov', 'space')).toEqual({ amplitude: 2, frequency: 3, start: 'random' });
		expect(freshChannel(layer({ channels: {} }), 'x', 'flat').amplitude).toBe(8);
		expect(freshChannel(layer({ channels: { x: channel(0) } }), 'y', 'space').amplitude).toBe(0.05);
	});

	it('several get the same; amplitudes of another family go in proportion', () => {
		const all = ['x', 'y', 'roll', 'fov'] as const;
		expect(Object.values(withChannels(layer(), all, { frequency: 8 }).channels).map((c) => c.frequency)).toEqual([
			8, 8, 8
		]);
		const set = amplitudesSet(layer(), 'x', all, 0.2);
		expect(set.channels).toMatchObject({ x: { amplitude: 0.2 }, y: { amplitude: 0.2 }, roll: { amplitude: 8 } });
		expect(Object.keys(set.channels)).toEqual(['x', 'y', 'roll']);
		const from0 = amplitudesSet(layer({ channels: { x: channel(0), roll: channel(4) } }), 'x', all, 0.3);
		expect(from0.channels).toMatchObject({ x: { amplitude: 0.3 }, roll: { amplitude: 4 } });
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
