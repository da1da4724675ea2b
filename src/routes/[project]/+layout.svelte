<script lang="ts">
	import type { Snippet } from 'svelte';
	import Book from './Book.svelte';
	import type { LayoutData } from './$types';

	let { data, children }: { data: LayoutData; children: Snippet } = $props();
</script>

<!-- Another project is another book: nothing of the one before stays open. -->
{#key data.project.id}
	<Book {data}>{@render children()}</Book>
{/key}
