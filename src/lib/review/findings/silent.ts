import type { ShakePreset } from 'dinesis-runtime';
import { CHANNEL_COUNT } from 'dinesis-runtime/tools';
import { pictureMovement } from '$lib/analysis';
import { noMotion } from '$lib/documents/checks/no-motion';
import { withAmount } from './shake-parts';
import { said } from '../written';
import type { MotionCheck } from './types';

/** Half a pixel of 1,080: nothing that moves less is seen, in percent of the picture's height. */
export const UNSEEN = 0.05;
/** What one just feels. */
const FELT = 0.5;

/** It moves, and nobody sees it. */
export const silent: MotionCheck<ShakePreset> = {
	check: 'silent',
	kind: 'shake',
	why: 'It is played, it costs, and no pixel moves.',
	find(preset, watched) {
		if (noMotion(preset, { pictureRate: watched.settings.frameRate }).length > 0) return [];
		let most = 0;
		for (const { motion } of watched.shake(preset))
			for (let i = 0; i < motion.track.count; i++)
				most = Math.max(most, pictureMovement(motion.track.values, i * CHANNEL_COUNT, preset.view));
		if (most >= UNSEEN) return [];
		const amount = (preset.amount * FELT) / most;
		const fix =
			most > 0
				? { label: `Raise the amount to ${said(Number(amount.toPrecision(2)))}`, document: withAmount(preset, amount) }
				: undefined;
		return [
			{
				level: 'warning',
				place: 'amount',
				sentence: `The picture moves by ${said(most)} % of its height at most: nobody sees it.`,
				...(fix && { fix })
			}
		];
	}
};
