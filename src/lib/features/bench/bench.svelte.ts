/** The Bench's running state: the player behind the window, what the keys do, repeat, pause and slow motion. */
import { naturalLength, type Seconds, type ShakePreset } from '$lib/core';
import { createPlayer, type Play, type Player } from '$runtime';
import type { ProjectSession } from '$lib/session/session.svelte';
import { Recorder } from './recorder';

/** A press shorter than this leaves a continuous motion running; a longer one is a hold. */
const TAP_MS = 280;
const LONGEST_FRAME: Seconds = 0.1;

export class BenchState {
	readonly player: Player;
	readonly recorder = new Recorder();
	/** How fast time runs in the window: 1, ¼ or 1/10. */
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
	/** The scene's own time: runs on where the motion does. */
	sceneTime: Seconds = 0;
	private readonly frames = new Set<() => void>();
	private readonly held = new Map<string, { play: Play; at: number; latched: boolean }>();
	private nextRepeat: Seconds = 0;
	private stopListening: () => void;

	constructor(private readonly session: ProjectSession) {
		this.player = createPlayer(session.presets, { seed: 20 });
		this.stopListening = session.onChange((preset) => this.player.setPreset(preset));
	}

	/** Starts the quiet motion that makes the picture live: the first continuous preset tagged "rest". */
	wake(): void {
		const rest = this.session.presets.find((p) => p.timing.mode === 'continuous' && p.tags.includes('rest'));
		if (rest) this.latch(rest.id);
	}

	dispose(): void {
		this.stopListening();
	}

	/** Calls back after each frame. */
	onFrame(callback: () => void): () => void {
		this.frames.add(callback);
		return () => this.frames.delete(callback);
	}

	/** One frame of the display, `real` seconds after the last. */
	frame(real: Seconds): void {
		if (!this.paused) this.step(Math.min(real, LONGEST_FRAME) * this.speed);
		for (const callback of this.frames) callback();
	}

	/** Moves time on by `dt` seconds. */
	step(dt: Seconds): void {
		this.sceneTime += dt;
		const offset = this.player.advance(dt);
		this.recorder.push(this.player.now, offset);
		if (this.repeating && this.player.now >= this.nextRepeat) this.repeat();
		this.noteSounding();
	}

	/** A key goes down. Bursts fire at each press; a continuous motion starts, or stops if it runs. */
	press(key: string, now: number): void {
		const preset = this.session.preset(key);
		if (!preset) return;
		if (this.paused) this.paused = false;
		if (preset.timing.mode === 'burst') return void this.fire(key);
		const held = this.held.get(key);
		if (held && held.play.stoppedAt === null) {
			held.play.stop(this.player.now);
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
			held.play.stop(this.player.now);
			this.held.delete(key);
		}
	}

	fire(key: string): Play | null {
		const play = this.player.fire(key, { strength: this.strength });
		if (this.player.outcome === 'ignored')
			this.session.say(`“${this.session.preset(key)?.name ?? key}” plays already and is set to ignore another press.`);
		if (key === this.open && play) this.newest = play;
		this.noteSounding();
		return play;
	}

	stopAll(): void {
		this.player.stopAll();
		this.held.clear();
		this.repeating = false;
	}

	toggleRepeat(): void {
		this.repeating = !this.repeating;
		this.nextRepeat = this.player.now;
		if (this.repeating) this.paused = false;
	}

	/** How much of a key's newest play is left, 1–0; a continuous one that runs is full. 0 when none plays. */
	leftOf(key: string): number {
		let left = 0;
		for (const play of this.player.plays) {
			if (play.presetId !== key) continue;
			const age = Math.max(0, play.ageAt(this.player.now));
			left = play.end === Infinity ? 1 : 1 - age / Math.max(play.end, 1e-6);
		}
		return Math.max(0, Math.min(1, left));
	}

	private latch(key: string): void {
		const play = this.player.fire(key);
		if (play) this.held.set(key, { play, at: 0, latched: true });
		this.noteSounding();
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
			play.stop(this.player.now);
			stop();
		});
	}

	private noteSounding(): void {
		const now = new Set<string>();
		for (const play of this.player.plays) now.add(play.presetId);
		if (now.size !== this.sounding.size || [...now].some((key) => !this.sounding.has(key))) this.sounding = now;
		for (const [key, held] of this.held) if (held.play.isOver(this.player.now)) this.held.delete(key);
	}
}

/** How much paper a preset needs: its whole length, or for a continuous one its fades and a stretch between. */
export function paperLength(preset: ShakePreset): { readonly seconds: Seconds; readonly letGoAt: Seconds | undefined } {
	const { timing } = preset;
	if (timing.mode === 'burst') return { seconds: Math.max(0.1, naturalLength(preset) * 1.12), letGoAt: undefined };
	const letGoAt = timing.delay + timing.fadeIn.time + 2.5;
	return { seconds: (letGoAt + timing.fadeOut.time) * 1.08 + 0.2, letGoAt };
}
