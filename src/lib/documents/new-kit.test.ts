import { describe, expect, it } from 'vitest';
import { newPreset, newRig, NO_LINKS } from 'dinesis-runtime/tools';
import { readKit } from './read';
import { writeKit } from './write';
import { newCourse } from './new-course';
import { kitOfDocuments, kitOfPresets, wholeKit } from './new-kit';
import { documentsIn } from './documents-in';

const thud = newPreset('thud', 'Thud');
const wiring = {
	events: [{ id: 'hit', name: 'Hit' }],
	parameters: [],
	cues: [],
	world: NO_LINKS,
	rigs: [newRig('r', 'R')]
};

describe('kits that are put together', () => {
	it('a whole one carries all there is, and reads again as it was written', () => {
		const kit = wholeKit('Yard', [thud], wiring as never, [newCourse('walk', 'Walk')]);
		const again = readKit(writeKit(kit));
		expect(again.ok).toBe(true);
		if (!again.ok) return;
		expect(again.value.name).toBe('Yard');
		expect(again.value.presets.map((p) => p.id)).toEqual(['thud']);
		expect(again.value.events.map((e) => e.id)).toEqual(['hit']);
		expect(again.value.rigs.map((r) => r.id)).toEqual(['r']);
		expect(again.value.courses.map((c) => c.id)).toEqual(['walk']);
	});

	it('one of some presets carries these alone: nothing in it points at what stays behind', () => {
		const kit = kitOfPresets('Yard', [thud]);
		expect(kit.presets).toEqual([thud]);
		expect([kit.events, kit.parameters, kit.cues, kit.rigs, kit.courses]).toEqual([[], [], [], [], []]);
		expect(readKit(writeKit(kit)).ok).toBe(true);
	});

	it('its documents one by one make it up again', () => {
		const kit = wholeKit('Yard', [thud], wiring as never, [newCourse('walk', 'Walk')]);
		expect(kitOfDocuments('Yard', [...documentsIn(kit)])).toEqual(kit);
		expect(kitOfDocuments('None', []).presets).toEqual([]);
	});
});
