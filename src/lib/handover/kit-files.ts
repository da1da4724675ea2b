/** A kit in other files than its own: without a blank, and as a module whose ids are types. */
import { writeKit, type Kit } from '../documents';

/** The same kit, without what only eyes need. */
export const kitMinified = (kit: Kit): string => JSON.stringify(JSON.parse(writeKit(kit)));

/** A TypeScript module: the kit as its default, and a type for each kind of id. */
export function kitModule(kit: Kit): string {
	const union = (list: readonly { readonly id: string }[]): string =>
		list.length === 0 ? 'never' : list.map(({ id }) => `'${id}'`).join(' | ');
	const types = [
		['EventId', kit.events.filter(({ kind }) => kind === 'moment')],
		['StateId', kit.events.filter(({ kind }) => kind === 'state')],
		['ValueId', kit.parameters],
		['PresetId', kit.presets],
		['RigId', kit.rigs]
	] as const;
	return [
		'// Made from a kit; make it again when the kit changes. `openKit` of the run-time checks it.',
		...types.map(([name, list]) => `export type ${name} = ${union(list)};`),
		`const kit: unknown = ${writeKit(kit).trimEnd()};`,
		'export default kit;',
		''
	].join('\n');
}
