<script lang="ts" generics="T extends string | number">
	/** A few choices side by side, one of them taken. */
	interface Props {
		label: string;
		options: readonly { readonly value: T; readonly label: string; readonly title?: string }[];
		value: T;
		onchange: (value: T) => void;
		small?: boolean;
	}
	let { label, options, value, onchange, small = false }: Props = $props();

	function keys(event: KeyboardEvent) {
		const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
		if (!by) return;
		event.preventDefault();
		event.stopPropagation();
		const at = options.findIndex((o) => o.value === value);
		const next = options[(at + by + options.length) % options.length]!;
		onchange(next.value);
		const buttons = (event.currentTarget as HTMLElement).querySelectorAll('button');
		buttons[options.indexOf(next)]?.focus();
	}
</script>

<div class="segments" class:small role="radiogroup" tabindex="-1" aria-label={label} onkeydown={keys}>
	{#each options as option (option.value)}
		<button
			role="radio"
			aria-checked={option.value === value}
			tabindex={option.value === value ? 0 : -1}
			title={option.title}
			onclick={() => onchange(option.value)}>{option.label}</button
		>
	{/each}
</div>

<style>
	.segments {
		display: inline-flex;
		border: 1px solid var(--rule-strong);
		border-radius: var(--radius);
		overflow: hidden;
		background: var(--sheet);
	}
	button {
		border: 0;
		border-left: 1px solid var(--rule);
		background: none;
		padding: 3px 9px;
		cursor: pointer;
		font-size: 12.5px;
		color: var(--ink-2);
		white-space: nowrap;
	}
	.small button {
		padding: 2px 7px;
		font-size: 12px;
	}
	button:first-child {
		border-left: 0;
	}
	button:hover {
		color: var(--ink);
		background: var(--lamp-wash);
	}
	button[aria-checked='true'] {
		background: var(--ink);
		color: var(--sheet);
	}
	button:focus-visible {
		outline-offset: -3px;
	}
</style>
