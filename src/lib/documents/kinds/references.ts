import type { At, Space } from './types';

/** Where a field may point at nothing. */
export const perhaps = <T extends string | null | undefined>(at: At, space: Space, id: T): T =>
	id ? (at(space, id) as T) : id;

/** A preset whose drives point elsewhere. */
export const withDrives = <T extends { readonly drives: readonly { readonly parameter: string }[] }>(
	preset: T,
	at: At
): T => ({
	...preset,
	drives: preset.drives.map((drive) => ({ ...drive, parameter: at('value', drive.parameter) }))
});
