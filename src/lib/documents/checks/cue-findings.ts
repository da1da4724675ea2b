/** What is usually wrong with cues: they point at what is not there, never end, answer twice, or call themselves. */
import type { Cue, ShakePreset } from 'dinesis-runtime';
import { isBob, isLag, isShake, type PlayAction, type View } from 'dinesis-runtime/tools';
import { type Kit } from '../kit';
import { beyondRange, wrongPhase } from './never-answers';
import { neverFelt, playsNoShake, raisesState } from './never-felt';
import type { Finding } from './types';

/** What cues are judged against. Presets that are not in use do not count as there. */
export type Wired = Pick<Kit, 'events' | 'parameters' | 'presets' | 'cues' | 'rigs'>;

export type CueFinding = Finding<Cue> & { readonly cue: string };

const plays = (cue: Cue): PlayAction[] => cue.actions.filter((action) => action.kind === 'play');

/** Events, presets and game values that a cue names and that are not there: it does nothing there. */
function pointsNowhere(cue: Cue, kit: Wired): CueFinding[] {
	const found: CueFinding[] = [];
	const miss = (place: string, what: string, id: string): void =>
		void found.push({
			cue: cue.id,
			check: 'points-nowhere',
			level: 'error',
			place,
			sentence: `There is no ${what} “${id}” any more, so nothing happens here.`
		});
	const event = kit.events.find((e) => e.id === cue.event);
	if (!event) miss('event', 'event', cue.event);
	cue.conditions.values.forEach(({ of }, i) => {
		if (event && !event.values.some((v) => v.id === of))
			miss(`conditions.values[${i}].of`, 'number of the event called', of);
	});
	cue.conditions.parameters.forEach(({ of }, i) => {
		if (!kit.parameters.some((p) => p.id === of)) miss(`conditions.parameters[${i}].of`, 'game value', of);
	});
	cue.actions.forEach((action, i) => {
		const place = `actions[${i}]`;
		if (action.kind === 'play') {
			action.pick.forEach(({ preset }, k) => {
				if (!kit.presets.some((p) => p.id === preset)) miss(`${place}.pick[${k}].preset`, 'preset', preset);
			});
			if (event && typeof action.strength !== 'number') {
				const { by } = action.strength;
				if (!event.values.some((v) => v.id === by)) miss(`${place}.strength.by`, 'number of the event called', by);
			}
		} else if (action.kind === 'stop' && typeof action.what === 'object' && 'preset' in action.what) {
			const { preset } = action.what;
			if (!kit.presets.some((p) => p.id === preset)) miss(`${place}.what.preset`, 'preset', preset);
		} else if (action.kind === 'set' && !kit.parameters.some((p) => p.id === action.parameter))
			miss(`${place}.parameter`, 'game value', action.parameter);
		else if (action.kind === 'raise' && !kit.events.some((e) => e.id === action.event))
			miss(`${place}.event`, 'event', action.event);
		else if (action.kind === 'camera') {
			const { rig, lag, bob, sizes } = action;
			if (rig !== null && !kit.rigs.some((r) => r.id === rig)) miss(`${place}.rig`, 'rig', rig);
			if (lag !== null && !kit.presets.some((p) => isLag(p) && p.id === lag)) miss(`${place}.lag`, 'camera lag', lag);
			if (bob !== null && !kit.presets.some((p) => isBob(p) && p.id === bob)) miss(`${place}.bob`, 'head bob', bob);
			for (const gait of Object.keys(sizes))
				if (!kit.presets.some((p) => isBob(p) && p.gaits.some((g) => g.id === gait)))
					miss(`${place}.sizes.${gait}`, 'gait', gait);
		}
	});
	return found;
}

/** A motion that runs until it is stopped, begun by a moment, and nothing ever stops it. */
function runsForever(cue: Cue, kit: Wired): CueFinding[] {
	if (cue.when === 'lasts') return [];
	const stops = (preset: ShakePreset): boolean =>
		kit.cues.some(
			(other) =>
				other.on &&
				other.actions.some(
					(action) =>
						action.kind === 'stop' &&
						(action.what === 'all' ||
							(action.what === 'own' && other.id === cue.id) ||
							(typeof action.what === 'object' &&
								('preset' in action.what ? action.what.preset === preset.id : preset.tags.includes(action.what.tag))))
				)
		);
	// One that is played with a length lets itself go.
	const endless = plays(cue)
		.filter((play) => play.length === null)
		.flatMap((play) => play.pick)
		.map(({ preset }) => kit.presets.filter(isShake).find((p) => p.id === preset))
		.find((preset) => preset && preset.timing.mode === 'continuous' && !stops(preset));
	return endless
		? [
				{
					cue: cue.id,
					check: 'runs-forever',
					level: 'warning',
					place: 'when',
					sentence: `“${endless.name}” runs until it is stopped, and nothing stops it: let it last as long as a state, or add a stop.`
				}
			]
		: [];
}

/** A cue that cannot be told from an earlier one: one event then plays the same motion twice. */
function answersTwice(cue: Cue, kit: Wired): CueFinding[] {
	const at = kit.cues.indexOf(cue);
	const same = kit.cues
		.slice(0, at)
		.find(
			(other) =>
				other.on &&
				other.event === cue.event &&
				other.when === cue.when &&
				JSON.stringify(other.conditions) === JSON.stringify(cue.conditions) &&
				plays(other).some((a) => plays(cue).some((b) => a.pick.some((p) => b.pick.some((q) => q.preset === p.preset))))
		);
	return same
		? [
				{
					cue: cue.id,
					check: 'answers-twice',
					level: 'warning',
					place: 'event',
					sentence: 'Another cue above answers to the same and plays the same: it is felt twice.'
				}
			]
		: [];
}

/** A chain of events that comes back to where it began. */
function callsItself(cue: Cue, kit: Wired): CueFinding[] {
	const seen = new Set<string>();
	const follow = (event: string): boolean => {
		if (event === cue.event) return true;
		if (seen.has(event)) return false;
		seen.add(event);
		return kit.cues.some((other) => other.on && other.event === event && raised(other).some(follow));
	};
	return raised(cue).some(follow)
		? [
				{
					cue: cue.id,
					check: 'calls-itself',
					level: 'warning',
					place: 'actions',
					sentence: 'What this raises comes back to this cue; the chain is cut after eight rounds.'
				}
			]
		: [];
}
const raised = (cue: Cue): string[] => cue.actions.flatMap((action) => (action.kind === 'raise' ? [action.event] : []));

/** One choice between presets made for depth and for a flat picture: a camera plays only those of its own view. */
function mixesViews(cue: Cue, kit: Wired): CueFinding[] {
	const viewOf = (id: string): View | undefined => kit.presets.filter(isShake).find((p) => p.id === id)?.view;
	return cue.actions.flatMap((action, i): CueFinding[] => {
		if (action.kind !== 'play') return [];
		const views = new Set(action.pick.map(({ preset }) => viewOf(preset)).filter(Boolean));
		return views.size > 1
			? [
					{
						cue: cue.id,
						check: 'mixes-views',
						level: 'warning',
						place: `actions[${i}].pick`,
						sentence:
							'This chooses between presets for space and for a flat picture; a camera plays only those of its own view. Make an action for each.'
					}
				]
			: [];
	});
}

const CHECKS = [
	pointsNowhere,
	wrongPhase,
	beyondRange,
	playsNoShake,
	raisesState,
	runsForever,
	answersTwice,
	callsItself,
	mixesViews,
	neverFelt
];

/** Everything found in one cue. */
export const checkCue = (cue: Cue, kit: Wired): CueFinding[] =>
	cue.on ? CHECKS.flatMap((check) => check(cue, kit)) : [];
