<script lang="ts">
	/** A place for one file: chosen, or dropped. What stands in the way of reading it is always said. */
	import type { Snippet } from 'svelte';

	interface Props {
		/** What a screen reader calls it. */
		label: string;
		accept: string;
		/** The most bytes that are read. */
		most: number;
		onfile: (file: { readonly name: string; readonly bytes: Uint8Array<ArrayBuffer> }) => unknown;
		ontrouble: (message: string) => void;
		id?: string;
		children: Snippet;
	}
	let { label, accept, most, onfile, ontrouble, id, children }: Props = $props();
	const MIB = 1024 * 1024;

	let over = $state(false);
	let input: HTMLInputElement;

	export function focus(): void {
		input.focus();
	}
	async function take(files: FileList | null | undefined) {
		const file = files?.[0];
		// The same file again is news again.
		input.value = '';
		if (!file) return;
		try {
			if (file.size > most)
				return ontrouble(
					`${file.name} has ${Math.ceil(file.size / MIB)} MB; a file here may have up to ${Math.floor(most / MIB)} MB.`
				);
			await onfile({ name: file.name, bytes: new Uint8Array(await file.arrayBuffer()) });
		} catch (error) {
			ontrouble(
				`${file.name} could not be read${error instanceof Error && error.message ? `: ${error.message}` : '.'}`
			);
		}
	}
</script>

<label
	class:over
	ondragover={(e) => {
		e.preventDefault();
		over = true;
	}}
	ondragleave={() => (over = false)}
	ondrop={(e) => {
		e.preventDefault();
		over = false;
		void take(e.dataTransfer?.files);
	}}
>
	<input type="file" {id} {accept} aria-label={label} bind:this={input} onchange={() => void take(input.files)} />
	{@render children()}
</label>

<style>
	label {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 8px;
		align-items: center;
		justify-content: center;
		padding: 16px;
		border: 2px dashed var(--rule-strong);
		border-radius: 9px;
		background: var(--field);
		text-align: center;
		cursor: pointer;
	}
	.over,
	label:hover,
	label:focus-within {
		border-color: var(--lamp);
		background: var(--lamp-wash);
	}
	input {
		position: absolute;
		width: 1px;
		opacity: 0;
	}
</style>
