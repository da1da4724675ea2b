/** What the page asks of its workers. Everything that crosses is plain data. */
import type { Asked, Cost, Detail, Eyes, FiguresOfPlay, Motion, Reviewed, Subject } from '$lib/review';
import type { CurveWish, MadeCurves } from '$lib/handover/curve-file';
import type { AnyDocument, Arrival, Course, Held, Kit } from '$lib/documents';
import type { MotionFinding } from '$lib/review/findings';
import type { Onsets, Measure, Neighbour, NeighbourOptions, OutlineLine } from '$lib/analysis';
import type { ReadResult, ShakePreset } from 'dinesis-runtime';
import type { Played, Share } from 'dinesis-runtime/tools';
import type { Survey } from '$lib/course';
import type { EventLog } from '$lib/formats';
import type { Entry } from './word-index';

/** A preset as it is shown in lists: its figures and its little drawing. */
export interface Card {
	readonly measure: Measure;
	readonly outline: readonly OutlineLine[];
}

export interface MotionDoor {
	/** Measured over 32 fixed seeds. */
	card(preset: ShakePreset): Card;
	neighbours(preset: ShakePreset, options: NeighbourOptions): Neighbour[];
}

export interface KitDoor {
	/** Reads and checks a kit; how many documents are in it. */
	read(bytes: Uint8Array): ReadResult<number>;
	/** Some of what the project has. */
	here(documents: readonly Held[]): void;
	/** Holds the one against the other; how many there are to be taken. */
	compare(): number;
	take(from: number, count: number): readonly Arrival[];
}

export interface CourseDoor {
	survey(kit: Played, course: Course, columns: number, seed: number): Survey;
	/** The course's offsets as CSV; `progress` hears how much is done, 0–1. */
	bake(kit: Played, course: Course, fps: number, seed: number, progress: (part: number) => void): string;
	/** A game's log of events: a long one takes longer than a page may stand still. */
	readLog(bytes: Uint8Array): ReadResult<EventLog>;
	/** What of a WAV file can set motion off. */
	detectOnsets(bytes: ArrayBuffer, sensitivity: number): ReadResult<Onsets>;
}

/** Something that was found, by its id. */
export interface Near {
	readonly id: string;
	readonly name: string;
}

export interface SearchDoor {
	put(entries: readonly Entry[]): void;
	drop(ids: readonly string[]): void;
	/** Ids of the project's presets, of whatever family, that fit all of the words, best first. */
	find(text: string): string[];
	/** What comes nearest to the words in the starter sets, best first. */
	starters(text: string): Promise<Near[]>;
}

export interface HandoverDoor {
	/** Motion as files; `progress` hears how much is done, 0–1. Fails with what is not there or cannot be. */
	curves(kit: Kit, wish: CurveWish, progress: (part: number) => void): Promise<MadeCurves | null>;
	/** The sheet for the team: every shake is measured for it. */
	sheet(kit: Kit, as: 'html' | 'md'): string;
}

/** What is asked of the review's worker; a function cannot be sent: who stands in the way is known there. */
export interface Sent extends Omit<Asked, 'clear'> {
	/** What it is judged by; left out: as the documents say. */
	readonly eyes?: Eyes;
}

/** One play as it is looked at. */
export interface LookedAt {
	readonly motion: Motion;
	readonly figures: FiguresOfPlay;
	readonly detail: Detail;
	readonly cost: Cost;
}

export interface ReviewDoor {
	/** One play with a seed. Fails with what is not there. */
	look(asked: Sent, seed: number): LookedAt;
	/** Many; `progress` hears how much is done, 0–1. */
	many(asked: Sent, seeds: number, progress: (part: number) => void): Promise<Reviewed | null>;
	/** One play for each of these players. */
	players(asked: Sent, shares: readonly Share[], seed: number): readonly ForPlayer[];
	/** A verdict to send, as JSON and as a page. */
	verdict(
		kit: Kit,
		wish: VerdictWish,
		progress: (part: number) => void
	): Promise<{ readonly json: string; readonly html: string }>;
	/** One play of each, as far as it is there. */
	all(kit: Kit, subjects: readonly Subject[], progress: (part: number) => void): Promise<readonly AllRow[]>;
}

/** What a motion comes to for each of some players. */
export interface ForPlayer {
	readonly share: Share;
	readonly figures: FiguresOfPlay;
}

export interface VerdictWish {
	readonly subjects: readonly Subject[];
	readonly seeds: number;
	readonly against: { readonly name: string; readonly kit: Kit } | null;
	/** When it was made, in words. */
	readonly day: string;
}

export interface AllRow {
	readonly subject: Subject;
	readonly figures: FiguresOfPlay;
}

/** A kit, and which of its documents the worker does not have as they are. */
export interface KitParts extends Pick<Kit, 'name' | 'world' | 'settings'> {
	readonly lists: Readonly<
		Record<string, { readonly order: readonly string[]; readonly changed: readonly AnyDocument[] }>
	>;
}

export interface FindingsDoor {
	/** What there is to look at. */
	put(parts: KitParts): readonly Subject[];
	find(subject: Subject): readonly MotionFinding[];
}
