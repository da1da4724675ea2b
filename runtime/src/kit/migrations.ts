/** From older versions of the kit to this one, a numbered step each. Version 1 is the first: there is nothing to do yet. */
import { KIT_VERSION } from './types';

type Migration = (kit: Record<string, unknown>) => void;

/** `MIGRATIONS[n]` turns a kit of version n into one of version n + 1. */
const MIGRATIONS: Readonly<Record<number, Migration>> = {};

/** Brings a kit of any older version up to this one, in place. */
export function migrate(kit: Record<string, unknown>): Record<string, unknown> {
	for (let version = kit.version as number; version < KIT_VERSION; version++) MIGRATIONS[version]?.(kit);
	kit.version = KIT_VERSION;
	return kit;
}
