<script lang="ts">
	/** What belongs to a layer as a whole: heard or not, copied, taken out, and its own amount, rate and delay. */
	import Copy from '@lucide/svelte/icons/copy';
	import Headphones from '@lucide/svelte/icons/headphones';
	import Trash from '@lucide/svelte/icons/trash-2';
	import VolumeX from '@lucide/svelte/icons/volume-x';
	import { shakePreset, type Layer } from 'dinesis-runtime/tools';
	import { rangeOf } from '$lib/documents';
	import NumberField from '$lib/ui/NumberField.svelte';

	interface Props {
		layer: Layer;
		name: string;
		alone: boolean;
		only: boolean;
		onalone: () => void;
		oncopy: () => void;
		onremove: () => void;
		onchange: (label: string, recipe: (layer: Layer) => Layer, mark: string, done: boolean) => void;
	}
	let { layer, name, alone, only, onalone, oncopy, onremove, onchange }: Props = $props();

	const set = (label: string, part: Partial<Layer>, done = true): void =>
		onchange(label, (l) => ({ ...l, ...part }), label, done);
</script>

<div class="line">
	<input
		class="name"
		aria-label="Name of the layer"
		value={name}
		maxlength="80"
		onchange={(e) => {
			const given = e.currentTarget.value.trim();
			if (given) set('Name of the layer', { name: given });
			else e.currentTarget.value = name;
		}}
	/>
	<button
		aria-pressed={layer.mute}
		aria-label="mute"
		title="Mute this layer"
		onclick={() => set(layer.mute ? 'Unmute' : 'Mute', { mute: !layer.mute })}><VolumeX size={13} /></button
	>
	<button aria-pressed={alone} aria-label="solo" title="Hear this layer alone, for now" onclick={onalone}
		><Headphones size={13} /></button
	>
	<button aria-label="Copy layer" title="Copy this layer" onclick={oncopy}><Copy size={13} /></button>
	<button aria-label="Remove layer" title="Remove this layer" disabled={only} onclick={onremove}
		><Trash size={13} /></button
	>
	<span class="own">
		<NumberField
			look="inline"
			label="amount"
			name="Amount of the layer"
			unit="×"
			value={layer.amount}
			{...rangeOf(shakePreset, 'layers', 'amount')}
			step={0.01}
			hint="Of this layer’s amplitudes"
			onchange={(amount, done) => set('Layer amount', { amount }, done)}
		/>
		<NumberField
			look="inline"
			label="rate"
			name="Rate of the layer"
			unit="×"
			value={layer.rate}
			{...rangeOf(shakePreset, 'layers', 'rate')}
			step={0.01}
			hint="Of this layer’s frequencies"
			onchange={(rate, done) => set('Layer rate', { rate }, done)}
		/>
		<NumberField
			look="inline"
			label="delay"
			name="Delay of the layer"
			unit="s"
			value={layer.delay}
			{...rangeOf(shakePreset, 'layers', 'delay')}
			step={0.01}
			hint="How much later than the play it begins"
			onchange={(delay, done) => set('Layer delay', { delay }, done)}
		/>
	</span>
</div>

<style>
	.line {
		display: flex;
		align-items: center;
		gap: 4px;
		font-size: 12.5px;
		min-height: 23px;
	}
	.name {
		flex: 1 1 60px;
		min-width: 44px;
		max-width: 130px;
		border: 1px solid transparent;
		border-bottom-color: var(--rule-strong);
		background: none;
		padding: 0 3px;
		font-weight: 600;
	}
	.name:hover,
	.name:focus {
		border-color: var(--rule-strong);
		border-radius: 5px;
		background: var(--field);
	}
	button {
		display: grid;
		place-items: center;
		width: 26px;
		height: 22px;
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		cursor: pointer;
		flex: none;
	}
	button:hover:not(:disabled) {
		border-color: var(--lamp);
	}
	button[aria-pressed='true'] {
		background: var(--lamp-light);
		border-color: var(--lamp);
		color: var(--on-lamp);
	}
	button:disabled {
		opacity: 0.45;
		cursor: default;
	}
	.own {
		display: flex;
		gap: 11px;
		margin-left: auto;
		color: var(--ink-2);
		white-space: nowrap;
	}
</style>
