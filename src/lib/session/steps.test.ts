import { describe, expect, it } from 'vitest';
import { changedBy, type Envelope, type FieldChange } from '$lib/documents';
import { fieldName, partOf, Steps, type Step } from './steps';

const before: Envelope = { kind: 'shake', id: 'thud', order: 'a0', retired: false, body: { amount: 1, rate: 1 } };
const set = (name: string, to: unknown): FieldChange => ({ path: ['body', name], to });
const step = (label: string, fields: readonly FieldChange[], mark: string | null = null): Step => ({
	label,
	mark,
	parts: [partOf('d', before, fields)]
});
const todo = (steps: Steps, way: 'undo' | 'redo' = 'undo') => steps.take(way)!.todo.map(({ fields }) => fields);

describe('steps', () => {
	it('of one mark are one, and go back to before the first of them', () => {
		const steps = new Steps();
		steps.add(step('Amount', [set('amount', 2)], 'drag'));
		const second = changedBy(before, [set('amount', 2)]) as Envelope;
		steps.add({ label: 'Amount', mark: 'drag', parts: [partOf('d', second, [set('amount', 3)])] });
		expect(steps.past).toHaveLength(1);
		expect(todo(steps)).toEqual([[set('amount', 1)]]);
	});

	it('of one mark that set two fields take both back, each to what it was', () => {
		const steps = new Steps();
		steps.add(step('Both', [set('amount', 2)], 'drag'));
		const second = changedBy(before, [set('amount', 2)]) as Envelope;
		steps.add({ label: 'Both', mark: 'drag', parts: [partOf('d', second, [set('amount', 3), set('rate', 5)])] });
		const fields = todo(steps).flat();
		const after = changedBy(before, [set('amount', 3), set('rate', 5)]);
		expect((changedBy(after, fields) as Envelope).body).toEqual({ amount: 1, rate: 1 });
	});

	it('a new one ends what could be done again; a sealed one is over', () => {
		const steps = new Steps();
		steps.add(step('One', [set('amount', 2)], 'drag'));
		steps.seal();
		steps.add(step('Two', [set('amount', 3)], 'drag'));
		expect(steps.past.map(({ label }) => label)).toEqual(['One', 'Two']);
		steps.take('undo');
		steps.done('undo', 'Two', []);
		expect(steps.redoLabel).toBe('Two');
		steps.add(step('Three', [set('rate', 2)]));
		expect([steps.redoLabel, steps.undoLabel]).toEqual([null, 'Three']);
	});

	it('a field that somebody else has changed is lost to every step before, and to none after', () => {
		const steps = new Steps();
		steps.add(step('Before', [set('amount', 2), set('rate', 2)]));
		steps.lose('d', [['body', 'amount']]);
		steps.lose('elsewhere', [['body', 'rate']]);
		steps.add(step('After', [set('amount', 4)]));
		expect(todo(steps)).toEqual([[set('amount', 1)]]);
		const taken = steps.take('undo')!;
		expect(taken.todo).toEqual([{ document: 'd', fields: [set('rate', 1)] }]);
		expect(taken.lost.map(fieldName)).toEqual(['amount']);
	});

	it('a whole that was replaced by somebody else loses every field in it', () => {
		const steps = new Steps();
		steps.add(step('Amount', [set('amount', 2)]));
		steps.lose('d', [['body']]);
		expect(steps.take('undo')).toMatchObject({ todo: [], lost: [['body', 'amount']] });
	});

	it('what was refused is in the newest step no more; what the field was set to earlier stays a step', () => {
		const steps = new Steps();
		steps.add(step('Acknowledged', [set('amount', 2)]));
		steps.add(step('Refused', [set('amount', 3), set('rate', 3)]));
		steps.forget('d', [['body', 'amount']]);
		expect(todo(steps)).toEqual([[set('rate', 1)]]);
		expect(todo(steps)).toEqual([[set('amount', 1)]]);
		steps.add(step('All of it', [set('amount', 3)]));
		steps.forget('d', [['body', 'amount']]);
		expect(steps.undoLabel).toBeNull();
	});

	it('of a document that was made take it out of use, and the thousand and first drops the first', () => {
		expect(partOf('new', undefined, []).back).toEqual([{ path: ['retired'], to: true }]);
		const steps = new Steps();
		for (let i = 0; i < 1001; i++) steps.add(step(`S${i}`, [set('amount', i)]));
		expect([steps.past.length, steps.past[0]!.label]).toEqual([1000, 'S1']);
	});

	it('a field is called by what stands on the way to it', () => {
		expect(fieldName(['body', 'layers', 'rattle', 'is', 'amount'])).toBe('layers rattle amount');
		expect(fieldName(['retired'])).toBe('retired');
		expect(fieldName(['body'])).toBe('it');
	});
});
