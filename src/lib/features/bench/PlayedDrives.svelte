<script lang="ts">
	/** Which of the game's values drive a preset, each by its curve. Rows of the sheet's second page. */
	import type { GameParameter, ShakePreset } from 'dinesis-runtime';
	import type { Drive } from 'dinesis-runtime/tools';
	import CurveEditor from '$lib/plots/CurveEditor.svelte';
	import Button from '$lib/ui/Button.svelte';
	import Segments from '$lib/ui/Segments.svelte';

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
</script>

{#each preset.drives as drive, i (i)}
	<span>driven by</span>
	<div>
		<select
			aria-label="Game value"
			value={drive.parameter}
			onchange={(e) => setDrive(i, { parameter: e.currentTarget.value })}
		>
			{#each parameters as p (p.id)}<option value={p.id}>{p.name}</option>{/each}
			{#if !parameters.some((p) => p.id === drive.parameter)}<option value={drive.parameter}
					>{drive.parameter}, which is gone</option
				>{/if}
		</select>
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
		onchange={(curve, what, done) => setDrive(i, { curve }, what, done)}
	/>
{/each}
{#if parameters.length > 0}
	<span>{preset.drives.length === 0 ? 'driven by' : ''}</span>
	<div>
		<Button onclick={addDrive}>+ a game value, such as {parameters[0]!.name.toLowerCase()}</Button>
	</div>
{/if}

<style>
	select {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 2px 7px;
		min-width: 0;
	}
</style>
