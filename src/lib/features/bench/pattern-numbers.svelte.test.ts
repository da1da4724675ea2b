import { cleanup, render, screen } from '@testing-library/svelte';
import { afterEach, describe, expect, it } from 'vitest';
import { newLayer, type Layer, type View } from 'dinesis-runtime/tools';
import PatternNumbers from './PatternNumbers.svelte';

afterEach(cleanup);

function withins(view: View, within: string): string[] {
	const pattern = { kind: 'jumps', within, between: 'held' } as unknown as Layer['pattern'];
	render(PatternNumbers, { layer: { ...newLayer('l'), pattern }, view, onchange: () => undefined });
	const group = screen.getByRole('radiogroup', { name: 'Within' });
	return [...group.querySelectorAll('[role="radio"]')].map((radio) => radio.textContent.trim());
}

describe('what jumps stay within', () => {
	it('a flat view has no depth: no ball is offered there, but one of a file is shown', () => {
		const all = withins('space', 'box');
		expect(all).toContain('ball');
		cleanup();
		expect(withins('flat', 'box')).toEqual(all.filter((within) => within !== 'ball'));
		cleanup();
		expect(withins('flat', 'ball')).toEqual(all);
	});
});
