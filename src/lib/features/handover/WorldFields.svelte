<script lang="ts">
	/** The target's world: which way is up and ahead, which hand, in what; and a step ahead with a look to the left in both worlds. */
	import {
		AXES,
		ORDERS,
		OWN_WORLD,
		toTarget,
		turnedTo,
		turnOfLook,
		turnToTarget,
		worldTrouble,
		type TargetWorld
	} from '$lib/handover';
	import Segments from '$lib/ui/Segments.svelte';
	import Select from '$lib/ui/Select.svelte';

	interface Props {
		world: TargetWorld;
		/** Places are pixels. */
		flat: boolean;
		onchange: (world: TargetWorld) => void;
	}
	let { world, flat, onchange }: Props = $props();

	const trouble = $derived(worldTrouble(world));
	const axes = AXES.map((value) => ({ value, label: value.replace('-', '−') }));
	/** Up put elsewhere takes ahead off its axis. */
	const set = (part: Partial<TargetWorld>): void => {
		const next = { ...world, ...part };
		if (worldTrouble(next) && part.up) next.ahead = part.up.endsWith('z') ? 'x' : '-z';
		onchange(next);
	};
	/** Which axis a way is along, as one writes it: “−z”. */
	function axisIn(target: TargetWorld, way: readonly [number, number, number]): string {
		const v = toTarget(turnedTo(target), way);
		const at = v.findIndex((part) => part !== 0);
		return `${v[at]! < 0 ? '−' : ''}${'xyz'[at]}`;
	}
	/** A look to the left as a turn about an axis: “+ about y”. */
	function leftIn(target: TargetWorld): string {
		const [x, y, z] = turnToTarget(turnedTo(target), turnOfLook(90, 0, 0));
		const v = [x, y, z];
		const at = v.findIndex((part) => Math.abs(part) > 0.1);
		return `${v[at]! > 0 ? '+' : '−'} about ${'xyz'[at]}`;
	}
	const shown = $derived(
		[
			{ name: 'here', target: OWN_WORLD },
			{ name: 'there', target: trouble ? OWN_WORLD : world }
		].map(({ name, target }) => ({
			name,
			right: axisIn(target, [1, 0, 0]),
			up: axisIn(target, [0, 1, 0]),
			ahead: axisIn(target, [0, 0, -1]),
			left: leftIn(target)
		}))
	);
	const turns = [
		{ value: 'quaternion', label: 'a quaternion' },
		...ORDERS.map((value) => ({ value, label: `angles, ${[...value].join(' then ')}` }))
	];
</script>

<div class="world">
	<h3>The world that it goes to</h3>
	<div class="two">
		<label
			>up <Select
				label="Up"
				value={world.up}
				choices={axes}
				onchange={(up) => set({ up: up as TargetWorld['up'] })}
			/></label
		>
		<label
			>ahead <Select
				label="Ahead"
				value={world.ahead}
				choices={axes}
				onchange={(ahead) => set({ ahead: ahead as TargetWorld['ahead'] })}
			/></label
		>
	</div>
	{#if trouble}<p class="wrong" role="alert">{trouble}</p>{/if}
	<Segments
		small
		label="Hand"
		value={world.hand}
		options={[
			{ value: 'right', label: 'right-handed' },
			{ value: 'left', label: 'left-handed' }
		]}
		onchange={(hand: 'right' | 'left') => set({ hand })}
	/>
	<div class="two">
		{#if !flat}
			<Segments
				small
				label="Lengths"
				value={world.length === 'cm' ? 'cm' : 'm'}
				options={[
					{ value: 'm', label: 'm' },
					{ value: 'cm', label: 'cm' }
				]}
				onchange={(length: 'm' | 'cm') => set({ length })}
			/>
		{:else}<small>places in pixels</small>{/if}
		<Segments
			small
			label="Angles"
			value={world.angle}
			options={[
				{ value: 'degrees', label: 'degrees' },
				{ value: 'radians', label: 'radians' }
			]}
			onchange={(angle: 'degrees' | 'radians') => set({ angle })}
		/>
	</div>
	<Select
		label="Turns as"
		value={world.rotation}
		choices={turns}
		onchange={(rotation) => set({ rotation: rotation as TargetWorld['rotation'] })}
	/>
	<svg
		viewBox="0 0 260 92"
		role="img"
		aria-label="A step ahead is {shown[0]!.ahead} here and {shown[1]!.ahead} there; a look to the left is {shown[0]!
			.left} here and {shown[1]!.left} there"
	>
		{#each shown as { name, right, up, ahead, left }, i (name)}
			<g transform="translate({10 + i * 130} 0)">
				<text class="name" x="0" y="11">{name}</text>
				<!-- A body from above and behind: a step ahead goes up the paper. -->
				<path class="body" d="M52 66 l7 -16 l7 16 l-7 -4z" />
				<path class="way" d="M59 46 V20 M55 26 L59 19 L63 26" />
				<text x="66" y="25">{ahead}</text>
				<path class="way" d="M72 62 H98 M92 58 L99 62 L92 66" />
				<text x="86" y="77">{right}</text>
				<path class="up" d="M59 60 m-12 4 a5 5 0 1 0 0.1 0" />
				<circle class="point" cx="47" cy="69" r="1.6" />
				<text x="22" y="73">{up}</text>
				<path class="turn" d="M52 40 a20 20 0 0 0 -20 12 M31 44 L32 53 L40 49" />
				<text class="small" x="0" y="37">{left}</text>
			</g>
		{/each}
	</svg>
</div>

<style>
	.world {
		display: grid;
		gap: 5px;
		width: 100%;
		justify-items: start;
	}
	h3 {
		margin: 4px 0 0;
		font: 600 12.5px var(--text);
	}
	.two {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
		align-items: center;
	}
	label {
		display: flex;
		align-items: center;
		gap: 5px;
		font-size: 12.5px;
		color: var(--ink-2);
	}
	small {
		font-size: 12px;
		color: var(--ink-2);
	}
	.wrong {
		margin: 0;
		font-size: 12px;
		color: var(--danger);
	}
	svg {
		width: 100%;
		max-width: 280px;
		border: 1px solid var(--rule);
		border-radius: 6px;
		background: var(--field);
	}
	text {
		font: 600 11px var(--text);
		fill: var(--ink);
	}
	.name {
		font-weight: 400;
		fill: var(--ink-2);
	}
	.small {
		font-weight: 400;
		font-size: 9.5px;
	}
	.body {
		fill: var(--ink);
	}
	.way,
	.turn,
	.up {
		fill: none;
		stroke: var(--lamp);
		stroke-width: 1.6;
	}
	.turn {
		stroke: var(--ink-yaw);
	}
	.up {
		stroke: var(--ink-y);
	}
	.point {
		fill: var(--ink-y);
	}
</style>
