/** The Bench's running state: the players behind the window, what the keys do, repeat, pause, scrubbing and comparing. */
import { createPlayer, type ShakePreset } from 'dinesis-runtime';
import {
	applyCeilings,
	CHANNEL_COUNT,
	compileCeilings,
	type Ceilings,
	type Seconds,
	type Play,
	type Player
} from 'dinesis-runtime/tools';
import { withSolo } from '$lib/documents';
import type { ProjectSession } from '$lib/session/session.svelte';
import { moveSlot, readSlot, writeSlot } from '$lib/session/slot';
import { GALLERY_REST } from '$lib/viewport/rests';
import { DisplayRate } from './display-rate.svelte';
import { BenchEvents } from './events.svelte';
import { KeySaid } from './key-said';
import { paperLength } from './paper';
import { Recorder } from './recorder';
import { Twin } from './twin';

/** A press shorter than this leaves a continuous motion running; a longer one is a hold. */
const TAP_MS = 280;
const LONGEST_FRAME: Seconds = 0.1;
export type Compare = 'a' | 'split' | 'b';

export interface Stretch {
	readonly from: Seconds;
	readonly to: Seconds;
}

export class BenchState {
	readonly player: Player;
	readonly recorder = new Recorder();
	readonly events: BenchEvents;
	/** What the window shows: the player's offset as seen at the picture rate, under the ceiling. */
	readonly offset = new Float64Array(CHANNEL_COUNT);
	readonly otherOffset = new Float64Array(CHANNEL_COUNT);
	/** How fast time runs in the window, 0.1–1. */
	speed = $state(1);
	paused = $state(false);
	/** What each press is multiplied by: as from a weak or a strong event. */
	strength = $state(1);
	repeating = $state(false);
	repeatEvery = $state<Seconds>(2.5);
	/** The preset that is tuned. */
	open = $state('');
	/** Keys of presets that play now; changes only when one starts or ends. */
	sounding = $state.raw<ReadonlySet<string>>(new Set());
	/** The newest play of the open preset: the strip draws its seed. */
	newest = $state.raw<Play | null>(null);
	/** Layers heard alone; none: all that are not muted. */
	solo = $state.raw<ReadonlySet<string>>(new Set());
	/** Pictures a second that are shown; 0: as many as the display does. */
	pictureRate = $state(0);
	readonly display = new DisplayRate();
	/** The most a channel may reach in the window, to try. */
	ceilings = $state.raw<Ceilings>({});
	/** Where presses come from, in the scene, for presets that move along their source. */
	source = $state.raw<readonly [number, number, number]>([-3.5, 1.6, -4]);
	/** Every press with this seed; null: each press differs. */
	heldSeed = $state<number | null>(null);
	/** The part that is played again and again; null: none. */
	loop = $state.raw<Stretch | null>(null);
	/** The moment in the window is chosen by hand on the strip. */
	scrubbing = $state(false);
	/** The version held beside the one that is tuned. */
	other = $state.raw<ShakePreset | null>(null);
	compare = $state<Compare>('a');
	/** Where the split's seam stands, as a part of the width. */
	seam = $state(0.5);
	/** A neighbour that is pointed at: it plays instead of the open preset. */
	trying = $state.raw<ShakePreset | null>(null);
	/** The scene's own time: runs on where the motion does. */
	sceneTime: Seconds = 0;
	private clock: Seconds = 0;
	private limits = compileCeilings({});
	private twin: Twin | null = null;
	private readonly frames = new Set<() => void>();
	private readonly held = new Map<string, { play: Play; at: number; latched: boolean }>();
	/** What the keys say of their last presses. */
	readonly said = new KeySaid();
	private nextRepeat: Seconds = 0;
	private stopListening: () => void;

	constructor(readonly session: ProjectSession) {
		this.player = this.newPlayer(session.presets);
		this.events = new BenchEvents(session);
		const stopRenames = session.onRenamed(({ kind, id }, from) => {
			if (kind === 'shake') moveSlot(session.project.slug, from, id);
		});
		const stopChanges = session.onChange((preset) => {
			this.player.setPreset(this.heard(preset));
			if (preset.id !== this.open) this.twin?.player.setPreset(preset);
			if (this.paused) this.refresh();
		});
		this.stopListening = () => {
			stopRenames();
			stopChanges();
		};
	}

	/** Opens another preset to be tuned. */
	choose(key: string): void {
		if (this.open === key) return;
		const before = this.session.preset(this.open);
		this.solo = new Set();
		this.trying = null;
		this.loop = null;
		this.scrubbing = false;
		if (before) this.player.setPreset(before);
		this.open = key;
		const slot = readSlot(this.session.project.slug, key);
		this.hold(slot, slot ? this.compare : 'a');
		if (this.newest?.presetId !== key) this.newest = null;
	}

	/** Starts the quiet motion that makes the picture live: the first continuous preset tagged "rest". */
	wake(): void {
		const rest = this.session.presets.find((p) => p.timing.mode === 'continuous' && p.tags.includes('rest'));
		if (rest) this.latch(rest.id);
	}

	dispose(): void {
		this.events.dispose();
		this.stopListening();
	}

	/** Calls back after each frame. */
	onFrame(callback: () => void): () => void {
		this.frames.add(callback);
		return () => this.frames.delete(callback);
	}

	/** One frame of the display, `real` seconds after the last. */
	frame(real: Seconds): void {
		this.said.pass(real);
		this.display.watch(real);
		if (!this.paused) this.step(Math.min(real, LONGEST_FRAME) * this.speed);
		for (const callback of this.frames) callback();
	}

	/** Moves time on by `dt` seconds. */
	step(dt: Seconds): void {
		this.sceneTime += dt;
		this.clock += dt;
		const rate = this.pictureRate;
		// A picture stands still until the next one is due.
		const due = rate > 0 ? Math.floor(this.clock * rate + 1e-6) / rate : this.clock;
		if (due >= this.player.now) this.advanceTo(due);
		if (this.loop && this.newest && this.player.now - this.newest.trigger >= this.loop.to) this.seat(this.loop.from);
		if (this.repeating && this.player.now >= this.nextRepeat) this.repeat();
		this.noteSounding();
	}

	/** A key goes down. Bursts fire at each press; a continuous motion starts, or stops if it runs. */
	press(key: string, now: number): void {
		const preset = this.session.preset(key);
		if (!preset) return;
		this.goOn();
		if (preset.timing.mode === 'burst') return void this.fire(key);
		const held = this.held.get(key);
		if (held && held.play.stoppedAt === null) {
			this.stop(held.play);
			this.held.delete(key);
			return;
		}
		const play = this.fire(key);
		if (play) this.held.set(key, { play, at: now, latched: false });
	}

	/** The key comes up: a continuous motion that was held stops with its fade; one that was tapped goes on. */
	release(key: string, now: number): void {
		const held = this.held.get(key);
		if (!held || held.latched) return;
		if (now - held.at < TAP_MS) held.latched = true;
		else {
			this.stop(held.play);
			this.held.delete(key);
		}
	}

	/** An event's key goes down. */
	pressEvent(id: string, now: number): void {
		this.goOn();
		this.said.say(`event ${id}`, this.events.press(id, this.strength, this.source, now));
	}

	fire(key: string, ago: Seconds = 0, seed = this.heldSeed ?? undefined, strength = this.strength): Play | null {
		const options = { strength, at: this.source, ago };
		const play = this.player.fire(key, { ...options, seed });
		this.said.came(key, this.player.outcome);
		this.twin?.fire(play, key, { ...options, seed: play?.seed ?? seed });
		if (key === this.open && play) this.newest = play;
		this.noteSounding();
		return play;
	}

	stopAll(): void {
		this.player.stopAll();
		this.events.stopAll();
		this.twin?.stopAll();
		this.held.clear();
		this.repeating = false;
		this.loop = null;
	}

	toggleRepeat(): void {
		this.repeating = !this.repeating;
		this.nextRepeat = this.player.now;
		if (this.repeating) this.goOn();
	}

	/** Goes on after a pause or a scrub. */
	goOn(): void {
		this.paused = false;
		this.scrubbing = false;
	}

	/** Shows the moment `at` seconds after the trigger of the open preset's newest play, and stays there. */
	scrub(at: Seconds): void {
		this.paused = true;
		this.scrubbing = true;
		this.seat(Math.max(0, at));
	}

	setLoop(loop: Stretch | null): void {
		this.loop = loop;
		if (!loop) return;
		this.goOn();
		this.repeating = false;
		this.seat(loop.from);
	}

	setSolo(solo: ReadonlySet<string>): void {
		this.solo = solo;
		this.retune();
	}

	/** Plays a neighbour in the open preset's place; null: the preset itself again. */
	tryOut(preset: ShakePreset | null): void {
		this.trying = preset;
		this.retune();
	}

	/** Game values as they stand here, for presets that are driven by them; at rest until they are set. */
	private values = $state.raw<Readonly<Record<string, number>>>({});

	valueNow(id: string): number {
		return this.values[id] ?? this.session.wiring.parameters.find((p) => p.id === id)?.rest ?? 0;
	}

	setValue(id: string, value: number): void {
		this.values = { ...this.values, [id]: value };
		for (const player of this.players) player.values.set(id, value);
		if (this.paused) this.refresh();
	}

	setCeilings(ceilings: Ceilings): void {
		this.ceilings = ceilings;
		this.limits = compileCeilings(ceilings);
		this.show();
	}

	get limitsNow(): Float64Array {
		return this.limits;
	}

	/** Holds a version beside the present one, playing in the same moments with the same seeds; null: none. */
	hold(other: ShakePreset | null, compare: Compare = this.compare === 'a' && other ? 'split' : this.compare): void {
		this.other = other && { ...other, id: this.open };
		this.compare = other ? compare : 'a';
		writeSlot(this.session.project.slug, this.open, this.other);
		this.twin = null;
		if (!this.other) return;
		const kept = this.other;
		const player = this.newPlayer(this.session.presets.map((p) => (p.id === this.open ? kept : p)));
		for (const [id, value] of Object.entries(this.values)) player.values.set(id, value);
		this.twin = new Twin(player, this.player, this.source);
		this.show();
	}

	/** Exchanges the two versions; one undo step. */
	swap(): void {
		const mine = this.session.preset(this.open);
		const theirs = this.other;
		if (!mine || !theirs) return;
		this.session.change(this.open, 'Swap with B', () => ({ ...theirs, id: this.open }));
		this.session.seal();
		this.hold(mine, this.compare);
	}

	/** Takes B over; one undo step. */
	takeOther(): void {
		const theirs = this.other;
		if (!theirs) return;
		this.session.change(this.open, 'Take B', () => ({ ...theirs, id: this.open }));
		this.session.seal();
	}

	nameOf(id: string): string {
		return this.session.preset(id)?.name ?? id;
	}

	/** How much of a key's newest play is left, 1–0; a continuous one that runs is full. 0 when none plays. */
	leftOf(key: string): number {
		let left = 0;
		for (const play of this.player.plays) if (play.presetId === key) left = this.leftOfPlay(play);
		return left;
	}

	leftOfPlay(play: Play): number {
		if (play.end === Infinity) return 1;
		const age = Math.max(0, play.ageAt(this.player.now));
		return Math.max(0, Math.min(1, 1 - age / Math.max(play.end, 1e-6)));
	}

	/** A's player, and B's while there is one. */
	private get players(): readonly Player[] {
		return this.twin ? [this.player, this.twin.player] : [this.player];
	}

	private newPlayer(presets: readonly ShakePreset[]): Player {
		const player = createPlayer(presets, { seed: 20, distance: false, parameters: this.session.wiring.parameters });
		player.setRest(...GALLERY_REST.position, ...GALLERY_REST.orientation);
		return player;
	}

	private heard(preset: ShakePreset): ShakePreset {
		if (preset.id !== this.open) return preset;
		return this.trying ? { ...this.trying, id: this.open } : withSolo(preset, this.solo);
	}

	private retune(): void {
		const preset = this.session.preset(this.open);
		if (preset) this.player.setPreset(this.heard(preset));
		if (this.paused) this.refresh();
	}

	private advanceTo(time: Seconds): void {
		const isNew = time > this.player.now;
		this.player.advanceTo(time);
		this.twin?.player.advanceTo(time);
		this.events.advanceTo(time);
		this.show();
		if (isNew) this.recorder.push(time, this.offset);
	}

	/** The same moment again, with what changed. */
	private refresh(): void {
		this.advanceTo(this.player.now);
	}

	private show(): void {
		this.offset.set(this.player.offset);
		this.events.addTo(this.offset);
		applyCeilings(this.limits, this.offset);
		if (!this.twin) return;
		this.otherOffset.set(this.twin.player.offset);
		this.events.addTo(this.otherOffset);
		applyCeilings(this.limits, this.otherOffset);
	}

	private stop(play: Play, at: Seconds = this.player.now): void {
		play.stop(at);
		this.twin?.stop(play, at);
	}

	/** Lets the open preset stand at a moment after its trigger: what playing up to there would have shown. */
	private seat(ago: Seconds): void {
		const preset = this.session.preset(this.open);
		if (!preset) return;
		const last = this.newest?.presetId === this.open ? this.newest : null;
		const seed = last?.seed ?? this.heldSeed ?? this.player.seedOfPlay(this.player.playsFired + 1);
		for (const player of this.players)
			for (const play of player.plays) if (play.presetId === this.open) play.cut(this.player.now);
		this.held.delete(this.open);
		const play = this.fire(this.open, ago, seed, last?.strength ?? this.strength);
		const { letGoAt } = paperLength(preset);
		if (play && letGoAt !== undefined && ago > letGoAt) this.stop(play, play.trigger + letGoAt);
		else if (play && letGoAt !== undefined) this.held.set(this.open, { play, at: 0, latched: true });
		this.refresh();
	}

	private latch(key: string): void {
		const play = this.fire(key, 0, undefined, 1);
		if (play) this.held.set(key, { play, at: 0, latched: true });
	}

	private repeat(): void {
		const preset = this.session.preset(this.open);
		this.nextRepeat = this.player.now + this.repeatEvery;
		if (!preset) return;
		const play = this.fire(preset.id);
		// A continuous motion is let go in time to have faded when the next one begins.
		if (play && preset.timing.mode === 'continuous') this.letGoLater(play, preset);
	}

	private letGoLater(play: Play, preset: ShakePreset): void {
		const at = this.player.now + Math.max(this.repeatEvery / 2, this.repeatEvery - preset.timing.fadeOut.time);
		const stop = this.onFrame(() => {
			if (this.player.now < at) return;
			this.stop(play);
			stop();
		});
	}

	private noteSounding(): void {
		const now = new Set<string>();
		for (const play of this.player.plays) now.add(play.presetId);
		for (const play of this.events.plays) now.add(play.presetId);
		if (now.size !== this.sounding.size || [...now].some((key) => !this.sounding.has(key))) this.sounding = now;
		for (const [key, held] of this.held) if (held.play.isOver(this.player.now)) this.held.delete(key);
		this.twin?.forgetOver(this.player.now);
	}
}
