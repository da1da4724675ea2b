<script lang="ts">
	/** What the window shows besides the picture. */
	import type { View } from 'dinesis-runtime/tools';
	import { centreMark } from '$lib/viewport/centre-mark.svelte';
	import type { WindowShows } from './window.svelte';

	interface Props {
		view: View;
		shows: WindowShows;
		hint: string;
	}
	let { view, shows = $bindable(), hint }: Props = $props();
</script>

<div class="foot">
	<label><input type="checkbox" bind:checked={shows.outline} /> rest outline</label>
	<label title="What stands in the scene"
		><input
			type="checkbox"
			checked={shows.distances === 'things'}
			onchange={(e) => (shows.distances = e.currentTarget.checked ? 'things' : 'none')}
		/> distances</label
	>
	{#if view === 'space'}
		<label title="Posts at 1, 5, 20 and 100 m, and how many pixels each moves"
			><input
				type="checkbox"
				checked={shows.distances === 'posts'}
				onchange={(e) => (shows.distances = e.currentTarget.checked ? 'posts' : 'none')}
			/> posts</label
		>
	{/if}
	<label><input type="checkbox" checked={centreMark.on} onchange={() => centreMark.turn()} /> centre mark</label>
	<label title="From outside: the camera’s path around its rest (O)"
		><input type="checkbox" bind:checked={shows.outside} /> outside</label
	>
	<label title="Side against height, yaw against pitch (C)"
		><input type="checkbox" bind:checked={shows.scope} /> scope</label
	>
	<span class="hint">{hint}</span>
</div>

<style>
	.foot {
		display: flex;
		gap: 13px;
		align-items: end;
		font-size: 12px;
		color: var(--ink-2);
		white-space: nowrap;
		overflow: hidden;
	}
	label {
		display: flex;
		gap: 5px;
		align-items: center;
		cursor: pointer;
	}
	input {
		accent-color: var(--lamp);
		margin: 0;
		width: 13px;
		height: 13px;
	}
	.hint {
		margin-left: auto;
		overflow: hidden;
		text-overflow: ellipsis;
	}
</style>
