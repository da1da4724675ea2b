/** The tables. SQL and secrets live only below src/lib/server. */
import {
	DataTypes,
	Model,
	type CreationOptional,
	type InferAttributes,
	type InferCreationAttributes,
	type Sequelize
} from 'sequelize';
import type { FieldChange, KindName, Space, Tree } from '../../documents';

export class ProjectRow extends Model<InferAttributes<ProjectRow>, InferCreationAttributes<ProjectRow>> {
	declare id: CreationOptional<string>;
	/** In the address of the project's pages; unique. */
	declare slug: string;
	declare name: string;
	/** The number of the project's last change. */
	declare changeNumber: CreationOptional<number>;
	/** By which a game that runs elsewhere reads it; empty until somebody asks for it. */
	declare shareKey: CreationOptional<string>;
	declare createdAt: CreationOptional<Date>;
	declare retiredAt: CreationOptional<Date | null>;
}

/** A document of any kind. */
export class DocumentRow extends Model<InferAttributes<DocumentRow>, InferCreationAttributes<DocumentRow>> {
	declare id: string;
	declare projectId: string;
	declare kind: KindName;
	declare space: Space;
	/** The document's id within its kit; differs within its space. */
	declare key: string;
	/** A key of the project's order. */
	declare place: string;
	/** Of the body: 0 is a document as a kit has it, 1 and above are trees. */
	declare format: number;
	/** Counts the changes. */
	declare version: number;
	declare body: Tree;
	declare retiredAt: CreationOptional<Date | null>;
	/** Something outside may know its key. */
	declare settled: CreationOptional<boolean>;
	declare savedAt: Date;
}

/** What a change did to one document; a change of several has several rows under one number. */
export class ChangeRow extends Model<InferAttributes<ChangeRow>, InferCreationAttributes<ChangeRow>> {
	declare projectId: string;
	/** Rises by one with each change of the project. */
	declare number: number;
	declare documentId: string;
	/** The version that came of it. */
	declare version: number;
	declare format: number;
	declare fields: FieldChange[];
	/** The name that its maker gave the change: one that is sent twice is made once. */
	declare change: string;
	/** The window that made it, and its person. */
	declare window: CreationOptional<string>;
	declare who: CreationOptional<string>;
	/** The drag or run of presses that it is a part of; empty: it stands by itself. */
	declare gesture: CreationOptional<string>;
	/** Why it was made, when it was more than tuning: "restored version 4". */
	declare note: CreationOptional<string>;
	declare savedAt: Date;
}

/** A name or a star that somebody gave to a moment of the project. */
export class MarkRow extends Model<InferAttributes<MarkRow>, InferCreationAttributes<MarkRow>> {
	declare projectId: string;
	declare number: number;
	declare name: string;
	declare starred: boolean;
	declare who: string;
	declare savedAt: Date;
}

/** A copy of a whole project, as a kit file. */
export class BackupRow extends Model<InferAttributes<BackupRow>, InferCreationAttributes<BackupRow>> {
	declare id: CreationOptional<string>;
	declare projectId: string;
	/** Of the project's last change in it. */
	declare number: number;
	declare name: string;
	declare who: string;
	declare bytes: number;
	declare kit: string;
	declare savedAt: Date;
}

/** Ties the classes to a connection. The column names are those of the migrations. */
export function defineModels(sequelize: Sequelize): void {
	const options = { sequelize, underscored: true, timestamps: false } as const;
	// Sequelize writes into what it is given: each column needs one of its own.
	const uuid = () => ({ type: DataTypes.UUID, primaryKey: true }) as const;
	ProjectRow.init(
		{
			id: { ...uuid(), defaultValue: DataTypes.UUIDV4 },
			slug: DataTypes.TEXT,
			name: DataTypes.TEXT,
			changeNumber: { type: DataTypes.INTEGER, defaultValue: 0 },
			shareKey: { type: DataTypes.TEXT, defaultValue: '' },
			createdAt: { type: DataTypes.DATE, defaultValue: DataTypes.NOW },
			retiredAt: { type: DataTypes.DATE, defaultValue: null }
		},
		{ ...options, tableName: 'projects' }
	);
	DocumentRow.init(
		{
			id: uuid(),
			projectId: DataTypes.UUID,
			kind: DataTypes.TEXT,
			space: DataTypes.TEXT,
			key: DataTypes.TEXT,
			place: DataTypes.TEXT,
			format: DataTypes.INTEGER,
			version: DataTypes.INTEGER,
			body: DataTypes.JSON,
			retiredAt: { type: DataTypes.DATE, defaultValue: null },
			settled: { type: DataTypes.BOOLEAN, defaultValue: false },
			savedAt: DataTypes.DATE
		},
		{ ...options, tableName: 'documents' }
	);
	ChangeRow.init(
		{
			projectId: uuid(),
			number: { type: DataTypes.INTEGER, primaryKey: true },
			documentId: uuid(),
			version: DataTypes.INTEGER,
			format: DataTypes.INTEGER,
			fields: DataTypes.JSON,
			change: DataTypes.UUID,
			window: { type: DataTypes.TEXT, defaultValue: '' },
			who: { type: DataTypes.TEXT, defaultValue: '' },
			gesture: { type: DataTypes.TEXT, defaultValue: '' },
			note: { type: DataTypes.TEXT, defaultValue: '' },
			savedAt: DataTypes.DATE
		},
		{ ...options, tableName: 'changes' }
	);
	MarkRow.init(
		{
			projectId: uuid(),
			number: { type: DataTypes.INTEGER, primaryKey: true },
			name: DataTypes.TEXT,
			starred: DataTypes.BOOLEAN,
			who: DataTypes.TEXT,
			savedAt: DataTypes.DATE
		},
		{ ...options, tableName: 'marks' }
	);
	BackupRow.init(
		{
			id: { ...uuid(), defaultValue: DataTypes.UUIDV4 },
			projectId: DataTypes.UUID,
			number: DataTypes.INTEGER,
			name: DataTypes.TEXT,
			who: DataTypes.TEXT,
			bytes: DataTypes.INTEGER,
			kit: DataTypes.TEXT,
			savedAt: DataTypes.DATE
		},
		{ ...options, tableName: 'backups' }
	);
}
