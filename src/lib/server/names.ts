/** Names that people give: any script, one line, something to see. */
import { string } from 'yup';

export const MOST_NAME = 120;

const passes = (rule: (text: string) => boolean) => (text: string | undefined) => text === undefined || rule(text);

/** A project's name; trimmed with `nameOf` once it has passed. */
export const projectName = string()
	.required('a name is needed')
	.test(
		'visible',
		'a name needs at least one letter, digit or sign',
		passes((text) => /[\p{L}\p{N}\p{P}\p{S}]/u.test(text))
	)
	.test(
		'characters',
		'a name is one line without control characters',
		passes((text) => !/[\p{Cc}\p{Cs}]/u.test(text.trim()))
	)
	.test(
		'length',
		`at most ${MOST_NAME} characters`,
		passes((text) => [...text.trim()].length <= MOST_NAME)
	);

export const nameOf = (text: string): string => text.trim().normalize('NFC');

/** What stands at the top of an address beside the projects. */
const TAKEN = ['api', 'key', 'projects'];
const MOST_SLUG = 58;

/**
 * The part of an address that a project's name becomes: letters and digits of any script, without the accents of Latin
 * letters, words joined by hyphens; numbered when it is taken.
 */
export function freeSlug(name: string, taken: Iterable<string>): string {
	const used = new Set([...TAKEN, ...taken]);
	const plain = name
		.normalize('NFKD')
		.replace(/(\p{Script=Latin})\p{M}+/gu, '$1')
		.normalize('NFC')
		.toLowerCase()
		.replace(/[^\p{L}\p{M}\p{N}]+/gu, '-');
	const base =
		[...plain]
			.slice(0, MOST_SLUG)
			.join('')
			.replace(/^-+|-+$/g, '') || 'project';
	let slug = base;
	for (let n = 2; used.has(slug); n++) slug = `${base}-${n}`;
	return slug;
}
