<script lang="ts">
	/** A word below a field, over all else on the page. */
	import { keepBeside } from './beside';

	interface Props {
		id?: string;
		text: string;
		/** It is about something that was not taken. */
		wrong?: boolean;
		anchor: HTMLElement;
	}
	let { id, text, wrong = false, anchor }: Props = $props();

	function beside(note: HTMLElement) {
		note.showPopover?.();
		return keepBeside(anchor, note, { gap: 3 });
	}
</script>

<span {id} class:wrong popover="manual" role="status" {@attach beside}>{text}</span>

<style>
	span {
		position: fixed;
		margin: 0;
		padding: 2px 7px;
		border: 1px solid var(--rule-strong);
		border-radius: 5px;
		background: var(--sheet);
		color: var(--ink-2);
		box-shadow: var(--shadow);
		font-size: 12px;
		font-weight: 400;
		pointer-events: none;
		white-space: nowrap;
	}
	.wrong {
		border-color: var(--danger);
		color: var(--ink);
	}
</style>
