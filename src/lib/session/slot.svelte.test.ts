import { beforeEach, describe, expect, it } from 'vitest';
import { newPreset } from 'dinesis-runtime/tools';
import { moveSlot, readSlot, writeSlot } from './slot';

beforeEach(() => localStorage.clear());

describe('what is held beside a preset', () => {
	it('goes along when the preset gets another id, and leaves nothing behind', () => {
		writeSlot('harbour', 'new-shake', newPreset('new-shake', 'Hit, harder'));
		moveSlot('harbour', 'new-shake', 'hit');
		expect(readSlot('harbour', 'hit')).toMatchObject({ id: 'hit', name: 'Hit, harder' });
		expect(readSlot('harbour', 'new-shake')).toBeNull();
		moveSlot('harbour', 'nothing', 'hit');
		expect(readSlot('harbour', 'hit')).not.toBeNull();
	});
});
