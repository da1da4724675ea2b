<script lang="ts">
	/** Beside the table: what is pointed at plays, with what is said of it and how it stands among the others. */
	import type { ShakePreset } from 'dinesis-runtime';
	import { isBob, isLag, LAG_AXES } from 'dinesis-runtime/tools';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import MovingPicture from '$lib/viewport/MovingPicture.svelte';
	import type { Audition } from './audition.svelte';
	import type { BodyAudition } from './body-audition.svelte';
	import FeelChart from './FeelChart.svelte';
	import type { LibraryState } from './library.svelte';

	interface Props {
		session: ProjectSession;
		library: LibraryState;
		/** Shakes are listed, not head bobs or lags. */
		shakes: boolean;
		audition: Audition;
		bodies: BodyAudition;
		onpoint: (preset: ShakePreset) => void;
		/** Brings a row before one's eyes. */
		onchoose: (key: string) => void;
	}
	let { session, library, shakes, audition, bodies, onpoint, onchoose }: Props = $props();

	const pointed = $derived(session.preset(library.pointed));
	const measured = $derived(library.measured());
	const body = $derived(shakes ? undefined : session.bobsAndLags.find((p) => p.id === bodies.preset?.id));
</script>

<aside>
	<MovingPicture
		step={(dt) => (shakes ? audition.frame(dt) : bodies.frame(dt))}
		playing={() => (shakes ? audition.player.plays.length > 0 : bodies.plays)}
		time={() => (shakes ? audition.sceneTime : bodies.sceneTime)}
		view={(shakes ? audition.preset : bodies.preset)?.view ?? 'space'}
		caption={(shakes ? audition.preset : bodies.preset)?.name ?? 'Point at a preset and it plays here'}
	/>
	<div class="about">
		{#if body}
			<p>{body.about || 'No description yet.'}</p>
			<small>{isBob(body) ? 'Walks and stands, on the spot.' : 'The body goes and turns, and stands.'}</small>
		{:else if pointed}
			<p>{pointed.about || 'No description yet.'}</p>
			{#await import('$lib/room/SetOff.svelte') then { default: SetOff }}
				<SetOff {session} preset={pointed} />
			{/await}
			{#if pointed.origin}
				<small>copied from {session.preset(pointed.origin)?.name ?? pointed.origin}</small>
			{/if}
		{:else}
			<p>Point at a row, or go through them with the arrows: each plays above as it goes by.</p>
		{/if}
	</div>
	{#if body && isBob(body)}
		<div class="drawn">
			{#await import('$lib/stages/SpeedChart.svelte') then { default: SpeedChart }}
				<SpeedChart bob={body} speed={bodies.walks} onspeed={() => undefined} ongait={null} />
			{/await}
		</div>
	{:else if body && isLag(body)}
		<div class="drawn">
			{#await import('$lib/stages/LagChart.svelte') then { default: LagChart }}
				<LagChart
					lag={body}
					axis={LAG_AXES.find((a) => (body.axes[a]?.follow ?? 'none') !== 'none') ?? 'x'}
					way={null}
					wayName=""
					onaxis={null}
				/>
			{/await}
		</div>
	{:else}<FeelChart
			{measured}
			pointed={library.pointed}
			onpoint={(key) => {
				const preset = session.preset(key);
				if (preset) onpoint(preset);
			}}
			onchoose={(key) => onchoose(key)}
		/>{/if}
</aside>

<style>
	aside {
		grid-area: 1 / 2 / 3 / 3;
		display: grid;
		grid-template-rows: auto 92px minmax(0, 1fr);
		gap: 8px;
		min-height: 0;
	}
	.about {
		overflow: auto;
		color: var(--ink-2);
	}
	.about p {
		margin: 0 0 4px;
	}
	small {
		color: var(--lamp-text);
	}
	.drawn {
		min-height: 0;
		border: 1px solid var(--rule-strong);
		border-radius: var(--radius);
		background: var(--sheet);
		padding: 8px 10px;
	}
</style>
