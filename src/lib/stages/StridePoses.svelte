<script lang="ts">
	/** The poses of a channel on the stride circle: each is taken round and out or in; a double press on it takes it away. */
	import type { BobChannel, Channel, Key } from 'dinesis-runtime/tools';
	import { inkOf } from '$lib/plots/inks';
	import { moved } from '$lib/plots/key-poses';
	import { stepped } from '$lib/plots/points';
	import { placesOfPose } from './stride-poses';

	interface Props {
		channel: Channel;
		/** Of the gait that is drawn. */
		of: BobChannel;
		cycles: 1 | 2;
		/** A place of the stride, 0–1, and a value as the channel's line has it there, in pixels from the middle. */
		at: (place: number) => readonly [number, number];
		/** A value of 1 in pixels outwards. */
		high: number;
		/** Where the pointer is: place in the stride, and pixels from the middle of all. */
		pointer: (event: PointerEvent) => { readonly place: number; readonly radius: number };
		onkeys: (keys: Key[], what: string, done: boolean) => void;
	}
	let { channel, of, cycles, at, high, pointer, onkeys }: Props = $props();

	const keys = $derived(of.keys ?? []);
	const label = $derived(inkOf(channel).label);
	let held: { i: number; place: number; radius: number; at: number; value: number } | null = null;

	function take(event: PointerEvent, i: number) {
		if (event.button !== 0) return;
		const { place, radius } = pointer(event);
		held = { i, place, radius, at: keys[i]!.at, value: keys[i]!.value };
		(event.currentTarget as Element).setPointerCapture(event.pointerId);
		event.preventDefault();
		event.stopPropagation();
	}
	function drag(event: PointerEvent) {
		if (!held) return;
		event.stopPropagation();
		const { place, radius } = pointer(event);
		let round = place - held.place;
		round -= Math.round(round);
		const free = event.altKey ? 1e-3 : 0.01;
		const to = (v: number): number => Math.round(v / free) * free;
		const value = held.value + (high > 0 ? (radius - held.radius) / high : 0);
		onkeys(moved(keys, held.i, to(held.at + round * cycles), to(value)), 'Move pose', false);
	}
	function drop(event: PointerEvent) {
		if (held) {
			event.stopPropagation();
			onkeys([...keys], 'Move pose', true);
		}
		held = null;
	}
	function takeOut(i: number) {
		if (keys.length <= 2) return;
		onkeys(
			keys.filter((_, k) => k !== i),
			'Take pose out',
			true
		);
	}
	function press(event: KeyboardEvent, i: number) {
		const key = keys[i]!;
		const by = event.shiftKey ? 5 : 1;
		const to = (part: { at?: number; value?: number }): void =>
			onkeys(moved(keys, i, part.at ?? key.at, part.value ?? key.value), 'Move pose', true);
		if (event.key === 'ArrowRight') to({ at: stepped(key.at, 0.01, by) });
		else if (event.key === 'ArrowLeft') to({ at: stepped(key.at, 0.01, -by) });
		else if (event.key === 'ArrowUp') to({ value: stepped(key.value, 0.02, by) });
		else if (event.key === 'ArrowDown') to({ value: stepped(key.value, 0.02, -by) });
		else if (event.key === 'Delete' || event.key === 'Backspace') takeOut(i);
		else return;
		event.preventDefault();
		event.stopPropagation();
	}
</script>

{#each keys as key, i (i)}
	{#each placesOfPose(key.at, of.phase, cycles) as place, round (round)}
		{@const [x, y] = at(place)}
		<rect
			x={x - 4.2}
			y={y - 4.2}
			width="8.4"
			height="8.4"
			transform="rotate(45 {x} {y})"
			fill="var(--sheet)"
			stroke="var(--ink-{channel})"
			role="slider"
			tabindex={round === 0 ? 0 : -1}
			aria-label="Pose {i + 1} of {label}{round === 0 ? '' : ', with the other foot'}"
			aria-valuenow={Math.round(key.value * 100)}
			aria-valuemin="-100"
			aria-valuemax="100"
			onpointerdown={(e) => take(e, i)}
			onpointermove={drag}
			onpointerup={drop}
			onpointercancel={drop}
			ondblclick={(e) => {
				e.stopPropagation();
				takeOut(i);
			}}
			onkeydown={(e) => press(e, i)}
			><title>Pose {i + 1} of {label}: take it round, out or in; a double press takes it away</title></rect
		>
	{/each}
{/each}

<style>
	rect {
		stroke-width: 2;
		cursor: grab;
	}
</style>
