import type { Track } from '../analysis';
import { CHANNELS, CHANNEL_COUNT } from 'dinesis-runtime/tools';

/** A track as CSV: `time,x,y,z,pitch,yaw,roll,fov`, a row a sample. Numbers read back to the same double. */
export function trackToCsv(track: Track): string {
	const rows = [`time,${CHANNELS.join(',')}`];
	for (let i = 0; i < track.count; i++) {
		const row: number[] = [i / track.fps];
		// Adding 0 turns −0 into 0: a sign nobody asked for.
		for (let c = 0; c < CHANNEL_COUNT; c++) row.push(track.values[i * CHANNEL_COUNT + c]! + 0);
		rows.push(row.join(','));
	}
	return `${rows.join('\n')}\n`;
}
