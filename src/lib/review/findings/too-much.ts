import type { Rig, ShakePreset } from 'dinesis-runtime';
import type { Course } from '$lib/documents';
import { COMFORT, COMFORT_LIMITS, COMFORT_NAMES, type ComfortName } from '../comfort';
import type { SubjectKind } from '../subject';
import { withAmount } from './shake-parts';
import { said } from '../written';
import type { MotionCheck, MotionFound } from './types';
import type { Watched } from './watched';

/** Follow the amount in proportion. */
const LINEAR: readonly ComfortName[] = ['roll', 'turning', 'sway', 'heave', 'pumping', 'load'];

const why =
	'More than this makes some people unwell, or is more than the eye follows. The limit stands in the Review’s table of comfort; a project may set its own.';

/** The project's own limits, else ours. */
export const comfortLimit = (watched: Watched, name: ComfortName): number =>
	watched.settings.limits?.[name] ?? COMFORT_LIMITS[name];

const sentenceOf = (name: ComfortName, value: number, limit: number): string => {
	const { label, unit } = COMFORT[name];
	return `Too ${name === 'large' ? 'many' : 'much'} ${label}: ${said(value)} ${unit}, and ${said(limit)} is the limit.`;
};

export const tooMuch: MotionCheck<ShakePreset> = {
	check: 'too-much',
	kind: 'shake',
	why,
	find(preset, watched) {
		return COMFORT_NAMES.flatMap((name): MotionFound<ShakePreset>[] => {
			const [value, limit] = [watched.figure(preset, name), comfortLimit(watched, name)];
			if (value <= limit) return [];
			const amount = (preset.amount * 0.97 * limit) / value;
			const fix = LINEAR.includes(name)
				? { label: `Lower the amount to ${said(Number(amount.toPrecision(2)))}`, document: withAmount(preset, amount) }
				: undefined;
			return [
				{
					level: 'warning',
					about: name,
					place: 'amount',
					sentence: sentenceOf(name, value, limit),
					...(fix && { fix })
				}
			];
		});
	}
};

const alike = <T extends Rig | Course>(kind: SubjectKind, place: string): MotionCheck<T> => ({
	check: 'too-much',
	kind,
	why,
	find({ id }, watched) {
		const { figures } = watched.one({ kind, id });
		return COMFORT_NAMES.flatMap((name): MotionFound<T>[] => {
			const limit = comfortLimit(watched, name);
			return figures[name] <= limit
				? []
				: [{ level: 'warning', about: name, place, sentence: sentenceOf(name, figures[name], limit) }];
		});
	}
});
export const tooMuchThroughRig = alike<Rig>('rig', 'view');
export const tooMuchOnCourse = alike<Course>('course', 'rig');
