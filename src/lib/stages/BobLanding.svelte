<script lang="ts">
	/** How a head dips on landing. */
	import type { BobPreset } from 'dinesis-runtime';
	import { bobPreset as shape } from 'dinesis-runtime/tools';
	import { rangeOf, type Range } from '$lib/documents';
	import NumberField from '$lib/ui/NumberField.svelte';

	type Landing = NonNullable<BobPreset['landing']>;
	interface Props {
		landing: Landing;
		onchange: (landing: Landing, mark: string, done: boolean) => void;
	}
	let { landing, onchange }: Props = $props();

	const of = (...path: string[]): Range => rangeOf(shape, ...path);
</script>

<div class="tiles">
	<NumberField
		label="dip per m/s"
		unit="m"
		value={landing.dip}
		{...of('landing', 'dip')}
		step={0.0005}
		onchange={(dip, done) => onchange({ ...landing, dip }, 'dip', done)}
	/>
	<NumberField
		label="at most"
		unit="m"
		value={landing.most}
		{...of('landing', 'most')}
		step={0.002}
		onchange={(most, done) => onchange({ ...landing, most }, 'most', done)}
	/>
	<NumberField
		label="nod"
		unit="°/m"
		value={landing.nod}
		{...of('landing', 'nod')}
		step={0.5}
		onchange={(nod, done) => onchange({ ...landing, nod }, 'nod', done)}
	/>
	<NumberField
		label="spring"
		unit="Hz"
		value={landing.frequency}
		{...of('landing', 'frequency')}
		step={0.02}
		onchange={(frequency, done) => onchange({ ...landing, frequency }, 'frequency', done)}
	/>
	<NumberField
		label="damping"
		value={landing.damping}
		{...of('landing', 'damping')}
		step={0.01}
		onchange={(damping, done) => onchange({ ...landing, damping }, 'damping', done)}
	/>
</div>
