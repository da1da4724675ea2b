import { describe, expect, it } from 'vitest';
import { newPreset, NO_LINKS } from 'dinesis-runtime/tools';
import { DEFAULT_SETTINGS } from '../kinds';
import { wholeKit } from '../new-kit';
import type { ShakePreset } from 'dinesis-runtime';
import { checkKit } from '../findings';
import { checkPreset } from '.';
import { seenFrequency } from './folded-frequency';

const WIRING = { events: [], parameters: [], cues: [], rigs: [], world: NO_LINKS };
const base = newPreset('a', 'A');
const found = (part: Partial<ShakePreset>, rate = 60) => checkPreset({ ...base, ...part }, { pictureRate: rate });
const timing = (part: Partial<ShakePreset['timing']>) => ({ timing: { ...base.timing, ...part } });
const roll = (frequency: number, amplitude = 1) => ({
	layers: [{ ...base.layers[0]!, channels: { roll: { amplitude, frequency, start: 'zero' as const } } }]
});

describe('checks', () => {
	it('find nothing wrong with a new preset', () => {
		expect(found({})).toEqual([]);
	});

	it('fades longer than the whole, and the fix makes them fit', () => {
		const [finding] = found(
			timing({ duration: 0.5, fadeIn: { time: 0.5, ease: 'smooth' }, fadeOut: { time: 1.5, ease: 'smooth' } })
		);
		expect(finding!.sentence).toBe('The fades take 2 s of 0.5 s; both are shortened to fit.');
		const fixed = finding!.fix!.apply({ ...base, ...timing({ duration: 0.5 }) });
		expect(fixed.timing.fadeIn.time).toBeCloseTo(0.125, 12);
		expect(fixed.timing.fadeOut.time).toBeCloseTo(0.375, 12);
		expect(checkPreset(fixed)).toEqual([]);
	});

	it('a frequency above half the picture rate says what is seen', () => {
		expect(seenFrequency(26, 30)).toBe(4);
		expect(seenFrequency(64, 60)).toBe(4);
		expect(seenFrequency(10, 60)).toBe(10);
		const [finding] = found(roll(26), 30);
		expect(finding!.sentence).toBe('Roll at 26 Hz is seen as 4 Hz at 30 pictures a second.');
		expect(finding!.place).toBe('layers[0].channels.roll.frequency');
		expect(checkPreset(finding!.fix!.apply({ ...base, ...roll(26) }), { pictureRate: 30 })).toEqual([]);
		expect(found(roll(29), 60)).toEqual([]);
		expect(found({ ...roll(20), rate: 2 }, 60)).toHaveLength(1);
	});

	it.each<[string, Partial<ShakePreset>, RegExp]>([
		['no layer', { layers: [] }, /no layer/],
		['all muted', { layers: [{ ...base.layers[0]!, mute: true }] }, /muted/],
		[
			'no length',
			timing({ duration: 0, fadeIn: { time: 0, ease: 'smooth' }, fadeOut: { time: 0, ease: 'smooth' } }),
			/length is 0 s/
		],
		['no amount', { amount: 0 }, /amount is 0/],
		['no life', timing({ life: { points: [{ at: 0, value: 0 }] } }), /over life is 0/],
		['no growth', timing({ mode: 'continuous', growth: { from: 0, to: 0, over: 3 } }), /from nothing to nothing/],
		['no amplitude', roll(4, 0), /No channel/]
	])('nothing moves: %s', (_, part, wanted) => {
		expect(found(part)[0]!.sentence).toMatch(wanted);
	});

	it('0 Hz holds the camera aside', () => {
		expect(found(roll(0))[0]!.check).toBe('standing-still');
		const kick = { layers: [{ ...roll(0).layers[0]!, pattern: { kind: 'kick' as const, damping: 0.3 } }] };
		expect(found(kick)[0]!.sentence).toBe('A kick at 0 Hz never begins.');
	});

	it('a kit’s findings begin at its root', () => {
		const kit = {
			format: 'dinesis-kit' as const,
			version: 1,
			name: 'k',
			events: [],
			parameters: [],
			cues: [],
			rigs: [],
			courses: [],
			world: { events: [], values: [] }
		};
		expect(checkKit({ ...kit, presets: [base, { ...base, id: 'b', amount: 0 }] })[0]!.place).toBe('presets[1].amount');
	});

	it('what a kit’s display cannot show is told at the pictures a second of its project', () => {
		const at = (frameRate: number, frequency: number): string[] => {
			const preset = { ...base, ...roll(frequency) };
			const kit = wholeKit('K', [preset], WIRING, [], { ...DEFAULT_SETTINGS, frameRate });
			return checkKit(kit).map(({ check }) => check);
		};
		// Half of 60, of 120, of 24.
		expect([at(60, 40), at(120, 40), at(24, 11), at(24, 13)]).toEqual([
			['folded-frequency'],
			[],
			[],
			['folded-frequency']
		]);
	});
});
