/** A ground that stands for any: lines every metre and a stake every ten, where nothing is known of what a game has there. */
import * as THREE from 'three';

const AIR = '#16222c';
const INK = '#5c7482';
const FAINT = '#33485a';
const WIDE = 240;
/** Lines that stand out, and stakes, are so many metres apart. */
const APART = 10;
/** Stakes are seen so far in each direction; beyond is fog. */
const STAKES = 8;
/** How far behind a flat picture its wall stands. */
const BEHIND = 30;
/** Of the pattern, pixels a metre. */
const DETAIL = 32;

const bytesOf = (color: string): number[] => [1, 3, 5].map((at) => parseInt(color.slice(at, at + 2), 16));

/** Ten metres of lines. Drawn into a picture: lines of their own, so long and so near, are not drawn by every machine. */
function lines(): THREE.DataTexture {
	const size = APART * DETAIL;
	const [air, ink, faint] = [AIR, INK, FAINT].map((color) => [...bytesOf(color), 255]);
	const data = new Uint8Array(size * size * 4);
	for (let i = 0; i < size * size; i++) {
		const [x, y] = [i % size, Math.floor(i / size)];
		data.set((x < 2 || y < 2 ? ink : x % DETAIL === 0 || y % DETAIL === 0 ? faint : air)!, i * 4);
	}
	const texture = new THREE.DataTexture(data, size, size);
	texture.colorSpace = THREE.SRGBColorSpace;
	texture.wrapS = texture.wrapT = THREE.RepeatWrapping;
	texture.repeat.setScalar(WIDE / APART);
	texture.generateMipmaps = true;
	texture.minFilter = THREE.LinearMipmapLinearFilter;
	texture.magFilter = THREE.LinearFilter;
	texture.anisotropy = 8;
	texture.needsUpdate = true;
	return texture;
}

function stakes(): THREE.InstancedMesh {
	const across = 2 * STAKES;
	const made = new THREE.InstancedMesh(
		// Between the lines, so that nobody who keeps to whole metres stands in one.
		new THREE.BoxGeometry(0.06, 1.2, 0.06).translate(APART / 2, 0.6, APART / 2),
		new THREE.MeshLambertMaterial({ color: INK }),
		across ** 2
	);
	const at = new THREE.Matrix4();
	for (let i = 0; i < made.count; i++) {
		const [column, row] = [i % across, Math.floor(i / across)];
		made.setMatrixAt(i, at.makeTranslation((column - STAKES) * APART, 0, (row - STAKES) * APART));
	}
	return made;
}

/** Level ground, and a wall of the same lines for pictures that are seen flat. */
export function createBlank(): {
	readonly scene: THREE.Scene;
	seenFlat(flat: boolean, x: number, y: number, z: number): void;
} {
	const scene = new THREE.Scene();
	scene.background = new THREE.Color(AIR);
	scene.fog = new THREE.Fog(AIR, 30, 110);
	scene.add(new THREE.HemisphereLight('#fff6e4', '#8a949a', 6));
	const plane = new THREE.PlaneGeometry(WIDE, WIDE);
	const map = lines();
	const ground = new THREE.Mesh(plane, new THREE.MeshBasicMaterial({ map }));
	ground.rotation.x = -Math.PI / 2;
	// Fog is of space: a flat picture has none.
	const wall = new THREE.Mesh(plane, new THREE.MeshBasicMaterial({ map, fog: false, side: THREE.DoubleSide }));
	const marks = stakes();
	scene.add(ground, wall, marks);
	return {
		scene,
		seenFlat: (flat, x, y, z) => {
			ground.visible = marks.visible = !flat;
			wall.visible = flat;
			const tens = (place: number): number => Math.round(place / APART) * APART;
			// By whole patterns, so that the lines stand still.
			ground.position.set(tens(x), 0, tens(z));
			marks.position.copy(ground.position);
			// Behind all that is shown, wherever that goes.
			wall.position.set(tens(x), tens(y), z - BEHIND);
		}
	};
}
