<script lang="ts">
	/** A number of a course: in steps that a hand can feel, kept without the dust of binary fractions. */
	import type { Range } from '$lib/documents';
	import NumberField from '$lib/ui/NumberField.svelte';
	import { clean } from './course.svelte';

	interface Props {
		label: string;
		unit?: string;
		value: number;
		range: Range;
		step?: number;
		onchange: (value: number, done: boolean) => void;
	}
	let { label, unit = '', value, range, step = 0.05, onchange }: Props = $props();
</script>

<NumberField {label} {unit} {value} {...range} {step} onchange={(v, done) => onchange(clean(v), done)} />
