/** Drives that hang on a game value which is not there: they drive nothing. */
import type { BobPreset, ShakePreset } from 'dinesis-runtime';
import type { Kit } from '../kit';
import type { Finding } from './types';

export const unknownDrive = <T extends ShakePreset | BobPreset>(
	preset: T,
	{ parameters }: Pick<Kit, 'parameters'>
): Finding<T>[] =>
	preset.drives.flatMap(({ parameter }, i): Finding<T>[] =>
		parameters.some(({ id }) => id === parameter)
			? []
			: [
					{
						check: 'unknown-drive',
						level: 'error',
						place: `drives[${i}].parameter`,
						sentence: `There is no game value “${parameter}”, so nothing drives this.`,
						fix: {
							label: 'Take the drive out',
							apply: (p) => ({ ...p, drives: p.drives.filter((_, k) => k !== i) })
						}
					}
				]
	);
