import 'fake-indexeddb/auto';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/svelte';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { GameEvent } from 'dinesis-runtime';
import { readEventLog } from '$lib/formats';
import { openSession } from '$lib/session/testing/open-session';
import type { CourseWorker } from '$lib/workers/course';
import BringInTake from './BringInTake.svelte';

const gate: GameEvent = { id: 'gate', name: 'Gate', kind: 'moment', placed: false, tags: [], values: [] };
beforeEach(() => {
	localStorage.clear();
	HTMLDialogElement.prototype.showModal ??= vi.fn();
	HTMLDialogElement.prototype.close ??= vi.fn();
});
afterEach(() => {
	cleanup();
	vi.unstubAllGlobals();
});

async function opened(text: string) {
	const { session } = openSession([['event', gate]]);
	const worker = { readLog: async (bytes: Uint8Array) => readEventLog(new TextDecoder().decode(bytes)) };
	const onmade = vi.fn();
	const view = render(BringInTake, {
		session,
		worker: worker as unknown as CourseWorker,
		onclose: () => undefined,
		onmade
	});
	const input = view.container.querySelector('input[type=file]')!;
	await fireEvent.change(input, { target: { files: [new File([text], 'night.csv')] } });
	await screen.findByText('in the log');
	return { session, onmade };
}
const meant = (name: string) => screen.getByLabelText<HTMLSelectElement>(`What ${name} is`);

describe('a log brought in', () => {
	it('what was said of a name holds while others change the project', async () => {
		const { session } = await opened('time,event\n1,Door bangs\n2,Rain\n');
		await fireEvent.change(meant('Door bangs'), { target: { value: 'gate' } });
		session.rewire('Another event', (w) => ({ ...w, events: [...w.events, { ...gate, id: 'rain', name: 'Rain' }] }));
		await waitFor(() => expect(meant('Rain').value).toBe('rain'));
		expect(meant('Door bangs').value).toBe('gate');
	});

	it('makes what is new, leaves out what is nothing, and the next log knows', async () => {
		const { session, onmade } = await opened('time,event\n1,Door bangs\n2,Rain\n3,Wind\n');
		await fireEvent.change(meant('Door bangs'), { target: { value: 'gate' } });
		await fireEvent.change(meant('Wind'), { target: { value: '' } });
		await fireEvent.click(screen.getByText('Make a take'));
		await waitFor(() => expect(onmade).toHaveBeenCalled());
		expect(session.wiring.events.map(({ id }) => id)).toEqual(['gate', 'rain']);
		await session.courses.fetch();
		const [take] = session.courses.list;
		expect(take!.events.map(({ at, event }) => [at, event])).toEqual([
			[1, 'gate'],
			[2, 'rain']
		]);
		cleanup();
		await opened('time,event\n1,Door bangs\n2,Wind\n');
		expect([meant('Door bangs').value, meant('Wind').value]).toEqual(['gate', '']);
	});
});
