<script lang="ts">
	/** The window: the picture through the camera, with marks, the outside view and the seam on it. */
	import { onMount } from 'svelte';
	import type { ShakePreset } from 'dinesis-runtime';
	import { fetchAfterPaint } from '$lib/ui/after-paint';
	import Glass from '$lib/viewport/Glass.svelte';
	import type { Picture } from '$lib/viewport/picture';
	import type { BenchState } from './bench.svelte';
	import WindowFoot from './WindowFoot.svelte';
	import { WindowShows } from './window.svelte';

	interface Props {
		bench: BenchState;
		preset: ShakePreset;
		shows: WindowShows;
		/** Whether the system asked for less motion: then the picture began still. */
		still: boolean;
	}
	let { bench, preset, shows, still }: Props = $props();

	const TRAIL_SECONDS = 3;
	let box: HTMLElement | undefined = $state();
	let inset: HTMLElement | undefined = $state();
	/** What the outside view says of its scale. */
	let magnified = $state('');
	let ready = $state(false);
	let marks = $state.raw<readonly { name: string; distance: number }[]>([]);
	const labels: (HTMLElement | null)[] = $state([]);
	/** The farthest each mark moved lately, in pixels: it falls back over a second, so that it can be read. */
	const held: number[] = [];
	let picture: Picture | null = null;
	let lastDrawn = 0;

	const name = (mark: { name: string; distance: number }): string => (mark.distance > 0 ? `${mark.distance} m` : '');
	const split = $derived(bench.other !== null && bench.compare === 'split');
	/** What moves the picture besides the preset that is tuned: whoever reads pixels has to know. */
	const also = $derived([...bench.sounding].filter((id) => id !== bench.open).map((id) => bench.nameOf(id)));
	const usesSource = $derived(preset.space === 'source' && preset.view === 'space');

	$effect(() => {
		const { view } = preset;
		if (!ready || !picture) return;
		picture.show(view);
		picture.showPosts(shows.distances === 'posts');
		picture.showOutline(shows.outline);
		marks = picture.marks;
		held.fill(0);
	});

	function tick() {
		if (!picture) return;
		const now = performance.now();
		const onlyB = bench.other !== null && bench.compare === 'b';
		picture.frame(
			{
				a: onlyB ? bench.otherOffset : bench.offset,
				b: split ? bench.otherOffset : null,
				seam: bench.seam,
				time: bench.sceneTime,
				outside: insetWish(onlyB)
			},
			now - lastDrawn
		);
		lastDrawn = now;
		placeMarks(picture);
	}

	function insetWish(onlyB: boolean) {
		if (!inset || !picture) return null;
		const scale = `movement × ${picture.outsideView.magnified}`;
		if (scale !== magnified) magnified = scale;
		return {
			look: {
				offset: onlyB ? bench.otherOffset : bench.offset,
				trail: bench.recorder.since(bench.player.now - TRAIL_SECONDS),
				source: usesSource ? bench.source : null
			},
			area: { x: inset.offsetLeft + 1, y: inset.offsetTop + 1, width: inset.clientWidth, height: inset.clientHeight }
		};
	}

	/** Figures are read, not watched: they are written so often, in ms. */
	const WRITTEN_EVERY = 100;
	let writtenAt = 0;
	function placeMarks({ marks: places }: Picture) {
		const now = performance.now();
		const writes = now - writtenAt > WRITTEN_EVERY;
		if (writes) writtenAt = now;
		places.forEach((mark, i) => {
			held[i] = Math.max(mark.moved, (held[i] ?? 0) * 0.985 - 0.01);
			const label = labels[i];
			if (!label) return;
			// Near the right edge the words stand on the other side.
			const back = mark.x > box!.clientWidth - 132 ? ' translateX(calc(-100% - 15px))' : '';
			put(label, 'transform', `translate(${mark.x.toFixed(1)}px, ${mark.y.toFixed(1)}px)${back}`);
			put(label, 'visibility', mark.seen ? 'visible' : 'hidden');
			if (!writes) return;
			label.classList.toggle('back', back !== '');
			const said = `${held[i]! < 9.95 ? held[i]!.toFixed(1) : Math.round(held[i]!)} px`;
			if (label.lastElementChild!.textContent !== said) label.lastElementChild!.textContent = said;
		});
	}
	/** What stands there already is not written again: it would be laid out anew. */
	function put(label: HTMLElement, name: 'transform' | 'visibility', value: string) {
		if (label.style[name] !== value) label.style[name] = value;
	}

	const seam = () => import('$lib/viewport/Seam.svelte');
	const scope = () => import('./Scope.svelte');
	const outside = () => import('./OutsideInset.svelte');
	onMount(() => {
		fetchAfterPaint(seam, scope, outside);
		return bench.onFrame(tick);
	});
</script>

<section aria-label="Window: the picture through the camera">
	<Glass
		label={preset.view === 'flat'
			? 'The crane yard at dusk, seen flat from the side'
			: 'The gallery of the lamp tower at dusk, seen through the camera'}
		load={async () => {
			const { Picture } = await import('$lib/viewport/picture');
			return (canvas) => new Picture(canvas, preset.view);
		}}
		onpicture={(made) => {
			picture = made;
			ready = made !== null;
		}}
		without="The strip and the numbers go on working."
		bind:box
	>
		{#snippet children({ trouble })}
			<span class="centre" aria-hidden="true"></span>
			{#if shows.distances !== 'none'}
				{#each marks as mark, i (i)}
					<span class="mark" aria-hidden="true" bind:this={labels[i]}
						><b>{name(mark)}</b> {mark.name} <em>0 px</em></span
					>
				{/each}
			{/if}
			{#if also.length > 0}
				<span class="also"
					>{also.length > 2 ? `${also.slice(0, 2).join(', ')} and ${also.length - 2} more` : also.join(', ')}
					{also.length === 1 ? 'moves' : 'move'} too
					<button title="Let everything fade out (X)" onclick={() => bench.stopAll()}>let it fade</button></span
				>
			{/if}
			{#if shows.scope}{#await scope() then { default: Scope }}<Scope {bench} view={preset.view} />{/await}{/if}
			{#if shows.outside && !trouble}
				{#await outside() then { default: OutsideInset }}<OutsideInset
						{bench}
						picture={() => picture}
						{usesSource}
						{magnified}
						view={preset.view}
						bind:element={inset}
					/>{/await}
			{/if}
			{#if split}
				{#await seam() then { default: Seam }}<Seam
						part={bench.seam}
						onpart={(part) => (bench.seam = part)}
						box={() => box!}
					/>{/await}
			{:else if bench.other && bench.compare === 'b'}
				<span class="only">B is shown; the sheet and the strip’s full ink are A</span>
			{/if}
			{#if bench.pictureRate > bench.display.now * 1.15}
				<span class="only low"
					>This display shows about {bench.display.now} pictures a second, fewer than {bench.pictureRate}</span
				>
			{/if}
			{#if bench.paused && !bench.scrubbing}
				<button class="paused" onclick={() => bench.goOn()}>
					{still
						? 'Still, because your system asks for less motion. Press to let it move.'
						: 'Paused · P goes on · . one frame'}
				</button>
			{/if}
		{/snippet}
	</Glass>
	<WindowFoot
		view={preset.view}
		{shows}
		hint={bench.trying ? 'a neighbour is playing' : `Space fires ${preset.name}`}
	/>
</section>

<style>
	section {
		display: grid;
		grid-template-rows: minmax(0, 1fr) 22px;
		min-height: 0;
		min-width: 0;
	}
	.mark {
		position: absolute;
		left: 7px;
		top: -20px;
		color: #f7efdd;
		font-size: 11.5px;
		line-height: 1.3;
		white-space: nowrap;
		padding: 0 5px;
		border-radius: 4px;
		background: rgb(14 24 36 / 52%);
		pointer-events: none;
		visibility: hidden;
		will-change: transform;
	}
	.mark::before {
		content: '';
		position: absolute;
		left: -9.5px;
		top: 17.5px;
		width: 5px;
		height: 5px;
		border: 1px solid #f2b04a;
		border-radius: 50%;
	}
	.mark:global(.back)::before {
		left: auto;
		right: -9.5px;
	}
	.mark b {
		font-weight: 600;
	}
	.mark em {
		font-style: normal;
		color: #ffd48a;
	}
	.also {
		position: absolute;
		left: 8px;
		top: 7px;
		padding: 1px 8px;
		border-radius: 5px;
		background: rgb(14 24 36 / 62%);
		color: #f7efdd;
		font-size: 12px;
	}
	.also button {
		border: 0;
		background: none;
		padding: 0;
		color: #f2b04a;
		text-decoration: underline;
		cursor: pointer;
	}
	.only {
		position: absolute;
		left: 50%;
		top: 8px;
		transform: translateX(-50%);
		background: rgb(14 24 36 / 78%);
		color: #ffd48a;
		border-radius: 5px;
		padding: 2px 9px;
		font-size: 12px;
		white-space: nowrap;
	}
	.only.low {
		top: auto;
		bottom: 8px;
	}
	.paused {
		position: absolute;
		left: 50%;
		bottom: 12px;
		transform: translateX(-50%);
		border: 1px solid var(--lamp-light);
		border-radius: 999px;
		background: rgb(14 24 36 / 82%);
		color: #f7efdd;
		padding: 5px 15px;
		cursor: pointer;
		white-space: nowrap;
	}
</style>
