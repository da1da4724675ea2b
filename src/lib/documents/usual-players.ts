/** What games usually offer those who want less motion: to begin from. */
import type { PlayerSetting } from 'dinesis-runtime';
import { WHOLE } from 'dinesis-runtime/tools';

export const USUAL_PLAYERS: readonly PlayerSetting[] = [
	{ ...WHOLE, id: 'half', name: 'Half of all motion', intensity: 0.5 },
	{ ...WHOLE, id: 'no-rotation', name: 'No rotation', rotation: false },
	{ ...WHOLE, id: 'no-roll', name: 'No roll', roll: false },
	{ ...WHOLE, id: 'no-lens', name: 'No lens', lens: false },
	{ ...WHOLE, id: 'no-bob', name: 'No head bob', bob: false },
	{ ...WHOLE, id: 'gentle', name: 'Gentle', gentle: true },
	{ ...WHOLE, id: 'none', name: 'No motion', intensity: 0, bob: false }
];

/** A setting in words: what it leaves out. */
export function playerWords({
	intensity,
	rotation,
	roll,
	lens,
	bob,
	gentle
}: Omit<PlayerSetting, 'id' | 'name'>): string {
	const parts = [
		intensity !== 1 ? `${Math.round(intensity * 100)} %` : '',
		rotation ? (roll ? '' : 'no roll') : 'no rotation',
		lens ? '' : 'no lens',
		bob ? '' : 'no head bob',
		gentle ? 'gentle' : ''
	].filter(Boolean);
	return parts.length > 0 ? parts.join(', ') : 'all of it';
}
