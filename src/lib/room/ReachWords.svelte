<script lang="ts">
	/** How far a preset is felt, as a sentence whose numbers are changed in place. */
	import { shakePreset, type Reach } from 'dinesis-runtime/tools';
	import { rangeOf } from '$lib/documents';
	import EasePicker from '$lib/plots/EasePicker.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import { FRESH_REACH, withReach } from './reach';

	interface Props {
		reach: Reach | null;
		/** Of the preset. */
		name: string;
		onchange: (reach: Reach | null, done: boolean) => void;
	}
	let { reach, name, onchange }: Props = $props();
	const set = (part: Partial<Reach>, done: boolean): void => onchange(withReach(reach ?? FRESH_REACH, part), done);
</script>

<div class="words">
	{#if reach}
		“{name}” is full up to
		<NumberField
			look="inline"
			label=""
			name="Full up to"
			unit="m"
			value={reach.full}
			{...rangeOf(shakePreset, 'reach', 'full')}
			step={0.05}
			onchange={(full, done) => set({ full }, done)}
		/>
		and gone by
		<NumberField
			look="inline"
			label=""
			name="Gone by"
			unit="m"
			value={reach.edge}
			{...rangeOf(shakePreset, 'reach', 'edge')}
			step={0.05}
			onchange={(edge, done) => set({ edge }, done)}
		/>, falling
		<span class="ease"
			><EasePicker
				label="falloff"
				ease={reach.falloff}
				falling
				onchange={(falloff, done) => set({ falloff }, done)}
			/></span
		>
		as one goes; measured from
		<button
			title="In a chase view the camera is not where the body is"
			onclick={() => set({ listener: reach.listener === 'camera' ? 'body' : 'camera' }, true)}
			>the {reach.listener}</button
		>; {reach.travelSpeed ? 'arriving at' : 'at once'}
		{#if reach.travelSpeed}
			<NumberField
				look="inline"
				label=""
				name="Arrives at"
				unit="m/s"
				value={reach.travelSpeed}
				{...rangeOf(shakePreset, 'reach', 'travelSpeed')}
				step={1}
				onchange={(travelSpeed, done) => set({ travelSpeed }, done)}
			/>
		{/if}
		<button onclick={() => set({ travelSpeed: reach.travelSpeed ? null : 340 }, true)}
			>{reach.travelSpeed ? 'at once instead' : 'let it travel'}</button
		>
		<button onclick={() => onchange(null, true)}>alike everywhere</button>
	{:else}
		“{name}” is felt alike everywhere. <button onclick={() => onchange(FRESH_REACH, true)}>Give it a reach</button>
	{/if}
</div>

<style>
	.words {
		font-size: 12.5px;
		line-height: 1.6;
		color: var(--ink-2);
	}
	.words :global(.label) {
		display: none !important;
	}
	.ease {
		display: inline-block;
		vertical-align: -2px;
	}
	.words > button {
		border: 0;
		border-bottom: 1px dotted var(--lamp);
		background: none;
		color: var(--lamp-text);
		cursor: pointer;
		padding: 0;
		font-size: 12px;
	}
</style>
