<script lang="ts">
	/** Says that something is played beside what is tuned, as it was once; pressed, it lets it go. */
	let { from, onclose }: { from: string; onclose: () => void } = $props();
</script>

<button title="Left is as it is now, right as it was. Press to let it go." onclick={onclose}>now | {from} ×</button>

<style>
	button {
		border: 1px solid var(--lamp);
		border-radius: 999px;
		background: var(--lamp-wash);
		color: var(--lamp-text);
		padding: 2px 10px;
		font-size: 12px;
		white-space: nowrap;
		cursor: pointer;
	}
</style>
