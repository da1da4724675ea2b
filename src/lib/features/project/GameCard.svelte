<script lang="ts">
	/** What the game is called and how numbers are written. */
	import NumberField from '$lib/ui/NumberField.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import Card from './Card.svelte';
	import type { ProjectPage } from './project.svelte';

	let { page }: { page: ProjectPage } = $props();
	const { session } = $derived(page);
	const settings = $derived(session.settings.now);
	const id = $props.id();
</script>

<Card
	title="The game"
	says="What it is called, and how its numbers are written. Everybody on the project sees the same."
>
	<div class="rows">
		<label for="{id}name">name</label>
		<TextField
			id="{id}name"
			maxlength={120}
			autocomplete="off"
			value={session.project.name}
			onchange={(e) => {
				const field = e.currentTarget;
				void page.rename(field.value).then(() => (field.value = session.project.name));
			}}
		/>
		<span>lengths in</span>
		<div>
			<Segments
				small
				label="Lengths are written in"
				value={settings.length}
				options={[
					{ value: 'm', label: 'metres' },
					{ value: 'cm', label: 'centimetres' }
				]}
				onchange={(length) => {
					session.settings.change(`Lengths in ${length}`, (s) => ({ ...s, length: length as 'm' | 'cm' }));
					session.seal();
				}}
			/>
			<small>kits are always in metres</small>
		</div>
		<span>frames a second</span>
		<div>
			<NumberField
				look="inline"
				label=""
				name="Frames a second"
				value={settings.frameRate}
				min={1}
				max={1000}
				step={1}
				digits={Number.isInteger(settings.frameRate) ? 0 : 2}
				reset={60}
				onchange={(frameRate, done) => {
					session.settings.change('Frames a second', (s) => ({ ...s, frameRate }), 'frame rate');
					if (done) session.seal();
				}}
			/>
			<small>12f in any field of a time is {Number((12 / settings.frameRate).toPrecision(3))} s</small>
		</div>
	</div>
</Card>

<style>
	.rows {
		display: grid;
		grid-template-columns: 8.5rem minmax(0, 1fr);
		gap: 8px 12px;
		align-items: center;
	}
	.rows > label,
	.rows > span {
		color: var(--ink-2);
	}
	.rows div {
		display: flex;
		align-items: center;
		gap: 12px;
	}
	small {
		font-size: 12px;
		color: var(--ink-2);
	}
</style>
