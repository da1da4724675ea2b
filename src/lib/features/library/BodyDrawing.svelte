<script lang="ts">
	/** The little drawing of a head bob or a lag: what the eye does, and the body's own way, faint, where there is one. */
	import { DRAWING } from './body-rows';

	interface Props {
		/** Paths of an SVG; an empty one is not drawn. */
		drawn: string;
		body: string;
		family: 'bob' | 'lag';
	}
	let { drawn, body, family }: Props = $props();
</script>

{#if drawn}
	<svg viewBox="0 0 {DRAWING.width} {DRAWING.height}" aria-hidden="true"
		>{#if body}<path class="body" d={body} />{/if}<path class={family} d={drawn} /></svg
	>
{/if}

<style>
	svg {
		display: block;
		width: 96px;
		height: 36px;
	}
	path {
		fill: none;
		stroke-width: 1.6;
	}
	.bob {
		stroke: var(--ink-y);
	}
	.lag {
		stroke: var(--ink-x);
	}
	.body {
		stroke: var(--rule-strong);
		stroke-dasharray: 3 3;
	}
</style>
