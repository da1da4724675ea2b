import { describe, expect, it } from 'vitest';
import { newLayer, newPreset } from 'dinesis-runtime/tools';
import type { ShakePreset } from 'dinesis-runtime';
import { copyLayer, layerName, orderLayers, withSolo } from './layers';

const preset = { ...newPreset('p', 'P'), layers: [newLayer('a'), { ...newLayer('b'), name: 'Rattle' }, newLayer('c')] };
const ids = (p: ShakePreset): string[] => p.layers.map((layer) => layer.id);

describe('layers', () => {
	it('a copy stands behind its original, with an id and a name of its own', () => {
		const { preset: changed, id } = copyLayer(preset, 'b');
		expect(ids(changed)).toEqual(['a', 'b', 'b-2', 'c']);
		expect(id).toBe('b-2');
		expect(changed.layers[2]).toEqual({ ...preset.layers[1], id: 'b-2', name: 'Rattle, copy' });
		expect(copyLayer(preset, 'gone').preset).toBe(preset);
		expect(layerName(preset.layers[2]!, 2)).toBe('Layer 3');
	});

	it('are put in order; what is not named stays, what is not there is passed over', () => {
		expect(ids(orderLayers(preset, ['c', 'a', 'b']))).toEqual(['c', 'a', 'b']);
		expect(ids(orderLayers(preset, ['c', 'x']))).toEqual(['c', 'a', 'b']);
	});

	it('heard alone', () => {
		const heard = withSolo(
			{ ...preset, layers: preset.layers.map((l) => ({ ...l, mute: l.id === 'b' })) },
			new Set(['b'])
		);
		expect(heard.layers.map((layer) => layer.mute)).toEqual([true, false, true]);
		expect(withSolo(preset, new Set(['gone']))).toBe(preset);
	});
});
