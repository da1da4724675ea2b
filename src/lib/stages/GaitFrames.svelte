<script lang="ts">
	/** A loop of frames, pasted or out of a file, taken as a gait: what was read is said before it is taken. */
	import type { BobPreset } from 'dinesis-runtime';
	import { bobPreset as shape, channelsOf, type BobGait, type Channel } from 'dinesis-runtime/tools';
	import { decodeText, rangeOf } from '$lib/documents';
	import { gaitOfLoop, readFrameLoop, stepsOfLoop } from '$lib/formats';
	import { inkOf } from '$lib/plots/inks';
	import Button from '$lib/ui/Button.svelte';
	import FileDrop from '$lib/ui/FileDrop.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import Select from '$lib/ui/Select.svelte';
	import { writing } from '$lib/ui/writing.svelte';
	import { gaitName } from './body-changes';

	interface Props {
		bob: BobPreset;
		/** The gait that may be made of it; undefined: there is none yet. */
		gait: BobGait | undefined;
		/** Of a gait that comes to be. */
		freeId: (name: string) => string;
		/** In the place of the gait of its id, or as a new one. */
		ontake: (gait: BobGait, isNew: boolean) => void;
	}
	let { bob, gait, freeId, ontake }: Props = $props();

	let text = $state('');
	let spans = $state<'stride' | 'step'>('stride');
	let channel = $state<Channel>('y');
	let centred = $state(false);
	let frames = $state(0);
	let speed = $state(0);
	let name = $state('');
	let trouble = $state('');
	const MOST_BYTES = 2 * 1024 * 1024;
	const made = $derived(text.trim() === '' ? null : readFrameLoop(text));
	const loop = $derived(made?.ok ? made.value : null);
	const unit = $derived(bob.view === 'flat' ? 'px' : writing.unit('m'));
	const metre = $derived(1 / writing.factor('m'));
	const length = $derived(frames > 0 ? frames : (loop?.length ?? 0));
	const rate = $derived(writing.frameRate);
	const steps = $derived(length > 0 ? stepsOfLoop(length, rate, spans) : 0);
	const range = rangeOf(shape, 'gaits', 'steps');
	const fits = $derived(steps >= range.min && steps <= range.max);
	const asked = $derived(loop?.columns.some((column) => column.channel === null) ?? false);
	const result = $derived(
		loop && fits
			? gaitOfLoop(loop, {
					id: gait?.id ?? 'gait',
					rate,
					spans,
					speed: speed > 0 ? speed : (gait?.speed ?? 1.4),
					channel,
					metre,
					view: bob.view,
					length,
					centred
				})
			: null
	);
	const channels = $derived(result ? Object.keys(result.gait.channels) : []);
	const EXAMPLE = 'frame\ty\troll\n0\t0\t0\n4\t0.02\t0.4\n…';

	function take(isNew: boolean) {
		if (!result) return;
		const called = name.trim().slice(0, 60);
		const id = isNew ? freeId(called || 'gait') : gait!.id;
		const kept = isNew ? called : called || gait!.name;
		ontake({ ...result.gait, id, ...(kept && { name: kept }) }, isNew);
	}
</script>

<div class="frames">
	<p>A row for each frame: the frame, and what the eye does there; a first row may name the columns.</p>
	<textarea
		rows="6"
		aria-label="Rows of frames"
		placeholder={EXAMPLE}
		spellcheck="false"
		bind:value={text}
		oninput={() => (frames = 0)}></textarea>
	<FileDrop
		label="Rows out of a file"
		accept=".csv,.tsv,.txt,text/csv,text/plain"
		most={MOST_BYTES}
		ontrouble={(message) => (trouble = message)}
		onfile={(file) => {
			const read = decodeText(file.bytes);
			trouble = read.ok ? '' : read.message;
			if (!read.ok) return;
			text = read.value;
			frames = 0;
			if (name === '') name = file.name.replace(/\.[a-z]+$/i, '').slice(0, 60);
		}}>… or drop a CSV file here, or choose one</FileDrop
	>
	{#if trouble !== ''}<p class="wrong" role="alert">{trouble}</p>{/if}
	{#if made && !made.ok}
		<p class="wrong" role="alert">
			{made.problems[0]!.place ? `${made.problems[0]!.place} ` : 'It '}{made.problems[0]!.message}.
		</p>
	{:else if loop}
		<div class="line">
			<span>goes round in</span>
			<Segments
				small
				label="What goes round"
				value={spans}
				options={[
					{ value: 'stride', label: 'a stride', title: 'Two steps: left and right' },
					{ value: 'step', label: 'a step', title: 'The same with each foot' }
				]}
				onchange={(one: 'stride' | 'step') => (spans = one)}
			/>
		</div>
		<div class="tiles">
			<NumberField
				label="frames"
				value={Number(length.toPrecision(6))}
				min={1}
				max={100000}
				step={1}
				hint="How many the loop has; read from its rows"
				onchange={(v) => (frames = v)}
			/>
			<NumberField
				label="made for"
				unit="m/s"
				value={speed > 0 ? speed : (gait?.speed ?? 1.4)}
				{...rangeOf(shape, 'gaits', 'speed')}
				step={0.05}
				onchange={(v) => (speed = v)}
			/>
		</div>
		{#if asked}
			<label class="line"
				>moves <Select
					label="What the values move"
					value={channel}
					choices={channelsOf(bob.view).map((one) => ({ value: one, label: inkOf(one, bob.view).label }))}
					onchange={(one) => (channel = one as Channel)}
				/></label
			>
		{/if}
		<label class="line"><input type="checkbox" bind:checked={centred} /> moved so that it swings about 0</label>
		<p class:wrong={!fits}>
			{loop.frames.length} frames{loop.closes ? ', the last row is the first again' : ''}; {Number(
				length.toPrecision(4)
			)} at
			{rate} a second: {Number(steps.toPrecision(3))} steps a second{fits
				? ''
				: `; a gait has ${range.min} to ${range.max}: another length, or another rate in the project's settings`}.
			Places are in {unit}, turns in degrees.
			{#if result && result.dropped > 0}{result.dropped} frames lie on the way between the others and are left out.{/if}
			{#if result && channels.length === 0}Nothing moves in it.{/if}
		</p>
		<label class="line">called <input class="name" maxlength="60" placeholder="walk, run …" bind:value={name} /></label>
		<div class="line">
			<Button disabled={!result || channels.length === 0} onclick={() => take(true)}>As a new gait</Button>
			{#if gait}<Button disabled={!result || channels.length === 0} onclick={() => take(false)}
					>In place of {gaitName(gait)}</Button
				>{/if}
		</div>
	{/if}
</div>

<style>
	.frames {
		display: grid;
		gap: 6px;
		width: 20rem;
		padding: 4px;
	}
	p {
		margin: 0;
		font-size: 12px;
		color: var(--ink-2);
	}
	.wrong {
		color: var(--danger);
	}
	textarea,
	.name {
		border: 1px solid var(--rule-strong);
		border-radius: 5px;
		background: var(--field);
		color: var(--ink);
		font: 12px/1.4 var(--mono, monospace);
		padding: 4px 6px;
		min-width: 0;
	}
	.name {
		flex: 1;
		font: inherit;
		min-height: 24px;
	}
	.line {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 6px;
		font-size: 12.5px;
	}
	.tiles {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 5px;
	}
</style>
