<script lang="ts">
	/** Beside the starter sets: what is pointed at plays, with all that is said of it, and the buttons that take it. */
	import ArrowRight from '@lucide/svelte/icons/arrow-right';
	import Plus from '@lucide/svelte/icons/plus';
	import Button from '$lib/ui/Button.svelte';
	import MovingPicture from '$lib/viewport/MovingPicture.svelte';
	import type { Starter } from '$lib/starter/sets';
	import type { Audition } from './audition.svelte';
	import type { BodyAudition } from './body-audition.svelte';
	import FeelChart from './FeelChart.svelte';
	import { asRig, asShake, type Starters } from './starters.svelte';

	interface Props {
		starters: Starters;
		audition: Audition;
		bodies: BodyAudition;
		onpoint: (starter: Starter) => void;
		/** Brings its row before one's eyes. */
		onchoose: (starter: Starter) => void;
		ontake: () => void;
		/** Takes it and opens it where it is tuned. */
		ontune: () => void;
	}
	let { starters, audition, bodies, onpoint, onchoose, ontake, ontune }: Props = $props();

	const here = $derived(starters.here);
	const shake = $derived(here ? asShake(here) : null);
	const rig = $derived(here ? asRig(here) : null);
	const tags = $derived(here?.document.tags ?? []);
	const shakes = $derived(!here || shake !== null);
	const view = $derived((shake ?? bodies.preset)?.view ?? 'space');
	const taken = $derived(here ? starters.isHere(here) : false);
	const needs = $derived(
		rig ? [rig.lag, rig.bob].flatMap((id) => (id ? (starters.get(id)?.document.name ?? []) : [])) : []
	);
</script>

<aside>
	<MovingPicture
		step={(dt) => (shakes ? audition.frame(dt) : bodies.frame(dt))}
		playing={() => (shakes ? audition.player.plays.length > 0 : bodies.plays)}
		time={() => (shakes ? audition.sceneTime : bodies.sceneTime)}
		{view}
		caption={here?.document.name ?? 'Point at one and it plays here'}
	/>
	{#if here}
		<div class="said">
			<h2>{here.document.name}</h2>
			<p>{here.document.about}</p>
			{#if needs.length > 0}<p class="more">Brings along {needs.join(' and ')}.</p>{/if}
			<p class="more">{starters.setOf(here)}{tags.length > 0 ? ` · ${tags.join(', ')}` : ''}</p>
		</div>
		<div class="acts">
			<Button strong onclick={ontune}
				>{taken ? 'Open it' : rig ? 'Take it and look through it' : 'Take it and tune it'}
				<ArrowRight size={14} /></Button
			>
			{#if !taken}<Button onclick={ontake}><Plus size={14} /> Take</Button>
			{:else if starters.isTuned(here)}<Button onclick={ontake} title="As it came, beside the one that you have tuned"
					><Plus size={14} /> Take the original too</Button
				>{/if}
		</div>
	{:else}
		<div class="said">
			<p>
				Motions that belong to no game, tuned and described, to begin from. Go through them with the arrows: each plays
				above as it goes by. Search in your own words: “a door falls shut”, “two nights without sleep”.
			</p>
		</div>
	{/if}
	{#if shakes}
		{@const by = (use: (starter: Starter) => void) => (id: string) => {
			const starter = starters.get(id);
			if (starter) use(starter);
		}}
		<FeelChart
			measured={starters.measured()}
			pointed={starters.pointed}
			onpoint={by(onpoint)}
			onchoose={by(onchoose)}
		/>
	{/if}
</aside>

<style>
	aside {
		display: grid;
		grid-template-rows: auto auto auto minmax(0, 1fr);
		gap: 10px;
		min-height: 0;
	}
	.said {
		overflow: auto;
		max-height: 12.5rem;
	}
	h2 {
		margin: 0 0 4px;
		font-size: 17px;
	}
	p {
		margin: 0 0 8px;
		line-height: 1.5;
	}
	.more {
		font-size: 12.5px;
		color: var(--ink-2);
	}
	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
	}
</style>
