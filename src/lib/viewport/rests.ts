/** Where the camera rests in each scene, in plain numbers: the player needs it before anything is drawn. */

export interface Rest {
	/** Metres. */
	readonly position: readonly [number, number, number];
	/** A unit quaternion x, y, z, w. */
	readonly orientation: readonly [number, number, number, number];
	/** Vertical field of view in degrees. */
	readonly fov: number;
}

/** On the gallery of the lamp tower, looking north over the sea, two degrees up. */
const UP = 0.035;
export const GALLERY_REST: Rest = {
	position: [0, 1.62, 0],
	orientation: [Math.sin(UP / 2), 0, 0, Math.cos(UP / 2)],
	fov: 60
};

/** Height of the flat picture in its own pixels. */
export const FLAT_HEIGHT = 1080;
