<script lang="ts">
	/** Where the camera must stay: ranges of x, y and z, and an area on the map. */
	import { rangeOf, type Range } from '$lib/documents';
	import { rig as shape } from 'dinesis-runtime/tools';
	import type { Limits } from 'dinesis-runtime/tools';
	import NumberField from '$lib/ui/NumberField.svelte';
	import StageSheet from './StageSheet.svelte';

	interface Props {
		limits: Limits | null;
		/** Where the camera is, to begin a new range or area about. */
		camera: () => readonly [number, number, number];
		onchange: (limits: Limits | null, mark: string, done: boolean) => void;
	}
	let { limits, camera, onchange }: Props = $props();
	const of = (...path: string[]): Range => rangeOf(shape, ...path);

	const AXES = [
		{ axis: 'x', label: 'along x, the map’s right' },
		{ axis: 'y', label: 'in height, y' },
		{ axis: 'z', label: 'along z, the map’s near' }
	] as const;
	const EMPTY: Limits = { x: null, y: null, z: null, area: null, soft: 0.5 };
	const round = (v: number): number => Math.round(v * 10) / 10;

	function begin(what: 'box' | 'area') {
		const [x, y, z] = camera().map(round) as [number, number, number];
		if (what === 'box') onchange({ ...EMPTY, x: [x - 8, x + 8], z: [z - 8, z + 8], y: [y - 1, y + 4] }, 'box', true);
		else
			onchange(
				{
					...(limits ?? EMPTY),
					area: [
						[x - 6, z - 6],
						[x + 6, z - 6],
						[x + 6, z + 6],
						[x - 6, z + 6]
					]
				},
				'area',
				true
			);
	}
	const range = (axis: 'x' | 'y' | 'z', v: readonly [number, number] | null, done: boolean): void =>
		onchange({ ...limits!, [axis]: v }, axis, done);
</script>

<StageSheet
	title="Limits"
	about="The camera comes ever closer to an edge and never beyond. They hold back where it rests; shakes, which come after, are not eaten."
>
	{#if !limits}
		<p>There are none yet: the camera goes wherever the body goes.</p>
		<button class="plain" onclick={() => begin('box')}>A box about the camera</button>
		<button class="plain" onclick={() => begin('area')}>An area on the map</button>
	{:else}
		<NumberField
			label="softly, from an edge"
			unit="m"
			value={limits.soft}
			{...of('limits', 'soft')}
			step={0.02}
			onchange={(soft, done) => onchange({ ...limits, soft }, 'soft', done)}
		/>
		{#each AXES as { axis, label } (axis)}
			{@const has = limits[axis]}
			<label class="check"
				><input
					type="checkbox"
					checked={has !== null}
					onchange={(e) => {
						const v = round(camera()['xyz'.indexOf(axis)]!);
						range(axis, e.currentTarget.checked ? [v - 5, v + 5] : null, true);
					}}
				/>
				{label}</label
			>
			{#if has}
				<div class="tiles">
					<NumberField
						label="from"
						name="{axis} from"
						unit="m"
						value={has[0]}
						{...of('limits', axis)}
						max={has[1]}
						step={0.05}
						onchange={(v, done) => range(axis, [v, has[1]], done)}
					/>
					<NumberField
						label="to"
						name="{axis} to"
						unit="m"
						value={has[1]}
						{...of('limits', axis)}
						min={has[0]}
						step={0.05}
						onchange={(v, done) => range(axis, [has[0], v], done)}
					/>
				</div>
			{/if}
		{/each}
		{#if limits.area}
			<button class="plain" onclick={() => onchange({ ...limits, area: null }, 'area', true)}>Take the area away</button
			>
		{:else}
			<button class="plain" onclick={() => begin('area')}>And an area on the map</button>
		{/if}
		<button class="plain" onclick={() => onchange(null, 'none', true)}>No limits</button>
	{/if}
</StageSheet>
