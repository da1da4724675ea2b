/** Every migration in order. They only add and move. */
import type { Step } from '../step';
import * as m0001 from './0001-projects-and-presets';
import * as m0002 from './0002-wiring';
import * as m0003 from './0003-courses';
import * as m0004 from './0004-all-families';
import * as m0005 from './0005-rigs';
import * as m0006 from './0006-shelf';
import * as m0007 from './0007-documents';
import * as m0008 from './0008-presence';
import * as m0009 from './0009-marks';
import * as m0010 from './0010-settled-ids';
import * as m0011 from './0011-keys-and-backups';

export interface Migration {
	readonly name: string;
	readonly up: (step: Step) => Promise<void>;
}

export const MIGRATIONS: readonly Migration[] = [
	m0001,
	m0002,
	m0003,
	m0004,
	m0005,
	m0006,
	m0007,
	m0008,
	m0009,
	m0010,
	m0011
];
