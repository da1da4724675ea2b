/** The kit's header, checked with Yup. */
import { number, object, string, ValidationError } from 'yup';
import type { Problem } from 'dinesis-runtime';
import { show, KIT_FORMAT, KIT_VERSION } from 'dinesis-runtime/tools';

const header = object({
	format: string()
		.strict()
		.required(`is missing; "${KIT_FORMAT}" is needed`)
		.test(
			'format',
			({ value }) => `is ${show(value)}; "${KIT_FORMAT}" is needed`,
			(v) => v === KIT_FORMAT
		),
	version: number()
		.strict()
		.required(`is missing; ${KIT_VERSION} is needed`)
		.integer(({ value }) => `is ${show(value)}; a whole number is needed`)
		.min(1, ({ value }) => `is ${show(value)}; the first version is 1`)
		.max(KIT_VERSION),
	name: string()
		.strict()
		.required('is missing or empty; a name for the kit is needed')
		.max(120, 'is longer than 120 characters; shorten it')
}).typeError('A kit is an object');

/** What is wrong with `format`, `version` and `name`; empty when nothing is. */
export function checkHeader(kit: Record<string, unknown>): Problem[] {
	try {
		header.validateSync(
			{ format: kit.format, version: kit.version, name: kit.name },
			{ abortEarly: false, strict: true }
		);
		return [];
	} catch (error) {
		if (!(error instanceof ValidationError)) throw error;
		const problems = error.inner.length > 0 ? error.inner : [error];
		const seen = new Set<string>();
		return problems
			.filter((p) => !seen.has(p.path ?? '') && seen.add(p.path ?? ''))
			.map((p) => ({
				place: p.path ?? '',
				message: p.type === 'typeError' ? `is ${show(p.value)}; another type of value is needed` : p.message
			}));
	}
}
