import { randomUUID } from 'node:crypto';
import { DataTypes } from 'sequelize';
import type { Step } from '../step';

export const name = '0003-courses';

interface Carrying {
	id: string;
	created_at: Date;
	courses: { id: string; name: string }[];
}

/** Courses get a table of their own with versions, and a project says what its stand-in game raises. */
export async function up(step: Step): Promise<void> {
	const needed = { allowNull: false };
	const nothing = { events: [], values: [] };
	await step.addColumn('projects', 'world', { type: DataTypes.JSON, ...needed, defaultValue: nothing });
	await step.createTable('courses', {
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
	await step.addUnique('courses', { fields: ['project_id', 'key'], name: 'courses_key' });
	await step.createTable('course_versions', {
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
	const carrying = await step.select<Carrying>(
		`SELECT id, created_at, carried->'courses' AS courses FROM projects WHERE json_typeof(carried->'courses') = 'array'`
	);
	for (const project of carrying) {
		const there = await step.select<{ key: string }>('SELECT key FROM courses WHERE project_id = $1', [project.id]);
		const known = new Set(there.map((row) => row.key));
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
		await step.insert(
			'courses',
			rows.filter((row) => !known.has(row.key))
		);
	}
	await step.run(
		`INSERT INTO course_versions (course_id, version, document, note, saved_at)
		 SELECT id, version, document, 'as it came', saved_at FROM courses
		 WHERE NOT EXISTS (SELECT 1 FROM course_versions WHERE course_id = courses.id)`
	);
}
