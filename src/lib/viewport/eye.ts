/** What a picture is drawn from: where the camera rests, what moves it, its lens, and the body it belongs to. */
import { EYES, type CameraRun, type RigView } from 'dinesis-runtime/tools';

export interface Eye {
	/** x, y, z in metres, the look's orientation as a quaternion x, y, z, w. */
	readonly pose: Float64Array;
	/** Seven channels. */
	readonly offset: Float64Array;
	/** The field of view in degrees, of pictures in space. */
	readonly fov: number;
	readonly view: RigView;
	/** x, y, z of the feet, yaw and pitch. */
	readonly body: Float64Array;
}

export const eyeOf = ({ camera, offset, fov, run }: CameraRun, body: Float64Array): Eye => ({
	pose: camera,
	offset,
	fov,
	view: run.view,
	body
});

/** An eye where nothing moves. */
export const stillEye = (x: number, y: number, z: number): Eye => ({
	pose: Float64Array.of(x, y, z, 0, 0, 0, 1),
	offset: new Float64Array(7),
	fov: EYES.fov,
	view: EYES,
	body: Float64Array.of(x, y - EYES.height, z, 0, 0)
});
