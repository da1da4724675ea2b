/** Parts of shakes that findings change. */
import type { ShakePreset } from 'dinesis-runtime';
import type { Layer } from 'dinesis-runtime/tools';

export const withAmount = (preset: ShakePreset, amount: number): ShakePreset => ({
	...preset,
	amount: Number(amount.toPrecision(2))
});

/** With one layer alone, or with some muted. */
export const withLayers = (preset: ShakePreset, layer: (layer: Layer, i: number) => Layer): ShakePreset => ({
	...preset,
	layers: preset.layers.map(layer)
});

/** Layers that are heard and move something, by their place. */
export const heard = (preset: ShakePreset): number[] =>
	preset.layers.flatMap((layer, i) =>
		!layer.mute && layer.amount !== 0 && Object.values(layer.channels).some((c) => c && c.amplitude !== 0) ? [i] : []
	);
