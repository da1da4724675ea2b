/** Motion as files, off the page's thread. */
import { expose } from 'comlink';
import { makeCurves } from '$lib/handover/curve-file';
import { sheetHtml, sheetMarkdown, sheetOf } from '$lib/handover/sheet';
import { clearInGrounds } from '$lib/world/clear';
import type { HandoverDoor } from './protocol';

const door: HandoverDoor = {
	curves: (kit, wish, progress) =>
		makeCurves(kit, wish, { clear: clearInGrounds, progress: (part) => void progress(part) }),
	sheet: (kit, as) => (as === 'html' ? sheetHtml : sheetMarkdown)(sheetOf(kit))
};
expose(door);
