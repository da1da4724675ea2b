/** Changes of a head bob and a lag that are made on their drawings: each gives the document anew. */
import type { BobPreset, LagPreset } from 'dinesis-runtime';
import type { BobGait, Channel, Key, LagAxis, LagAxisName } from 'dinesis-runtime/tools';

/** The gait that is made for the speed nearest to one; undefined where there is none. */
export const nearestGait = ({ gaits }: BobPreset, speed: number): BobGait | undefined =>
	[...gaits].sort((a, b) => Math.abs(a.speed - speed) - Math.abs(b.speed - speed))[0];

const withGait = (bob: BobPreset, id: string, change: (gait: BobGait) => BobGait): BobPreset => ({
	...bob,
	gaits: bob.gaits.map((gait) => (gait.id === id ? change(gait) : gait))
});

export const withGaitSpeed = (bob: BobPreset, id: string, speed: number): BobPreset =>
	withGait(bob, id, (gait) => ({ ...gait, speed }));

/** A channel of a gait with other poses. */
export const withPoses = (bob: BobPreset, id: string, channel: Channel, keys: readonly Key[]): BobPreset =>
	withGait(bob, id, (gait) => {
		const now = gait.channels[channel];
		return now ? { ...gait, channels: { ...gait.channels, [channel]: { ...now, keys } } } : gait;
	});

/** What people call a gait. */
export const gaitName = ({ id, name }: BobGait): string => name ?? id;

/** What people call the gaits of an id, in the first bob that says so. */
export const gaitNamed = (bobs: readonly BobPreset[], id: string): string =>
	bobs.flatMap((bob) => bob.gaits).find((gait) => gait.id === id && gait.name)?.name ?? id;

/** A channel of a gait turned in the stride by a part of its cycle; its phase stays within 0–1. */
export const turned = (bob: BobPreset, id: string, channel: Channel, by: number): BobPreset =>
	withGait(bob, id, (gait) => {
		const now = gait.channels[channel];
		if (!now) return gait;
		const phase = Math.round((now.phase + by - Math.floor(now.phase + by)) * 1000) / 1000;
		return { ...gait, channels: { ...gait.channels, [channel]: { ...now, phase } } };
	});

/** An axis of a lag changed in part; one that the lag does not have stays so. */
export function withLagAxis(lag: LagPreset, axis: LagAxisName, change: Partial<LagAxis>): LagPreset {
	const now = lag.axes[axis];
	return now ? { ...lag, axes: { ...lag.axes, [axis]: { ...now, ...change } } } : lag;
}
