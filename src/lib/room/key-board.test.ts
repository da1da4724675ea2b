import { describe, expect, it } from 'vitest';
import { newPreset } from 'dinesis-runtime/tools';
import { capOf, keyFor, keyIdOf, writtenKey } from './key-board';

const names = Array.from({ length: 20 }, (_, i) => `p${i + 1}`);
function project(keys: readonly { id: string; kind: 'preset' | 'event'; of: string }[] = [], order = names) {
	return {
		order,
		preset: (id: string) => (order.includes(id) ? newPreset(id, id.toUpperCase()) : undefined),
		wiring: { events: [{ id: 'bell', name: 'Bell' }] },
		settings: { onKey: (id: string) => keys.find((key) => key.id === id) }
	} as never;
}

describe('the number keys', () => {
	it('fire the first eighteen presets until somebody gives them something', () => {
		const session = project();
		expect(capOf(session, '1')).toMatchObject({ of: 'p1', name: 'P1', written: '1', given: false });
		expect(capOf(session, 'shift-1')).toMatchObject({ of: 'p10', written: '⇧1' });
		expect(capOf(session, 'shift-9')).toMatchObject({ of: 'p18' });
		expect(capOf(project([], ['p1']), '2')).toBeUndefined();
	});

	it('what was given comes first, a preset or an event; what is gone makes way', () => {
		const session = project([
			{ id: '2', kind: 'event', of: 'bell' },
			{ id: '3', kind: 'preset', of: 'p20' },
			{ id: '4', kind: 'preset', of: 'gone' }
		]);
		expect(capOf(session, '2')).toMatchObject({ kind: 'event', of: 'bell', name: 'Bell', given: true });
		expect(capOf(session, '3')).toMatchObject({ kind: 'preset', of: 'p20', given: true });
		expect(capOf(session, '4')).toMatchObject({ of: 'p4', given: false });
		expect(keyFor(session, { kind: 'preset', of: 'p20' })).toBe('3');
		expect(keyFor(session, { kind: 'preset', of: 'p2' })).toBe('');
		expect(keyFor(session, { kind: 'event', of: 'bell' })).toBe('2');
	});

	it('are told by where they lie, with Shift and on the number pad', () => {
		expect([
			keyIdOf('Digit3', false),
			keyIdOf('Numpad3', true),
			keyIdOf('Digit0', false),
			keyIdOf('KeyA', true)
		]).toEqual(['3', 'shift-3', '', '']);
		expect(writtenKey('shift-3')).toBe('⇧3');
	});
});
