import { DataTypes } from 'sequelize';
import type { Step } from '../step';

export const name = '0010-settled-ids';

/** Whether something outside may know a document's id. Of those that are there already nobody knows: their ids stay as they are. */
export async function up(step: Step): Promise<void> {
	await step.addColumn('documents', 'settled', { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: true });
}
