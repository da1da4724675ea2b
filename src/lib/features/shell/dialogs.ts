/** What every room has and nobody needs before the page is seen: fetched together, after that. */
export { default as FieldNotes } from './FieldNotes.svelte';
export { default as PeopleMenu } from './PeopleMenu.svelte';
export { default as Palette } from './Palette.svelte';
export { default as ShortcutsDialog } from './ShortcutsDialog.svelte';
