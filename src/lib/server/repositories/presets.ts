import type { ShakePreset } from '../../core';
import { PresetRow, PresetVersionRow } from '../db/models';
import { DocumentStore } from './documents';

export const presetStore = new DocumentStore<ShakePreset>(PresetRow, PresetVersionRow, ({ family }) => ({ family }));
