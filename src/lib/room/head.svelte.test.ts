import 'fake-indexeddb/auto';
import { cleanup, fireEvent, render, screen } from '@testing-library/svelte';
import { createRawSnippet, tick } from 'svelte';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { newBob, newCue, newPreset } from 'dinesis-runtime/tools';
import { openSession } from '$lib/session/testing/open-session';
import DocumentPicker from './DocumentPicker.svelte';
import FindingsChip from './FindingsChip.svelte';
import PlayButtons from './PlayButtons.svelte';
import UndoButtons from './UndoButtons.svelte';
import VersionsMenu from './VersionsMenu.svelte';

afterEach(() => {
	cleanup();
	vi.unstubAllGlobals();
	vi.useRealTimers();
});
const begin = () => openSession([['shake', newPreset('thud', 'Thud')]]);
const button = (name: string) => screen.getByRole<HTMLButtonElement>('button', { name });

describe('undo and redo', () => {
	it('say what they would do, and do it', async () => {
		const { session } = begin();
		render(UndoButtons, { session });
		expect([button('Undo').disabled, button('Redo').disabled]).toEqual([true, true]);
		expect(button('Undo').title).toBe('Nothing to undo (Ctrl+Z)');
		session.change('thud', 'Amount', (p) => void (p.amount = 3));
		await tick();
		expect(button('Undo').title).toContain('Undo: Amount');
		await fireEvent.click(button('Undo'));
		expect(session.preset('thud')!.amount).toBe(1);
		expect([button('Undo').disabled, button('Redo').title]).toEqual([true, expect.stringContaining('Redo: Amount')]);
		await fireEvent.click(button('Redo'));
		expect(session.preset('thud')!.amount).toBe(3);
	});
});

describe('how a document stands', () => {
	it('is said: kept, changed, kept again in another version; held while the server is away', async () => {
		vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'performance'] });
		const { session, server } = begin();
		const close = session.open();
		render(VersionsMenu, { session, of: 'thud' });
		const says = () => button('Versions').textContent.replace(/\s+/g, ' ').trim();
		expect(says()).toMatch(/^version 1 · kept \d/);
		session.change('thud', 'Amount', (p) => void (p.amount = 3));
		await tick();
		expect(says()).toBe('version 1 · changed');
		await vi.advanceTimersByTimeAsync(800);
		expect(says()).toMatch(/^version 2 · kept \d/);
		server.away = true;
		session.change('thud', 'Amount', (p) => void (p.amount = 4));
		await vi.advanceTimersByTimeAsync(800);
		expect(says()).toBe('version 2 · server away, held here');
		close();
	});

	it('of nothing has no number', () => {
		const { session } = begin();
		render(VersionsMenu, { session, of: 'gone' });
		expect(button('Versions').textContent).toContain('version –');
	});
});

describe('what was found', () => {
	it('is not there while nothing is wrong', () => {
		const { session } = begin();
		render(FindingsChip, { session });
		expect(screen.queryByRole('button')).toBeNull();
	});

	it('is counted, and said with where it is', async () => {
		const { session } = openSession([
			['shake', newPreset('thud', 'Thud')],
			['event', { id: 'hit', name: 'Hit', kind: 'moment', placed: false, tags: [], values: [] }],
			['cue', newCue('c', 'hit', 'storm')]
		]);
		await session.courses.fetch();
		const close = session.findings.open();
		render(FindingsChip, { session });
		await vi.waitFor(() => expect(button('Findings').textContent).toMatch(/\d (error|warning)/), 5000);
		close();
		await fireEvent.click(button('Findings'));
		const list = screen.getByRole('list', { name: 'What was found', hidden: true });
		expect(list.textContent).toContain('storm');
		expect(list.querySelector('a')!.getAttribute('href')).toBe('/harbour/cues/c');
	});
});

describe('time’s buttons', () => {
	it('play or pause, and ask for the speed; what a room does not have has no button', async () => {
		const asked: unknown[] = [];
		const props = {
			playing: false,
			onplay: () => void asked.push('play'),
			speed: 1,
			speeds: [0.1, 1, 2],
			onspeed: (speed: number) => void asked.push(speed)
		};
		const { rerender } = render(PlayButtons, props);
		expect(screen.getAllByRole('button').map((b) => b.getAttribute('aria-label'))).toEqual(['Play']);
		expect(button('Play').title).toBe('Play (Space)');
		await fireEvent.click(button('Play'));
		await rerender({ playing: true, keyName: 'Space or P', onbegin: () => void asked.push('begin') });
		expect(button('Pause').title).toBe('Pause (Space or P)');
		await fireEvent.click(button('To the beginning'));
		await fireEvent.click(screen.getByRole('radio', { name: '⅒' }));
		expect(asked).toEqual(['play', 'begin', 0.1]);
	});
});

describe('the heading of a room', () => {
	it('leads to another document, with its acts above; the panel closes with the choice', async () => {
		const picked: string[] = [];
		render(DocumentPicker, {
			label: 'Choose a bob',
			find: 'Find a bob',
			name: 'Walk',
			here: 'walk',
			groups: [
				{
					entries: [newBob('walk', 'Walk'), newBob('run', 'Run')].map(({ id, name }) => ({ id, label: name })),
					none: 'None yet.'
				}
			],
			acts: createRawSnippet(() => ({ render: () => '<button>New</button>' })),
			onpick: (id: string) => void picked.push(id)
		});
		expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('Walk');
		await fireEvent.click(button('Choose a bob'));
		expect(screen.getByRole('button', { name: 'New', hidden: true })).toBeTruthy();
		await fireEvent.click(screen.getByRole('option', { name: /Run/, hidden: true }));
		expect(picked).toEqual(['run']);
		expect(screen.queryByRole('option', { hidden: true })).toBeNull();
	});
});
