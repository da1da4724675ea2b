/** Colours of what is drawn on canvases, by day and by night. Those of everything else are in `ui/tokens.css`. */
import type { Channel } from 'dinesis-runtime/tools';

export interface Dyes {
	readonly paper: Readonly<Record<'back' | 'fine' | 'rule' | 'hole' | 'zero' | 'ink', string>>;
	readonly amber: { readonly fill: string; readonly line: string };
	readonly alarm: string;
	readonly inks: Readonly<Record<Channel, string>>;
}

const DAY: Dyes = {
	paper: { back: '#faf7ef', fine: '#efe8d6', rule: '#ded4bd', hole: '#e6dfcd', zero: '#cfc3a6', ink: '#51606e' },
	amber: { fill: 'rgba(242,176,74,0.20)', line: '#c9730a' },
	alarm: '#9c2617',
	inks: {
		x: '#0b5a8a',
		y: '#00735f',
		z: '#4f6a00',
		pitch: '#b0301f',
		yaw: '#93347f',
		roll: '#4b3fae',
		fov: '#6f4e00'
	}
};
const NIGHT: Dyes = {
	paper: { back: '#1b2530', fine: '#243140', rule: '#2f3f50', hole: '#121a23', zero: '#45586b', ink: '#a9b8c4' },
	amber: { fill: 'rgba(242,176,74,0.14)', line: '#f2b04a' },
	alarm: '#ff9a86',
	inks: {
		x: '#6cb8ea',
		y: '#4fcbb0',
		z: '#b3cf52',
		pitch: '#ff9079',
		yaw: '#e697d3',
		roll: '#aea4ff',
		fov: '#e0b65a'
	}
};

export const DYES = { day: DAY, night: NIGHT } as const;
