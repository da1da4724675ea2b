import { checkKit } from '$lib/documents/findings';
import { describe, expect, it } from 'vitest';
import { openKit, type Kit } from '$lib/documents';
import { measureShake } from '$lib/analysis';
import { extremesOf } from '$lib/analysis/extremes';
import type { AnyPreset, BobPreset, LagPreset, Rig, ShakePreset } from 'dinesis-runtime';
import { applyCeilings, compileCeilings, isBob, isLag, LAG_AXES, Player } from 'dinesis-runtime/tools';
import { AIMS, alike, meets } from './aims';
import { bobFigures, lagFigures, rigFigures } from './figures';
import { starterSets } from './sets';

const sets = starterSets();
const members = sets.flatMap((set) => set.members);
const all = <T>(kind: string): T[] => members.filter((one) => one.kind === kind).map(({ document }) => document as T);
const shakes = all<ShakePreset>('shake');
const bobs = all<BobPreset>('bob');
const lags = all<LagPreset>('lag');
const rigs = all<Rig>('rig');
const presets: readonly AnyPreset[] = [...shakes, ...bobs, ...lags];
const measured = new Map(shakes.map((preset) => [preset.id, measureShake(preset)]));
/** Ids of what is not as it should be, so that a failure names them. */
const but = (list: readonly { readonly id: string }[], right: (one: never) => boolean): string[] =>
	list.filter((one) => !right(one as never)).map(({ id }) => id);

describe('the starter sets as documents', () => {
	it('are kits without a finding, each id once, and enough of each kind', () => {
		const kit = openKit({ format: 'dinesis-kit', version: 1, name: 'All', presets: [...presets], rigs: [...rigs] });
		expect(checkKit((kit as { value: Kit }).value).map(({ place, sentence }) => `${place}: ${sentence}`)).toEqual([]);
		const ids = [...presets, ...rigs].map(({ id }) => id);
		expect(ids.length - new Set(ids).size).toBe(0);
		expect(shakes.length).toBeGreaterThanOrEqual(48);
		expect([bobs.length >= 6, lags.length >= 8, rigs.length >= 4]).toEqual([true, true, true]);
	});

	it('each teaches: how long it lasts, what to turn first, and who is named is there', () => {
		const names = new Set(members.map(({ document }) => document.name));
		const turns = /\bTurn(s|ing)? |first/;
		expect(but(shakes, ({ about }: ShakePreset) => /Plays once|Until stopped/.test(about))).toEqual([]);
		const once = ({ about, timing }: ShakePreset) => /Plays once/.test(about) === (timing.mode === 'burst');
		expect(but(shakes, once)).toEqual([]);
		expect(but([...presets, ...rigs], ({ about }: Rig) => turns.test(about) && about.split(' ').length > 20)).toEqual(
			[]
		);
		expect(but(presets, ({ tags }: AnyPreset) => tags.length > 0)).toEqual([]);
		// A word in quotes is a motion of the sets, a set, or a number of the sheet; each names at least one that it goes well with.
		const quoted = (about: string): string[] => [...about.matchAll(/“([^”]+)”/g)].map(([, name]) => name!);
		const known = new Set([...names, ...sets.map(({ name }) => name), 'leads by', 'Leads by']);
		const all = [...presets, ...rigs];
		expect(all.flatMap(({ about }) => quoted(about)).filter((name) => !known.has(name))).toEqual([]);
		const others = ({ name, about }: Rig): boolean =>
			quoted(about).some((one) => one !== name && (names.has(one) || sets.some((set) => set.name === one)));
		expect(but(all, others)).toEqual([]);
	});
});

describe('the starter sets as motion', () => {
	it('every shake has the strength and the pace that it should have, within a tenth', () => {
		expect(Object.keys(AIMS.shakes).sort()).toEqual(shakes.map(({ id }) => id).sort());
		const right = ({ id }: ShakePreset): boolean => {
			const [aim, is] = [AIMS.shakes[id]!, measured.get(id)!];
			return meets(aim.size, is.size, 0) && meets(aim.pace, is.pace, 0.01);
		};
		expect(but(shakes, right)).toEqual([]);
	});

	it('within a set no two are alike, or their words say how they differ', () => {
		const pairs: string[] = [];
		for (const { members } of sets) {
			const own = members
				.filter(({ kind }) => kind === 'shake')
				.map(({ document }) => document as unknown as ShakePreset);
			own.forEach((a, i) =>
				own.slice(i + 1).forEach((b) => {
					const [x, y] = [measured.get(a.id)!, measured.get(b.id)!];
					if (!alike(x.size, y.size) || !alike(x.pace, y.pace)) return;
					if (!a.about.includes(`“${b.name}”`) && !b.about.includes(`“${a.name}”`)) pairs.push(`${a.name}, ${b.name}`);
				})
			);
		}
		expect(pairs).toEqual([]);
	});

	it('none turns faster than 120 °/s or rolls more than 8°, and each comes to rest at exactly 0', () => {
		const decent = (preset: ShakePreset): boolean => {
			const { roll, turning, rests } = extremesOf(preset, { seeds: 40 });
			return roll <= 8 && turning <= 120 && rests;
		};
		expect(but(shakes, decent)).toEqual([]);
	});

	it('at a strength of 0.3 it is still felt; at 2 the ceiling of the eyes keeps roll and turns decent', () => {
		const eyes = rigs.find(({ view }) => view.kind === 'eyes')!;
		const ceilings = compileCeilings(eyes.ceiling!);
		const peaks = (preset: ShakePreset, strength: number, seed: number): number[] => {
			const player = new Player([preset], { seed, distance: false });
			player.fire(preset.id, { strength, at: [0, 0, -5] });
			const most = new Array<number>(7).fill(0);
			for (let i = 0; i < 360; i++) {
				const now = Float64Array.from(player.advance(1 / 60));
				applyCeilings(ceilings, now);
				now.forEach((value, c) => (most[c] = Math.max(most[c]!, Math.abs(value))));
			}
			return most;
		};
		const space = shakes.filter(({ view }) => view === 'space');
		const limits = [0.35, 0.35, 0.5, 5, 5, 6, 12];
		expect(but(space, (p: ShakePreset) => peaks(p, 2, 3).every((most, c) => most <= limits[c]!))).toEqual([]);
		// A third of a thousandth of the picture's height: a third of a pixel of 1080.
		expect(but(shakes, (p: ShakePreset) => measureShake(p, 4).size * 0.3 > 0.03)).toEqual([]);
	});

	it('head bobs, lags and rigs do what their aims say, within a tenth', () => {
		const wrong: string[] = [];
		const hold = (id: string, aim: object, is: object, small: number): void => {
			for (const [name, value] of Object.entries(aim))
				if (!meets(value as number, (is as Record<string, number>)[name]!, small)) wrong.push(`${id} ${name}`);
		};
		for (const bob of bobs)
			for (const gait of bob.gaits)
				hold(`${bob.id} ${gait.id}`, AIMS.bobs[bob.id]![gait.id]!, bobFigures(bob, gait.speed), 0.01);
		for (const lag of lags)
			for (const axis of LAG_AXES) {
				const aim = AIMS.lags[lag.id]![axis];
				if (aim) hold(`${lag.id} ${axis}`, aim, lagFigures(lag, axis), 0.01);
			}
		for (const rig of rigs) hold(rig.id, AIMS.rigs[rig.id]!, rigFigures(rig, presets), 0.01);
		expect(wrong).toEqual([]);
		expect(Object.keys(AIMS.bobs).length + Object.keys(AIMS.lags).length).toBe(bobs.length + lags.length);
	});

	it('a rig brings along what it points at', () => {
		const ids = new Set(presets.map(({ id }) => id));
		expect(but(rigs, ({ lag, bob }: Rig) => (lag === null || ids.has(lag)) && (bob === null || ids.has(bob)))).toEqual(
			[]
		);
		const kinds = [presets.filter(isBob).length, presets.filter(isLag).length];
		expect(kinds).toEqual([bobs.length, lags.length]);
	});
});
