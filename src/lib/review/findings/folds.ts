import type { ShakePreset } from 'dinesis-runtime';
import { CHANNEL_COUNT, CHANNELS } from 'dinesis-runtime/tools';
import { pictureMovement } from '$lib/analysis';
import { foldedFrequency } from '$lib/documents/checks/folded-frequency';
import { channelOf } from '../figures';
import { densityOf, shareBetween, type Density } from '../spectrum';
import { said } from '../written';
import type { MotionCheck } from './types';

/** Of what a channel moves, above half of the game's picture rate. */
export const TOO_FAST = 0.25;
/** A channel counts that moves the picture this share of what the most moving one does. */
const COUNTS = 0.3;

/** Below which frequency so much of it lies, in hertz. */
function below({ step, values }: Density, share: number): number {
	const all = values.reduce((sum, v) => sum + v, 0);
	let sum = 0;
	for (let k = 0; k < values.length; k++) if ((sum += values[k]!) >= share * all) return k * step;
	return (values.length - 1) * step;
}

/** Motion above half the game's picture rate is seen as something slower, whatever its settings say. */
export const folds: MotionCheck<ShakePreset> = {
	check: 'folds',
	kind: 'shake',
	why: 'A display shows no more than half as many swings as it has pictures: what is faster looks like something slower, differently on each display.',
	find(preset, watched) {
		const pictures = watched.settings.frameRate;
		// What its settings say is told there.
		if (foldedFrequency(preset, { pictureRate: pictures }).length > 0) return [];
		const { track, ends } = watched.shake(preset)[0]!.motion;
		const single = new Float64Array(CHANNEL_COUNT);
		const rows = CHANNELS.map((channel, c) => {
			const signal = channelOf(track, c);
			single.fill(0);
			single[c] = Math.max(...signal.map(Math.abs));
			return { channel, signal, moves: pictureMovement(single, 0, preset.view) };
		});
		const most = Math.max(...rows.map(({ moves }) => moves));
		let worst: { readonly channel: string; readonly share: number; readonly density: Density } | null = null;
		for (const { channel, signal, moves } of rows) {
			if (moves === 0 || moves < COUNTS * most) continue;
			const density = densityOf(signal, track.fps, { once: ends });
			const share = shareBetween(density, pictures / 2, Infinity);
			if (share > TOO_FAST && share > (worst?.share ?? 0)) worst = { channel, share, density };
		}
		if (!worst) return [];
		const slower = Math.min(0.9, (0.9 * (pictures / 2)) / below(worst.density, 1 - TOO_FAST / 2));
		return [
			{
				level: 'warning',
				place: 'rate',
				sentence: `${said(worst.share * 100)} % of its ${worst.channel} lies above ${pictures / 2} Hz, half of the game’s ${pictures} pictures a second.`,
				fix: {
					label: `Slow it down to ${Math.round(slower * 100)} %`,
					document: { ...preset, rate: Number((preset.rate * slower).toPrecision(2)) }
				}
			}
		];
	}
};
