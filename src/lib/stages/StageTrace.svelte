<script lang="ts">
	/** What the chosen stage did in the last seconds, channel by channel, as it happens. */
	import { CHANNEL_COUNT, CHANNELS, channelsOf, familyOf, unitOf, type View } from 'dinesis-runtime/tools';
	import { inkOf } from '$lib/plots/inks';
	import { HELD } from './trial.svelte';

	interface Props {
		/** Seven numbers for each held moment. */
		trace: Float32Array;
		head: number;
		beat: number;
		view: View;
		/** Lag and limits move the pose in metres of the world, whatever the view. */
		metres: boolean;
		title: string;
	}
	let { trace, head, beat, view, metres, title }: Props = $props();

	let [W, H] = $state([400, 190]);
	let canvas: HTMLCanvasElement | undefined = $state();
	const channels = $derived(metres ? CHANNELS.slice(0, 6) : channelsOf(view));
	const LEAST = { position: 0.004, rotation: 0.1, lens: 0.1 } as const;
	const scales = { position: 0.004, rotation: 0.1, lens: 0.1 };
	let said = $state({ position: '', rotation: '', lens: '' });

	const sayScale = (family: 'position' | 'rotation' | 'lens', v: number): string => {
		const unit = family === 'position' ? (metres ? 'm' : unitOf('x', view)) : '°';
		if (unit === 'm') return v < 0.1 ? `± ${(v * 100).toFixed(1)} cm` : `± ${v.toFixed(2)} m`;
		return `± ${v.toFixed(v < 10 ? 1 : 0)}${unit === '°' ? '' : ' '}${unit}`;
	};
	$effect(() => {
		void beat;
		const pen = canvas?.getContext('2d');
		if (!pen || W < 10) return;
		const style = getComputedStyle(canvas!);
		const dense = Math.min(2, window.devicePixelRatio || 1);
		if (canvas!.width !== Math.round(W * dense)) canvas!.width = Math.round(W * dense);
		if (canvas!.height !== Math.round(H * dense)) canvas!.height = Math.round(H * dense);
		pen.setTransform(dense, 0, 0, dense, 0, 0);
		pen.clearRect(0, 0, W, H);
		const bands = [
			{ families: ['position', 'lens'], top: 0 },
			{ families: ['rotation'], top: H / 2 }
		];
		for (const { families, top } of bands) {
			const middle = top + H / 4;
			pen.setLineDash([]);
			pen.strokeStyle = style.getPropertyValue('--rule');
			pen.lineWidth = 1;
			pen.strokeRect(0.5, top + 0.5, W - 1, H / 2 - 1);
			pen.beginPath();
			pen.moveTo(0, middle);
			pen.lineTo(W, middle);
			pen.stroke();
			for (const family of families as ('position' | 'rotation' | 'lens')[]) {
				let most: number = LEAST[family];
				for (const name of channels) {
					if (familyOf(name) !== family) continue;
					const c = CHANNELS.indexOf(name);
					for (let i = 0; i < HELD; i++) most = Math.max(most, Math.abs(trace[i * CHANNEL_COUNT + c]!));
				}
				scales[family] = Math.max(most, scales[family] * 0.99);
				for (const name of channels) {
					if (familyOf(name) !== family) continue;
					const c = CHANNELS.indexOf(name);
					pen.strokeStyle = style.getPropertyValue(`--ink-${name}`);
					pen.setLineDash([...inkOf(name).dash]);
					pen.lineWidth = 1.5;
					pen.beginPath();
					for (let i = 0; i < HELD; i++) {
						const v = trace[((head + 1 + i) % HELD) * CHANNEL_COUNT + c]!;
						const at = [(i / (HELD - 1)) * W, middle - (v / scales[family]) * (H / 4 - 5)] as const;
						if (i === 0) pen.moveTo(...at);
						else pen.lineTo(...at);
					}
					pen.stroke();
				}
			}
		}
		const now = {
			position: sayScale('position', scales.position),
			rotation: sayScale('rotation', scales.rotation),
			lens: ''
		};
		if (now.position !== said.position || now.rotation !== said.rotation) said = now;
	});
</script>

<figure aria-label="What {title} did in the last seconds" bind:clientWidth={W} bind:clientHeight={H}>
	<canvas bind:this={canvas}></canvas>
	<span class="scale" style:top="3px">{said.position}</span>
	<span class="scale" style:top="calc(50% + 3px)">{said.rotation}</span>
	<span class="names" style:top="3px">
		{#each channels.filter((c) => familyOf(c) !== 'rotation') as c (c)}<b style:color="var(--ink-{c})">{c}</b>{/each}
	</span>
	<span class="names" style:top="calc(50% + 3px)">
		{#each channels.filter((c) => familyOf(c) === 'rotation') as c (c)}<b style:color="var(--ink-{c})">{c}</b>{/each}
	</span>
</figure>

<style>
	figure {
		position: relative;
		margin: 0;
		min-height: 0;
		border-radius: 5px;
		background: var(--sheet);
		overflow: hidden;
	}
	canvas {
		position: absolute;
		inset: 0;
		width: 100%;
		height: 100%;
	}
	.scale,
	.names {
		position: absolute;
		font-size: 11px;
		color: var(--ink-2);
	}
	.scale {
		left: 6px;
	}
	.names {
		right: 6px;
		display: flex;
		gap: 7px;
	}
	.names b {
		font-weight: 600;
	}
</style>
