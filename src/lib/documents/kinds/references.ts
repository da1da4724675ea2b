import type { Reference, Space } from './types';

/** A reference, or none where nothing is pointed at. */
export const to = (space: Space, id: string | null | undefined): Reference[] => (id ? [{ space, id }] : []);

export const drivesOf = ({ drives }: { readonly drives: readonly { readonly parameter: string }[] }): Reference[] =>
	drives.flatMap(({ parameter }) => to('value', parameter));
