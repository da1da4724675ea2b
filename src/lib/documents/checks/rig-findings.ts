/** What is usually wrong with rigs. */
import type { BobPreset, Rig, AnyPreset } from 'dinesis-runtime';
import {
	BENDS_FROM,
	CHANNELS,
	RIG_STAGES,
	viewOf,
	isBob,
	isLag,
	isShake,
	type RigStage,
	type Channel
} from 'dinesis-runtime/tools';
import type { Finding } from './types';

/** What the stages are called in a sentence. */
const NAMES: Readonly<Record<RigStage, string>> = {
	lag: 'the lag',
	limits: 'the limits',
	bob: 'the head bob',
	lean: 'the lean',
	shakes: 'the shakes',
	ceiling: 'the ceiling'
};
/** The largest size of a channel over a bob's gaits. */
const largest = (bob: BobPreset, channel: Channel): number =>
	bob.amount * Math.max(0, ...bob.gaits.map((gait) => Math.abs(gait.channels[channel]?.amplitude ?? 0)));

/** Everything found in one rig: what it names and is not there, and where one of its stages undoes another. */
export function checkRig(rig: Rig, presets: readonly AnyPreset[]): Finding<Rig>[] {
	const found: Finding<Rig>[] = [];
	const add = (level: Finding['level'], place: string, sentence: string, fix?: Finding<Rig>['fix']): void =>
		void found.push({ check: 'rig', level, place, sentence, ...(fix && { fix }) });
	const usual = { label: 'Put them in the usual order', apply: (r: Rig): Rig => ({ ...r, order: [...RIG_STAGES] }) };
	const bob = presets.find((p) => p.id === rig.bob);
	const lag = presets.find((p) => p.id === rig.lag);
	if (rig.bob !== null && !(bob && isBob(bob)))
		add('error', 'bob', `There is no head bob “${rig.bob}”; the rig goes without one.`);
	if (rig.lag !== null && !(lag && isLag(lag)))
		add('error', 'lag', `There is no camera lag “${rig.lag}”; the view goes along at once.`);
	const view = viewOf(rig.view.kind);
	for (const [place, preset] of [
		['bob', bob],
		['lag', lag]
	] as const)
		if (preset && preset.view !== view)
			add(
				'warning',
				place,
				view === 'flat'
					? `“${preset.name}” is made for space; in this flat picture its metres are read as pixels.`
					: `“${preset.name}” is made for a flat picture; here its pixels are read as metres.`
			);
	rig.motion.forEach(({ id, preset: named }, i) => {
		const place = `motion[${i}].preset`;
		const preset = presets.find((p) => p.id === named);
		const without = {
			label: 'Take it out',
			apply: (r: Rig): Rig => ({ ...r, motion: r.motion.filter((m) => m.id !== id) })
		};
		if (!preset || !isShake(preset))
			add('error', place, `There is no shake “${named}”; nothing plays in its place.`, without);
		else if (preset.timing.mode !== 'continuous')
			add(
				'warning',
				place,
				`“${preset.name}” is over by itself; only what goes on can be a rig’s own motion.`,
				without
			);
		else if (preset.view !== view)
			add('warning', place, `“${preset.name}” is made for the other kind of view; it is not played here.`, without);
	});
	const { lets } = rig;
	if (lets && (lets.share === 0 || CHANNELS.every((channel) => lets.channels[channel] === 0)))
		add('note', 'lets', 'It lets nothing through: no shake that a cue plays is seen.');
	const shakes = presets.filter(isShake);
	for (const list of ['only', 'not'] as const)
		lets?.[list].forEach((tag, i) => {
			if (!shakes.some((p) => p.tags.includes(tag))) add('note', `lets.${list}[${i}]`, `No shake is tagged “${tag}”.`);
		});
	const has: Readonly<Record<RigStage, boolean>> = {
		lag: rig.lag !== null,
		limits: rig.limits !== null,
		bob: rig.bob !== null,
		lean: rig.lean !== null,
		shakes: true,
		ceiling: rig.ceiling !== null
	};
	const on = (stage: RigStage): boolean => has[stage] && !rig.bypass.includes(stage);
	const moving = (['bob', 'lean', 'shakes'] as const).filter(on);
	const before = (a: RigStage, b: RigStage): boolean => rig.order.indexOf(a) < rig.order.indexOf(b);
	const placeOf = (stage: RigStage): string => `order[${rig.order.indexOf(stage)}]`;
	const names = (stages: readonly RigStage[]): string => stages.map((s) => NAMES[s]).join(' and ');
	const followed = moving.filter((s) => before(s, 'lag'));
	if (on('lag') && followed.length > 0)
		add(
			'warning',
			placeOf('lag'),
			`The lag comes after ${names(followed)}: it trails them as well, and smooths them away.`,
			usual
		);
	const held = moving.filter((s) => before(s, 'limits'));
	if (on('limits') && held.length > 0)
		add(
			'warning',
			placeOf('limits'),
			`The limits come after ${names(held)}: near an edge they take that motion away.`,
			usual
		);
	if (on('limits') && on('lag') && before('limits', 'lag'))
		add(
			'note',
			placeOf('lag'),
			'The lag comes after the limits: trailing, or swinging over, the camera may leave them.'
		);
	const free = moving.filter((s) => before('ceiling', s));
	if (on('ceiling') && free.length > 0)
		add(
			'warning',
			placeOf('ceiling'),
			`The ceiling comes before ${names(free)}: what they add is not held by it.`,
			usual
		);
	if (on('ceiling') && on('bob') && bob && isBob(bob) && before('bob', 'ceiling'))
		for (const [channel, most] of Object.entries(rig.ceiling!) as [Channel, number | null][])
			if (most !== null && largest(bob, channel) > BENDS_FROM * most)
				add('warning', 'ceiling', `The ceiling of ${channel} is so low that it bends “${bob.name}” by itself.`);
	if (rig.bypass.length > 0)
		add(
			'note',
			'bypass',
			`${rig.bypass.join(', ')} ${rig.bypass.length === 1 ? 'is' : 'are'} left out of “${rig.name}”.`
		);
	return found;
}
