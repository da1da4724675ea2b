<script lang="ts">
	/** The head of the channels' grid: families that are turned together, and whether amplitudes keep their proportions. */
	import Link2 from '@lucide/svelte/icons/link-2';
	import { channelsOf, familyOf, type Channel, type View } from 'dinesis-runtime/tools';

	interface Props {
		view: View;
		/** Rows that are turned together. */
		chosen: ReadonlySet<Channel>;
		linked: boolean;
		onchoose: (channels: readonly Channel[], on: boolean) => void;
		onlink: () => void;
	}
	let { view, chosen, linked, onchoose, onlink }: Props = $props();

	const families = $derived(
		(['position', 'rotation', 'lens'] as const)
			.map((family) => ({ family, channels: channelsOf(view).filter((c) => familyOf(c) === family) }))
			.filter(({ channels }) => channels.length > 0)
	);
</script>

<thead>
	<tr>
		<th scope="col" class="families"
			>{#each families as { family, channels } (family)}
				{@const all = channels.every((c) => chosen.has(c))}
				<button
					aria-pressed={all}
					aria-label="Turn {family} together"
					title="Choose {family} to be turned together, or not any more"
					onclick={() => onchoose(channels, !all)}>{family}</button
				>{/each}</th
		>
		<th scope="col" class="number">
			<button class="link" aria-pressed={linked} title="Linked: amplitudes keep their proportions" onclick={onlink}>
				<Link2 size={13} /> amplitude
			</button>
		</th>
		<th scope="col" class="number">frequency</th>
		<th scope="col" class="number">begins</th>
	</tr>
</thead>

<style>
	thead th {
		position: sticky;
		top: 0;
		z-index: 1;
		background: var(--sheet);
		font-weight: 400;
		font-size: 12px;
		color: var(--ink-2);
		text-align: left;
		padding: 0 8px 2px;
	}
	thead th:first-child {
		width: 29%;
		padding-left: 2px;
	}
	.number {
		text-align: right;
	}
	.link {
		display: inline-flex;
		align-items: center;
		gap: 4px;
		border: 1px solid transparent;
		border-radius: 5px;
		background: none;
		color: inherit;
		cursor: pointer;
		padding: 0 4px;
	}
	.link:hover {
		border-color: var(--rule-strong);
	}
	.link[aria-pressed='true'] {
		background: var(--lamp-light);
		color: var(--on-lamp);
		border-color: var(--lamp);
	}
	.families button {
		border: 0;
		border-radius: 4px;
		background: none;
		padding: 0 3px;
		margin-left: -1px;
		font-size: 11px;
		color: inherit;
		cursor: pointer;
	}
	.families button:hover {
		background: var(--lamp-wash);
	}
	.families button[aria-pressed='true'] {
		background: var(--lamp-light);
		color: var(--on-lamp);
	}
</style>
