import { newPreset, type Key } from 'dinesis-runtime/tools';
import { sampleShake } from '$lib/analysis';

/** The curve through the poses over one cycle as an SVG path, drawn from the real motion. */
export function compileKeysPath(
	keys: readonly Key[],
	loop: boolean,
	xOf: (at: number) => number,
	yOf: (value: number) => number
): string {
	const base = newPreset('drawing', 'drawing');
	const fade = { time: 0, ease: 'linear' } as const;
	const track = sampleShake(
		{
			...base,
			timing: { ...base.timing, mode: 'continuous', fadeIn: fade, fadeOut: fade },
			layers: [
				{
					...base.layers[0]!,
					pattern: { kind: 'keys', cycle: 1, loop },
					channels: { x: { amplitude: 1, frequency: 1, start: 'zero', keys } }
				}
			]
		},
		{ seconds: 1, fps: 160 }
	);
	let path = '';
	for (let i = 0; i < track.count; i++)
		path += `${i === 0 ? 'M' : 'L'}${xOf(i / 160).toFixed(1)} ${yOf(track.values[i * 7]!).toFixed(1)}`;
	return path;
}
