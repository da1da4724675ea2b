<script lang="ts">
	/** An event's own tags, which every occurrence carries, and those that one may carry besides. */
	import type { GameEvent } from 'dinesis-runtime';

	interface Props {
		event: GameEvent;
		ontags: (tags: string[]) => void;
		onmay: (tags: string[]) => void;
	}
	let { event, ontags, onmay }: Props = $props();

	const tagsOf = (text: string): string[] => [
		...new Set(
			text
				.split(',')
				.map((tag) => tag.trim().slice(0, 40))
				.filter(Boolean)
		)
	];
</script>

<input
	class="quiet"
	aria-label="Tags of {event.name}"
	value={event.tags.join(', ')}
	onchange={(e) => ontags(tagsOf(e.currentTarget.value))}
/><label
	>may carry <input
		class="quiet"
		aria-label="Tags that {event.name} may carry"
		title="What it happened to or came from: the game sends it with the event, cues ask for it"
		placeholder="none"
		value={(event.mayCarry ?? []).join(', ')}
		onchange={(e) => onmay(tagsOf(e.currentTarget.value))}
	/></label
>

<style>
	input {
		min-height: 24px;
		width: 7rem;
	}
	label {
		display: block;
		font-size: 12px;
		color: var(--ink-2);
		white-space: nowrap;
	}
	label input {
		width: 5.5rem;
		font-size: 12px;
	}
</style>
