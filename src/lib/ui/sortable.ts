import type { ActionReturn } from 'svelte/action';
import type { DndEvent, DndZoneAttributes, Item, Options } from 'svelte-dnd-action';

export type { DndEvent };

/**
 * Drag and drop within a list, fetched once the list stands: nobody drags before the first paint, and the package is a
 * tenth of the page's script. Options as of svelte-dnd-action's `dndzone`.
 */
export function sortable<T extends Item>(
	node: HTMLElement,
	options: Options<T>
): ActionReturn<Options<T>, DndZoneAttributes<T>> {
	let latest = options;
	let zone: ActionReturn<Options<T>, DndZoneAttributes<T>> | undefined;
	let gone = false;
	void import('svelte-dnd-action').then(({ dndzone }) => {
		if (!gone) zone = dndzone<T>(node, latest);
	});
	return {
		update(options) {
			latest = options;
			zone?.update?.(options);
		},
		destroy() {
			gone = true;
			zone?.destroy?.();
		}
	};
}
