<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { tinykeys } from 'tinykeys';
	import type { ShakePreset } from '$lib/core';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import { BenchState } from './bench.svelte';
	import BenchHead from './BenchHead.svelte';
	import BenchWindow from './BenchWindow.svelte';
	import ConflictDialog from './ConflictDialog.svelte';
	import Keys from './Keys.svelte';
	import Sheet from './Sheet.svelte';
	import ShortcutsDialog from './ShortcutsDialog.svelte';
	import Strip from './Strip.svelte';

	interface Props {
		session: ProjectSession;
		presetKey: string;
		onopen: (key: string) => void;
	}
	let { session, presetKey, onopen }: Props = $props();

	const bench = untrack(() => new BenchState(session));
	const preset = $derived(session.preset(presetKey));
	let shortcuts = $state(false);
	let still = $state(false);

	$effect(() => {
		bench.open = presetKey;
		untrack(() => session.look(presetKey));
	});

	/** One change of the open preset; changes with the same mark are one undo step until one says it is done. */
	function change(label: string, recipe: (preset: ShakePreset) => ShakePreset, mark: string, done: boolean) {
		session.change(presetKey, label, (p) => recipe(p as ShakePreset), mark);
		if (done) session.seal();
	}

	function travel(way: 'undo' | 'redo') {
		const label = way === 'undo' ? session.undo() : session.redo();
		if (label === null) session.say(way === 'undo' ? 'There is nothing to undo.' : 'There is nothing to redo.');
		else session.say(`${way === 'undo' ? 'Undone' : 'Done again'}: ${label}`);
	}

	const isTyping = (target: EventTarget | null): boolean =>
		target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));
	const isPressable = (target: EventTarget | null): boolean =>
		target instanceof HTMLElement && target.closest('button, a, [role="radio"], [role="switch"], summary') !== null;

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
		still = matchMedia('(prefers-reduced-motion: reduce)').matches;
		if (still) bench.paused = true;
		bench.wake();
		const plain = (run: () => void) => (event: KeyboardEvent) => {
			if (isTyping(event.target)) return;
			event.preventDefault();
			run();
		};
		const stopKeys = tinykeys(window, {
			'$mod+z': plain(() => travel('undo')),
			'$mod+Shift+z': plain(() => travel('redo')),
			'$mod+y': plain(() => travel('redo')),
			p: plain(() => (bench.paused = !bench.paused)),
			r: plain(() => bench.toggleRepeat()),
			s: plain(() => (bench.speed = bench.speed === 1 ? 0.25 : bench.speed === 0.25 ? 0.1 : 1)),
			'.': plain(() => bench.paused && bench.step(1 / 60)),
			x: plain(() => bench.stopAll()),
			'?': plain(() => (shortcuts = true)),
			'Shift+?': plain(() => (shortcuts = true))
		});
		let last = performance.now();
		let request = requestAnimationFrame(function next(now: number) {
			request = requestAnimationFrame(next);
			bench.frame(Math.max(0, now - last) / 1000);
			last = now;
		});
		return () => {
			cancelAnimationFrame(request);
			stopKeys();
			bench.dispose();
		};
	});
</script>

<svelte:window onkeydown={keyDown} onkeyup={keyUp} />

{#if preset}
	<div class="bench">
		<BenchHead
			{session}
			{bench}
			{preset}
			{onopen}
			onundo={() => travel('undo')}
			onredo={() => travel('redo')}
			onhelp={() => (shortcuts = true)}
		/>
		<main>
			<BenchWindow {bench} {preset} {still} />
			<Sheet {bench} {preset} onchange={change} />
			<Strip {bench} {preset} onchange={change} />
			<Keys {session} {bench} {presetKey} {onopen} />
		</main>
	</div>
{:else}
	<p class="gone">
		This preset is not in the project any more. <a href="/{session.project.slug}/bench">Go to the first one</a>
	</p>
{/if}
<ShortcutsDialog open={shortcuts} onclose={() => (shortcuts = false)} />
<ConflictDialog {session} oncopied={onopen} />

<style>
	.bench {
		height: 100vh;
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
