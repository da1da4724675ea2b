import { openAnyPreset } from '../../documents';
import type { AnyPreset } from 'dinesis-runtime';
import { PresetRow, PresetVersionRow } from '../db/models';
import { DocumentStore } from './documents';

/** Earlier documents of a bob or a lag may be no more than a name; opening fills them in. */
const open = (document: AnyPreset): AnyPreset => {
	if (document.family === 'shake') return document;
	const opened = openAnyPreset(document);
	return opened.ok ? opened.value : document;
};

export const presetStore = new DocumentStore<AnyPreset>(
	PresetRow,
	PresetVersionRow,
	({ family }) => ({ family }),
	open
);
