/** Every migration in order. They only add and move. */
import type { QueryInterface } from 'sequelize';
import * as m0001 from './0001-projects-and-presets';

export interface Migration {
	readonly name: string;
	readonly up: (queries: QueryInterface) => Promise<void>;
}

export const MIGRATIONS: readonly Migration[] = [m0001];
