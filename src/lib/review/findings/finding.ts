/** What was found, as it crosses to the page, and as the page has it. */
import type { AnyDocument, Finding, Level } from '$lib/documents';

/** What was found in one document, as plain data. */
export interface MotionFinding {
	readonly check: string;
	readonly level: Level;
	readonly place: string;
	readonly sentence: string;
	readonly why: string;
	readonly fix?: { readonly label: string; readonly document: AnyDocument };
}

/** As a page and a report have findings: the fix takes the document that it is given, whatever else of it has changed since. */
export function findingOf({ fix, ...found }: MotionFinding, of: AnyDocument): Finding<AnyDocument> {
	if (!fix) return found;
	const apply = (document: AnyDocument): AnyDocument => {
		const changed = Object.entries(fix.document).filter(([name, value]) => of[name as keyof AnyDocument] !== value);
		return { ...document, ...Object.fromEntries(changed) };
	};
	return { ...found, fix: { label: fix.label, apply } };
}
