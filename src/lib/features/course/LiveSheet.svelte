<script lang="ts">
	/** Beside a running game that one looks on: how alike the motion is, what was played, the recording. */
	import Button from '$lib/ui/Button.svelte';
	import Frame from '$lib/ui/Frame.svelte';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import { clockOf } from './lanes';
	import RunHead from './RunHead.svelte';
	import type { LivePlay } from './live.svelte';

	interface Props {
		session: ProjectSession;
		live: LivePlay;
		onkeep: () => void;
		onend: () => void;
	}
	let { session, live, onkeep, onend }: Props = $props();

	const whole = $derived(live.alike + live.other);
	const part = $derived(whole > 0 ? Math.floor((live.alike / whole) * 1000) / 10 : 0);
	const number = (value: number | null): string => (value === null ? '–' : value.toFixed(2));
</script>

<Frame label="A running game" flow="rows" tuned>
	<RunHead
		name={live.game?.game ?? 'A running game'}
		clock={live.phase === 'waiting' ? 'getting ready …' : `${clockOf(live.seconds, 0.1)} s`}
		records={live.recording !== null}
	/>
	<p>
		Its bodies and events, played by the cues as they are here. What you tune is in the game with its next frame{session
			.wire?.delay != null
			? `: ${session.wire.delay.toFixed(0)} ms there and back`
			: ''}.
	</p>
	{#if whole > 0}
		<p class:good={live.other === 0} data-testid="alike">
			{#if live.other === 0}<b>{whole} frames</b> felt here as there, to the bit.
			{:else}<b>{part} %</b> of {whole} frames alike to the bit; what was tuned meanwhile differs for some frames.{/if}
		</p>
	{/if}
	{#if live.lost > 0}<p>{live.lost} frames did not come; the game itself missed none.</p>{/if}
	<div class="acts">
		{#if live.recording === null}
			<Button strong disabled={live.phase !== 'going'} onclick={() => live.record()}>Record</Button>
		{:else}
			<Button strong onclick={onkeep}>Keep {clockOf(live.recorded, 0.1)} s as a take</Button>
		{/if}
		<Button onclick={onend}>Stop looking</Button>
	</div>
	{#if live.compared.length > 0}
		<table>
			<thead><tr><th>played</th><th>there</th><th>here</th></tr></thead>
			<tbody>
				{#each live.compared as row, i (i)}
					<tr class:apart={row.here === null || Math.abs(row.here - (row.there ?? 0)) > 1e-9}>
						<td>{session.preset(row.preset)?.name ?? row.preset}</td>
						<td>{number(row.there)}</td>
						<td>{number(row.here)}</td>
					</tr>
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
	.good b {
		color: var(--ink);
	}
	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: 6px;
	}
	table {
		width: 100%;
		border-collapse: collapse;
		font-size: 12.5px;
	}
	th {
		text-align: left;
		font-weight: 400;
		font-size: 11.5px;
		color: var(--ink-2);
	}
	td {
		border-top: 1px solid var(--rule);
		padding: 2px 4px 2px 0;
		font-variant-numeric: tabular-nums;
	}
	.apart td {
		color: var(--lamp-text);
	}
</style>
