import { describe, expect, it, vi } from 'vitest';
import type { ShakePreset } from 'dinesis-runtime';
import { newPreset } from 'dinesis-runtime/tools';
import type { ProjectSession } from '$lib/session/session.svelte';
import { Audition } from './audition.svelte';
import { LibraryState } from './library.svelte';

const presets = [3, 1, 2].map((amount, i): ShakePreset => ({ ...newPreset(`p${i}`, `P ${i}`), amount }));

function library() {
	const asked: [string, boolean][] = [];
	const tagged: [string, string, string[]][] = [];
	const session = {
		presets,
		bobsAndLags: [],
		order: presets.map((p) => p.id),
		preset: (key: string) => presets.find((p) => p.id === key),
		acts: {
			changeMany: (keys: string[], label: string, recipe: (preset: { tags: string[] }) => void) => {
				for (const preset of presets.filter((p) => keys.includes(p.id))) {
					const draft = { tags: [...preset.tags] };
					recipe(draft);
					tagged.push([label, preset.id, draft.tags]);
				}
			}
		},
		shelf: {
			card: async (preset: ShakePreset, soon: boolean) => {
				asked.push([preset.id, soon]);
				return { measure: { size: preset.amount, worst: 9, pace: 1, length: 1 }, outline: [] };
			}
		}
	};
	return { state: new LibraryState(session as unknown as ProjectSession), asked, tagged };
}
const ids = (state: LibraryState): string => state.rows.map((p) => p.id.slice(1)).join('');

describe('the library', () => {
	it('figures come in for all, those on the screen first, and are sorted by', async () => {
		vi.useFakeTimers();
		const { state, asked } = library();
		state.want(presets[2]!);
		await state.keepUp(presets);
		await vi.advanceTimersByTimeAsync(1000);
		expect(asked[0]).toEqual(['p2', true]);
		expect(state.unmeasured).toBe(0);
		state.sortBy('size');
		expect(ids(state)).toBe('021');
		state.sortBy('size');
		expect(ids(state)).toBe('120');
		expect(state.measured()).toHaveLength(3);
		vi.useRealTimers();
	});

	it('a tag is given to those chosen, once, and an empty one to nobody', () => {
		const { state, tagged } = library();
		state.choose('p0', false);
		state.choose('p2', true);
		expect(state.tagChosen('  heavy ')).toBe(true);
		expect(tagged.map(([label, id, tags]) => `${label} ${id} ${tags}`)).toEqual(
			['p0', 'p1', 'p2'].map((id) => `Tag 3 presets “heavy” ${id} heavy`)
		);
		expect(state.tagChosen('   ')).toBe(false);
		expect(state.tagChosen('x'.repeat(60))).toBe(true);
		expect(tagged.at(-1)![2]).toEqual(['x'.repeat(40)]);
	});

	it('rows are chosen one by one, from one to another, all, or none', () => {
		const { state } = library();
		state.choose('p0', false);
		state.choose('p2', true);
		expect(state.acted.map((p) => p.id)).toEqual(['p0', 'p1', 'p2']);
		state.choose('p1', false);
		expect(state.acted).toHaveLength(2);
		state.chooseAll();
		expect(state.chosen.size).toBe(3);
		state.chooseAll();
		expect(state.chosen.size).toBe(0);
	});

	it('a tag filters, and is let go by the same press', () => {
		const { state } = library();
		state.toggleTag('sea');
		expect(state.rows).toHaveLength(0);
		state.toggleTag('sea');
		expect(state.rows).toHaveLength(3);
	});
});

describe('an audition', () => {
	it('plays what is pointed at, lets the one before fade, and a continuous one go after a while', () => {
		const audition = new Audition();
		const hum = { ...presets[1]!, timing: { ...presets[1]!.timing, mode: 'continuous' as const } };
		audition.start(presets[0]!);
		audition.frame(0.1);
		audition.start(hum);
		audition.frame(0.1);
		expect(audition.player.plays.map((p) => [p.presetId, p.stoppedAt === null])).toEqual([
			['p0', false],
			['p1', true]
		]);
		for (let i = 0; i < 300; i++) audition.frame(1 / 60);
		expect(audition.player.plays).toHaveLength(0);
		expect(audition.sceneTime).toBeCloseTo(5.2, 6);
	});
});
