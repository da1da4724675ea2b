/** The bench of a head bob or a lag: it is tried by itself, through a rig that has nothing else. */
import type { AnyPreset, Rig } from 'dinesis-runtime';
import { EYES, newRig } from 'dinesis-runtime/tools';
import { Trial } from '$lib/stages/trial.svelte';

export class BodyState extends Trial {
	/** The id of the head bob or the lag; empty until one is opened. */
	id = $state('');

	readonly preset = $derived.by((): AnyPreset | undefined =>
		this.session.bobsAndLags.find((preset) => preset.id === this.id)
	);

	readonly rig = $derived.by((): Rig | undefined => {
		const { preset } = this;
		if (!preset) return undefined;
		// A lag is seen best from behind what it follows.
		const kind = preset.view === 'flat' ? 'flat' : preset.family === 'lag' ? 'chase' : 'eyes';
		const view = {
			...EYES,
			kind,
			tall: 1080,
			pixelsPerMetre: 96,
			height: kind === 'flat' ? 0.6 : EYES.height
		} as const;
		return { ...newRig('*alone', preset.name), view, [preset.family]: preset.id };
	});

	protected override get standsFirst(): boolean {
		return this.preset?.family === 'bob';
	}

	open(id: string, part: 'bob' | 'lag'): void {
		if (id === this.id) return;
		this.id = id;
		this.part = part;
		this.begin();
	}
}
