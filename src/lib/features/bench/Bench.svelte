<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { tinykeys } from 'tinykeys';
	import type { ShakePreset } from 'dinesis-runtime';
	import { useCommands, type Command, type Shortcut } from '$lib/ui/commands.svelte';
	import { isPressable, isTyping } from '$lib/ui/targets';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import { BenchState, paperLength } from './bench.svelte';
	import BenchHead from './BenchHead.svelte';
	import BenchWindow from './BenchWindow.svelte';
	import Keys from './Keys.svelte';
	import Sheet from './Sheet.svelte';
	import Strip from './Strip.svelte';
	import { WindowShows } from './window.svelte';

	interface Props {
		session: ProjectSession;
		presetKey: string;
		onopen: (key: string) => void;
	}
	let { session, presetKey, onopen }: Props = $props();

	const bench = untrack(() => new BenchState(session));
	const preset = $derived(session.order.length > 0 ? session.preset(presetKey) : undefined);
	let still = $state(false);

	let sheet: Sheet | undefined = $state();
	const shows = new WindowShows();
	const commands = useCommands();

	/** What the palette offers here. */
	const offered = (): readonly Command[] => {
		const command = (id: string, label: string, about: string, keys: string, run: () => void): Command => ({
			id: `bench ${id}`,
			label,
			about,
			keys,
			run
		});
		return [
			command('fire', `Fire ${preset?.name ?? 'it'}`, 'keys', 'Space', () => bench.press(presetKey, performance.now())),
			command('repeat', 'Fire again and again', 'keys', 'R', () => bench.toggleRepeat()),
			command('stop', 'Let everything fade out', 'keys', 'X', () => bench.stopAll()),
			command('pause', bench.paused ? 'Go on' : 'Pause', 'time', 'P', pause),
			command('speed', 'Slower, or full speed', 'time', 'S', nextSpeed),
			command('loop', 'Play the whole again and again', 'time', 'L', toggleLoop),
			command('compare', 'Compare A and B', 'window', 'Q', nextCompare),
			command('hold', 'Hold A as B', 'window', '', () => bench.hold(preset!)),
			command('outside', 'Outside view', 'window', 'O', () => (shows.outside = !shows.outside)),
			command('scope', 'Scope', 'window', 'C', () => (shows.scope = !shows.scope)),
			command('posts', 'Distance posts', 'window', '', () => (shows.distances = 'posts')),
			command('vary', 'Six neighbours', 'sheet', 'V', () => sheet?.turnTo('vary')),
			command('new', 'New preset', 'presets', '', () => openMade(session.acts.addNew())),
			command('copy', 'Copy this preset', 'presets', '', () => openMade(session.acts.copy(presetKey))),
			command('retire', 'Retire this preset', 'presets', '', () => {
				if (session.order.length > 1) void session.acts.retire(presetKey);
			})
		];
	};
	const SHORTCUTS: readonly Shortcut[] = [
		{ keys: '1 … 9', what: 'Fire that key’s preset. Continuous: hold, or tap to leave it on and tap again to stop' },
		{ keys: 'Shift + 1 … 9', what: 'Open that key’s preset to tune it' },
		{ keys: 'Space', what: 'Fire the open preset' },
		{ keys: 'R', what: 'Fire it again and again' },
		{ keys: 'X', what: 'Let everything fade out' },
		{ keys: 'P', what: 'Pause and go on' },
		{ keys: '.', what: 'While paused: one picture on' },
		{ keys: 'S', what: 'Full speed, a quarter, a tenth' },
		{ keys: 'L', what: 'Play the whole again and again; drag with Shift on the strip’s ruler for a part' },
		{ keys: 'Q', what: 'Hold a B beside A; then A, both, B' },
		{ keys: 'V', what: 'Six neighbours' },
		{ keys: 'O, C', what: 'Outside view, scope' }
	];
	async function openMade(made: Promise<string | null>) {
		const key = await made;
		if (key) onopen(key);
	}
	const pause = (): void => (bench.paused ? bench.goOn() : void (bench.paused = true));
	const nextSpeed = (): void => void (bench.speed = bench.speed === 1 ? 0.25 : bench.speed === 0.25 ? 0.1 : 1);
	const toggleLoop = (): void => bench.setLoop(bench.loop ? null : { from: 0, to: paperLength(preset!).seconds });

	$effect(() => {
		const key = presetKey;
		untrack(() => {
			bench.choose(key);
			session.look(key);
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

	function nextCompare() {
		if (!bench.other) return bench.hold(preset!, 'split');
		bench.compare = bench.compare === 'a' ? 'split' : bench.compare === 'split' ? 'b' : 'a';
	}

	function keyDown(event: KeyboardEvent) {
		if (isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
		const digit = /^Digit([1-9])$/.exec(event.code)?.[1] ?? /^Numpad([1-9])$/.exec(event.code)?.[1];
		if (digit) {
			const key = session.order[Number(digit) - 1];
			if (!key || event.repeat) return;
			event.preventDefault();
			if (event.shiftKey) onopen(key);
			else bench.press(key, performance.now());
		} else if (event.code === 'Space' && !isPressable(event.target)) {
			event.preventDefault();
			if (!event.repeat) bench.press(presetKey, performance.now());
		}
	}
	function keyUp(event: KeyboardEvent) {
		const digit = /^(?:Digit|Numpad)([1-9])$/.exec(event.code)?.[1];
		const key = digit ? session.order[Number(digit) - 1] : event.code === 'Space' ? presetKey : undefined;
		if (key) bench.release(key, performance.now());
	}

	onMount(() => {
		shows.recall();
		still = matchMedia('(prefers-reduced-motion: reduce)').matches;
		if (still) bench.paused = true;
		bench.wake();
		const plain = (run: () => void) => (event: KeyboardEvent) => {
			if (isTyping(event.target)) return;
			event.preventDefault();
			run();
		};
		const stopKeys = tinykeys(window, {
			p: plain(pause),
			o: plain(() => (shows.outside = !shows.outside)),
			c: plain(() => (shows.scope = !shows.scope)),
			v: plain(() => sheet?.turnTo('vary')),
			q: plain(nextCompare),
			l: plain(toggleLoop),
			r: plain(() => bench.toggleRepeat()),
			s: plain(nextSpeed),
			'.': plain(() => bench.paused && bench.step(1 / (bench.pictureRate || 60))),
			x: plain(() => bench.stopAll())
		});
		let last = performance.now();
		let request = requestAnimationFrame(function next(now: number) {
			request = requestAnimationFrame(next);
			bench.frame(Math.max(0, now - last) / 1000);
			last = now;
		});
		const takeBack = commands.offer(offered, SHORTCUTS);
		return () => {
			cancelAnimationFrame(request);
			stopKeys();
			takeBack();
			bench.dispose();
		};
	});
</script>

<svelte:window onkeydown={keyDown} onkeyup={keyUp} />

{#if preset}
	<div class="bench">
		<BenchHead {session} {bench} {preset} {onopen} />
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
