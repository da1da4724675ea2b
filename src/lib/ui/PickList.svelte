<script lang="ts" module>
	import type { Pickable, Pickables } from './Combobox.svelte';

	export interface PickEntry extends Pickable {
		/** Words that find it and are not shown. */
		readonly words?: string;
	}
	export type PickGroup = Pickables<PickEntry>;
</script>

<script lang="ts">
	/** A list that one finds something in by its words: type, arrows, Enter. A short one is gone through without a field. */
	import Combobox from './Combobox.svelte';

	interface Props {
		label: string;
		groups: readonly PickGroup[];
		/** The entry that is open now. */
		here?: string;
		/** Several may be taken: these are. */
		taken?: ReadonlySet<string>;
		/** Lists of so many need no field to find in. */
		few?: number;
		onpick: (id: string, group: number) => void;
		/** Makes one of the name that was typed, where none is called so. */
		onmake?: (name: string) => void;
	}
	let { label, groups, here, taken, few = 0, onpick, onmake }: Props = $props();

	/** More than these are not listed: one types. */
	const MOST = 200;
	let typed = $state('');
	const words = $derived(typed.trim().toLowerCase().split(/\s+/).filter(Boolean));
	const fits = (entry: PickEntry): boolean => {
		const text = `${entry.label} ${entry.about ?? ''} ${entry.words ?? ''}`.toLowerCase();
		return words.every((word) => text.includes(word));
	};
	const found = $derived(
		groups.map((group) => {
			const fitting = words.length === 0 ? group.entries : group.entries.filter(fits);
			// That there is none at all is not said of a group in which nothing fits.
			const none = group.entries.length === 0 ? group.none : undefined;
			return { ...group, none, entries: fitting.slice(0, MOST), more: Math.max(0, fitting.length - MOST) };
		})
	);
	/** No entry has this id. */
	const MAKE = '*make';
	const name = $derived(typed.trim());
	const isNew = $derived(
		onmake !== undefined &&
			name !== '' &&
			!groups.some(({ entries }) => entries.some((entry) => entry.label.toLowerCase() === name.toLowerCase()))
	);
	const offered = $derived(isNew ? [...found, { entries: [{ id: MAKE, label: `make “${name}”` }], more: 0 }] : found);
	const all = $derived(groups.reduce((sum, { entries }) => sum + entries.length, 0));
</script>

<Combobox
	{label}
	groups={offered}
	few={!onmake && all > 0 && all <= few}
	{here}
	{taken}
	bind:typed
	onpick={(entry, group) => (entry.id === MAKE ? onmake?.(name) : onpick(entry.id, group))}
/>
