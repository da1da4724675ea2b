<script lang="ts" module>
	export interface Choice {
		readonly value: string;
		readonly label: string;
	}
</script>

<script lang="ts">
	/** One of several, as the system lets one choose. It shows what holds, not what was asked for: a wish that is not granted leaves it as it was. */
	interface Props {
		/** Its name, where no label stands around it. */
		label?: string;
		value: string;
		choices: readonly Choice[];
		/** `cell`: without a frame, in a table. */
		look?: 'field' | 'cell';
		title?: string;
		onchange: (value: string) => void;
	}
	let { label, value, choices, look = 'field', title, onchange }: Props = $props();

	/** What is chosen may be gone meanwhile: it is said, and can be left. */
	const all = $derived(
		value === '' || choices.some((c) => c.value === value)
			? choices
			: [...choices, { value, label: `${value}, which is gone` }]
	);
	function choose(event: Event & { currentTarget: HTMLSelectElement }) {
		const wish = event.currentTarget.value;
		event.currentTarget.value = value;
		onchange(wish);
	}
</script>

<select class={look} aria-label={label} {title} {value} onchange={choose}>
	{#each all as c (c.value)}<option value={c.value}>{c.label}</option>{/each}
</select>

<style>
	select {
		min-height: 24px;
		min-width: 0;
		color: inherit;
		cursor: pointer;
	}
	.field {
		border: 1px solid var(--rule-strong);
		border-radius: 5px;
		background: var(--field);
		color: var(--ink);
		padding: 2px 6px;
		font-size: 13px;
	}
	.cell {
		width: 100%;
		border: 0;
		background: none;
		padding: 0;
		font-size: 12px;
	}
	.cell:hover {
		background: var(--lamp-wash);
	}
</style>
