<script lang="ts">
	/** Goes over to another rig, as the game would, and comes back. */
	import type { Rig } from 'dinesis-runtime';
	import { viewOf } from 'dinesis-runtime/tools';
	import NumberField from '$lib/ui/NumberField.svelte';
	import Select from '$lib/ui/Select.svelte';
	import type { RigState } from './rig.svelte';

	let { desk, rig }: { desk: RigState; rig: Rig } = $props();

	const others = $derived(desk.session.wiring.rigs.filter((r) => r.id !== rig.id));
	const other = $derived(others.find((r) => r.id === desk.other) ?? others[0]);
	/** A flat picture and one in space have no between. */
	const cuts = $derived(desk.over <= 0 || (other ? viewOf(rig.view.kind) !== viewOf(other.view.kind) : false));
</script>

{#if other}
	<div class="over" role="group" aria-label="Go over to another rig">
		<button
			class:gone={desk.isOver}
			aria-pressed={desk.isOver}
			title="Position, turn, lens and motion go over together (O)"
			onclick={() => {
				desk.other = other.id;
				desk.goOver();
			}}>{desk.isOver ? 'Come back' : 'Go over'}</button
		>
		to
		<Select
			label="The other rig"
			value={other.id}
			choices={others.map(({ id, name }) => ({ value: id, label: name }))}
			onchange={(id) => (desk.other = id)}
		/>
		{#if !cuts}within{/if}
		{#if cuts && desk.over > 0}<span title="A flat picture and one in space have no between">cuts</span>{:else}
			<NumberField
				look="inline"
				label=""
				name="Blends within"
				unit={desk.over > 0 ? 's' : 's, cuts'}
				value={desk.over}
				min={0}
				max={30}
				step={0.02}
				reset={0.8}
				onchange={(v) => (desk.over = v)}
			/>{/if}
	</div>
{/if}

<style>
	.over {
		display: flex;
		align-items: center;
		gap: 5px;
		font-size: 12.5px;
		color: var(--ink-2);
		white-space: nowrap;
	}
	.over :global(select) {
		max-width: 150px;
	}
	button {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 3px 10px;
		cursor: pointer;
	}
	.gone {
		background: var(--lamp-light);
		border-color: var(--lamp);
		color: var(--on-lamp);
		font-weight: 600;
	}
	@media (max-width: 1180px) {
		.over :global(select) {
			max-width: 104px;
		}
	}
</style>
