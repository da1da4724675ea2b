import { describe, expect, it } from 'vitest';
import { OWN_WORLD } from './axes';
import { worldOf, worldText } from './world-text';

describe('a world as one writes it', () => {
	it('is read, and written so that it is read again', () => {
		expect(worldOf('')).toEqual(OWN_WORLD);
		const world = worldOf('up=z, ahead=x,hand=left,length=cm,angle=radians,rotation=zyx');
		expect(world).toEqual({ up: 'z', ahead: 'x', hand: 'left', length: 'cm', angle: 'radians', rotation: 'zyx' });
		expect(worldOf(worldText(OWN_WORLD))).toEqual(OWN_WORLD);
	});

	it.each([
		['down=y', /“down” is nothing of a world/],
		['up=w', /up is “w”; one of x, y, z/],
		['up', /up is “”/],
		['up=z,ahead=-z', /square/]
	])('%s is told', (text, sentence) => expect(worldOf(text)).toMatch(sentence));
});
