<script lang="ts">
	/** Both curves over each other, with how much B has less or more; the moment is taken along by its foot. */
	import Chart from '$lib/plots/Chart.svelte';
	import { inkOf } from '$lib/plots/inks';
	import Select from '$lib/ui/Select.svelte';
	import { curvesChart, nameDrawn, unitDrawn } from './charts';
	import type { Drawn, ReviewState } from './review.svelte';

	let { desk }: { desk: ReviewState } = $props();

	const choices = $derived([
		{ value: 'picture', label: nameDrawn('picture', desk.view) },
		...desk.moving.map((channel) => ({ value: channel, label: inkOf(channel, desk.view).label }))
	]);
	const drawn = $derived<Drawn>(choices.some(({ value }) => value === desk.drawn) ? desk.drawn : 'picture');
	/** The paper need not follow every picture. */
	const HZ = 12;
	const time = $derived(desk.playing ? Math.round(desk.time * HZ) / HZ : desk.time);
	const spec = $derived.by(() => {
		const { a, b } = desk.looks;
		if (!a) return null;
		return curvesChart({
			a,
			b,
			drawn,
			pictures: desk.pictures,
			seconds: desk.seconds,
			time,
			onscrub: (to) => desk.scrub(to)
		});
	});
</script>

<div class="curves">
	<header>
		<Select label="What is drawn" value={drawn} {choices} onchange={(value) => (desk.drawn = value as Drawn)} />
		<small>{unitDrawn(drawn, desk.view)}</small>
		<span class="key a">A</span>
		{#if desk.looks.b}<span class="key b">B</span><span class="key less">B − A</span>{/if}
	</header>
	{#if spec}<div class="paper"><Chart label="Curves over each other" {spec} /></div>{/if}
</div>

<style>
	.curves {
		display: grid;
		grid-template-rows: auto minmax(0, 1fr);
		gap: 4px;
		height: 100%;
		min-height: 0;
	}
	header {
		display: flex;
		align-items: center;
		gap: 10px;
		font-size: 12px;
	}
	small {
		color: var(--ink-2);
		flex: 1;
	}
	.key::before {
		content: '';
		display: inline-block;
		width: 18px;
		margin-right: 5px;
		vertical-align: middle;
		border-top: 2px solid var(--ink-x);
	}
	.b::before {
		border-top: 2px dashed var(--ink-pitch);
	}
	.less::before {
		border-top: 2px dotted var(--ink-2);
	}
	.paper {
		min-height: 0;
	}
</style>
