<script lang="ts" generics="T extends string | number">
	/** Choices of which one is taken: one stop of the Tab key; arrows, Home and End take another one. Letters stay the page's keys. */
	import type { Snippet } from 'svelte';
	import { rove } from './roving';

	interface Option {
		readonly value: T;
		readonly label: string;
		readonly title?: string;
	}
	interface Props {
		label: string;
		options: readonly Option[];
		/** None of them where none is taken. */
		value: T | null;
		onchange: (value: T) => void;
		/** What a choice shows; left out: its label. */
		children?: Snippet<[option: Option, taken: boolean]>;
	}
	let { label, options, value, onchange, children }: Props = $props();

	const at = $derived(options.findIndex((option) => option.value === value));

	function keys(event: KeyboardEvent & { currentTarget: HTMLElement }) {
		const to = rove(event.key, at, options.length, 'both');
		if (to === null) return;
		event.preventDefault();
		event.stopPropagation();
		if (to < 0 || to === at) return;
		onchange(options[to]!.value);
		event.currentTarget.querySelectorAll<HTMLElement>('[role="radio"]')[to]?.focus();
	}
</script>

<div class="radios" role="radiogroup" tabindex="-1" aria-label={label} onkeydown={keys}>
	{#each options as option, i (option.value)}
		<button
			type="button"
			role="radio"
			aria-checked={i === at}
			tabindex={i === Math.max(0, at) ? 0 : -1}
			title={option.title}
			onclick={() => onchange(option.value)}
			>{#if children}{@render children(option, i === at)}{:else}{option.label}{/if}</button
		>
	{/each}
</div>

<style>
	/* How it looks is said where it is used. */
	.radios {
		display: contents;
	}
</style>
