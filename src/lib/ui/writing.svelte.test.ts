import { cleanup, fireEvent, render, screen } from '@testing-library/svelte';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import NumberField from './NumberField.svelte';
import { numberReader } from './number-reader.svelte';
import { writing } from './writing.svelte';

beforeEach(() => numberReader.fetch());
afterEach(() => {
	cleanup();
	writing.length = 'm';
	writing.frameRate = 60;
});

function begin(unit: string, value: number, part: object = {}) {
	const said: number[] = [];
	render(NumberField, {
		label: 'reach',
		unit,
		value,
		min: 0,
		max: 2,
		step: 0.01,
		onchange: (v: number) => void said.push(v),
		...part
	});
	const box = screen.getByRole('spinbutton');
	const set = async (text: string) => {
		await fireEvent.keyDown(box, { key: 'Enter' });
		const entry = screen.getByRole('textbox');
		await fireEvent.input(entry, { target: { value: text } });
		await fireEvent.keyDown(entry, { key: 'Enter' });
	};
	return { said, box, set };
}

describe('in centimetres', () => {
	beforeEach(() => (writing.length = 'cm'));

	it('metres are written and read as centimetres, and kept in metres', async () => {
		const { said, box, set } = begin('m', 0.05);
		expect(box.getAttribute('aria-label')).toBe('reach, cm');
		expect(box.getAttribute('aria-valuenow')).toBe('5');
		expect(box.getAttribute('aria-valuemax')).toBe('200');
		await set('7');
		expect(said).toEqual([0.07]);
		await set('12mm');
		expect(said.at(-1)).toBe(0.012);
		await set('1m');
		expect(said.at(-1)).toBe(1);
	});

	it('so are metres a second; a step is as large as it was, and setting back leads to the same', async () => {
		const { said, box } = begin('m/s', 0.5, { reset: 0.25 });
		expect(box.getAttribute('aria-label')).toBe('reach, cm/s');
		await fireEvent.keyDown(box, { key: 'Delete' });
		expect(said).toEqual([0.25]);
		await fireEvent.keyDown(box, { key: 'End' });
		expect(said.at(-1)).toBe(2);
	});

	it.each(['ms', 'min', '°', 'px', 's', ''])('a number in “%s” is as it is', (unit) => {
		expect([writing.unit(unit), writing.factor(unit)]).toEqual([unit, 1]);
	});
});

it('a frame is one of the project’s', async () => {
	writing.frameRate = 24;
	const { said, set } = begin('s', 1);
	await set('12f');
	expect(said).toEqual([0.5]);
});
