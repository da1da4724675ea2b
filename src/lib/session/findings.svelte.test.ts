import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { newCue, newPreset, NO_LINKS } from 'dinesis-runtime/tools';
import { silencedId, wholeKit, type Kit, type Silenced } from '$lib/documents';
import type { MotionFinding } from '$lib/review/findings';
import * as looking from '$lib/documents/findings';
import { FindingsOf, type Eyes } from './findings.svelte';

beforeEach(() => void vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'performance'] }));
afterEach(() => void vi.useRealTimers());

const kitWith = (count: number, amount: number): Kit => {
	const presets = Array.from({ length: count }, (_, i) => ({
		...newPreset(`p-${i}`, `P ${i}`),
		amount: i === 0 ? amount : 1
	}));
	const wiring = { events: [], parameters: [], cues: [newCue('c', 'gone', 'p-0')], rigs: [], world: NO_LINKS };
	return wholeKit('K', presets, wiring, []);
};

const watch = (kit: () => Kit | null): FindingsOf =>
	new FindingsOf(kit, () => Promise.resolve(looking), undefined, null);

describe('what is found in the project', () => {
	it('is looked for once it is quiet, counted, the gravest first, and had by document', async () => {
		let kit = kitWith(2, 0);
		const findings = watch(() => kit);
		findings.stir();
		await vi.advanceTimersByTimeAsync(2000);
		expect(findings.list).toEqual([]);
		const close = findings.open();
		await vi.advanceTimersByTimeAsync(400);
		findings.stir();
		await vi.advanceTimersByTimeAsync(400);
		expect(findings.list).toEqual([]);
		await vi.advanceTimersByTimeAsync(200);
		expect(findings.list.map(({ finding }) => finding.check)).toEqual(['points-nowhere', 'no-motion']);
		expect([findings.count, findings.of('shake', 'p-0').length, findings.of('cue', 'c').length]).toEqual([2, 1, 1]);
		kit = kitWith(2, 1);
		findings.stir();
		await vi.advanceTimersByTimeAsync(600);
		expect(findings.list.map(({ finding }) => finding.check)).toEqual(['points-nowhere']);
		close();
		kit = kitWith(2, 0);
		findings.stir();
		await vi.advanceTimersByTimeAsync(2000);
		expect(findings.count).toBe(1);
	});

	it('says nothing while some of the project is still to come', async () => {
		let kit: Kit | null = null;
		const findings = watch(() => kit);
		const close = findings.open();
		await vi.advanceTimersByTimeAsync(2000);
		expect(findings.list).toEqual([]);
		kit = kitWith(1, 0);
		findings.stir();
		await vi.advanceTimersByTimeAsync(600);
		expect(findings.count).toBe(2);
		close();
	});

	it('goes in short parts, and what is changed meanwhile begins anew', async () => {
		let kit = kitWith(40, 0);
		// Each look at the clock takes 3 ms: three documents are a part.
		let now = 0;
		vi.spyOn(performance, 'now').mockImplementation(() => (now += 3));
		const findings = watch(() => kit);
		const close = findings.open();
		await vi.advanceTimersByTimeAsync(500);
		expect(findings.list).toEqual([]);
		kit = kitWith(40, 1);
		findings.stir();
		await vi.advanceTimersByTimeAsync(600);
		expect(findings.list.map(({ finding }) => finding.check)).toEqual(['points-nowhere']);
		close();
	});
});

describe('what is found in how it moves', () => {
	const found = (sentence: string): MotionFinding => ({
		check: 'too-much',
		level: 'warning',
		place: 'amount',
		sentence,
		why: 'It makes some people unwell.',
		fix: { label: 'Lower it', document: { ...newPreset('p-1', 'P 1'), amount: 0.5 } as never }
	});
	/** Eyes that answer at once, and what they were asked. */
	function eyesWith(answer: (id: string) => readonly MotionFinding[]) {
		const asked: string[] = [];
		const eyes: Eyes = {
			put: (kit) => Promise.resolve(kit.presets.map(({ id }) => ({ kind: 'shake' as const, id }))),
			find: ({ id }) => {
				asked.push(id);
				return Promise.resolve(answer(id));
			},
			close: () => void asked.push('closed')
		};
		return { eyes, asked };
	}
	const watchMotion = (kit: () => Kit, eyes: Eyes, silenced: () => readonly Silenced[] = () => []): FindingsOf =>
		new FindingsOf(
			kit,
			() => Promise.resolve(looking),
			silenced,
			() => Promise.resolve(eyes)
		);

	it('comes after what settings tell, what one works on first; its fix keeps what changed since', async () => {
		const { eyes, asked } = eyesWith((id) => (id === 'p-1' ? [found('Too much.')] : []));
		const findings = watchMotion(() => kitWith(3, 1), eyes);
		findings.prefer({ kind: 'shake', id: 'p-1' });
		const close = findings.open();
		await vi.advanceTimersByTimeAsync(600);
		expect([asked, findings.list.map(({ finding }) => finding.check)]).toEqual([[], ['points-nowhere']]);
		await vi.advanceTimersByTimeAsync(1000);
		expect(asked).toEqual(['p-1', 'p-0', 'p-2']);
		expect(findings.inMotion('shake', 'p-1')).toHaveLength(1);
		expect(findings.knows({ kind: 'shake', id: 'p-2' })).toBe(true);
		expect(findings.knows({ kind: 'rig', id: 'r' })).toBe(false);
		const [told] = findings.inMotion('shake', 'p-1');
		const since = { ...told!.document, name: 'Another name' };
		expect(told!.finding.fix!.apply(since)).toMatchObject({ name: 'Another name', amount: 0.5 });
		close();
		expect(asked.at(-1)).toBe('closed');
	});

	it('what changes meanwhile makes it stale: nothing more is asked until it is quiet again', async () => {
		let answer: (list: readonly MotionFinding[]) => void = () => undefined;
		const { eyes, asked } = eyesWith(() => []);
		const slow: Eyes = {
			...eyes,
			find: (subject) => (void eyes.find(subject), new Promise((done) => (answer = done)))
		};
		const findings = watchMotion(() => kitWith(3, 1), slow);
		const close = findings.open();
		await vi.advanceTimersByTimeAsync(1500);
		expect(asked).toEqual(['p-0']);
		findings.stir();
		answer([found('Stale.')]);
		await vi.advanceTimersByTimeAsync(300);
		expect([asked, findings.inMotion('shake', 'p-0')]).toEqual([['p-0'], []]);
		await vi.advanceTimersByTimeAsync(1500);
		expect(asked).toEqual(['p-0', 'p-0']);
		close();
	});

	it('what is left alone is not told, and why is kept', async () => {
		const { eyes } = eyesWith((id) => (id === 'p-0' ? [found('Too much.')] : []));
		const one = { kind: 'shake', of: 'p-0', check: 'too-much', reason: 'a ship that capsizes' } as const;
		const silenced = [{ ...one, id: silencedId('shake', 'p-0', 'too-much') }];
		const findings = watchMotion(
			() => kitWith(1, 1),
			eyes,
			() => silenced
		);
		const close = findings.open();
		await vi.advanceTimersByTimeAsync(2000);
		expect(findings.list.map(({ finding }) => finding.check)).toEqual(['points-nowhere']);
		expect(findings.leftAlone.map(({ told, why }) => [told.finding.sentence, why.reason])).toEqual([
			['Too much.', 'a ship that capsizes']
		]);
		close();
	});
});
