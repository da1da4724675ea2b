/** The version held beside each preset (B), kept in this browser. */
import { openPreset } from '$lib/documents';
import type { ShakePreset } from 'dinesis-runtime';

const nameOf = (project: string, key: string): string => `dinesis:beside:${project}:${key}`;

export function readSlot(project: string, key: string): ShakePreset | null {
	try {
		const kept = localStorage.getItem(nameOf(project, key));
		const read = kept ? openPreset(JSON.parse(kept)) : null;
		return read?.ok ? read.value : null;
	} catch {
		// Storage is forbidden, or what it held is damaged: then there is no B.
		return null;
	}
}

/** The preset goes by another id: what was held beside it goes along. */
export function moveSlot(project: string, from: string, to: string): void {
	const kept = readSlot(project, from);
	if (!kept) return;
	writeSlot(project, to, { ...kept, id: to });
	writeSlot(project, from, null);
}

export function writeSlot(project: string, key: string, preset: ShakePreset | null): void {
	try {
		if (preset) localStorage.setItem(nameOf(project, key), JSON.stringify(preset));
		else localStorage.removeItem(nameOf(project, key));
	} catch {
		// Then B lives as long as the page.
	}
}
