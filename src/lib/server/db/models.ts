/** The tables. SQL and secrets live only below src/lib/server. */
import {
	DataTypes,
	Model,
	type CreationOptional,
	type InferAttributes,
	type InferCreationAttributes,
	type Sequelize
} from 'sequelize';
import type { AnyPreset, Cue, GameEvent, GameParameter, Rig } from 'dinesis-runtime';
import type { WorldLinks } from 'dinesis-runtime/tools';
import type { Course, Wiring } from '../../documents';

export class ProjectRow extends Model<InferAttributes<ProjectRow>, InferCreationAttributes<ProjectRow>> {
	declare id: CreationOptional<string>;
	/** In the address of the project's pages; unique. */
	declare slug: string;
	declare name: string;
	declare events: GameEvent[];
	declare parameters: GameParameter[];
	declare cues: CreationOptional<Cue[]>;
	/** What the stand-in game raises. */
	declare world: CreationOptional<WorldLinks>;
	declare rigs: CreationOptional<Rig[]>;
	/** Counts the saves of events, parameters, cues, world and rigs. */
	declare wiringVersion: CreationOptional<number>;
	/** What a kit carries that no room works on yet, kept as it came. */
	declare carried: Record<string, unknown>;
	declare createdAt: CreationOptional<Date>;
	declare retiredAt: CreationOptional<Date | null>;
}

export class PresetRow extends Model<InferAttributes<PresetRow>, InferCreationAttributes<PresetRow>> {
	declare id: CreationOptional<string>;
	declare projectId: string;
	/** The preset's id within its kit. */
	declare key: string;
	declare family: string;
	declare name: string;
	/** Counts the saves; a save must name the version it began from. */
	declare version: number;
	declare document: AnyPreset;
	declare position: number;
	declare retiredAt: CreationOptional<Date | null>;
	declare savedAt: Date;
}

export class PresetVersionRow extends Model<
	InferAttributes<PresetVersionRow>,
	InferCreationAttributes<PresetVersionRow>
> {
	/** The row of the preset. */
	declare ownerId: string;
	declare version: number;
	declare document: AnyPreset;
	/** Why it was made, when it was more than tuning: "restored version 4". */
	declare note: string;
	declare savedAt: Date;
}

export class CourseRow extends Model<InferAttributes<CourseRow>, InferCreationAttributes<CourseRow>> {
	declare id: CreationOptional<string>;
	declare projectId: string;
	/** The course's id within its kit. */
	declare key: string;
	declare name: string;
	declare version: number;
	declare document: Course;
	declare position: number;
	declare retiredAt: CreationOptional<Date | null>;
	declare savedAt: Date;
}

export class CourseVersionRow extends Model<
	InferAttributes<CourseVersionRow>,
	InferCreationAttributes<CourseVersionRow>
> {
	/** The row of the course. */
	declare ownerId: string;
	declare version: number;
	declare document: Course;
	declare note: string;
	declare savedAt: Date;
}

export class WiringVersionRow extends Model<
	InferAttributes<WiringVersionRow>,
	InferCreationAttributes<WiringVersionRow>
> {
	declare projectId: string;
	declare version: number;
	declare document: Wiring;
	declare note: string;
	declare savedAt: Date;
}

/** Ties the classes to a connection. The column names are those of the migrations. */
export function defineModels(sequelize: Sequelize): void {
	const options = { sequelize, underscored: true, timestamps: false } as const;
	const uuid = { type: DataTypes.UUID, primaryKey: true, defaultValue: DataTypes.UUIDV4 } as const;
	ProjectRow.init(
		{
			id: uuid,
			slug: DataTypes.TEXT,
			name: DataTypes.TEXT,
			events: DataTypes.JSON,
			parameters: DataTypes.JSON,
			cues: { type: DataTypes.JSON, defaultValue: [] },
			rigs: { type: DataTypes.JSON, defaultValue: [] },
			world: { type: DataTypes.JSON, defaultValue: { events: [], values: [] } },
			wiringVersion: { type: DataTypes.INTEGER, defaultValue: 1 },
			carried: DataTypes.JSON,
			createdAt: { type: DataTypes.DATE, defaultValue: DataTypes.NOW },
			retiredAt: { type: DataTypes.DATE, defaultValue: null }
		},
		{ ...options, tableName: 'projects' }
	);
	PresetRow.init(
		{
			id: uuid,
			projectId: DataTypes.UUID,
			key: DataTypes.TEXT,
			family: DataTypes.TEXT,
			name: DataTypes.TEXT,
			version: DataTypes.INTEGER,
			document: DataTypes.JSON,
			position: DataTypes.INTEGER,
			retiredAt: { type: DataTypes.DATE, defaultValue: null },
			savedAt: DataTypes.DATE
		},
		{ ...options, tableName: 'presets' }
	);
	PresetVersionRow.init(
		{
			ownerId: { type: DataTypes.UUID, primaryKey: true, field: 'preset_id' },
			version: { type: DataTypes.INTEGER, primaryKey: true },
			document: DataTypes.JSON,
			note: DataTypes.TEXT,
			savedAt: DataTypes.DATE
		},
		{ ...options, tableName: 'preset_versions' }
	);
	CourseRow.init(
		{
			id: uuid,
			projectId: DataTypes.UUID,
			key: DataTypes.TEXT,
			name: DataTypes.TEXT,
			version: DataTypes.INTEGER,
			document: DataTypes.JSON,
			position: DataTypes.INTEGER,
			retiredAt: { type: DataTypes.DATE, defaultValue: null },
			savedAt: DataTypes.DATE
		},
		{ ...options, tableName: 'courses' }
	);
	CourseVersionRow.init(
		{
			ownerId: { type: DataTypes.UUID, primaryKey: true, field: 'course_id' },
			version: { type: DataTypes.INTEGER, primaryKey: true },
			document: DataTypes.JSON,
			note: DataTypes.TEXT,
			savedAt: DataTypes.DATE
		},
		{ ...options, tableName: 'course_versions' }
	);
	WiringVersionRow.init(
		{
			projectId: { type: DataTypes.UUID, primaryKey: true },
			version: { type: DataTypes.INTEGER, primaryKey: true },
			document: DataTypes.JSON,
			note: DataTypes.TEXT,
			savedAt: DataTypes.DATE
		},
		{ ...options, tableName: 'wiring_versions' }
	);
}
