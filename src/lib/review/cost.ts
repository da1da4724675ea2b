/** What it costs a game: how long a frame of it takes here, and how many plays there are at once. */
import type { ShakePreset } from 'dinesis-runtime';
import { Player } from 'dinesis-runtime/tools';
import { CourseRun, GRID_HZ } from '$lib/course';
import { courseFor, lookedAt, shakeOf, type Asked } from './motion';

export interface Cost {
	/** Microseconds a frame of 1/60 s, on this machine. */
	readonly micros: number;
	readonly plays: number;
}

const FRAMES_HZ = 60;
/** So long is measured, in milliseconds, or so often, once it has been gone through a few times. */
const [LONG_ENOUGH, MOST, WARM] = [15, 300, 20];

/** `now`: a clock in milliseconds. Throws an Error that says what is not there. */
export function costOf(asked: Asked, seed: number, now: () => number): Cost {
	const { kit, subject } = asked;
	const once = (): Gone =>
		subject.kind === 'shake' ? playAlone(shakeOf(kit, subject.id), seed) : runThrough(asked, seed);
	const rounds: number[] = [];
	let [took, plays] = [0, 0];
	for (let round = 0; round < MOST && took < LONG_ENOUGH; round++) {
		const begun = now();
		const one = once();
		const ms = now() - begun;
		if (round >= WARM || ms > LONG_ENOUGH) {
			took += ms;
			rounds.push((ms * 1000) / Math.max(1, one.frames));
		}
		plays = Math.max(plays, one.plays);
	}
	return { micros: rounds.sort((a, b) => a - b)[rounds.length >> 1] ?? 0, plays };
}

interface Gone {
	readonly frames: number;
	readonly plays: number;
}

function playAlone(preset: ShakePreset, seed: number): Gone {
	const player = new Player([preset], { seed, distance: false });
	player.fire(preset.id, {});
	const frames = Math.ceil(lookedAt(preset) * FRAMES_HZ);
	for (let i = 0; i < frames; i++) player.advanceTo(i / FRAMES_HZ);
	return { frames, plays: 1 };
}

function runThrough(asked: Asked, seed: number): Gone {
	const course = courseFor(asked);
	const run = new CourseRun(asked.kit, course, { seed, clear: asked.clear });
	let plays = 0;
	const frames = Math.floor(course.seconds * FRAMES_HZ);
	for (let i = 0; i < frames; i++) {
		run.advanceTo((i + 1) / FRAMES_HZ);
		plays = Math.max(plays, run.director.viewers[0]!.player.plays.length);
	}
	// A course goes on its own grid, twice a frame.
	return { frames: frames * (GRID_HZ / FRAMES_HZ), plays };
}
