/** How each channel is drawn: its own ink and its own line, so that no meaning hangs on colour alone. */
import type { Channel, View } from '$lib/core';

export interface Ink {
	/** Name of the channel in sheets and on the strip. */
	readonly label: string;
	readonly color: string;
	/** Dashes and gaps in pixels; empty for a full line. */
	readonly dash: readonly number[];
}

const SPACE: Readonly<Record<Channel, Ink>> = {
	x: { label: 'side x', color: '#0b5a8a', dash: [] },
	y: { label: 'height y', color: '#00735f', dash: [7, 3] },
	z: { label: 'depth z', color: '#4f6a00', dash: [2, 2.5] },
	pitch: { label: 'pitch', color: '#b0301f', dash: [9, 3, 2, 3] },
	yaw: { label: 'yaw', color: '#93347f', dash: [4.5, 3] },
	roll: { label: 'roll', color: '#4b3fae', dash: [1.5, 2, 5, 2] },
	fov: { label: 'field of view', color: '#6f4e00', dash: [12, 3] }
};

export function inkOf(channel: Channel, view: View = 'space'): Ink {
	const ink = SPACE[channel];
	return channel === 'fov' && view === 'flat' ? { ...ink, label: 'view height' } : ink;
}
