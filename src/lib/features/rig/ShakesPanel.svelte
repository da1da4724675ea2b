<script lang="ts">
	/** What the cues set off just now, with its level; and what else they can play through this rig. */
	import type { Rig } from 'dinesis-runtime';
	import { letsPass, viewOf } from 'dinesis-runtime/tools';
	import type { ProjectSession } from '$lib/session/session.svelte';

	interface Playing {
		readonly id: string;
		readonly level: number;
	}
	let { session, rig, playing }: { session: ProjectSession; rig: Rig; playing: readonly Playing[] } = $props();

	const view = $derived(viewOf(rig.view.kind));
	const wired = $derived(
		session.presets.filter((preset) =>
			session.wiring.cues.some((cue) =>
				cue.actions.some((a) => a.kind === 'play' && a.pick.some((p) => p.preset === preset.id))
			)
		)
	);
	const inView = $derived(wired.filter((preset) => preset.view === view));
	const fits = $derived(inView.filter(({ tags }) => !rig.lets || letsPass(rig.lets, tags)));
	const others = $derived(wired.length - inView.length);
	const held = $derived(inView.length - fits.length);
	const bench = (id: string): string => `${session.home}/bench/${id}`;
</script>

<div class="shakes">
	<h3>Playing now</h3>
	{#if playing.length + rig.motion.length === 0}<p>Nothing, at this moment of the course.</p>{/if}
	<ul>
		{#each rig.motion as { id, preset, strength } (id)}
			<li>
				<a href={bench(preset)}>{session.preset(preset)?.name ?? preset}</a><span
					>its own, at {strength.toFixed(2)}</span
				>
			</li>
		{/each}
		{#each playing as { id, level }, i (i)}
			<li>
				<a href={bench(id)}>{session.preset(id)?.name ?? id}</a>
				<span class="bar"><i style:width="{Math.min(1, level) * 100}%"></i></span>
			</li>
		{/each}
	</ul>
	<h3>{fits.length} that cues play through this rig</h3>
	<p class="names">
		{#each fits as preset, i (preset.id)}{i > 0 ? ', ' : ''}<a href={bench(preset.id)}>{preset.name}</a>{/each}
	</p>
	{#if held > 0}<p>{held} {held === 1 ? 'is' : 'are'} not let through.</p>{/if}
	{#if others > 0}<p>
			{others} more are made for {view === 'flat' ? 'space, in metres' : 'a flat picture, in pixels'}, and are not
			played here.
		</p>{/if}
	<p><a href="{session.home}/cues">What sets them off stands in the Cues</a></p>
</div>

<style>
	.shakes {
		height: 100%;
		overflow: auto;
		padding: 0 4px;
	}
	h3 {
		margin: 6px 0 4px;
		font: 600 13px var(--text);
	}
	p {
		margin: 0 0 6px;
		font-size: 12.5px;
		color: var(--ink-2);
	}
	ul {
		display: grid;
		gap: 5px;
		margin: 0 0 10px;
		padding: 0;
		list-style: none;
	}
	li {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 45%;
		gap: 10px;
		align-items: center;
		min-height: 24px;
		font-size: 13px;
	}
	li a {
		line-height: 24px;
	}
	.bar {
		height: 11px;
		border: 1px solid var(--rule);
		border-radius: 4px;
		background: var(--field);
		overflow: hidden;
	}
	.bar i {
		display: block;
		height: 100%;
		background: var(--ink-pitch);
	}
</style>
