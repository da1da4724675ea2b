import type { ShakePreset } from 'dinesis-runtime';
import { seenOf } from '../seen';
import { sampleShake } from '$lib/analysis';
import { said } from '../written';
import type { MotionCheck } from './types';

/** So far off its place on average, in percent of the picture's height, and by such a share of its own size. */
export const [OFF, SHARE] = [1, 0.6];
const [SECONDS, FPS] = [24, 60];

/** What goes on and does not go around its place: the picture stands aside. */
export const drifts: MotionCheck<ShakePreset> = {
	check: 'drifts',
	kind: 'shake',
	why: 'What goes on around another place than the middle moves the aim and the horizon for as long as it lasts.',
	find(preset) {
		const { mode, delay, fadeIn, growth } = preset.timing;
		if (mode !== 'continuous') return [];
		const from = delay + fadeIn.time + (growth?.over ?? 0);
		const track = sampleShake(preset, { seconds: from + SECONDS, fps: FPS });
		const { trail } = seenOf(track, preset.view);
		const first = Math.floor(from * FPS);
		let [x, y, squares] = [0, 0, 0];
		const count = track.count - first;
		for (let i = first; i < track.count; i++) {
			const [dx, dy] = [trail[2 * i]!, trail[2 * i + 1]!];
			x += dx / count;
			y += dy / count;
			squares += (dx * dx + dy * dy) / count;
		}
		const off = Math.sqrt(x * x + y * y);
		if (off <= OFF || off <= SHARE * Math.sqrt(squares)) return [];
		const side = Math.abs(x) > Math.abs(y) ? (x > 0 ? 'to the right' : 'to the left') : y > 0 ? 'up' : 'down';
		return [
			{
				level: 'warning',
				place: 'layers',
				sentence: `It moves around a place ${said(off)} % of the picture’s height ${side} of the middle.`
			}
		];
	}
};
