/**
 * Documents that a window does not hold: those that were out of use when its page was opened, and those that are still on their way. What is
 * heard of them cannot be applied; here stands which of them must be asked for.
 */
import { newEnvelope, type ChangePart, type Held, type MadePart } from '$lib/documents';

export class Absent {
	/** Of what changes were heard of: the newest version. */
	private readonly heard = new Map<string, number>();
	private readonly lacking = new Set<string>();

	/** To be asked for: they came into use, or are to be changed, and are not here as they are by now. */
	get wanted(): readonly string[] {
		return [...this.lacking];
	}

	/** A change that could not be applied; one that brings it into use makes it wanted. */
	hear({ document, version, fields }: MadePart): void {
		this.heard.set(document, version);
		if (fields.some(({ path, to }) => path[0] === 'retired' && to === false)) this.lacking.add(document);
	}

	/** What unsent changes are about is needed, but for what they make. */
	need(parts: readonly ChangePart[], isHere: (document: string) => boolean): void {
		for (const part of parts) if (!newEnvelope(part) && !isHere(part.document)) this.lacking.add(part.document);
	}

	/** They were asked for: what did not come is not there. */
	asked(documents: readonly string[]): void {
		for (const document of documents) this.lacking.delete(document);
	}

	/** It came; it may have been read before what was heard of it meanwhile. */
	came({ uuid, version }: Pick<Held, 'uuid' | 'version'>): void {
		if ((this.heard.get(uuid) ?? 0) > version) this.lacking.add(uuid);
		else this.heard.delete(uuid);
	}
}
