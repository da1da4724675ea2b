/** The Bench's keys that raise events. What answers them is fetched once the page is seen. */
import type { Play, Seconds } from 'dinesis-runtime/tools';
import type { ProjectSession } from '$lib/session/session.svelte';
import type { EventKeys } from './event-keys';

/** A press that is shorter leaves a state on. */
const TAP_MS = 280;

export class BenchEvents {
	/** States that are on by their keys. */
	on = $state.raw<ReadonlySet<string>>(new Set());
	private answers: EventKeys | null = null;
	private down: { readonly id: string; readonly at: number } | null = null;
	private gone = false;

	constructor(private readonly session: ProjectSession) {}

	readonly fetch = async (): Promise<void> => {
		const { EventKeys: Answers } = await import('./event-keys');
		if (!this.gone) this.answers ??= new Answers(this.session);
	};

	dispose(): void {
		this.gone = true;
		this.answers?.dispose();
	}

	/** A key goes down. Returns what is to be said of it. */
	press(id: string, strength: number, from: readonly [number, number, number], now: number): string {
		this.down = this.on.has(id) ? null : { id, at: now };
		this.once((answers) => answers.press(id, strength, from));
		return this.session.wiring.cues.some((cue) => cue.on && cue.event === id) ? 'raised' : 'no cue answers it';
	}

	/** It comes up: a state that was held ends, one that was tapped goes on. */
	release(id: string, now: number): void {
		const { down } = this;
		this.down = null;
		if (down?.id === id && now - down.at >= TAP_MS) this.once((answers) => answers.letGo(id));
	}

	stopAll(): void {
		this.answers?.stopAll();
		this.note();
	}

	advanceTo(time: Seconds): void {
		this.answers?.advanceTo(time);
	}

	get plays(): readonly Play[] {
		return this.answers?.plays ?? [];
	}

	/** Adds its motion to another. */
	addTo(offset: Float64Array): void {
		this.answers?.addTo(offset);
	}

	/** At once when what answers is here, else as soon as it is: a press is never lost. */
	private once(act: (answers: EventKeys) => void): void {
		const run = (): void => {
			if (this.answers) act(this.answers);
			this.note();
		};
		if (this.answers) run();
		else void this.fetch().then(run, () => undefined);
	}

	private note(): void {
		this.on = new Set(this.answers?.held);
	}
}
