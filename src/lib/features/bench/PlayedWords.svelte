<script lang="ts">
	/** What a preset is made for, its tags, and when to use it. Rows of the sheet's second page. */
	import type { ShakePreset } from 'dinesis-runtime';
	import Segments from '$lib/ui/Segments.svelte';
	import { withView } from './pattern-drawing';

	interface Props {
		preset: ShakePreset;
		onchange: (label: string, recipe: (preset: ShakePreset) => ShakePreset, mark: string, done: boolean) => void;
	}
	let { preset, onchange }: Props = $props();

	const set = (label: string, part: Partial<ShakePreset>, done = true): void =>
		onchange(label, (p) => ({ ...p, ...part }), label, done);
	const tagsIn = (text: string): string[] =>
		[
			...new Set(
				text
					.split(',')
					.map((tag) => tag.trim().slice(0, 40))
					.filter(Boolean)
			)
		].slice(0, 40);
</script>

<span>made for</span>
<div>
	<Segments
		small
		label="What it is for"
		value={preset.view}
		options={[
			{ value: 'space', label: 'a view in depth', title: 'Metres and degrees' },
			{ value: 'flat', label: 'a flat view', title: 'Pixels; x, y, roll and the view’s height' }
		]}
		onchange={(view: ShakePreset['view']) => onchange('View', (p) => withView(p, view), 'view', true)}
	/>
	<Segments
		small
		label="Suits"
		value={preset.suits}
		options={[
			{ value: 'burst', label: 'bursts' },
			{ value: 'continuous', label: 'states' }
		]}
		onchange={(suits: ShakePreset['suits']) => set('Suits', { suits })}
	/>
</div>
<label for="tags">tags</label>
<input
	id="tags"
	value={preset.tags.join(', ')}
	placeholder="impact, sea, heavy"
	maxlength="400"
	onchange={(e) => set('Tags', { tags: tagsIn(e.currentTarget.value) })}
/>
<label for="about">when to use it</label>
<textarea
	id="about"
	rows="3"
	maxlength="4000"
	value={preset.about}
	onchange={(e) => set('Description', { about: e.currentTarget.value })}></textarea>

<style>
	input,
	textarea {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 2px 7px;
		min-width: 0;
		resize: none;
	}
</style>
