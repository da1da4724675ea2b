<script lang="ts" module>
	export interface MenuItem {
		readonly label: string;
		readonly about?: string;
		readonly disabled?: boolean;
		readonly run: () => void;
	}
	export interface MenuGroup {
		readonly title?: string;
		readonly items: readonly MenuItem[];
	}
</script>

<script lang="ts">
	/** A button with what it can do in a list: the focus goes from item to item by arrows, Home, End and first letters. */
	import type { Snippet } from 'svelte';
	import Popover from './Popover.svelte';
	import { rove, TypeAhead } from './roving';

	interface Props {
		label: string;
		button: Snippet;
		groups: readonly MenuGroup[];
		title?: string;
		align?: 'left' | 'right';
		look?: 'plain' | 'chip' | 'heading' | 'icon';
		/** Groups beside each other. */
		wide?: boolean;
		/** Where there is nothing to do. */
		none?: string;
	}
	let { label, button, groups, title, align, look, wide = false, none = '' }: Props = $props();

	const ahead = new TypeAhead();
	const shown = $derived(groups.filter(({ items }) => items.length > 0));

	function keys(event: KeyboardEvent & { currentTarget: HTMLElement }, close: () => void) {
		if (event.key === 'Tab') return close();
		const items = [...event.currentTarget.querySelectorAll<HTMLElement>('[role="menuitem"]')];
		const at = items.indexOf(document.activeElement as HTMLElement);
		const labels = items.map((item) => item.textContent.trim());
		const to = rove(event.key, at, items.length, 'down') ?? ahead.to(event, labels, at);
		if (to === null) return;
		event.preventDefault();
		items[to]?.focus();
	}
	const first = (menu: HTMLElement) =>
		menu.querySelector<HTMLElement>('[role="menuitem"]')?.focus({ preventScroll: true });
</script>

<Popover {label} {button} {title} {align} {look} holds="menu">
	{#snippet children(close)}
		<div
			class="menu"
			class:wide
			role="menu"
			tabindex="-1"
			aria-label={label}
			onkeydown={(event) => keys(event, close)}
			{@attach (menu) => first(menu)}
		>
			{#each shown as group, g (g)}
				<div class="group" role="group" aria-label={group.title ?? label}>
					{#if group.title}<p aria-hidden="true">{group.title}</p>{/if}
					{#each group.items as item (item.label)}
						<button
							type="button"
							role="menuitem"
							tabindex="-1"
							aria-disabled={item.disabled}
							onclick={() => {
								if (item.disabled) return;
								close();
								item.run();
							}}
							>{item.label}{#if item.about}<small>{item.about}</small>{/if}</button
						>
					{/each}
				</div>
			{/each}
		</div>
		{#if shown.length === 0 && none}<p class="none">{none}</p>{/if}
	{/snippet}
</Popover>

<style>
	.menu:focus {
		outline: none;
	}
	.menu.wide {
		display: flex;
		gap: 14px;
	}
	.group {
		display: grid;
		align-content: start;
	}
	.group + .group:not(.wide *) {
		margin-top: 4px;
		padding-top: 4px;
		border-top: 1px solid var(--rule);
	}
	p {
		margin: 2px 8px;
		font-size: 12px;
		color: var(--ink-2);
	}
	.none {
		max-width: 18rem;
		padding: 4px;
	}
	button {
		display: flex;
		justify-content: space-between;
		align-items: baseline;
		gap: 12px;
		min-height: 26px;
		border: 0;
		border-radius: 6px;
		background: none;
		padding: 3px 8px;
		text-align: left;
		color: inherit;
		cursor: pointer;
		white-space: nowrap;
	}
	button:hover:not([aria-disabled='true']),
	button:focus-visible {
		background: var(--lamp-wash);
	}
	button[aria-disabled='true'] {
		opacity: 0.45;
		cursor: default;
	}
	small {
		font-size: 12px;
		color: var(--ink-2);
	}
</style>
