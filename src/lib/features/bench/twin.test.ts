import { describe, expect, it } from 'vitest';
import { createPlayer, type ShakePreset } from 'dinesis-runtime';
import { newPreset, type Player } from 'dinesis-runtime/tools';
import { Twin } from './twin';

const thud = newPreset('thud', 'Thud');
const hum: ShakePreset = {
	...thud,
	id: 'hum',
	timing: { ...thud.timing, mode: 'continuous', fadeOut: { time: 0.5, ease: 'linear' } }
};
const source = [0, 0, -5] as const;
const player = (): Player => createPlayer([thud, hum], { seed: 7, distance: false });
const offsets = ({ player: own }: Twin, other: Player) => [[...own.offset], [...other.offset]];

describe('a player beside another', () => {
	it('joins what plays already: same seed, strength and moment, so that equal presets move as one', () => {
		const a = player();
		a.fire('thud', { strength: 0.6, at: source });
		a.advanceTo(0.2);
		const twin = new Twin(player(), a, source);
		expect(twin.player.now).toBe(a.now);
		for (const time of [0.2, 0.3, 0.55]) {
			a.advanceTo(time);
			twin.player.advanceTo(time);
			const [mine, theirs] = offsets(twin, a);
			expect(mine!.some((v) => v !== 0)).toBe(true);
			mine!.forEach((v, i) => expect(v).toBeCloseTo(theirs![i]!, 9));
		}
	});

	it('joins one that was let go, and ends with it', () => {
		const a = player();
		const play = a.fire('hum', { at: source })!;
		a.advanceTo(1);
		play.stop(1);
		a.advanceTo(1.2);
		const twin = new Twin(player(), a, source);
		const [own] = twin.player.plays;
		expect(own!.end).toBeCloseTo(play.end, 9);
		twin.player.advanceTo(1.6);
		expect([...twin.player.offset].every((v) => v === 0)).toBe(true);
	});

	it('fires and stops what is fired and stopped', () => {
		const a = player();
		const twin = new Twin(player(), a, source);
		const play = a.fire('hum', { at: source })!;
		twin.fire(play, 'hum', { at: source, seed: play.seed });
		const [own] = twin.player.plays;
		expect(own!.seed).toBe(play.seed);
		twin.stop(play, 0.25);
		expect(own!.stoppedAt).toBe(0.25);
		twin.stopAll();
		twin.player.advanceTo(1);
		expect(twin.player.plays).toHaveLength(0);
	});

	it('forgets plays that are over: stopping one then reaches nobody', () => {
		const a = player();
		const twin = new Twin(player(), a, source);
		const play = a.fire('thud', { at: source })!;
		twin.fire(play, 'thud', { at: source, seed: play.seed });
		const [own] = twin.player.plays;
		twin.forgetOver(play.trigger + 0.1);
		twin.stop(play, 0.1);
		expect(own!.stoppedAt).toBe(0.1);
		const again = a.fire('thud', { at: source })!;
		twin.fire(again, 'thud', { at: source, seed: again.seed });
		const later = twin.player.plays.at(-1)!;
		twin.forgetOver(1000);
		twin.stop(again, 0.3);
		expect(later.stoppedAt).toBeNull();
	});
});
