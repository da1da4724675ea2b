import { describe, expect, it } from 'vitest';
import type { ShakePreset } from 'dinesis-runtime';
import { newPreset, WHOLE } from 'dinesis-runtime/tools';
import { kitOfPresets, silencedId, type Kit } from '$lib/documents';
import { comfortLimits, verdictOf, type VerdictOptions } from './verdict';
import { verdictPage } from './verdict-page';

const none = { time: 0, ease: 'linear' } as const;
const fade = { time: 0.2, ease: 'smooth' } as const;
/** Held at so many degrees of roll for a second. */
const tilt = (degrees: number, name = 'Tilt <b>'): ShakePreset => {
	const base = newPreset('tilt', name);
	return {
		...base,
		timing: { ...base.timing, mode: 'burst', duration: 1, fadeIn: none, fadeOut: fade },
		layers: [
			{
				...base.layers[0]!,
				pattern: { kind: 'wave', shape: 'square' },
				channels: { roll: { amplitude: degrees, frequency: 0, start: 'zero' } }
			}
		]
	};
};
const half = { ...WHOLE, id: 'half', name: 'Half', intensity: 0.5 };
const kit = (degrees: number, more: Partial<Kit> = {}): Kit => ({
	...kitOfPresets('Quay', [tilt(degrees)]),
	players: [half],
	...more
});
const options: VerdictOptions = { subjects: [{ kind: 'shake', id: 'tilt' }], seeds: 4, limits: {} };
const of = (degrees: number, more: Partial<VerdictOptions> = {}, parts: Partial<Kit> = {}) =>
	verdictOf(kit(degrees, parts), { ...options, ...more })!;
const settings = { frameRate: 60, length: 'm', keys: [], people: [], limits: {}, silenced: [] } as const;

describe('a verdict', () => {
	it('tells figures, what passes a limit, what it comes to for players, and what was found', () => {
		const [row] = of(10, { limits: { roll: 8, turning: 1e9 } }).reviewed;
		expect([row!.figures.roll.median, row!.figures.roll.worst, row!.seeds]).toEqual([10, 10, 4]);
		expect(row!.passed).toEqual([{ figure: 'roll', limit: 8, share: 1, from: expect.any(Number), to: 1 }]);
		expect(row!.players.map(({ id, figures }) => [id, figures.roll])).toEqual([['half', 5]]);
		expect(row!.findings.map(({ check, fix }) => [check, fix])).toContainEqual([
			'too-much-roll',
			expect.stringContaining('Lower the amount')
		]);
		expect(Math.max(...row!.curve)).toBe(0);
		expect(of(10, { limits: { roll: 11 } }).reviewed[0]!.passed).toEqual([]);
	});

	it('against another kit: by how much, beyond chance; what that has not is held against nothing', () => {
		const [row] = of(10, { against: kit(4), seeds: 12 }).reviewed;
		expect([row!.apart!.roll.by, row!.apart!.roll.chance < 0.001]).toEqual([6, true]);
		expect(of(10, { against: kitOfPresets('Empty', []) }).reviewed[0]!.apart).toBe(null);
	});

	it('what is left alone is not told; what cannot be played is left out; it can be given up', () => {
		const reason = { kind: 'shake', of: 'tilt', check: 'too-much-roll', reason: 'a ship that capsizes' } as const;
		const silenced = [{ ...reason, id: silencedId('shake', 'tilt', 'too-much-roll') }];
		expect(
			of(10, {}, { settings: { ...settings, silenced } }).reviewed[0]!.findings.map(({ check }) => check)
		).not.toContain('too-much-roll');
		expect(of(10, { subjects: [{ kind: 'rig', id: 'gone' }] }).reviewed).toEqual([]);
		expect(verdictOf(kit(10), { ...options, going: (part) => part < 0.5 })).toBe(null);
	});

	it('limits of comfort are ours with the project’s own on top; names of no figure are passed over', () => {
		const limits = comfortLimits(kit(1, { settings: { ...settings, limits: { roll: 2, loudness: 3 } } }));
		expect([limits.roll, limits.turning! > 0, 'loudness' in limits]).toEqual([2, true, false]);
	});

	it('as a page it stands by itself, says what passes, and takes no mark for its own', () => {
		const page = verdictPage(of(10, { limits: { roll: 8 }, against: kit(4) }), 'last-week.json', '27 November');
		expect(page).toContain('1 pass a limit: Tilt &lt;b&gt;');
		expect(page).toContain('above 8 in 100 %');
		expect(page).toContain('held against last-week.json');
		expect(page).not.toContain('<b>');
		expect(page).not.toMatch(/(src|href)=/);
		expect(verdictPage(of(1, { limits: { roll: 8 } }))).toContain('none passes a limit');
	});
});
