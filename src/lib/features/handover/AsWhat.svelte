<script lang="ts">
	/** As what it goes out. */
	import Frame from '$lib/ui/Frame.svelte';
	import Select from '$lib/ui/Select.svelte';
	import { isCurves, TARGETS, type HandoverState } from './handover.svelte';

	let { desk }: { desk: HandoverState } = $props();
	const rigs = $derived([
		{ value: '', label: 'the body’s eyes' },
		...(desk.kit?.rigs ?? []).map(({ id, name }) => ({ value: id, label: name }))
	]);
</script>

<Frame label="As what" title="As what" flow="rows">
	{#each TARGETS as { title, rows } (title)}
		<fieldset>
			<legend>{title}</legend>
			{#each rows as { target, label, about } (target)}
				<label class:chosen={desk.target === target} title={about}
					><input
						type="radio"
						name="target"
						value={target}
						checked={desk.target === target}
						onchange={() => (desk.target = target)}
					/>
					{label}</label
				>
			{/each}
		</fieldset>
	{/each}
	{#if desk.target === 'calls-ts' || desk.target === 'calls-js'}
		<label class="pick"
			>begins with the rig <Select
				label="The rig that it begins with"
				value={desk.rig}
				choices={rigs}
				onchange={(rig) => (desk.rig = rig)}
			/></label
		>
	{/if}
	{#if isCurves(desk.target)}
		{#await import('./CurveOptions.svelte') then { default: CurveOptions }}<CurveOptions {desk} />{/await}
	{/if}
</Frame>

<style>
	fieldset {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 1px 8px;
		margin: 0;
		padding: 0;
		border: 0;
	}
	legend {
		padding: 0;
		font: 600 12.5px var(--text);
	}
	label {
		display: flex;
		align-items: center;
		gap: 6px;
		min-height: 24px;
		font-size: 13px;
		cursor: pointer;
	}
	label.chosen {
		font-weight: 600;
	}
	input {
		accent-color: var(--lamp);
	}
	.pick {
		font-size: 12.5px;
		color: var(--ink-2);
		align-items: center;
	}
	.pick > :global(select) {
		flex: 1;
		min-width: 0;
	}
</style>
