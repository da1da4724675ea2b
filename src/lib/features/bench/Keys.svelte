<script lang="ts">
	/** The keys: nine of eighteen, the open preset on the space bar where it is on none of them, and firing again and again. */
	import { onMount } from 'svelte';
	import Repeat from '@lucide/svelte/icons/repeat';
	import { KEY_IDS } from '$lib/documents';
	import { capOf, writtenKey, type KeyCap as Cap } from '$lib/room/key-board';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import { isTyping } from '$lib/ui/targets';
	import type { BenchState } from './bench.svelte';
	import KeyCap from './KeyCap.svelte';

	interface Props {
		session: ProjectSession;
		bench: BenchState;
		presetKey: string;
		onopen: (key: string) => void;
	}
	let { session, bench, presetKey, onopen }: Props = $props();

	/** Shift is down, or the second nine are turned to. */
	let shifted = $state(false);
	let second = $state(false);
	const bank = $derived(KEY_IDS.slice(...(shifted !== second ? [9, 18] : [0, 9])));
	const caps = $derived.by((): { readonly id: string; readonly cap: Cap | undefined }[] => {
		const nine = bank.map((id) => ({ id, cap: capOf(session, id) }));
		// Behind the last that has something there is room for one more.
		const shown = nine.slice(0, nine.findLastIndex(({ cap }) => cap) + 2);
		const isOn = nine.some(({ cap }) => cap?.kind === 'preset' && cap.of === presetKey);
		const name = session.preset(presetKey)?.name;
		if (isOn || name === undefined) return shown;
		const space: Cap = { id: 'space', written: 'space', kind: 'preset', of: presetKey, name, given: false };
		return [...shown, { id: 'space', cap: space }];
	});

	onMount(() => {
		const hold = (event: KeyboardEvent): void => {
			if (event.key === 'Shift') shifted = event.type === 'keydown' && !isTyping(event.target);
		};
		const letGo = (): void => void (shifted = false);
		window.addEventListener('keydown', hold);
		window.addEventListener('keyup', hold);
		window.addEventListener('blur', letGo);
		return () => {
			window.removeEventListener('keydown', hold);
			window.removeEventListener('keyup', hold);
			window.removeEventListener('blur', letGo);
		};
	});
</script>

<div class="keys" role="group" aria-label="Keys">
	{#each caps as { id, cap } (id)}
		{#if cap}
			<div
				class="cap"
				class:live={cap.kind === 'preset' ? bench.sounding.has(cap.of) : bench.events.on.has(cap.of)}
				class:open={cap.kind === 'preset' && cap.of === presetKey}
			>
				<KeyCap {session} {bench} {id} {cap} {onopen} />
			</div>
		{:else}
			<div class="place">
				{#await import('$lib/room/KeyTarget.svelte')}<span class="give"
						><b>{writtenKey(id)}</b><small>give it something</small></span
					>{:then { default: KeyTarget }}<KeyTarget {session} {id}>
						{#snippet button()}<span class="give"><b>{writtenKey(id)}</b><small>give it something</small></span
							>{/snippet}
					</KeyTarget>{/await}
			</div>
		{/if}
	{/each}
	<button
		class="bank"
		aria-pressed={second}
		aria-label="The second nine keys"
		title="The second nine keys: they are fired with Shift"
		onclick={() => (second = !second)}>⇧</button
	>
	<div class="cap repeat" class:live={bench.repeating}>
		<button
			class="press"
			aria-pressed={bench.repeating}
			aria-label="Fire again and again"
			title="Fire the open preset again and again (R)"
			onclick={() => bench.toggleRepeat()}
		>
			<b><Repeat size={14} /></b>
			<span class="name">Repeat</span>
		</button>
		<span class="every">
			<NumberField
				look="inline"
				label="every"
				unit="s"
				value={bench.repeatEvery}
				min={0.1}
				max={60}
				step={0.02}
				reset={2.5}
				onchange={(v) => (bench.repeatEvery = v)}
			/>
		</span>
	</div>
</div>

<style>
	.keys {
		display: flex;
		gap: 7px;
		min-width: 0;
	}
	.cap,
	.place {
		position: relative;
		flex: 1 1 0;
		min-width: 0;
		max-width: 190px;
		border: 1px solid var(--brass);
		border-bottom: 3px solid var(--brass-foot);
		border-radius: 9px 9px 8px 8px;
		background: linear-gradient(var(--cap-top), var(--cap-foot));
		overflow: hidden;
	}
	.cap:active {
		transform: translateY(1px);
	}
	.cap.open {
		border-color: var(--lamp);
		border-bottom-color: var(--lamp);
	}
	.cap.live {
		background: linear-gradient(var(--cap-live-top), var(--cap-live));
	}
	/* The face of a key, whatever is on it. */
	.keys :global(.press) {
		display: grid;
		grid-template-rows: 1fr auto;
		width: 100%;
		height: 100%;
		border: 0;
		background: none;
		padding: 25px 9px 8px;
		text-align: left;
		cursor: pointer;
		touch-action: none;
		user-select: none;
	}
	b {
		font-size: 12.5px;
		color: var(--ink-2);
	}
	.place {
		border-style: dashed;
		border-bottom-width: 1px;
		background: none;
	}
	.place :global(.root > button) {
		width: 100%;
		height: 100%;
	}
	.give {
		display: grid;
		height: 100%;
		align-content: space-between;
		text-align: left;
		padding: 6px 9px 8px;
	}
	.bank {
		width: 26px;
		flex: none;
		border: 1px solid var(--brass);
		border-bottom: 3px solid var(--brass-foot);
		border-radius: 8px;
		background: linear-gradient(var(--cap-top), var(--cap-foot));
		padding: 0;
		color: var(--ink-2);
		cursor: pointer;
	}
	.bank[aria-pressed='true'] {
		background: var(--lamp-wash);
		border-color: var(--lamp);
		color: var(--ink);
	}
	.keys :global(.press > .name) {
		font-weight: 600;
		line-height: 1.2;
		align-self: center;
		overflow: hidden;
		display: -webkit-box;
		line-clamp: 2;
		-webkit-line-clamp: 2;
		-webkit-box-orient: vertical;
	}
	small,
	.keys :global(.press > small) {
		font-size: 11.5px;
		color: var(--ink-2);
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.keys .repeat .press {
		grid-template-rows: auto 1fr auto;
		padding-top: 6px;
	}
	.keys .repeat .press > .name {
		align-self: start;
		margin-top: 5px;
	}
	.every {
		position: absolute;
		left: 9px;
		bottom: 6px;
		font-size: 12px;
	}
	@media (max-height: 760px) {
		.keys :global(.press) {
			padding-block: 22px 6px;
		}
		.keys :global(.press > small) {
			display: none;
		}
		.keys .repeat .press {
			padding-block: 4px 6px;
		}
	}
</style>
