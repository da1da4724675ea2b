import { describe, expect, it } from 'vitest';
import type { Rig } from 'dinesis-runtime';
import { EYES, newLean, newRig, RIG_STAGES, type RigStage, type RigView } from 'dinesis-runtime/tools';
import { aboutStage, aboutView, DOES, TITLES } from './stage-words';

const bare = newRig('r', 'R');
const box = { x: [0, 1] as const, y: null, z: [0, 1] as const, area: null, soft: 0 };
const still = { ...newLean(), rollByTurn: 0, rollByStrafe: 0 };
const corners = [
	[0, 0],
	[1, 0],
	[0, 1]
] as const;
const about = (stage: RigStage, part: Partial<Rig> = {}, playing = 0): string =>
	aboutStage({ ...bare, ...part }, stage, (id) => (id === 'tide' ? 'Tide' : undefined), playing);

describe('stages in words', () => {
	it('each has a title and says what it does', () => {
		for (const stage of RIG_STAGES) expect(TITLES[stage].length * DOES[stage].length).toBeGreaterThan(0);
	});

	it.each<[RigStage, Partial<Rig>, string]>([
		['lag', {}, 'none: at once'],
		['lag', { lag: 'tide' }, 'Tide'],
		['lag', { lag: 'ebb' }, 'ebb, which is gone'],
		['bob', {}, 'none'],
		['bob', { bob: 'ebb' }, 'ebb, which is gone'],
		['limits', {}, 'none'],
		['limits', { limits: box }, 'a box in x, z'],
		['limits', { limits: { ...box, area: corners } }, 'a box in x, z and an area'],
		['limits', { limits: { ...box, x: null, z: null, area: corners } }, 'an area'],
		['limits', { limits: { ...box, x: null, z: null } }, 'none'],
		['lean', {}, 'none'],
		['lean', { lean: still }, 'set to nothing'],
		['lean', { lean: { ...still, swayByTurn: 0.1 } }, 'by turning'],
		['lean', { lean: newLean() }, 'by turning, by strafing'],
		['ceiling', {}, 'none'],
		['ceiling', { ceiling: { x: null } }, 'none'],
		['ceiling', { ceiling: { x: 0.2, y: null, roll: 4 } }, 'x, roll']
	])('%s, %o', (stage, part, expected) => expect(about(stage, part)).toBe(expected));

	it('counts what plays', () =>
		expect([about('shakes'), about('shakes', {}, 2)]).toEqual(['nothing plays', '2 playing']));

	it.each<[Partial<RigView>, string]>([
		[{}, 'through its eyes, 62°'],
		[{ kind: 'chase', back: 6, fov: 50 }, 'chase, 6 m behind, 50°'],
		[{ kind: 'flat', pixelsPerMetre: 96 }, 'flat, 96 px a metre'],
		[{ kind: 'fixed' }, 'fixed, turns to it, 62°'],
		[{ kind: 'fixed', turns: false }, 'fixed, 62°']
	])('a view %o', (view, expected) => expect(aboutView({ ...EYES, ...view })).toBe(expected));
});
