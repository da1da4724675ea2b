<script lang="ts">
	/** The picture of a run, through one camera or two beside each other. A free run is steered with the pointer held in it. */
	import { onMount } from 'svelte';
	import type { Moving } from './grounds';
	import type { Eye } from './eye';
	import Glass from './Glass.svelte';
	import type { RunPicture } from './run-picture';

	interface Props {
		/** One frame of the display, so many seconds after the last; gives what is looked at. */
		frame: (dt: number) => { readonly eyes: readonly Eye[]; readonly time: number; readonly moving: Moving | null };
		/** Marks on the ground: x, y, z of places, one after the other, by way. */
		ways: readonly (readonly number[])[];
		viewers: number;
		/** Whether the pointer looks about. */
		steered: boolean;
		onlook: (left: number, up: number) => void;
		caption: string;
		/** Nothing is known of the ground. */
		blank?: boolean;
	}
	let { frame, ways, viewers, steered, onlook, caption, blank = false }: Props = $props();

	const LONGEST_FRAME = 0.1;
	/** Degrees a pixel. */
	const LOOK = 0.14;
	let picture = $state.raw<RunPicture | null>(null);
	let held = $state(false);
	let wasMoving = false;

	$effect(() => picture?.showWays(ways));
	$effect(() => picture?.showBlank(blank));
	$effect(() => {
		if (!steered && held) document.exitPointerLock();
	});

	function hold(event: MouseEvent & { currentTarget: HTMLCanvasElement }) {
		// Where the pointer cannot be held a drag looks about all the same.
		if (steered && !held) void Promise.resolve(event.currentTarget.requestPointerLock()).catch(() => undefined);
	}
	function move(event: MouseEvent) {
		if (steered && (held || event.buttons === 1)) onlook(-event.movementX * LOOK, -event.movementY * LOOK);
	}

	onMount(() => {
		let request = 0;
		let last = performance.now();
		const next = (now: number): void => {
			request = requestAnimationFrame(next);
			const dt = Math.max(0, now - last) / 1000;
			last = now;
			const { eyes, time, moving } = frame(Math.min(LONGEST_FRAME, dt));
			if (!picture || eyes.length === 0) return;
			if (moving) picture.put(moving);
			else if (wasMoving) picture.reset();
			wasMoving = moving !== null;
			picture.frame(eyes, time, dt * 1000);
		};
		request = requestAnimationFrame(next);
		const locked = (): void => {
			held = document.pointerLockElement instanceof HTMLCanvasElement;
		};
		document.addEventListener('pointerlockchange', locked);
		return () => {
			cancelAnimationFrame(request);
			document.removeEventListener('pointerlockchange', locked);
		};
	});
</script>

<Glass
	label="The picture of the run"
	load={async () => {
		const { RunPicture } = await import('./run-picture');
		return (canvas) => new RunPicture(canvas);
	}}
	onpicture={(made) => (picture = made)}
	lit={steered}
	on={{ onclick: hold, onmousemove: move }}
>
	{#each { length: viewers } as _, i (i)}
		<span class="centre" style:left="{((i + 0.5) / viewers) * 100}%" aria-hidden="true"></span>
	{/each}
	{#if viewers === 2}<span class="seam" aria-hidden="true"></span>{/if}
	<span class="caption">{caption}</span>
	{#if steered && !held}<span class="caption hint">Click to look about with the mouse</span>{/if}
</Glass>

<style>
	.seam {
		position: absolute;
		top: 0;
		bottom: 0;
		left: calc(50% - 2px);
		width: 4px;
		background: var(--paper-3);
		pointer-events: none;
	}
	.hint {
		left: 50% !important;
		bottom: 50% !important;
		transform: translate(-50%, -18px);
	}
</style>
