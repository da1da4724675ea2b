/** A session on a server in memory, for components: what they show is the real thing, only the line is short. */
import { vi } from 'vitest';
import type { AnyDocument, KindName } from '$lib/documents';
import { ProjectSession } from '../session.svelte';
import { fetchFrom, MemoryServer } from './memory-server';

export function openSession(documents: readonly (readonly [KindName, object])[]) {
	const server = new MemoryServer(documents as readonly [KindName, AnyDocument][]);
	vi.stubGlobal('fetch', fetchFrom(server));
	const project = { id: 'p', slug: 'harbour', name: 'Harbour' };
	const session = new ProjectSession({ project, ...server.opened() });
	return { server, session };
}
