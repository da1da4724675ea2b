<script lang="ts">
	/** A stage of the chain: what it is set to, what it does just now, and a switch that leaves it out. */
	import TriangleAlert from '@lucide/svelte/icons/triangle-alert';
	import { HELD, type Meter } from '$lib/stages/trial.svelte';

	interface Props {
		title: string;
		stage?: string;
		/** What it is set to, in a few words. */
		about: string;
		meter: Meter | null;
		head: number;
		/** Counts up with each reading. */
		beat: number;
		/** What `adds` says before the numbers. */
		does: string;
		unit: 'm' | 'px';
		on: boolean;
		/** Whether it can be left out and moved. */
		fixed?: boolean;
		chosen: boolean;
		warns: string;
		/** What stands where a meter would. */
		note?: string;
		onchoose: () => void;
		ontoggle?: () => void;
		onmove?: (by: -1 | 1) => void;
	}
	let {
		title,
		stage,
		about,
		meter,
		head,
		beat,
		does,
		unit,
		on,
		fixed = false,
		chosen,
		warns,
		note = '',
		onchoose,
		ontoggle,
		onmove
	}: Props = $props();

	const [W, H] = [132, 38];
	let canvas: HTMLCanvasElement | undefined = $state();
	let scale = { position: 1e-3, rotation: 0.05 };

	function draw(pen: CanvasRenderingContext2D, values: Float32Array, which: 'position' | 'rotation', colour: string) {
		let most = which === 'position' ? 1e-3 : 0.05;
		for (const v of values) if (v > most) most = v;
		// Up at once, down in peace.
		scale[which] = Math.max(most, scale[which] * 0.985);
		pen.strokeStyle = colour;
		pen.lineWidth = 1.4;
		pen.beginPath();
		for (let i = 0; i < HELD; i++) {
			const v = values[(head + 1 + i) % HELD]!;
			const y = H - 3 - (v / scale[which]) * (H - 7);
			if (i === 0) pen.moveTo(0, y);
			else pen.lineTo((i / (HELD - 1)) * W, y);
		}
		pen.stroke();
	}
	$effect(() => {
		void beat;
		const pen = canvas?.getContext('2d');
		if (!pen || !meter) return;
		const style = getComputedStyle(canvas!);
		const dense = Math.min(2, window.devicePixelRatio || 1);
		canvas!.width = W * dense;
		canvas!.height = H * dense;
		pen.scale(dense, dense);
		pen.clearRect(0, 0, W, H);
		draw(pen, meter.rotation, 'rotation', style.getPropertyValue('--ink-pitch'));
		draw(pen, meter.position, 'position', style.getPropertyValue('--ink-y'));
	});
	const numbers = $derived.by(() => {
		void beat;
		if (!meter || !on) return '–';
		const { metres, degrees } = meter;
		const far =
			unit === 'px'
				? `${metres.toFixed(1)} px`
				: metres < 0.1
					? `${(metres * 100).toFixed(1)} cm`
					: `${metres.toFixed(2)} m`;
		return metres < 1e-6 && degrees < 1e-6 ? '0' : `${far} · ${degrees.toFixed(2)}°`;
	});
</script>

<div class="card" data-stage={stage} class:chosen class:off={!on} class:warns>
	<button
		class="face"
		aria-pressed={chosen}
		aria-label="{title}: {about}{on ? '' : ', left out'}"
		onclick={onchoose}
		onkeydown={(e) => {
			if (!onmove || !e.altKey || (e.key !== 'ArrowLeft' && e.key !== 'ArrowRight')) return;
			e.preventDefault();
			onmove(e.key === 'ArrowLeft' ? -1 : 1);
		}}
	>
		<strong>{title}</strong>
		<span class="about">{on ? about : 'left out'}</span>
		{#if meter}
			<canvas bind:this={canvas} width={W} height={H} aria-hidden="true"></canvas>
			<span class="adds"><i>{does}</i><output>{numbers}</output></span>
		{:else}<span class="note">{note}</span>{/if}
	</button>
	{#if warns}<span class="mark" title={warns}><TriangleAlert size={14} /></span>{/if}
	{#if !fixed}
		<button
			class="switch"
			role="switch"
			aria-checked={on}
			aria-label="{title} in the chain"
			title={on ? 'Leave it out' : 'Take it in'}
			onclick={ontoggle}><i></i></button
		>
		<span class="moves">
			<button aria-label="{title} earlier" title="Earlier (Alt ←)" onclick={() => onmove?.(-1)}>‹</button>
			<button aria-label="{title} later" title="Later (Alt →)" onclick={() => onmove?.(1)}>›</button>
		</span>
	{/if}
</div>

<style>
	.card {
		position: relative;
		min-width: 0;
		border: 1px solid var(--rule-strong);
		border-radius: var(--radius);
		background: var(--sheet);
	}
	.chosen {
		border-color: var(--lamp);
		box-shadow: 0 0 0 1px var(--lamp);
	}
	.off {
		border-style: dashed;
	}
	.off .face {
		color: var(--ink-2);
	}
	.off canvas {
		opacity: 0.25;
	}
	.warns {
		background: var(--lamp-wash);
	}
	.face {
		display: grid;
		gap: 2px;
		width: 100%;
		height: 100%;
		align-content: start;
		border: 0;
		background: none;
		padding: 7px 9px 6px;
		text-align: left;
		cursor: pointer;
	}
	strong {
		font: 700 14px var(--heading);
		padding-right: 30px;
	}
	.about {
		overflow: hidden;
		display: -webkit-box;
		-webkit-box-orient: vertical;
		-webkit-line-clamp: 2;
		line-clamp: 2;
		min-height: 31px;
		font-size: 11.5px;
		line-height: 1.3;
		color: var(--ink-2);
	}
	canvas {
		width: 100%;
		height: 38px;
		border: 1px solid var(--rule);
		border-radius: 5px;
		background: var(--field);
	}
	.note {
		align-self: end;
		font: 700 17px var(--text);
		padding-top: 16px;
	}
	.adds {
		display: flex;
		justify-content: space-between;
		gap: 4px;
		font-size: 11px;
		color: var(--ink-2);
		white-space: nowrap;
	}
	.adds i {
		font-style: normal;
	}
	.adds output {
		font-weight: 600;
		color: var(--ink);
	}
	.mark {
		position: absolute;
		right: 40px;
		top: 7px;
		color: var(--lamp-text);
	}
	.switch {
		position: absolute;
		right: 7px;
		top: 4px;
		width: 28px;
		height: 24px;
		border: 0;
		background: none;
		padding: 0;
		cursor: pointer;
	}
	/* The hand's target is larger than what is seen of it. */
	.switch i {
		display: block;
		height: 15px;
		border: 1px solid var(--rule-strong);
		border-radius: 8px;
		background: var(--paper-3);
	}
	.switch i::after {
		content: '';
		display: block;
		width: 11px;
		height: 11px;
		margin: 1px;
		border-radius: 50%;
		background: var(--field);
	}
	.switch[aria-checked='true'] i {
		background: var(--lamp-light);
		border-color: var(--lamp);
	}
	.switch[aria-checked='true'] i::after {
		margin-left: 14px;
	}
	.moves {
		position: absolute;
		left: 50%;
		bottom: -12px;
		display: none;
		transform: translateX(-50%);
		gap: 2px;
	}
	.card:hover .moves,
	.card:focus-within .moves {
		display: flex;
	}
	.moves button {
		width: 24px;
		height: 24px;
		border: 1px solid var(--rule-strong);
		border-radius: 5px;
		background: var(--field);
		line-height: 1;
		padding: 0;
		cursor: pointer;
	}
</style>
