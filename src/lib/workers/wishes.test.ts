import { describe, expect, it } from 'vitest';
import { indexOfStarters } from './starter-index';

/** What people ask for, in their words, and what they should be shown among the first five. */
const WISHES: readonly (readonly [string, string])[] = [
	['a heavy door falls shut behind me', 'Heavy door falls shut'],
	['the train passes close by', 'Train passes close by'],
	['he has not slept for two days', 'Two nights without sleep'],
	['small enemy pops, in pixels', 'Small pop'],
	['grenade goes off next to me', 'Blast close by'],
	['earthquake', 'Short tremor'],
	['driving on a rough road', 'Rough road'],
	['engine hum', 'Engine idles'],
	['the player is drunk', 'Drunk'],
	['lightning overhead', 'Thunder above you'],
	['sniper scope', 'Braced, long lens'],
	['documentary camera', 'Held calmly'],
	['walking in heavy armour', 'Heavy steps'],
	['a wounded man limps', 'Limping'],
	['third person camera', 'Easy behind'],
	['top down', 'Calm from above'],
	['helicopter above', 'Rotor overhead'],
	['the elevator starts', 'Lift sets off'],
	['punched in the face', 'Blow to the head'],
	['collect a coin', 'Picked up'],
	['machine gun', 'Firing without pause'],
	['turbulence', 'Aircraft in rough air'],
	['a dinosaur stomps', 'A giant’s footfall'],
	['zoom in on a hit', 'Punch in'],
	['shivering in the snow', 'Shivering'],
	['out of breath after running', 'After the run'],
	['landing after a big jump', 'Landed hard'],
	['vibration', 'Rumble']
];

describe('ordinary wishes', () => {
	const index = indexOfStarters();

	it('each is met by one of the first five', () => {
		const missed = WISHES.map(([wish, name]) => {
			const names = index.nearest(wish).map((entry) => entry.name);
			return names.slice(0, 5).includes(name) ? '' : `${wish}: ${names.slice(0, 5).join(', ')} instead of ${name}`;
		});
		expect(missed.filter(Boolean)).toEqual([]);
	});

	it('what a misspelled beginning asks for is found too', () => {
		for (const typed of ['explos', 'explosoin', 'erthquake', 'helicoptr', 'shivring'])
			expect(index.nearest(typed).length, typed).toBeGreaterThan(0);
	});
});
