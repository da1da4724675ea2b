<script lang="ts">
	/** What the sheets of a head bob and of a lag have in common: name, what it is for, tags; and how their numbers are set. */
	import type { Snippet } from 'svelte';
	import type { BobPreset, LagPreset } from 'dinesis-runtime';
	import Frame from '$lib/ui/Frame.svelte';

	type Said = Partial<Pick<BobPreset | LagPreset, 'name' | 'about' | 'tags'>>;
	interface Props {
		/** What it is, for its label. */
		what: string;
		preset: BobPreset | LagPreset;
		/** Left out: nothing to go back to. */
		onback?: () => void;
		onchange: (label: string, part: Said, mark: string) => void;
		children: Snippet;
	}
	let { what, preset, onback, onchange, children }: Props = $props();

	const tagsOf = (text: string): string[] =>
		[...new Set(text.split(',').map((tag) => tag.trim().slice(0, 40)))].filter(Boolean).slice(0, 40);
</script>

<Frame label="{what} {preset.name}" flow="rows" tuned>
	<div class="inside">
		<header>
			<input
				class="name"
				aria-label="Name"
				value={preset.name}
				maxlength="120"
				onchange={(e) => {
					const name = e.currentTarget.value.trim();
					if (name) onchange('Name', { name }, 'name');
					else e.currentTarget.value = preset.name;
				}}
			/>
			{#if onback}<button onclick={onback}>back</button>{/if}
		</header>
		<textarea
			rows="2"
			aria-label="What it is for"
			placeholder="What it is for"
			title={preset.about}
			maxlength="4000"
			value={preset.about}
			onchange={(e) => onchange('Description', { about: e.currentTarget.value }, 'about')}></textarea>
		{@render children()}
		<label class="tags"
			>tags <input
				value={preset.tags.join(', ')}
				placeholder="none yet"
				onchange={(e) => onchange('Tags', { tags: tagsOf(e.currentTarget.value) }, 'tags')}
			/></label
		>
	</div>
</Frame>

<style>
	/* It has no shape of its own: what is in it stands in the frame. */
	.inside {
		display: contents;
	}
	header {
		display: flex;
		justify-content: space-between;
		gap: 8px;
	}
	.name {
		flex: 1;
		min-width: 0;
		border: 0;
		border-bottom: 1px solid var(--rule);
		background: none;
		color: inherit;
		font: 700 15px var(--heading);
		padding: 0;
	}
	textarea,
	.tags input {
		border: 1px solid transparent;
		border-radius: 5px;
		background: none;
		color: var(--ink-2);
		font: inherit;
		font-size: 12px;
		padding: 0 2px;
		resize: none;
	}
	textarea:hover,
	textarea:focus,
	.tags input:hover,
	.tags input:focus {
		border-color: var(--rule-strong);
		background: var(--field);
	}
	.tags {
		display: flex;
		gap: 6px;
		font-size: 12px;
		color: var(--ink-2);
	}
	.tags input {
		flex: 1;
		min-width: 0;
	}
	.inside :global(.tiles) {
		display: grid;
		grid-template-columns: repeat(3, minmax(0, 1fr));
		gap: 5px;
	}
	.inside :global(.tiles .tile .value) {
		font-size: 14px;
	}
	.inside :global(header button) {
		border: 1px solid var(--rule-strong);
		border-radius: 5px;
		background: var(--field);
		font-size: 12px;
		padding: 1px 7px;
		cursor: pointer;
	}
	.inside :global(svg[role='img']) {
		display: block;
		width: 100%;
		height: 74px;
		border: 1px solid var(--rule);
		border-radius: 5px;
		background: var(--field);
	}
</style>
