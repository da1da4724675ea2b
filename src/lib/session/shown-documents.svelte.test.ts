import { describe, expect, it } from 'vitest';
import type { Held, KindName } from '$lib/documents';
import { ShownDocuments } from './shown-documents.svelte';

const held = (uuid: string, id: string, order: string, part: Partial<Held> = {}): Held =>
	({ uuid, id, kind: 'shake', order, retired: false, body: {}, version: 1, savedAt: '', ...part }) as unknown as Held;

function begin(acked: readonly Held[], over: Record<string, Held | undefined> = {}) {
	const changed: string[] = [];
	const shown = new ShownDocuments(
		(uuid, there) => (uuid in over ? over[uuid] : there),
		({ id }) => void changed.push(id)
	);
	for (const one of acked) shown.acknowledge(one);
	shown.show(acked.map(({ uuid }) => uuid));
	return { shown, changed, over, ids: (kind: KindName = 'shake') => shown.list(kind).map(({ id }) => id) };
}

describe('the documents as they are shown', () => {
	it('stand in the project’s order, of their kind, without those out of use', () => {
		const { shown, ids } = begin([
			held('2', 'b', 'a1'),
			held('1', 'a', 'a0'),
			held('3', 'c', 'a2', { retired: true }),
			held('4', 'walk', 'a0', { kind: 'bob' })
		]);
		expect([ids(), ids('bob'), ids('lag')]).toEqual([['a', 'b'], ['walk'], []]);
		expect(shown.get('3')!.id).toBe('c');
		expect(shown.all()).toHaveLength(4);
	});

	it('are found by id in the kinds that are asked for', () => {
		const { shown } = begin([held('1', 'walk', 'a0'), held('2', 'walk', 'a0', { kind: 'bob' })]);
		expect(shown.find(['bob'], 'walk')!.uuid).toBe('2');
		expect(shown.find(['lag', 'shake'], 'walk')!.uuid).toBe('1');
		expect(shown.find(['lag'], 'walk')).toBeUndefined();
	});

	it('what is on its way is shown on top of what the server has', () => {
		const { shown, over, changed } = begin([held('1', 'a', 'a0')]);
		over['1'] = held('1', 'a', 'a0', { version: 9 });
		shown.show(['1', '1']);
		expect([shown.get('1')!.version, shown.ackedOf('1')!.version]).toEqual([9, 1]);
		expect(changed).toEqual(['a', 'a']);
		shown.show(['1']);
		expect(changed).toHaveLength(2);
		over['1'] = undefined;
		shown.show(['1']);
		expect([shown.peek('1'), shown.find(['shake'], 'a')]).toEqual([undefined, undefined]);
	});

	it('two that wish for one id at once: the later is found, and the other again once it has another', () => {
		const { shown, over } = begin([held('1', 'new', 'a0')]);
		over['2'] = held('2', 'new', 'a1');
		shown.show(['2']);
		expect(shown.find(['shake'], 'new')!.uuid).toBe('2');
		over['2'] = held('2', 'new-2', 'a1');
		shown.show(['2']);
		expect([shown.find(['shake'], 'new')!.uuid, shown.find(['shake'], 'new-2')!.uuid]).toEqual(['1', '2']);
	});

	it('moving one puts it elsewhere in the list', () => {
		const { shown, over, ids } = begin([held('1', 'a', 'a0'), held('2', 'b', 'a1'), held('3', 'c', 'a2')]);
		over['1'] = held('1', 'a', 'a3');
		shown.show(['1']);
		expect(ids()).toEqual(['b', 'c', 'a']);
	});
});
