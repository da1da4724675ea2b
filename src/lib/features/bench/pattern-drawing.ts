import { newPreset, sampleShake, type Pattern } from '$lib/core';

/** An SVG path of two and a half cycles of a pattern in a box of 100 × 26, drawn from the real motion. */
export function patternPath(pattern: Pattern): string {
	const base = newPreset('drawing', 'drawing');
	const fade = { time: 0, ease: 'linear' } as const;
	const track = sampleShake(
		{
			...base,
			timing: { ...base.timing, mode: 'continuous', fadeIn: fade, fadeOut: fade },
			layers: [{ ...base.layers[0]!, pattern, channels: { x: { amplitude: 1, frequency: 2.5, start: 'zero' } } }]
		},
		{ seconds: 1, fps: 100, playSeed: 12 }
	);
	let path = '';
	for (let i = 0; i < track.count; i++)
		path += `${i === 0 ? 'M' : 'L'}${i} ${(13 - track.values[i * 7]! * 11.5).toFixed(1)}`;
	return path;
}
