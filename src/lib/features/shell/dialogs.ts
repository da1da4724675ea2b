/** What is opened by a key in every room: fetched together, after the page is seen. */
export { default as Palette } from './Palette.svelte';
export { default as ShortcutsDialog } from './ShortcutsDialog.svelte';
