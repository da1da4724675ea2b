/** Places in the outside view. */

/** As near as a press must be to hold the source, in pixels. */
const NEAR = 36;

export interface Spot {
	/** −1 … 1 from left to right, and from the bottom to the top. */
	readonly x: number;
	readonly y: number;
}

/** Where a press is in a view of that box. */
export const spotIn = (box: DOMRect, clientX: number, clientY: number): Spot => ({
	x: ((clientX - box.left) / box.width) * 2 - 1,
	y: 1 - ((clientY - box.top) / box.height) * 2
});

/** Whether a press holds the source that is seen at `at`. */
export const heldSource = (at: Spot, spot: Spot, width: number, height: number): boolean =>
	Math.hypot((at.x - spot.x) * width, (at.y - spot.y) * height) < NEAR;

/** A place to the nearest five centimetres. */
export const roundPlace = (metres: number): number => Math.round(metres * 20) / 20;
