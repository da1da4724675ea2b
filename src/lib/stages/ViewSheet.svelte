<script lang="ts">
	/** Where the camera stands: in the eyes, behind the body, square to a flat picture, or at a fixed place. */
	import { rangeOf, type Range } from '$lib/documents';
	import { rig as shape } from 'dinesis-runtime/tools';
	import type { Nearer, RigView, ViewKind } from 'dinesis-runtime/tools';
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
	const NEARER: Nearer = { off: 0.2, least: 0.6, comes: 0, goes: 0.3 };
	const NEAR_FIELDS = [
		{ field: 'off', label: 'kept off by', unit: 'm', hint: 'Between the camera and what stands in its way' },
		{ field: 'least', label: 'nearest', unit: 'm', hint: 'It comes no nearer than that' },
		{ field: 'comes', label: 'comes, half in', unit: 's', hint: 'Half of the way nearer; 0: at once' },
		{ field: 'goes', label: 'goes, half in', unit: 's', hint: 'Half of the way out again' }
	] as const;
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
			<NumberField
				label="to the right by"
				unit="m"
				value={view.side}
				{...of('view', 'side')}
				step={0.01}
				reset={0}
				hint="Below 0: to the left"
				onchange={(side, done) => onchange({ side }, 'side', done)}
			/>
			{#if view.ahead !== null}
				<NumberField
					label="at a point ahead by"
					unit="m"
					value={view.ahead}
					{...of('view', 'ahead')}
					step={0.05}
					hint="0: at the body itself"
					onchange={(ahead, done) => onchange({ ahead }, 'ahead', done)}
				/>
			{/if}
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
	{#if view.kind === 'chase'}
		<label class="check"
			><input
				type="checkbox"
				checked={view.ahead !== null}
				onchange={(e) => onchange({ ahead: e.currentTarget.checked ? 8 : null }, 'ahead', true)}
			/> turns to a point ahead of the body</label
		>
		<label class="check"
			><input
				type="checkbox"
				checked={view.nearer !== null}
				onchange={(e) => onchange({ nearer: e.currentTarget.checked ? NEARER : null }, 'nearer', true)}
			/> comes nearer where something stands between</label
		>
		{#if view.nearer}
			{@const nearer = view.nearer}
			<div class="tiles">
				{#each NEAR_FIELDS as { field, label, unit, hint } (field)}
					<NumberField
						{label}
						{unit}
						{hint}
						value={nearer[field]}
						{...of('view', 'nearer', field)}
						step={0.01}
						onchange={(v, done) => onchange({ nearer: { ...nearer, [field]: v } }, `nearer ${field}`, done)}
					/>
				{/each}
			</div>
		{/if}
	{/if}
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
