<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import type { ShakePreset } from 'dinesis-runtime';
	import { fetchAfterPaint } from '$lib/ui/after-paint';
	import { useCommands } from '$lib/ui/commands.svelte';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import { BenchState } from './bench.svelte';
	import BenchHead from './BenchHead.svelte';
	import BenchWindow from './BenchWindow.svelte';
	import { benchCommands } from './commands';
	import Keys from './Keys.svelte';
	import Sheet from './Sheet.svelte';
	import Strip from './Strip.svelte';
	import { WindowShows } from './window.svelte';

	interface Props {
		session: ProjectSession;
		presetKey: string;
		onopen: (key: string) => void;
		/** Shows it and what is held beside it in the Review. */
		onreview: () => void;
	}
	let { session, presetKey, onopen, onreview }: Props = $props();

	const bench = untrack(() => new BenchState(session));
	const preset = $derived(session.order.length > 0 ? session.preset(presetKey) : undefined);
	let still = $state(false);

	let sheet: Sheet | undefined = $state();
	const shows = new WindowShows();
	const commands = useCommands();

	$effect(() => {
		const key = presetKey;
		untrack(() => {
			bench.choose(key);
			session.look(key);
			session.findings.prefer({ kind: 'shake', id: key });
		});
	});
	$effect(() => shows.keep());

	let place = 0;
	/** When the open preset leaves the project, by retiring or by undo, the one that takes its place is opened. */
	$effect(() => {
		const at = session.order.indexOf(presetKey);
		if (at >= 0) return void (place = at);
		const next = session.order[Math.min(place, session.order.length - 1)];
		if (next) untrack(() => onopen(next));
	});

	/** One change of the open preset; changes with the same mark are one undo step until one says it is done. */
	function change(label: string, recipe: (preset: ShakePreset) => ShakePreset, mark: string, done: boolean) {
		session.change(presetKey, label, (p) => recipe(p as ShakePreset), mark);
		if (done) session.seal();
	}

	onMount(() => {
		shows.recall();
		let withPads = (_: number): void => undefined;
		const life = () => import('./StripLife.svelte');
		fetchAfterPaint(bench.events.fetch, life, async () => {
			const { padFrame } = await import('./bench-pad');
			withPads = padFrame(session, bench, (key) => onopen(key));
		});
		still = matchMedia('(prefers-reduced-motion: reduce)').matches;
		if (still) bench.paused = true;
		bench.wake();
		let last = performance.now();
		let request = requestAnimationFrame(function next(now: number) {
			request = requestAnimationFrame(next);
			withPads(Math.max(0, now - last) / 1000);
			bench.frame(Math.max(0, now - last) / 1000);
			last = now;
		});
		const takeBack = commands.offer(
			benchCommands({
				session,
				bench,
				shows,
				preset: () => preset,
				key: () => presetKey,
				open: (key) => onopen(key),
				vary: () => sheet?.turnTo('vary')
			})
		);
		return () => {
			cancelAnimationFrame(request);
			takeBack();
			bench.dispose();
		};
	});
</script>

{#if preset}
	<div class="bench">
		<BenchHead {session} {bench} {preset} {onopen} {onreview} />
		<main>
			<BenchWindow {bench} {preset} {shows} {still} />
			<Sheet
				bind:this={sheet}
				{bench}
				{preset}
				worker={session.worker}
				shelf={session.shelf}
				parameters={session.wiring.parameters}
				onchange={change}
			/>
			<Strip {bench} {preset} onchange={change} />
			<Keys {session} {bench} {presetKey} {onopen} />
		</main>
	</div>
{:else}
	<p class="gone">
		This preset is not in the project any more. <a href="{session.home}/bench">Go to the first one</a>
	</p>
{/if}

<style>
	.bench {
		height: 100%;
		display: grid;
		grid-template-rows: 48px minmax(0, 1fr);
	}
	main {
		display: grid;
		gap: 10px;
		padding: 11px 14px 12px 14px;
		min-height: 0;
		grid-template-columns: minmax(0, 1fr) 484px;
		grid-template-rows: minmax(0, 1fr) clamp(150px, 24vh, 290px) 88px;
		grid-template-areas: 'window sheet' 'strip strip' 'keys keys';
	}
	main > :global(:nth-child(1)) {
		grid-area: window;
	}
	main > :global(:nth-child(2)) {
		grid-area: sheet;
	}
	main > :global(:nth-child(3)) {
		grid-area: strip;
	}
	main > :global(:nth-child(4)) {
		grid-area: keys;
	}
	@media (max-width: 1180px) {
		main {
			grid-template-columns: minmax(0, 1fr) 440px;
			grid-template-rows: minmax(0, 1fr) 128px 70px;
			gap: 8px;
			padding: 8px 10px;
		}
	}
	.gone {
		padding: 3rem;
	}
</style>
