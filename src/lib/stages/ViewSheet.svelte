<script lang="ts">
	/** Where the camera stands: in the eyes, behind the body, square to a flat picture, or at a fixed place. */
	import { rangeOf, type Range } from '$lib/documents';
	import { rig as shape } from 'dinesis-runtime/tools';
	import type { RigView, ViewKind } from 'dinesis-runtime/tools';
	import NumberField from '$lib/ui/NumberField.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import StageSheet from './StageSheet.svelte';

	interface Props {
		view: RigView;
		onchange: (part: Partial<RigView>, mark: string, done: boolean) => void;
	}
	let { view, onchange }: Props = $props();
	const of = (...path: string[]): Range => rangeOf(shape, ...path);

	const KINDS: readonly { readonly value: ViewKind; readonly label: string }[] = [
		{ value: 'eyes', label: 'eyes' },
		{ value: 'chase', label: 'chase' },
		{ value: 'flat', label: 'flat' },
		{ value: 'fixed', label: 'fixed' }
	];
	const ABOUT: Record<ViewKind, string> = {
		eyes: 'Through the body’s own eyes. What moves here is felt as the head’s own motion.',
		chase: 'On a boom behind the body, turned as the body is. The lag is in where it is and in where it looks.',
		flat: 'Square to a picture measured in pixels, from the side. It plays the presets that are made in pixels.',
		fixed: 'At one place. It may turn to the body; then the lag is in where it looks.'
	};
	const place = (i: number, v: number): readonly [number, number, number] =>
		view.place.map((p, k) => (k === i ? v : p)) as unknown as readonly [number, number, number];
</script>

<StageSheet title="The body, and where the camera stands" about={ABOUT[view.kind]}>
	<Segments label="View" value={view.kind} options={KINDS} onchange={(kind) => onchange({ kind }, 'kind', true)} />
	<div class="tiles">
		{#if view.kind !== 'flat'}
			<NumberField
				label="field of view"
				unit="°"
				value={view.fov}
				{...of('view', 'fov')}
				step={0.25}
				hint="The whole height of the picture"
				onchange={(fov, done) => onchange({ fov }, 'fov', done)}
			/>
		{/if}
		<NumberField
			label={view.kind === 'eyes' ? 'eyes above the feet' : 'looks at, above the feet'}
			unit="m"
			value={view.height}
			{...of('view', 'height')}
			step={0.01}
			onchange={(height, done) => onchange({ height }, 'height', done)}
		/>
		{#if view.kind === 'chase'}
			<NumberField
				label="behind by"
				unit="m"
				value={view.back}
				{...of('view', 'back')}
				step={0.02}
				onchange={(back, done) => onchange({ back }, 'back', done)}
			/>
			<NumberField
				label="looks down by"
				unit="°"
				value={view.down}
				{...of('view', 'down')}
				step={0.2}
				onchange={(down, done) => onchange({ down }, 'down', done)}
			/>
		{:else if view.kind === 'flat'}
			<NumberField
				label="pixels a metre"
				unit="px"
				value={view.pixelsPerMetre}
				{...of('view', 'pixelsPerMetre')}
				step={0.5}
				onchange={(pixelsPerMetre, done) => onchange({ pixelsPerMetre }, 'per', done)}
			/>
			<NumberField
				label="picture’s height"
				unit="px"
				value={view.tall}
				{...of('view', 'tall')}
				step={2}
				onchange={(tall, done) => onchange({ tall }, 'tall', done)}
			/>
		{/if}
	</div>
	{#if view.kind === 'fixed'}
		<h3>Stands at</h3>
		<div class="tiles three">
			{#each ['x', 'y', 'z'] as name, i (name)}
				<NumberField
					label={name}
					unit="m"
					value={view.place[i]!}
					{...of('view', 'place')}
					step={0.05}
					onchange={(v, done) => onchange({ place: place(i, v) }, `place ${name}`, done)}
				/>
			{/each}
		</div>
		<label class="check"
			><input
				type="checkbox"
				checked={view.turns}
				onchange={(e) => onchange({ turns: e.currentTarget.checked }, 'turns', true)}
			/> turns to the body</label
		>
		{#if !view.turns}
			<div class="tiles">
				<NumberField
					label="looks left by"
					unit="°"
					value={view.yaw}
					{...of('view', 'yaw')}
					step={0.5}
					onchange={(yaw, done) => onchange({ yaw }, 'yaw', done)}
				/>
				<NumberField
					label="looks up by"
					unit="°"
					value={view.pitch}
					{...of('view', 'pitch')}
					step={0.25}
					onchange={(pitch, done) => onchange({ pitch }, 'pitch', done)}
				/>
			</div>
		{/if}
	{/if}
</StageSheet>
