import { randomUUID } from 'node:crypto';
import { DataTypes, QueryTypes, type QueryInterface } from 'sequelize';

export const name = '0003-courses';

interface Carrying {
	id: string;
	created_at: Date;
	courses: { id: string; name: string }[];
}

/** Courses get a table of their own with versions, and a project says what its stand-in game raises. */
export async function up(queries: QueryInterface): Promise<void> {
	const needed = { allowNull: false };
	const nothing = { events: [], values: [] };
	await queries.addColumn('projects', 'world', { type: DataTypes.JSON, ...needed, defaultValue: nothing });
	await queries.createTable('courses', {
		id: { type: DataTypes.UUID, primaryKey: true },
		project_id: {
			type: DataTypes.UUID,
			...needed,
			references: { model: 'projects', key: 'id' },
			onDelete: 'CASCADE'
		},
		key: { type: DataTypes.TEXT, ...needed },
		name: { type: DataTypes.TEXT, ...needed },
		version: { type: DataTypes.INTEGER, ...needed },
		document: { type: DataTypes.JSON, ...needed },
		position: { type: DataTypes.INTEGER, ...needed },
		retired_at: DataTypes.DATE,
		saved_at: { type: DataTypes.DATE, ...needed }
	});
	await queries.addConstraint('courses', { type: 'unique', fields: ['project_id', 'key'], name: 'courses_key' });
	await queries.createTable('course_versions', {
		course_id: {
			type: DataTypes.UUID,
			primaryKey: true,
			references: { model: 'courses', key: 'id' },
			onDelete: 'CASCADE'
		},
		version: { type: DataTypes.INTEGER, primaryKey: true },
		document: { type: DataTypes.JSON, ...needed },
		note: { type: DataTypes.TEXT, ...needed, defaultValue: '' },
		saved_at: { type: DataTypes.DATE, ...needed }
	});
	// What a kit's courses were carried as before there was a room for them.
	const carrying = await queries.sequelize.query<Carrying>(
		`SELECT id, created_at, carried->'courses' AS courses FROM projects WHERE json_typeof(carried->'courses') = 'array'`,
		{ type: QueryTypes.SELECT }
	);
	for (const project of carrying) {
		const rows = project.courses.map((course, position) => ({
			id: randomUUID(),
			project_id: project.id,
			key: course.id,
			name: course.name,
			version: 1,
			document: JSON.stringify(course),
			position,
			saved_at: project.created_at
		}));
		if (rows.length === 0) continue;
		await queries.bulkInsert('courses', rows);
		await queries.bulkInsert(
			'course_versions',
			rows.map((row) => ({
				course_id: row.id,
				version: 1,
				document: row.document,
				note: 'as it came',
				saved_at: row.saved_at
			}))
		);
	}
}
