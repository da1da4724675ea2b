/**
 * The seven channels in the order used everywhere: files, CSV columns, offsets.
 *
 *     const roll = offset[CHANNELS.indexOf('roll')];
 */
export const CHANNELS = ['x', 'y', 'z', 'pitch', 'yaw', 'roll', 'fov'] as const;
export type Channel = (typeof CHANNELS)[number];
export const CHANNEL_COUNT = 7;

/** The channels a flat view has: position in pixels, roll in degrees, the view's height in percent. */
export const FLAT_CHANNELS: readonly Channel[] = ['x', 'y', 'roll', 'fov'];

/** What a channel moves: each family has its own unit and its own band on the strip. */
export type ChannelFamily = 'position' | 'rotation' | 'lens';

export const familyOf = (channel: Channel): ChannelFamily =>
	channel === 'fov' ? 'lens' : channel === 'x' || channel === 'y' || channel === 'z' ? 'position' : 'rotation';

/** The view a preset or rig is made for: a camera in space, or a flat picture measured in pixels. */
export type View = 'space' | 'flat';

export const channelsOf = (view: View): readonly Channel[] => (view === 'flat' ? FLAT_CHANNELS : CHANNELS);

/** The unit a channel's amplitude is written in: metres or pixels, degrees, degrees or percent. */
export function unitOf(channel: Channel, view: View): string {
	const family = familyOf(channel);
	if (family === 'position') return view === 'flat' ? 'px' : 'm';
	if (family === 'lens') return view === 'flat' ? '%' : '°';
	return '°';
}
