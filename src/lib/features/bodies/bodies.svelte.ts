/** The bench of a head bob or a lag: it is tried by itself, through a rig that has nothing else. */
import type { AnyPreset, BobPreset, LagPreset, Rig } from 'dinesis-runtime';
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

	/** Holds a version beside it: what is on the sheet now, or another one, which walks in step with it. */
	hold(was: AnyPreset | undefined = this.preset, from = was?.id === this.id ? 'B' : (was?.name ?? 'B')): void {
		if (was) this.holdBeside({ ...was, id: this.id }, was.family as 'bob' | 'lag', from);
	}

	/** Alone, or with the present version beside it. */
	toggleBeside(): void {
		if (this.beside) this.beside = null;
		else this.hold();
	}

	/** Takes what is held over; one undo step. */
	takeOther(): void {
		const { beside, id } = this;
		if (!beside) return;
		this.session.changeBody(id, 'Take B', () => ({ ...(beside.was as BobPreset | LagPreset), id }));
		this.session.seal();
	}

	/** Tunes the other one from now on. */
	swap(): void {
		const mine = this.preset;
		if (!mine || !this.beside) return;
		this.takeOther();
		this.hold(mine, 'B');
	}

	open(id: string, part: 'bob' | 'lag'): void {
		if (id === this.id) return;
		this.id = id;
		this.part = part;
		this.begin();
	}
}
