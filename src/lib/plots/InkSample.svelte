<script lang="ts">
	/** A short piece of a channel's line. */
	import type { Channel } from 'dinesis-runtime/tools';
	import type { Ink } from './inks';

	let { ink, channel, faint = false }: { ink: Ink; channel: Channel; faint?: boolean } = $props();
</script>

<svg width="22" height="8" aria-hidden="true" opacity={faint ? 0.35 : 1}>
	<line
		x1="0"
		y1="4"
		x2="22"
		y2="4"
		style:stroke="var(--ink-{channel})"
		stroke-width="2.2"
		stroke-dasharray={ink.dash.join(' ')}
	/>
</svg>
