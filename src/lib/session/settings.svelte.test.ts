import { afterEach, describe, expect, it, vi } from 'vitest';
import { newPreset, NO_LINKS } from 'dinesis-runtime/tools';
import { DEFAULT_SETTINGS, PROJECT_ID, USUAL_PLAYERS } from '$lib/documents';
import { openSession } from './testing/open-session';

afterEach(() => vi.unstubAllGlobals());
const facts = { id: PROJECT_ID, world: NO_LINKS, settings: DEFAULT_SETTINGS, players: [], carried: {} };

describe('the project’s settings', () => {
	it('are changed as one step each, and undone', () => {
		const { session } = openSession([['project', facts]]);
		const { settings } = session;
		expect(settings.now).toEqual(DEFAULT_SETTINGS);
		settings.change('Frames a second', (s) => ({ ...s, frameRate: 50 }), 'rate');
		settings.change('Frames a second', (s) => ({ ...s, frameRate: 24 }), 'rate');
		session.seal();
		settings.change('Lengths', (s) => ({ ...s, length: 'cm' }));
		expect(settings.now).toMatchObject({ frameRate: 24, length: 'cm' });
		session.undo();
		expect(settings.now).toMatchObject({ frameRate: 24, length: 'm' });
		session.undo();
		expect(settings.now).toEqual(DEFAULT_SETTINGS);
	});

	it('are made where a project has none yet', () => {
		const { session } = openSession([]);
		session.settings.change('Lengths', (s) => ({ ...s, length: 'cm' }));
		expect(session.settings.now.length).toBe('cm');
	});

	it('a key has one thing, which goes by its new id when it gets one', () => {
		const { session } = openSession([
			['project', facts],
			['shake', newPreset('thud', 'Thud')],
			['shake', newPreset('slam', 'Slam')]
		]);
		const { settings } = session;
		settings.setKey('3', { kind: 'preset', of: 'slam' }, 'Slam');
		settings.setKey('shift-1', { kind: 'preset', of: 'thud' }, 'Thud');
		settings.setKey('3', { kind: 'preset', of: 'thud' }, 'Thud');
		expect(settings.now.keys).toEqual([
			{ id: '3', kind: 'preset', of: 'thud' },
			{ id: 'shift-1', kind: 'preset', of: 'thud' }
		]);
		session.names.rename(session.standing.one('shake', 'thud')!, 'boom');
		expect(settings.onKey('3')).toMatchObject({ of: 'boom' });
		settings.setKey('3', null, '');
		expect(settings.onKey('3')).toBeUndefined();
	});

	it('stay what they are when the wiring changes beside them', () => {
		const { session } = openSession([['project', { ...facts, settings: { ...DEFAULT_SETTINGS, frameRate: 24 } }]]);
		session.rewire('Link', (w) => ({ ...w, world: { ...w.world, events: [{ from: 'jump', event: 'hop' }] } as never }));
		expect(session.wiring.world.events).toHaveLength(1);
		expect(session.settings.now.frameRate).toBe(24);
	});

	it('what players may choose, and what is too much, go out with the kit', async () => {
		const { session } = openSession([
			['project', facts],
			['shake', newPreset('thud', 'Thud')]
		]);
		await session.courses.fetch();
		expect([session.asKit!.players, session.asKit!.settings]).toEqual([undefined, undefined]);
		session.settings.changePlayers('Offer', () => USUAL_PLAYERS);
		session.settings.setLimit('roll', 2, 'roll');
		expect(session.asKit!.players!.map(({ id }) => id)).toContain('gentle');
		expect(session.asKit!.settings!.limits).toEqual({ roll: 2 });
		session.undo();
		session.undo();
		expect(session.settings.players).toEqual([]);
	});
});
