import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { createRuntime, type Runtime } from '../game/runtime';
import { openKit } from '../kit/open';
import type { Kit } from '../kit/types';
import { isShake } from '../shake/types';
import type { Frame } from './frame';
import { frameAt, momentOf, type Moment } from './moment';

const read = openKit(
	JSON.parse(readFileSync(new URL('../../../demo/lamp-at-morrowskerry.kit.json', import.meta.url), 'utf8'))
);
if (!read.ok) throw new Error('The demo cannot be read.');
const demo: Kit = read.value;
const inside = (game: Runtime): { frame: Frame } => game as unknown as { frame: Frame };
const overTheWire = (moment: Moment): Moment => JSON.parse(JSON.stringify(moment)) as Moment;
const body = (i: number) => ({
	pose: new Float64Array([Math.sin(i / 50), i % 90 > 70 ? 0.4 : 0, -i / 60, i % 360, 3]),
	speed: 1.4,
	grounded: i % 90 <= 70
});

/** So many frames of a game in which much happens, from a frame number on. */
function play(game: Runtime, from: number, count: number): number[][] {
	const out: number[][] = [];
	for (let i = from; i < from + count; i++) {
		if (i % 37 === 3) game.raise('wave-breaks', { values: { height: 3 + (i % 4) }, place: [4, 0, -3] });
		if (i % 53 === 5) game.raise('cask-set-down', { values: { impact: 5 }, place: [1, 0, -i / 60] });
		if (i === 20) game.begin('lens-turning', { place: [0, 4, 0] });
		if (i === 180) game.end('lens-turning');
		if (i === 40) game.begin('storm');
		if (i % 61 === 7) game.set('cold', (i % 10) / 10);
		if (i === 90) game.useRig('under-load', { over: 1.5 });
		if (i === 110) game.play('far-thunder', { strength: 0.7 });
		if (i === 230) game.useRig(null, { over: 0.5 });
		const { camera, offset } = game.advance(1 / 60, body(i));
		out.push([...camera, ...offset]);
	}
	return out;
}

describe('a moment', () => {
	it.each([0, 1, 25, 95, 120, 150, 200, 240, 300])('after %i frames is gone on from to the bit, as JSON', (at) => {
		const game = createRuntime(demo, { seed: 7, rig: 'keepers-eyes' });
		play(game, 0, at);
		const moment = overTheWire(momentOf(inside(game).frame, demo));
		expect([...game.troubles.keys()]).toEqual([]);
		const other = createRuntime(demo, { seed: 7, rig: 'keepers-eyes' });
		Object.assign(other, {
			frame: frameAt(moment, demo),
			time: game.now,
			begun: at > 0,
			states: new Set((game as unknown as { states: Set<string> }).states)
		});
		expect(play(other, at, 200)).toEqual(play(game, at, 200));
	});

	it('leaves the frame as it is, and is small where little goes on', () => {
		const one = createRuntime(demo, { seed: 7, rig: 'keepers-eyes' });
		const two = createRuntime(demo, { seed: 7, rig: 'keepers-eyes' });
		play(one, 0, 100);
		play(two, 0, 100);
		momentOf(inside(one).frame, demo);
		expect(play(one, 100, 60)).toEqual(play(two, 100, 60));
		expect(JSON.stringify(momentOf(inside(createRuntime(demo)).frame, demo)).length).toBeLessThan(200);
	});

	it('of a kit that was tuned since goes on with its numbers; what is not there any more is left out', () => {
		const game = createRuntime(demo, { seed: 7, rig: 'keepers-eyes' });
		play(game, 0, 120);
		const moment = overTheWire(momentOf(inside(game).frame, demo));
		const playing = inside(game).frame.director.viewers[0]!.player.plays.map((p) => p.presetId);
		expect(playing).toContain('far-thunder');
		const louder = demo.presets.map((p) => (isShake(p) && p.id === 'far-thunder' ? { ...p, amount: 5 } : p));
		const tuned = frameAt(moment, { ...demo, presets: louder }).director.viewers[0]!.player;
		expect(tuned.plays.map((p) => p.presetId)).toEqual(playing);
		expect(tuned.plays.find((p) => p.presetId === 'far-thunder')!.compiled.preset).toMatchObject({ amount: 5 });
		const without = demo.presets.filter((p) => p.id !== 'far-thunder');
		const left = frameAt(moment, { ...demo, presets: without }).director.viewers[0]!.player;
		expect(left.plays.map((p) => p.presetId)).toEqual(playing.filter((id) => id !== 'far-thunder'));
	});

	it('that is none says so', () => {
		const bad = {
			moment: 1,
			seed: 1,
			rig: null,
			viewers: 1,
			state: { o: { director: { o: { viewers: { e: [[0, { o: null }]] } } } } }
		};
		expect(() => frameAt(bad as unknown as Moment, demo)).toThrow('The moment cannot be gone on from');
	});
});
