import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { newCue, newPreset, NO_LINKS } from 'dinesis-runtime/tools';
import { wholeKit, type Kit } from '$lib/documents';
import * as looking from '$lib/documents/findings';
import { FindingsOf } from './findings.svelte';

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

const watch = (kit: () => Kit | null): FindingsOf => new FindingsOf(kit, () => Promise.resolve(looking));

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
