<script lang="ts">
	/** What the game must send: each event that a cue answers, with its numbers, and how often it came in courses and takes. */
	import Frame from '$lib/ui/Frame.svelte';
	import type { HandoverState } from './handover.svelte';

	let { desk }: { desk: HandoverState } = $props();
</script>

<Frame label="What the game must send" title="What the game must send" flow="rows">
	{#if desk.sends.length === 0}
		<p>Nothing: no cue that goes out answers an event.</p>
	{:else}
		<table>
			<thead><tr><th>event</th><th>carries</th><th title="In the project’s courses and takes">came</th></tr></thead>
			<tbody>
				{#each desk.sends as { event, carries, times } (event.id)}
					<tr>
						<th scope="row"
							><a href={desk.session.addressOf('event', event.id)}><code>{event.id}</code></a>{event.kind === 'state'
								? ' (a state)'
								: ''}</th
						>
						<td>{carries.join(', ') || '–'}</td>
						<td>{times}×</td>
					</tr>
				{/each}
				{#each desk.values as value (value.id)}
					<tr><th scope="row"><code>{value.id}</code> (a value)</th><td>{value.min} to {value.max}</td><td></td></tr>
				{/each}
			</tbody>
		</table>
	{/if}
</Frame>

<style>
	p {
		margin: 0;
		font-size: 12.5px;
		color: var(--ink-2);
	}
	table {
		width: 100%;
		border-collapse: collapse;
		font-size: 12.5px;
	}
	th {
		text-align: left;
		font-weight: 400;
	}
	thead th {
		font-size: 11.5px;
		color: var(--ink-2);
	}
	tbody tr {
		border-top: 1px solid var(--rule);
	}
	td {
		color: var(--ink-2);
	}
	td:last-child {
		text-align: right;
		font-variant-numeric: tabular-nums;
	}
	code {
		font:
			12px ui-monospace,
			monospace;
	}
</style>
