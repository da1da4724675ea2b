import { newPreset, newRig } from 'dinesis-runtime/tools';
import { describe, expect, it } from 'vitest';
import type { Arrival, Choice } from '$lib/documents';
import { rigsAlong, sayBroughtIn, sortOut } from './bring-in';

const arrival = (id: string, standing: Arrival['standing']): Arrival => ({ preset: newPreset(id, id), standing });

describe('what a kit brings', () => {
	const list = [
		arrival('new', 'new'),
		arrival('same', 'same'),
		arrival('kept', 'differs'),
		arrival('put', 'differs'),
		arrival('twin', 'differs')
	];
	const choices: Record<string, Choice> = { kept: 'keep', put: 'replace', twin: 'both' };
	const sorted = sortOut(list, (id) => choices[id]!);

	it('is sorted out by what is here, and by one’s choice where its id is taken', () => {
		expect(sorted.fresh.map((p) => p.id)).toEqual(['new', 'twin']);
		expect([...sorted.replaced.keys()]).toEqual(['put']);
		expect([sorted.kept, sorted.same]).toEqual([1, 1]);
		// One asks about those alone whose id is taken by another.
		sortOut(list.slice(0, 2), () => {
			throw new Error('asked');
		});
	});

	it('is said, without what there is none of', () => {
		expect(sayBroughtIn(sorted, 2)).toBe(
			'2 brought in, 2 rigs with them, 1 replaced, 1 left as they are, 1 were here already'
		);
		expect(
			sayBroughtIn(
				sortOut([arrival('a', 'new')], () => 'keep'),
				1
			)
		).toBe('1 brought in, 1 rig with them');
		expect(
			sayBroughtIn(
				sortOut([], () => 'keep'),
				0
			)
		).toBe('0 brought in');
	});
});

describe('rigs that come along', () => {
	it('go on with what they came with, whatever it is called here; one whose id is taken stays out', () => {
		const rig = (id: string, part: object) => ({ ...newRig(id, id), ...part });
		const came = rigsAlong(
			[rig('a', { bob: 'walk', lag: 'soft' }), rig('b', { bob: null }), rig('here', {})],
			[newRig('here', 'Here')],
			new Map([['walk', 'walk-2']])
		);
		expect(came.map(({ id, bob, lag }) => [id, bob, lag])).toEqual([
			['a', 'walk-2', 'soft'],
			['b', null, null]
		]);
	});
});
