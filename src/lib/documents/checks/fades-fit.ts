import type { PresetCheck } from './types';

/** Fades that are longer together than the whole are shortened to fit when played. */
export const fadesFit: PresetCheck = (preset) => {
	const { mode, duration, fadeIn, fadeOut } = preset.timing;
	const together = fadeIn.time + fadeOut.time;
	if (mode !== 'burst' || together <= duration + 1e-9) return [];
	const fit = duration / together;
	return [
		{
			check: 'fades-fit',
			level: 'warning',
			place: 'timing.fadeOut.time',
			sentence: `The fades take ${round(together)} s of ${round(duration)} s; both are shortened to fit.`,
			fix: {
				label: 'Set them so',
				apply: (p) => ({
					...p,
					timing: {
						...p.timing,
						fadeIn: { ...p.timing.fadeIn, time: fadeIn.time * fit },
						fadeOut: { ...p.timing.fadeOut, time: fadeOut.time * fit }
					}
				})
			}
		}
	];
};

const round = (value: number): number => Math.round(value * 1000) / 1000;
