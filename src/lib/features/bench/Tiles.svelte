<script lang="ts">
	/** The row that is turned most: amount, rate, length, fades, strength. */
	import Infinite from '@lucide/svelte/icons/infinity';
	import Timer from '@lucide/svelte/icons/timer';
	import type { ShakePreset } from 'dinesis-runtime';
	import { shakePreset } from 'dinesis-runtime/tools';
	import { rangeOf } from '$lib/documents';
	import EasePicker from '$lib/plots/EasePicker.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import type { BenchState } from './bench.svelte';

	interface Props {
		bench: BenchState;
		preset: ShakePreset;
		onchange: (label: string, recipe: (preset: ShakePreset) => ShakePreset, mark: string, done: boolean) => void;
	}
	let { bench, preset, onchange }: Props = $props();

	const isBurst = $derived(preset.timing.mode === 'burst');
	const timing = (part: (t: ShakePreset['timing']) => Partial<ShakePreset['timing']>) => (p: ShakePreset) => ({
		...p,
		timing: { ...p.timing, ...part(p.timing) }
	});
	const fades = [
		{ which: 'fadeIn', label: 'fade in', name: 'Fade in', mark: 'fade-in', reset: 0.05 },
		{ which: 'fadeOut', label: 'fade out', name: 'Fade out', mark: 'fade-out', reset: 0.6 }
	] as const;
	const setMode = (mode: 'burst' | 'continuous'): void =>
		onchange(
			mode === 'burst' ? 'A set length' : 'Until stopped',
			(p) => ({ ...p, suits: mode, timing: { ...p.timing, mode } }),
			'mode',
			true
		);
</script>

<div class="tiles">
	<NumberField
		label="amount"
		unit="×"
		value={preset.amount}
		{...rangeOf(shakePreset, 'amount')}
		step={0.01}
		fill={preset.amount / 2}
		hint="Multiplies every amplitude"
		onchange={(v, done) => onchange('Amount', (p) => ({ ...p, amount: v }), 'amount', done)}
	/>
	<NumberField
		label="rate"
		unit="×"
		value={preset.rate}
		{...rangeOf(shakePreset, 'rate')}
		step={0.01}
		fill={preset.rate / 2}
		hint="Multiplies every frequency"
		onchange={(v, done) => onchange('Rate', (p) => ({ ...p, rate: v }), 'rate', done)}
	/>
	<div class="tile">
		{#if isBurst}
			<NumberField
				label="length"
				unit="s"
				value={preset.timing.duration}
				{...rangeOf(shakePreset, 'timing', 'duration')}
				step={0.01}
				fill={preset.timing.duration / 4}
				hint="The whole burst, fades included"
				onchange={(v, done) =>
					onchange(
						'Length',
						timing(() => ({ duration: v })),
						'length',
						done
					)}
			/>
			<button
				class="corner"
				title="Let it run until it is stopped"
				aria-label="Until stopped"
				onclick={() => setMode('continuous')}><Infinite size={14} /></button
			>
		{:else}
			<div class="until" title="Runs until it is stopped; then it fades out">until<br /><b>stopped</b></div>
			<button class="corner" title="Give it a set length" aria-label="A set length" onclick={() => setMode('burst')}
				><Timer size={13} /></button
			>
		{/if}
	</div>
	{#each fades as { which, label, name, mark, reset } (which)}
		{@const fade = preset.timing[which]}
		<div class="tile">
			<NumberField
				{label}
				unit="s"
				value={fade.time}
				{...rangeOf(shakePreset, 'timing', 'fadeIn', 'time')}
				step={0.01}
				{reset}
				fill={fade.time / (isBurst ? Math.max(preset.timing.duration, 1e-6) : 4)}
				onchange={(v, done) =>
					onchange(
						name,
						timing((t) => ({ [which]: { ...t[which], time: v } })),
						mark,
						done
					)}
			/>
			<div class="corner">
				<EasePicker
					{label}
					ease={fade.ease}
					falling={which === 'fadeOut'}
					onchange={(ease, done) =>
						onchange(
							`Ease of the ${label}`,
							timing((t) => ({ [which]: { ...t[which], ease } })),
							`${mark} ease`,
							done
						)}
				/>
			</div>
		</div>
	{/each}
	<NumberField
		label="strength"
		unit="×"
		value={bench.strength}
		min={0}
		max={10}
		step={0.01}
		reset={1}
		fill={bench.strength / 2}
		hint="For trying: what the next press is multiplied by, as from a weak or a strong event"
		onchange={(v) => (bench.strength = v)}
	/>
</div>

<style>
	.tiles {
		display: grid;
		grid-template-columns: repeat(6, minmax(0, 1fr));
		gap: 6px;
		flex: none;
	}
	.tile {
		position: relative;
		min-width: 0;
	}
	.corner {
		position: absolute;
		right: 1px;
		top: 1px;
	}
	button.corner {
		display: grid;
		place-items: center;
		width: 24px;
		height: 24px;
		border: 0;
		border-radius: 5px;
		background: none;
		color: var(--lamp-text);
		cursor: pointer;
	}
	button.corner:hover {
		background: var(--lamp-wash);
	}
	.until {
		height: 100%;
		border: 1px dashed var(--rule-strong);
		border-radius: var(--radius);
		padding: 3px 8px;
		font-size: 11.5px;
		color: var(--ink-2);
		line-height: 1.5;
	}
	.until b {
		font-size: 14px;
		color: var(--ink);
	}
</style>
