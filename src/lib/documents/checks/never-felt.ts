/** Actions that nobody can ever feel: they play what is no shake, what no camera shows, or with no strength. */
import type { Cue } from 'dinesis-runtime';
import { isBob, isLag, isShake, viewOf, type PlayAction } from 'dinesis-runtime/tools';
import type { CueFinding, Wired } from './cue-findings';

/** A play of a head bob or a camera lag: these belong to a rig. */
export function playsNoShake(cue: Cue, { presets }: Wired): CueFinding[] {
	return cue.actions.flatMap((action, i): CueFinding[] =>
		action.kind !== 'play'
			? []
			: action.pick.flatMap(({ preset }, k): CueFinding[] => {
					const found = presets.find(({ id }) => id === preset);
					if (!found || !(isBob(found) || isLag(found))) return [];
					return [
						{
							cue: cue.id,
							check: 'plays-no-shake',
							level: 'error',
							place: `actions[${i}].pick[${k}].preset`,
							sentence: `“${found.name}” is a ${isBob(found) ? 'head bob' : 'camera lag'}: it is not played. Let this change the camera instead.`
						}
					];
				})
	);
}

const isNothing = ({ strength }: PlayAction): boolean =>
	typeof strength === 'number' ? strength === 0 : strength.curve.every(({ value }) => value === 0);

/** A play without strength, of what is out of reach wherever it is, or for a view that no camera of the project has. */
export function neverFelt(cue: Cue, { presets, rigs }: Wired): CueFinding[] {
	const views = new Set(rigs.map(({ view }) => viewOf(view.kind)));
	// Without any rig one looks through the body's eyes.
	if (rigs.length === 0) views.add('space');
	return cue.actions.flatMap((action, i): CueFinding[] => {
		if (action.kind !== 'play') return [];
		const tell = (place: string, sentence: string): CueFinding[] => [
			{ cue: cue.id, check: 'never-felt', level: 'warning', place: `actions[${i}].${place}`, sentence }
		];
		if (isNothing(action)) return tell('strength', 'The strength is 0, so nothing of this is ever felt.');
		const shakes = action.pick
			.map(({ preset }) => presets.find(({ id }) => id === preset))
			.filter((p) => p !== undefined);
		if (shakes.length === 0 || !shakes.every(isShake)) return [];
		if (shakes.every(({ view }) => !views.has(view)))
			return tell(
				'pick',
				shakes[0]!.view === 'flat'
					? 'This is made for a flat picture, and no rig of the project shows one.'
					: 'This is made for space, and every rig of the project shows a flat picture.'
			);
		if (shakes.every(({ reach }) => reach !== null && reach.edge === 0))
			return tell('pick', 'Its reach ends at 0 m: it is felt nowhere.');
		return [];
	});
}

/** A chain that begins a state: nothing ends it. */
export function raisesState(cue: Cue, { events }: Wired): CueFinding[] {
	return cue.actions.flatMap((action, i): CueFinding[] => {
		const event = action.kind === 'raise' && events.find(({ id }) => id === action.event);
		if (!event || event.kind !== 'state') return [];
		return [
			{
				cue: cue.id,
				check: 'raises-state',
				level: 'warning',
				place: `actions[${i}].event`,
				sentence: `“${event.name}” is a state: a cue cannot begin it, as nothing would end it. Raise a moment instead.`
			}
		];
	});
}
