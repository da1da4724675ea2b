/** How each channel is called and drawn: its own line beside its own ink, so that no meaning hangs on colour alone. */
import type { Channel, View } from 'dinesis-runtime/tools';

export interface Ink {
	/** Name of the channel in sheets and on the strip. */
	readonly label: string;
	/** Dashes and gaps in pixels; empty for a full line. */
	readonly dash: readonly number[];
}

const SPACE: Readonly<Record<Channel, Ink>> = {
	x: { label: 'side x', dash: [] },
	y: { label: 'height y', dash: [7, 3] },
	z: { label: 'depth z', dash: [2, 2.5] },
	pitch: { label: 'pitch', dash: [9, 3, 2, 3] },
	yaw: { label: 'yaw', dash: [4.5, 3] },
	roll: { label: 'roll', dash: [1.5, 2, 5, 2] },
	fov: { label: 'field of view', dash: [12, 3] }
};

export function inkOf(channel: Channel, view: View = 'space'): Ink {
	const ink = SPACE[channel];
	return channel === 'fov' && view === 'flat' ? { ...ink, label: 'view height' } : ink;
}
