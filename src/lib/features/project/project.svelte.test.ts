import { cleanup, fireEvent, render, screen } from '@testing-library/svelte';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { newCue, newPreset, newRig, NO_LINKS, WHOLE } from 'dinesis-runtime/tools';
import { DEFAULT_SETTINGS, playerWords, PROJECT_ID, USUAL_PLAYERS } from '$lib/documents';
import PlayersCard from './PlayersCard.svelte';
import { openSession } from '$lib/session/testing/open-session';
import { ProjectPage } from './project.svelte';
import { firstSteps } from './steps';

const facts = { id: PROJECT_ID, world: NO_LINKS, settings: DEFAULT_SETTINGS, players: [], carried: {} };
const bell = { id: 'bell', name: 'Bell', kind: 'moment', placed: false, tags: [], values: [] };
let answers: Record<string, { status: number; body: unknown }>;
beforeEach(() => {
	answers = {};
});
afterEach(() => {
	cleanup();
	vi.unstubAllGlobals();
});

/** A page on a session whose server answers as `answers` say, and else as one in memory does. */
function opened(documents: Parameters<typeof openSession>[0] = [['project', facts]]) {
	const { session } = openSession(documents);
	const real = globalThis.fetch;
	vi.stubGlobal('fetch', (path: string, init?: RequestInit) => {
		const answer = answers[`${init?.method ?? 'GET'} ${path}`];
		if (!answer) return real(path, init);
		const { status, body } = answer;
		return Promise.resolve(new Response(typeof body === 'string' ? body : JSON.stringify(body), { status }));
	});
	return { session, page: new ProjectPage(session) };
}

describe('who is who', () => {
	it('is everybody who worked or was written down; what they do is kept for all', async () => {
		answers['GET /api/projects/harbour/people?after=0'] = {
			status: 200,
			body: [
				{ who: 'Ada', changes: 4, lastAt: '2026-01-02T00:00:00Z' },
				{ who: '', changes: 2, lastAt: '2026-01-01T00:00:00Z' }
			]
		};
		answers['GET /api/projects/harbour/backups'] = { status: 200, body: [] };
		const { session, page } = opened();
		await page.open();
		page.addPerson('  Ben ');
		page.addPerson('Ben');
		page.describe('Ada', 'cameras');
		expect(page.people.map(({ name, does, changes }) => [name, does, changes])).toEqual([
			['Ada', 'cameras', 4],
			['Ben', '', 0]
		]);
		expect(page.nameless).toBe(2);
		// Who worked here is known by that: what they do is all that is kept of them.
		page.describe('Ada', '');
		expect(session.settings.now.people.map(({ name }) => name)).toEqual(['Ben']);
		page.removePerson('Ben');
		expect(page.people.map(({ name }) => name)).toEqual(['Ada']);
	});
});

describe('a backup that cannot be read', () => {
	it('changes nothing, and says where it is broken', async () => {
		answers['GET /api/projects/harbour/backups/x'] = {
			status: 200,
			body: '{"format": "dinesis-kit", "version": 1, "name": ""}'
		};
		const { session, page } = opened([
			['project', facts],
			['shake', newPreset('thud', 'Thud')]
		]);
		const backup = { id: 'x', number: 1, name: 'x', who: '', bytes: 1, savedAt: '' };
		await page.bringBack(backup, 'x');
		expect(page.trouble).toMatch(/^x cannot be read, and nothing was changed\. .*name/);
		expect(session.presets).toHaveLength(1);
	});

	it('nor is anything changed where the present state cannot be kept first', async () => {
		answers['POST /api/projects/harbour/backups'] = { status: 500, body: { message: 'The disk is full.' } };
		const { session, page } = opened([
			['project', facts],
			['shake', newPreset('thud', 'Thud')]
		]);
		await page.returnTo('{"format": "dinesis-kit", "version": 1, "name": "Harbour"}', 'the file');
		expect(page.trouble).toBe('The disk is full.');
		expect([session.presets.length, page.busy]).toEqual([1, false]);
	});
});

describe('the first steps', () => {
	const done = (documents: Parameters<typeof openSession>[0]): string =>
		firstSteps(opened(documents).session)
			.map((step) => (step.done ? 'x' : '.'))
			.join('');
	it('are done as far as one has come', () => {
		expect(done([])).toBe('......');
		expect(done([['shake', newPreset('thud', 'Thud')]])).toBe('x.....');
		expect(
			done([
				['event', bell],
				['rig', newRig('eyes', 'Eyes')]
			])
		).toBe('.x.x..');
		const cue = newCue('c', 'bell', 'thud');
		expect(
			done([
				['event', bell],
				['cue', cue]
			])
		).toBe('.xx...');
		// One that is off answers nothing.
		expect(
			done([
				['event', bell],
				['cue', { ...cue, on: false }]
			])
		).toBe('.x....');
	});
});

describe('for players who want less motion', () => {
	const button = (name: string | RegExp) => screen.getByRole('button', { name });
	it('the usual ones are offered with a press, changed, joined by others, and taken off', async () => {
		const { session } = opened();
		render(PlayersCard, { session });
		await fireEvent.click(button('Offer the usual ones'));
		expect(session.settings.players).toEqual(USUAL_PLAYERS);
		await fireEvent.click(screen.getByRole('checkbox', { name: 'Gentle: bob' }));
		expect(session.settings.players.find(({ id }) => id === 'gentle')).toMatchObject({ bob: false, gentle: true });
		const another = screen.getByRole('textbox', { name: 'Another one' });
		await fireEvent.input(another, { target: { value: 'As calm as it gets' } });
		await fireEvent.click(button('Offer'));
		const made = { id: 'as-calm-as-it-gets', name: 'As calm as it gets', intensity: 1 };
		expect(session.settings.players.at(-1)).toMatchObject(made);
		await fireEvent.click(button('Offer Gentle no more'));
		expect(session.settings.players.some(({ id }) => id === 'gentle')).toBe(false);
		session.undo();
		expect(session.settings.players.some(({ id }) => id === 'gentle')).toBe(true);
	});

	it('a setting in words says what it leaves out', () => {
		expect(USUAL_PLAYERS.map(playerWords)).toEqual([
			'50 %',
			'no rotation',
			'no roll',
			'no lens',
			'no head bob',
			'gentle',
			'0 %, no head bob'
		]);
		expect(playerWords(WHOLE)).toBe('all of it');
	});
});
