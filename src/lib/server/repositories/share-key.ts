/** The key of a project: whoever shows it reads the project's kit from another origin, or through the door of a shared server. */
import { createHash, randomBytes, timingSafeEqual } from 'node:crypto';
import { ProjectRow } from '../db/models';

const LENGTH = 20;
const newKey = (): string => randomBytes(LENGTH).toString('base64url');
const digest = (text: string): Buffer => createHash('sha256').update(text).digest();

/** The project's key; it is made when it is first asked for. */
export async function shareKeyOf(projectId: string): Promise<string> {
	// Of two who ask for the first time at once, both get the one that was first.
	await ProjectRow.update({ shareKey: newKey() }, { where: { id: projectId, shareKey: '' } });
	const row = await ProjectRow.findByPk(projectId, { attributes: ['shareKey'], rejectOnEmpty: true });
	return row.shareKey;
}

/** Another key in its place: the former opens nothing any more. */
export async function renewShareKey(projectId: string): Promise<string> {
	const shareKey = newKey();
	await ProjectRow.update({ shareKey }, { where: { id: projectId } });
	return shareKey;
}

/** Whether what somebody shows is the project's key. */
export async function opensProject(projectId: string, shown: string): Promise<boolean> {
	const row = await ProjectRow.findByPk(projectId, { attributes: ['shareKey'] });
	return row !== null && row.shareKey !== '' && timingSafeEqual(digest(row.shareKey), digest(shown));
}
