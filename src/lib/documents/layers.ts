/** What is done with layers as wholes: copies, order, and hearing one alone. */
import { freeId } from './ids';
import type { ShakePreset } from 'dinesis-runtime';
import type { Layer } from 'dinesis-runtime/tools';

/** The name a layer is called by: its own, or its number. */
export const layerName = (layer: Layer, index: number): string => layer.name ?? `Layer ${index + 1}`;

/** A copy of a layer right behind it, with an id of its own: its randomness differs from the original's. */
export function copyLayer(preset: ShakePreset, id: string): { readonly preset: ShakePreset; readonly id: string } {
	const at = preset.layers.findIndex((layer) => layer.id === id);
	const source = preset.layers[at];
	if (!source) return { preset, id };
	const own = freeId(
		source.id,
		preset.layers.map((layer) => layer.id)
	);
	const name = `${layerName(source, at)}, copy`.slice(0, 80);
	const layers = [...preset.layers];
	layers.splice(at + 1, 0, { ...source, id: own, name });
	return { preset: { ...preset, layers }, id: own };
}

/** The layers in another order; ids that are not there are passed over, layers that are not named stay at the end. */
export function orderLayers(preset: ShakePreset, ids: readonly string[]): ShakePreset {
	const named = ids.flatMap((id) => preset.layers.find((layer) => layer.id === id) ?? []);
	return { ...preset, layers: [...named, ...preset.layers.filter((layer) => !named.includes(layer))] };
}

/** The preset as it is when only some layers are heard. None named: as it is. A muted layer that is named is heard. */
export function withSolo(preset: ShakePreset, solo: ReadonlySet<string>): ShakePreset {
	if (!preset.layers.some((layer) => solo.has(layer.id))) return preset;
	return { ...preset, layers: preset.layers.map((layer) => ({ ...layer, mute: !solo.has(layer.id) })) };
}
