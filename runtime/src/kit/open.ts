/**
 * A parsed kit, checked and with its defaults filled in: by the shape tables alone, so that a game can read one without any other
 * package.
 */
import { kitBody } from './kit-shape';
import { migrate } from './migrations';
import { check, isRecord, refuseDangerous, Report, show, type ReadResult, type Shape } from './shape';
import { KIT_FORMAT, KIT_VERSION, type Kit } from './types';

const MOST_NAME = 120;

/** Not of a version that is newer than this reader. */
export const isOfThisVersion = ({ format, version }: Record<string, unknown>): boolean =>
	!(format === KIT_FORMAT && typeof version === 'number' && version > KIT_VERSION);

function checkHead(kit: Record<string, unknown>, report: Report): void {
	const { format, version, name } = kit;
	if (format !== KIT_FORMAT) report.addAt('format', `is ${show(format)}; "${KIT_FORMAT}" is needed`);
	if (!isOfThisVersion(kit))
		report.addAt(
			'version',
			`is ${show(version)}; this Dinesis reads up to version ${KIT_VERSION}. Open it with a newer one, or send it out as version ${KIT_VERSION}.`
		);
	else if (!Number.isInteger(version) || (version as number) < 1)
		report.addAt('version', `is ${show(version)}; a whole number from 1 on is needed`);
	if (typeof name !== 'string' || name === '') report.addAt('name', `is ${show(name)}; a name for the kit is needed`);
	else if (name.length > MOST_NAME) report.addAt('name', `is longer than ${MOST_NAME} characters; shorten it`);
}

/** As `openKit`, for a kit that holds more than a game plays: `body` is the shape of its lists. */
export function openKitAs<K extends Kit>(parsed: unknown, body: Shape): ReadResult<K> {
	if (!isRecord(parsed))
		return {
			ok: false,
			problems: [{ place: '', message: 'A kit is a JSON object with "format", "version" and "name".' }]
		};
	const report = new Report();
	refuseDangerous(parsed, report);
	if (report.problems.length === 0) checkHead(parsed, report);
	if (report.problems.length === 0) check(body, migrate(parsed), report);
	return report.problems.length > 0
		? { ok: false, problems: report.problems }
		: { ok: true, value: parsed as unknown as K };
}

/**
 * Checks a parsed kit and fills in what it leaves out, or says what is wrong and where. The object is the kit's own from here on: pass a
 * fresh one. Never throws: up to fifty problems come back, each with its place, as in `presets[3].timing.fadeIn.time`.
 *
 *     const read = openKit(JSON.parse(text));
 *     if (!read.ok) for (const { place, message } of read.problems) console.error(place, message);
 */
export const openKit = (parsed: unknown): ReadResult<Kit> => openKitAs(parsed, kitBody);
