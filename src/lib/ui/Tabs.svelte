<script lang="ts">
	/** Tabs of which one is open: one stop of the Tab key; arrows, Home and End open another one. */
	import { rove } from './roving';

	interface Tab {
		readonly id: string;
		/** What is written on it; left out: its id. */
		readonly name?: string;
		/** There is nothing on it: drawn faint. */
		readonly off?: boolean;
	}
	interface Props {
		label: string;
		tabs: readonly Tab[];
		open: string;
		onopen: (id: string) => void;
	}
	let { label, tabs, open, onopen }: Props = $props();

	function keys(event: KeyboardEvent & { currentTarget: HTMLElement }) {
		const at = tabs.findIndex(({ id }) => id === open);
		const to = rove(event.key, at, tabs.length, 'across');
		if (to === null) return;
		event.preventDefault();
		event.stopPropagation();
		onopen(tabs[to]!.id);
		event.currentTarget.querySelectorAll<HTMLElement>('[role="tab"]')[to]?.focus();
	}
</script>

<div role="tablist" tabindex="-1" aria-label={label} onkeydown={keys}>
	{#each tabs as { id, name, off } (id)}
		<button
			type="button"
			role="tab"
			aria-selected={id === open}
			tabindex={id === open ? 0 : -1}
			class:off
			onclick={() => onopen(id)}>{name ?? id}</button
		>
	{/each}
</div>

<style>
	div {
		display: flex;
		flex-wrap: wrap;
		gap: 3px;
	}
	button {
		min-height: 24px;
		border: 1px solid var(--rule-strong);
		border-radius: 5px;
		background: var(--field);
		font-size: 12px;
		padding: 1px 7px;
		cursor: pointer;
	}
	button[aria-selected='true'] {
		background: var(--lamp-wash);
		border-color: var(--lamp);
		color: var(--lamp-text);
		font-weight: 600;
	}
	.off {
		color: var(--ink-2);
		text-decoration: line-through;
	}
</style>
