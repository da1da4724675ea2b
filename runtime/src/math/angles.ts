/** Angles of a look, in degrees. */

/** Beyond this a look up or down has no direction left. */
export const STEEPEST = 89;

/** A look up or down, held to where it still has a direction. */
export const steep = (pitch: number): number => (pitch > STEEPEST ? STEEPEST : pitch < -STEEPEST ? -STEEPEST : pitch);

/** The shortest way round from one angle to another, in degrees: −180 … 180. */
export function shortestTurn(from: number, to: number): number {
	const by = to - from;
	return by - 360 * Math.floor((by + 180) / 360);
}
