<script lang="ts">
	/** From where to where a number goes: neither end passes the other. */
	import type { Range } from '$lib/documents';
	import NumberField from '$lib/ui/NumberField.svelte';

	interface Props {
		/** Of what. */
		of: string;
		least: number;
		most: number;
		/** What either end may be. */
		ranges: { readonly min: Range; readonly max: Range };
		step: number;
		onchange: (part: { readonly min: number } | { readonly max: number }, done: boolean) => void;
	}
	let { of, least, most, ranges, step, onchange }: Props = $props();
</script>

<NumberField
	look="inline"
	label=""
	name="Least {of}"
	value={least}
	{...ranges.min}
	max={most}
	{step}
	onchange={(min, done) => onchange({ min }, done)}
/>
–
<NumberField
	look="inline"
	label=""
	name="Most {of}"
	value={most}
	{...ranges.max}
	min={least}
	{step}
	onchange={(max, done) => onchange({ max }, done)}
/>
