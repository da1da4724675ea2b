import { DataTypes } from 'sequelize';
import type { Step } from '../step';

export const name = '0006-shelf';

/** Projects can be retired and brought back. */
export async function up(step: Step): Promise<void> {
	await step.addColumn('projects', 'retired_at', { type: DataTypes.DATE });
}
