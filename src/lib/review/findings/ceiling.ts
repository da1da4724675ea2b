import type { Rig } from 'dinesis-runtime';
import { CHANNEL_COUNT, CHANNELS, RIG_STAGES, type Channel } from 'dinesis-runtime/tools';
import { said } from '../written';
import type { MotionCheck } from './types';

/** Of the time in which the camera moves, this share under the ceiling's bend, and at least so many seconds. */
export const [SHARE, SECONDS] = [0.2, 1];
/** What it takes off counts from this share of the motion on. */
const TAKES = 0.02;
const AT = RIG_STAGES.indexOf('ceiling') * CHANNEL_COUNT;
const STEP = 1 / 120;

/** A ceiling that is not for the worst moment but for most of them. */
export const ceilingBends: MotionCheck<Rig> = {
	check: 'ceiling-bends',
	kind: 'rig',
	why: 'What is under a ceiling’s bend most of the time feels flat: strong and weak come out alike.',
	find(rig, watched) {
		if (!rig.ceiling || rig.bypass.includes('ceiling')) return [];
		let [moves, bent] = [0, 0];
		const channels = new Set<Channel>();
		for (const course of watched.coursesOf(rig))
			watched.run(course, (run) => {
				const camera = run.bodies[0]!.rig;
				const { done } = camera.run;
				if (camera.run.rig?.id !== rig.id || !done) return;
				let [any, held] = [false, false];
				CHANNELS.forEach((channel, c) => {
					const left = Math.abs(camera.run.offset[c]!);
					const taken = Math.abs(done[AT + c]!);
					if (left > 1e-9) any = true;
					if (taken > TAKES * (left + taken) && taken > 1e-9) {
						held = true;
						channels.add(channel);
					}
				});
				if (any) moves += STEP;
				if (held) bent += STEP;
			});
		if (bent < SECONDS || bent <= SHARE * moves) return [];
		const ceiling = { ...rig.ceiling };
		for (const channel of channels)
			if (ceiling[channel]) ceiling[channel] = Number((ceiling[channel]! * 1.5).toPrecision(3));
		return [
			{
				level: 'warning',
				place: 'ceiling',
				sentence: `The ceiling bends ${[...channels].join(', ')} for ${said((bent / moves) * 100)} % of the time in which the camera moves.`,
				fix: { label: 'Raise it by half', document: { ...rig, ceiling } }
			}
		];
	}
};
