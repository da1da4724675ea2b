<script lang="ts">
	/** The head beside something that runs: what it is, and for how long. */
	interface Props {
		name: string;
		/** How long, as it is read. */
		clock: string;
		/** It is recorded just now. */
		records: boolean;
	}
	let { name, clock, records }: Props = $props();
</script>

<header>
	<h2><i class:records aria-hidden="true"></i> {name}</h2>
	<output>{clock}</output>
</header>

<style>
	header {
		display: flex;
		justify-content: space-between;
		align-items: baseline;
	}
	h2 {
		font-size: 15px;
	}
	i {
		display: inline-block;
		width: 9px;
		height: 9px;
		border-radius: 50%;
		background: var(--lamp);
	}
	.records {
		background: var(--danger);
	}
</style>
