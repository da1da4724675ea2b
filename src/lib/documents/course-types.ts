/** Courses: made-up stretches of gameplay, played through the cues as the game would. */
import type { CurvePoint, Hertz, Metres, Seconds } from 'dinesis-runtime/tools';
import type { Recording } from 'dinesis-runtime/wire';

/** A place that the path goes through. */
export interface Waypoint {
	readonly x: Metres;
	/** Of the ground under the feet. */
	readonly y: Metres;
	readonly z: Metres;
	/** Metres a second on the way from here to the next. */
	readonly speed: number;
	/** How long one stands here first. */
	readonly pause: Seconds;
}

/** A recorded way: where the body was, so many times a second, or at the moments that are named. */
export interface Trace {
	readonly hz: Hertz;
	/** When each moment was, rising. Left out: `hz` times a second from 0. */
	readonly times?: readonly Seconds[];
	/** x, y, z of the feet in metres, yaw and pitch of the look in degrees, one moment after the other. */
	readonly poses: readonly number[];
	/** Metres a second at each moment, as the game counts them. Left out: told from the poses. */
	readonly speeds?: readonly number[];
	/** From when until when there was no ground under the feet. Left out: told from the poses. */
	readonly air?: readonly (readonly [Seconds, Seconds])[];
	/** From when until when one climbed: there the speed is that along the ladder, and one stands on its rungs. */
	readonly climbs?: readonly (readonly [Seconds, Seconds])[];
	/** From when until when something carried one, and no foot fell. */
	readonly rides?: readonly (readonly [Seconds, Seconds])[];
}

/** Something else that moved in a take: so many numbers at each moment, straight in between. */
export interface Thing {
	/** Names it, as the world that it is of does. */
	readonly id: string;
	/** In seconds, rising. */
	readonly times: readonly Seconds[];
	/** As many for each moment: of a body x, y, z in metres and a quaternion x, y, z, w. */
	readonly numbers: readonly number[];
}

/** The way that one viewer takes: recorded, or made of places. */
export interface Way {
	readonly path: readonly Waypoint[];
	/** Goes before the path. */
	readonly trace: Trace | null;
}

/** An event on the timeline. A state ends by itself after its length. */
export interface CourseEvent {
	readonly at: Seconds;
	readonly event: string;
	/** For states: how long they last; for moments: how long the event itself takes, where a cue asks for it. */
	readonly length: Seconds | null;
	readonly values: Readonly<Record<string, number>>;
	/** null: where the body is. */
	readonly place: readonly [number, number, number] | null;
	/** Whom it happens to: 0 the first viewer, 1 the second. */
	readonly who: number;
	/** What this occurrence carries beside the event's own tags; left out: nothing. */
	readonly tags?: readonly string[];
}

/** A round area on the map; its state is on while the body is within. */
export interface CourseArea {
	readonly event: string;
	readonly x: Metres;
	readonly z: Metres;
	readonly radius: Metres;
}

/** A game value over time: a curve whose `at` is in seconds. */
export interface CourseValue {
	readonly parameter: string;
	readonly points: readonly CurvePoint[];
}

export interface Course extends Way {
	readonly id: string;
	readonly name: string;
	readonly about: string;
	/** How long it is; what comes later is not played. */
	readonly seconds: Seconds;
	readonly events: readonly CourseEvent[];
	readonly areas: readonly CourseArea[];
	readonly values: readonly CourseValue[];
	/** Whether feet fall on the way, as the project's world links say. */
	readonly steps: boolean;
	/** The rig that it is seen through; null: the shakes alone, from where the body looks. */
	readonly rig: string | null;
	/** The way of a second player on the same screen; null: there is one only. */
	readonly second: Way | null;
	/** What else moved in a take; left out: nothing. */
	readonly things?: readonly Thing[];
	/** Of a take of a running game: every frame and call as it was, from a moment on. What the timeline shows of it is told from this; left out: nothing. */
	readonly recording?: Recording;
}
