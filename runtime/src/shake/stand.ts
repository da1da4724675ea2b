/** Where a player stands: where its camera rests, where its body is, and what is left there of what comes from afar. */
import type { Seconds } from '../units/quantities';
import { fallOffInPlace, travelTime, type CompiledReach } from './reach';

type Place = readonly [x: number, y: number, z: number];

export class Stand {
	/** Position in metres and orientation, a unit quaternion: x, y, z, qx, qy, qz, qw. */
	readonly rest: Float64Array = Float64Array.of(0, 0, 0, 0, 0, 0, 1);
	/** What `weigh` found. */
	readonly near: Float64Array = new Float64Array(1);
	/** Until it is set, the body is where the camera rests. */
	private readonly body = Float64Array.of(0, 0, 0);
	private hasBody = false;

	/** Stands where another one stands. */
	takeOver(from: Stand): void {
		this.rest.set(from.rest);
		this.body.set(from.body);
		this.hasBody = from.hasBody;
	}

	/** Camera and body at once, out of arrays that somebody keeps: seven numbers and three. Allocates nothing. */
	put(rest: Float64Array, body: Float64Array): void {
		for (let c = 0; c < 7; c++) this.rest[c] = rest[c]!;
		for (let c = 0; c < 3; c++) this.body[c] = body[c]!;
		this.hasBody = true;
	}

	putBody(x: number, y: number, z: number): void {
		this.body.set([x, y, z]);
		this.hasBody = true;
	}

	/** null while nobody has said so. */
	get bodyPlace(): Place | null {
		return this.hasBody ? [this.body[0]!, this.body[1]!, this.body[2]!] : null;
	}

	/** Puts what is left over the distance to a place into `near`. */
	weigh(reach: CompiledReach, place: Place): void {
		this.measure(reach, place);
		fallOffInPlace(reach, this.near, 0);
	}

	/** How long it is on its way from a place. */
	wayFrom(reach: CompiledReach, place: Place): Seconds {
		this.measure(reach, place);
		return travelTime(reach, this.near[0]!);
	}

	private measure(reach: CompiledReach, place: Place): void {
		const from = reach.body && this.hasBody ? this.body : this.rest;
		const [dx, dy, dz] = [place[0] - from[0]!, place[1] - from[1]!, place[2] - from[2]!];
		this.near[0] = Math.sqrt(dx * dx + dy * dy + dz * dz);
	}
}
