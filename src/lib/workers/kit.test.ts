import { describe, expect, it } from 'vitest';
import { newPreset } from 'dinesis-runtime/tools';
import { arrivalsOf, comparedWith, readKit, treeOf, wholeKit, writeKit, type Held, type Kit } from '$lib/documents';
import { readWith } from './kit';

const wiring = { events: [], parameters: [], cues: [], rigs: [], world: { events: [], values: [] } };
const many = Array.from({ length: 600 }, (_, i) => newPreset(`p-${i}`, `P ${i}`));
const bytes = new TextEncoder().encode(writeKit(wholeKit('K', many, wiring, [])));
const held = many.slice(0, 300).map((preset, i): Held => ({
	uuid: `u${i}`,
	kind: 'shake',
	id: preset.id,
	order: 'a0',
	version: 1,
	savedAt: '',
	retired: false,
	body: treeOf('shake', preset)
}));

/** The worker's door, in this thread. */
function door() {
	let kit: ReturnType<typeof readKit>;
	const here: Held[] = [];
	let arrivals: ReturnType<typeof comparedWith> = [];
	const sizes: number[] = [];
	return {
		sizes,
		read: async (bytes: Uint8Array) => {
			kit = readKit(bytes);
			return kit.ok ? ({ ok: true, value: 1 } as const) : kit;
		},
		here: async (documents: readonly Held[]) => {
			sizes.push(documents.length);
			here.push(...documents);
		},
		compare: async () => (arrivals = comparedWith(arrivalsOf((kit as unknown as { value: Kit }).value), here)).length,
		take: async (from: number, count: number) => arrivals.slice(from, from + count)
	};
}

describe('reading a kit beside a project', () => {
	it('crosses in small parts, tells how far it is, and nothing is lost on the way', async () => {
		const own = door();
		const heard: number[] = [];
		const read = await readWith(
			own,
			bytes,
			async () => held,
			(part) => heard.push(part)
		);
		expect(own.sizes).toEqual([250, 50]);
		expect(read?.ok && read.value.map(({ document }) => document.id)).toEqual(many.map(({ id }) => id));
		expect(read?.ok && read.value.filter(({ standing }) => standing === 'same')).toHaveLength(300);
		expect([...heard].sort((a, b) => a - b)).toEqual(heard);
		expect(heard.every((part) => part >= 0 && part < 1)).toBe(true);
	});

	it('what is wrong with the file is told before anything is asked of the server', async () => {
		let asked = 0;
		const present = async () => (asked++, held);
		const read = await readWith(door(), new TextEncoder().encode('{"format": "x"}'), present, () => undefined);
		expect([read?.ok, asked]).toEqual([false, 0]);
	});

	it('is given up when the server does not say what is here', async () => {
		expect(
			await readWith(
				door(),
				bytes,
				async () => null,
				() => undefined
			)
		).toBeNull();
	});
});
