<script lang="ts">
	/** Of which motion the curves are, how finely, in which world. */
	import { isShake, viewOf } from 'dinesis-runtime/tools';
	import NumberField from '$lib/ui/NumberField.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import Select from '$lib/ui/Select.svelte';
	import type { HandoverState } from './handover.svelte';
	import WorldFields from './WorldFields.svelte';

	let { desk }: { desk: HandoverState } = $props();

	const wish = $derived(desk.wish);
	const kit = $derived(desk.kit!);
	const set = (part: Partial<typeof wish>): void => {
		desk.wish = { ...desk.wish, ...part };
	};
	const of = $derived(desk.of);
	const shakes = $derived(kit.presets.filter(isShake));
	const preset = $derived('preset' in of ? shakes.find(({ id }) => id === of.preset) : undefined);
	const course = $derived('course' in of ? kit.courses.find(({ id }) => id === of.course) : undefined);
	const goesOn = $derived(preset?.timing.mode === 'continuous');
	const flat = $derived(
		course ? viewOf(kit.rigs.find((r) => r.id === course.rig)?.view.kind ?? 'eyes') === 'flat' : preset?.view === 'flat'
	);
	const gltf = $derived(desk.target === 'gltf' || desk.target === 'glb');
	const RATES = [24, 30, 60, 120, 240];
	const KEYS = { shape: 'cubic', place: 0.001, degrees: 0.05 } as const;
</script>

<div class="options">
	<Segments
		small
		label="Of what"
		value={'course' in of ? 'course' : 'preset'}
		options={[
			{ value: 'preset', label: 'a shake' },
			{ value: 'course', label: 'a course or take' }
		]}
		onchange={(what: 'preset' | 'course') =>
			set(
				what === 'preset'
					? { of: { preset: shakes[0]?.id ?? '' }, content: 'offset' }
					: { of: { course: kit.courses[0]?.id ?? '' } }
			)}
	/>
	{#if 'preset' in of}
		<Select
			label="Which shake"
			value={of.preset}
			choices={shakes.map(({ id, name }) => ({ value: id, label: name }))}
			onchange={(id) => set({ of: { preset: id } })}
		/>
		<div class="tiles">
			<NumberField
				label="strength"
				unit="×"
				value={wish.strength}
				min={0}
				max={100}
				step={0.01}
				reset={1}
				onchange={(strength) => set({ strength })}
			/>
			{#if goesOn}
				<NumberField
					label="length"
					unit="s"
					value={wish.seconds ?? 5}
					min={0.1}
					max={3600}
					step={0.1}
					onchange={(seconds) => set({ seconds })}
				/>
			{/if}
		</div>
		{#if goesOn}
			<label
				><input
					type="checkbox"
					checked={wish.loop !== null}
					onchange={(e) => set({ loop: e.currentTarget.checked ? 0.5 : null })}
				/> goes round without a seam</label
			>
			{#if wish.loop !== null}
				<NumberField
					look="inline"
					label="what does not by itself, goes over within"
					unit="s"
					value={wish.loop}
					min={0.02}
					max={60}
					step={0.02}
					onchange={(loop) => set({ loop })}
				/>
			{/if}
		{/if}
	{:else}
		<Select
			label="Which course or take"
			value={of.course}
			choices={kit.courses.map(({ id, name }) => ({ value: id, label: name }))}
			onchange={(id) => set({ of: { course: id } })}
		/>
		<Segments
			small
			label="What of it"
			value={wish.content}
			options={[
				{ value: 'offset', label: 'the offset', title: 'What the motion adds to the camera' },
				{ value: 'pose', label: 'the whole camera', title: 'Where it is, how it is turned, its lens' }
			]}
			onchange={(content: 'offset' | 'pose') => set({ content })}
		/>
	{/if}
	<div class="line">
		<span>pictures a second</span>
		<Segments
			small
			label="Pictures a second"
			value={wish.fps}
			options={[...new Set([...RATES, desk.session.settings.now.frameRate])]
				.sort((a, b) => a - b)
				.map((value) => ({ value, label: String(value) }))}
			onchange={(fps) => set({ fps })}
		/>
	</div>
	<NumberField
		look="inline"
		label="variants"
		value={wish.seeds.length}
		min={1}
		max={32}
		step={0.1}
		digits={0}
		hint="One for each seed: 1, 2, 3 …"
		onchange={(many) => set({ seeds: Array.from({ length: Math.max(1, Math.round(many)) }, (_, i) => i + 1) })}
	/>
	<label
		><input
			type="checkbox"
			checked={wish.keys !== null}
			onchange={(e) => set({ keys: e.currentTarget.checked ? KEYS : null })}
		/> as few keys as keep within</label
	>
	{#if wish.keys}
		{@const keys = wish.keys}
		<div class="tiles">
			<NumberField
				label="places"
				unit={flat ? 'px' : 'm'}
				value={keys.place}
				min={0}
				max={1000}
				step={flat ? 0.05 : 0.0001}
				onchange={(place) => set({ keys: { ...keys, place } })}
			/>
			<NumberField
				label="turns, lens"
				unit="°"
				value={keys.degrees}
				min={0}
				max={90}
				step={0.005}
				onchange={(degrees) => set({ keys: { ...keys, degrees } })}
			/>
		</div>
		<Segments
			small
			label="Between two keys"
			value={keys.shape}
			options={[
				{ value: 'linear', label: 'straight' },
				{ value: 'cubic', label: 'cubic' }
			]}
			onchange={(shape: 'linear' | 'cubic') => set({ keys: { ...keys, shape } })}
		/>
	{/if}
	{#if gltf}
		<p>glTF has a world of its own: y up, −z ahead, metres, quaternions. The lens stands in a table beside it.</p>
	{:else}
		<WorldFields world={wish.world} {flat} onchange={(world) => set({ world })} />
	{/if}
</div>

<style>
	.options {
		display: grid;
		gap: 6px;
		justify-items: start;
	}
	.tiles {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 5px;
		width: 100%;
	}
	.line {
		display: grid;
		gap: 2px;
		font-size: 12.5px;
		color: var(--ink-2);
	}
	label {
		display: flex;
		align-items: center;
		gap: 6px;
		min-height: 24px;
		font-size: 13px;
	}
	input {
		accent-color: var(--lamp);
	}
	p {
		margin: 0;
		font-size: 12px;
		color: var(--ink-2);
	}
</style>
