/** Events on keys: raised as the game would, answered by the cues; what these play is added to what the Bench plays itself. */
import type { GameEvent } from 'dinesis-runtime';
import { CHANNEL_COUNT, Director, type Play, type Seconds } from 'dinesis-runtime/tools';
import type { ProjectSession } from '$lib/session/session.svelte';
import type { Came } from '$lib/session/wire.svelte';
import { GALLERY_REST } from '$lib/viewport/rests';

/** Events carry two thirds of what they may, as where cues are tried. */
const SHARE = 2 / 3;
/** What plays for as long as an event lasts plays so long. */
const LENGTH: Seconds = 3;

export class EventKeys {
	private readonly director: Director;
	private wiring: ProjectSession['wiring'];
	private presets: ProjectSession['presets'];
	private readonly stopListening: () => void;
	/** States that are on. */
	readonly held = new Set<string>();

	constructor(private readonly session: ProjectSession) {
		this.wiring = session.wiring;
		this.presets = session.presets;
		this.director = new Director({ ...session.wiring, presets: session.presets }, { seed: 20 });
		this.director.viewers[0]!.player.setRest(...GALLERY_REST.position, ...GALLERY_REST.orientation);
		this.stopListening = session.onChange((preset) => this.director.setPreset(preset));
	}

	dispose(): void {
		this.stopListening();
	}

	/** A moment happens; a state starts, or ends when it is on. `from`: where it happens, when it has a place. */
	press(id: string, strength: number, from: readonly [number, number, number]): void {
		const event = this.event(id);
		if (!event) return;
		if (event.kind === 'moment') this.raise(event, 'happens', strength, from);
		else if (this.held.has(id)) this.end(event);
		else {
			this.held.add(id);
			this.raise(event, 'starts', strength, from);
		}
	}

	/** A state that was held ends; one that was tapped goes on. */
	letGo(id: string): void {
		const event = this.event(id);
		if (event && this.held.has(id)) this.end(event);
	}

	stopAll(): void {
		for (const id of [...this.held]) this.letGo(id);
		this.director.viewers[0]!.player.stopAll();
	}

	advanceTo(time: Seconds): void {
		const fired = this.session.wire?.takeFired() ?? [];
		for (const came of fired) this.hear(came);
		this.director.advanceTo(time);
	}

	/** Something happened in a running game: it is answered here with the numbers that it came with, from where one stands. */
	private hear({ event: id, phase, values, tags }: Came): void {
		const event = this.event(id);
		if (!event) return;
		this.follow();
		this.director.raise({ event: id, phase, values, tags: [...event.tags, ...tags], length: LENGTH, key: 'game' });
	}

	/** What runs now because of events. */
	get plays(): readonly Play[] {
		return this.director.viewers[0]!.player.plays;
	}

	/** Adds its motion to another. */
	addTo(offset: Float64Array): void {
		const own = this.director.viewers[0]!.player.offset;
		for (let i = 0; i < CHANNEL_COUNT; i++) offset[i]! += own[i]!;
	}

	/** What was changed in the project since holds from here on. */
	private follow(): void {
		const { wiring, presets } = this.session;
		if (this.wiring !== wiring) this.director.rewire((this.wiring = wiring));
		if (this.presets !== presets) this.director.usePresets((this.presets = presets));
	}

	private event(id: string): GameEvent | undefined {
		return this.session.wiring.events.find((event) => event.id === id);
	}

	private end(event: GameEvent): void {
		this.held.delete(event.id);
		this.raise(event, 'ends', 1, [0, 0, 0]);
	}

	/** Numbers follow how hard the key is meant to be pressed, within their ranges. */
	private raise(
		event: GameEvent,
		phase: 'happens' | 'starts' | 'ends',
		strength: number,
		from: readonly [number, number, number]
	): void {
		this.follow();
		const numbers = event.values.map(({ id, min, max }) => {
			const wanted = min + (max - min) * SHARE * strength;
			return [id, Math.min(max, Math.max(min, wanted))] as const;
		});
		this.director.raise({
			event: event.id,
			phase,
			values: Object.fromEntries(numbers),
			tags: event.tags,
			place: event.placed ? from : undefined,
			length: LENGTH,
			key: 'key'
		});
	}
}
