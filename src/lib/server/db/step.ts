/**
 * What a migration is written with. Every act runs in the migration's one transaction, and does nothing where it was done
 * before: databases exist in which a migration of an earlier build was cut off between two of its statements.
 */
import {
	QueryTypes,
	type AddUniqueConstraintOptions,
	type ModelAttributeColumnOptions,
	type QueryInterface,
	type Transaction
} from 'sequelize';

export type Columns = Record<string, ModelAttributeColumnOptions | ModelAttributeColumnOptions['type']>;

export class Step {
	constructor(
		private readonly queries: QueryInterface,
		private readonly transaction?: Transaction
	) {}

	async createTable(name: string, columns: Columns): Promise<void> {
		if (await this.queries.tableExists(name, { transaction: this.transaction })) return;
		await this.queries.createTable(name, columns, { transaction: this.transaction });
	}

	async addColumn(table: string, name: string, column: ModelAttributeColumnOptions): Promise<void> {
		const [there] = await this.select(
			`SELECT 1 FROM information_schema.columns WHERE table_schema = current_schema() AND table_name = $1 AND column_name = $2`,
			[table, name]
		);
		if (!there) await this.queries.addColumn(table, name, column, { transaction: this.transaction });
	}

	async addUnique(
		table: string,
		options: Pick<AddUniqueConstraintOptions, 'fields'> & { name: string }
	): Promise<void> {
		const [there] = await this.select(`SELECT 1 FROM pg_constraint WHERE conname = $1 AND conrelid = $2::regclass`, [
			options.name,
			table
		]);
		if (!there) await this.queries.addConstraint(table, { type: 'unique', ...options, transaction: this.transaction });
	}

	/** Rows as plain objects; `$1` … stand for the values of `bind`. */
	select<T extends object>(sql: string, bind: unknown[] = []): Promise<T[]> {
		return this.queries.sequelize.query<T>(sql, {
			bind,
			type: QueryTypes.SELECT,
			transaction: this.transaction
		});
	}

	async run(sql: string, bind: unknown[] = []): Promise<void> {
		await this.queries.sequelize.query(sql, { bind, transaction: this.transaction });
	}

	async insert(table: string, rows: object[]): Promise<void> {
		if (rows.length > 0) await this.queries.bulkInsert(table, rows, { transaction: this.transaction });
	}
}
