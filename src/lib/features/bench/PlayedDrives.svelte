<script lang="ts">
	/** Which of the game's values drive a preset, each by its curve. Rows of the sheet's second page. */
	import type { GameParameter, ShakePreset } from 'dinesis-runtime';
	import type { Drive } from 'dinesis-runtime/tools';
	import CurveEditor from '$lib/plots/CurveEditor.svelte';
	import type { Whole } from '$lib/plots/place-mode.svelte';
	import Button from '$lib/ui/Button.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import Select from '$lib/ui/Select.svelte';

	interface Props {
		preset: ShakePreset;
		/** The game's values, which may drive it. */
		parameters: readonly GameParameter[];
		onchange: (label: string, recipe: (preset: ShakePreset) => ShakePreset, mark: string, done: boolean) => void;
	}
	let { preset, parameters, onchange }: Props = $props();

	const set = (label: string, part: Partial<ShakePreset>, done = true): void =>
		onchange(label, (p) => ({ ...p, ...part }), label, done);
	function setDrive(i: number, part: Partial<Drive>, label = 'Drive', done = true) {
		set(label, { drives: preset.drives.map((d, k) => (k === i ? { ...d, ...part } : d)) }, done);
	}
	const addDrive = (): void =>
		set('Drive', {
			drives: [
				...preset.drives,
				{
					parameter: parameters[0]!.id,
					to: 'amount',
					curve: [
						{ at: 0, value: 0.5 },
						{ at: 1, value: 1.5 }
					]
				}
			]
		});
	const endsOf = (id: string): readonly [string, string] => {
		const p = parameters.find((q) => q.id === id);
		return p ? [`${p.name} ${p.min}`, `${p.max}`] : ['least', 'most'];
	};
	function wholeOf(id: string): Whole | undefined {
		const p = parameters.find((q) => q.id === id);
		return p && { from: p.min, to: p.max, unit: '' };
	}
</script>

{#each preset.drives as drive, i (i)}
	<span>driven by</span>
	<div>
		<Select
			label="Game value"
			value={drive.parameter}
			choices={parameters.map(({ id, name }) => ({ value: id, label: name }))}
			onchange={(parameter) => setDrive(i, { parameter })}
		/>
		<Segments
			small
			label="What it multiplies"
			value={drive.to}
			options={[
				{ value: 'amount', label: 'amount' },
				{ value: 'rate', label: 'rate' }
			]}
			onchange={(to: Drive['to']) => setDrive(i, { to })}
		/>
		<Button onclick={() => set('Drive', { drives: preset.drives.filter((_, k) => k !== i) })}>take it out</Button>
	</div>
	<span></span>
	<CurveEditor
		label="By {drive.parameter}"
		points={drive.curve}
		top={Math.max(2, ...drive.curve.map((p) => p.value))}
		ends={endsOf(drive.parameter)}
		whole={wholeOf(drive.parameter)}
		onchange={(curve, what, done) => setDrive(i, { curve }, what, done)}
	/>
{/each}
{#if parameters.length > 0}
	<span>{preset.drives.length === 0 ? 'driven by' : ''}</span>
	<div>
		<Button onclick={addDrive}>+ a game value, such as {parameters[0]!.name.toLowerCase()}</Button>
	</div>
{/if}
