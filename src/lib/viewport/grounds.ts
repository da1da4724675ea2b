/** The grounds at Morrowskerry as they are walked: built from the same list that is collided with. */
import * as THREE from 'three';
import { CASK, CRANE, DOOR, LADDER, SEA_LEVEL, SOLIDS, type Look, type Solid } from '$lib/world/grounds';
import { bake, moving } from './baked';
import { beam, flat, halo, lit, mesh, rock } from './matter';
import { bell, farLight, lantern, rail, skerry } from './scenery';
import { HAZE, sea, sky, stars } from './sky-and-sea';

const COLOURS: Record<Look, string> = {
	stone: '#5a646a',
	pale: '#8b8675',
	wood: '#5d4a36',
	iron: '#1d2831',
	paint: '#7c3a2c'
};
const SECTIONS: Record<Look, string> = {
	stone: '#6b747a',
	pale: '#9a947f',
	wood: '#7c6448',
	iron: '#2b363f',
	paint: '#8d4737'
};
const EDGES: Record<Look, string> = {
	stone: '#39434a',
	pale: '#6d6859',
	wood: '#47372a',
	iron: '#141c23',
	paint: '#5c2a20'
};

/** Where casks stand and how far the door is open: what moves in the grounds besides the players. */
export interface Moving {
	readonly casks: readonly {
		readonly x: number;
		readonly y: number;
		readonly z: number;
		readonly qx: number;
		readonly qy: number;
		readonly qz: number;
		readonly qw: number;
	}[];
	readonly doorOpen: number;
}

export interface Grounds {
	readonly scene: THREE.Scene;
	/** Moves sea, beams and lights to a time in seconds. */
	move(time: number): void;
	put(moving: Moving): void;
	/** Water is drawn about an eye: where it is seen from close by it has the finest grid. */
	seenFrom(x: number, z: number): void;
	/** Shows the cut through the ground at a depth, as a flat picture sees it; null: the whole. */
	cutAt(z: number | null): void;
}

/** Solids of one look in one mesh with their edges drawn: steps must be seen one by one. */
function build(look: Look): THREE.Group {
	const group = new THREE.Group();
	const material = flat(COLOURS[look]);
	const line = new THREE.LineBasicMaterial({ color: EDGES[look] });
	for (const solid of SOLIDS) {
		if (solid.look !== look || solid.hidden) continue;
		if (isRail(solid)) {
			group.add(railing(solid, material));
			continue;
		}
		const box = new THREE.BoxGeometry(...solid.size);
		const part = new THREE.Mesh(box, material);
		part.position.set(...solid.at);
		part.rotation.set(0, solid.turn ?? 0, solid.tip ?? 0);
		part.add(new THREE.LineSegments(new THREE.EdgesGeometry(box), line));
		group.add(part);
	}
	return group;
}

const isRail = ({ look, size }: Solid): boolean => look === 'iron' && size[1] === 1.1;

/** A rail is seen as posts and two bars. */
function railing({ at, size, turn, tip }: Solid, iron: THREE.Material): THREE.Group {
	const group = new THREE.Group();
	const [long, high] = size;
	for (const y of [0.52, 0.05]) group.add(mesh(new THREE.BoxGeometry(long, 0.05, 0.05), iron, 0, y, 0));
	const count = Math.max(2, Math.round(long / 1.6) + 1);
	for (let i = 0; i < count; i++)
		group.add(mesh(new THREE.BoxGeometry(0.06, high, 0.06), iron, (i / (count - 1) - 0.5) * (long - 0.06), 0, 0));
	group.position.set(...at);
	group.rotation.set(0, turn ?? 0, tip ?? 0);
	return group;
}

function cask(): THREE.Group {
	const group = new THREE.Group();
	const { radius, height } = CASK;
	const profile = [-0.5, -0.25, 0, 0.25, 0.5].map(
		(t) => new THREE.Vector2(radius * (0.82 + 0.18 * Math.cos(t * Math.PI * 0.98)), t * height)
	);
	const wood = flat('#7a5532', { side: THREE.DoubleSide });
	const hoop = flat('#232c33');
	group.add(new THREE.Mesh(new THREE.LatheGeometry(profile, 12), wood));
	for (const end of [-1, 1]) {
		const lid = mesh(new THREE.CircleGeometry(radius * 0.82, 12), flat('#5f4227'), 0, end * height * 0.49, 0);
		lid.rotation.x = (-end * Math.PI) / 2;
		const ring = mesh(new THREE.TorusGeometry(radius * 0.95, 0.02, 4, 16), hoop, 0, end * height * 0.27, 0);
		ring.rotation.x = Math.PI / 2;
		group.add(lid, ring);
	}
	return group;
}

/** The lamp room's roof light, and what else stands about. */
function furniture(): THREE.Group {
	const group = new THREE.Group();
	const iron = flat('#1d2831');
	group.add(mesh(new THREE.CylinderGeometry(1.25, 1.35, 0.5, 10), flat('#2a343b'), 0, 3.5, 7.5));
	group.add(mesh(new THREE.CylinderGeometry(1, 1, 1.7, 10), lit('#ffdf9a'), 0, 4.6, 7.5));
	group.add(mesh(new THREE.ConeGeometry(1.5, 1.1, 10), flat('#5c2a20'), 0, 6, 7.5));
	for (let i = 0; i < 5; i++) {
		const turn = (i / 5) * Math.PI * 2;
		group.add(mesh(new THREE.BoxGeometry(0.07, 1.7, 0.07), iron, Math.sin(turn), 4.6, 7.5 + Math.cos(turn)));
	}
	// Windows of the lamp room, and the glow behind them.
	for (const x of [-2.4, 2.4]) group.add(mesh(new THREE.BoxGeometry(0.9, 1, 0.05), lit('#f2b75c'), x, 1.7, 5.28));
	group.add(crane(iron), ladder(iron));
	// Lamps on posts, so that each level has a light to be judged by.
	for (const [x, y, z] of [
		[9.6, -3, 5],
		[23.4, -3, 8.4],
		[24.4, -6, -11.4],
		[-20.4, -3, 7.4]
	] as const) {
		group.add(mesh(new THREE.CylinderGeometry(0.04, 0.06, 2.6, 6), iron, x, y + 1.3, z));
		group.add(mesh(new THREE.OctahedronGeometry(0.16, 0), lit('#ffcf82'), x, y + 2.7, z));
		const glow = halo(1.9, 0.6);
		glow.position.set(x, y + 2.7, z);
		group.add(glow);
	}
	for (const [x, z, r, h, seed] of [
		[-8, -5, 7, 8, 3],
		[4, -9, 5, 6.5, 9],
		[30, 2, 8, 7, 17],
		[6, 16, 12, 11, 29],
		[-24, 12, 7, 6, 41]
	] as const) {
		const stone = rock(r, h, seed, '#323c44', 2);
		stone.position.set(x, SEA_LEVEL - 2.6, z);
		group.add(stone);
	}
	return group;
}

/** Mast, boom and stays of the yard's crane; what moves on it is drawn where the load is. */
function crane(iron: THREE.Material): THREE.Group {
	const group = new THREE.Group();
	const { boom, z, from, to } = CRANE;
	const mast = 22.2;
	group.add(mesh(new THREE.BoxGeometry(0.24, boom + 5.2, 0.24), iron, mast, (boom + 1.2 - 4) / 2 + 0.4, -2.5));
	const over = mesh(new THREE.BoxGeometry(0.16, 0.16, 2.7), iron, mast, boom, (z - 2.4) / 2);
	const arm = mesh(new THREE.BoxGeometry(mast - from + 1.2, 0.2, 0.2), iron, (mast + from - 1) / 2, boom, z);
	const stay = mesh(new THREE.BoxGeometry(mast - from - 2, 0.05, 0.05), iron, (mast + from + 2) / 2, boom + 0.85, z);
	stay.rotation.z = Math.atan2(1.5, mast - from - 2);
	group.add(over, arm, stay);
	for (let x = from; x <= to + 1; x += 1.3) group.add(mesh(new THREE.BoxGeometry(0.05, 0.34, 0.05), iron, x, boom, z));
	// Its levers, where one stands.
	const [sx, sy, sz] = CRANE.stand;
	group.add(
		mesh(new THREE.BoxGeometry(0.5, 0.9, 0.3), flat('#7c3a2c'), sx, sy + 0.45, sz - 0.7),
		mesh(new THREE.BoxGeometry(0.05, 0.4, 0.05), iron, sx - 0.1, sy + 1.05, sz - 0.7),
		mesh(new THREE.BoxGeometry(0.05, 0.4, 0.05), iron, sx + 0.12, sy + 1.05, sz - 0.66)
	);
	return group;
}

function ladder(iron: THREE.Material): THREE.Group {
	const group = new THREE.Group();
	const { x, top, bottom } = LADDER;
	const z = -12.1;
	for (const side of [-0.28, 0.28])
		group.add(mesh(new THREE.BoxGeometry(0.06, top - bottom + 1.1, 0.06), iron, x + side, (top + bottom + 1.1) / 2, z));
	for (let y = bottom + 0.2; y < top + 0.9; y += 0.3)
		group.add(mesh(new THREE.BoxGeometry(0.56, 0.04, 0.04), iron, x, y, z));
	return group;
}

/** The skiff with her oars; she looks along −z. `row` swings the oars. */
export function skiff(): { readonly group: THREE.Group; row(time: number, moving: boolean): void } {
	const group = new THREE.Group();
	const wood = flat('#6f5130', { side: THREE.DoubleSide });
	const ribs = [
		[-2.1, 0.02, 0.42],
		[-1.3, 0.5, 0.3],
		[0, 0.68, 0.26],
		[1.2, 0.6, 0.28],
		[1.8, 0.46, 0.32]
	] as const;
	const at: number[] = [];
	for (let i = 0; i + 1 < ribs.length; i++) {
		const [z0, w0, h0] = ribs[i]!;
		const [z1, w1, h1] = ribs[i + 1]!;
		for (const s of [-1, 1]) {
			const [a, b] = [[s * w0, h0, z0] as const, [s * w1, h1, z1] as const];
			const [c, d] = [[s * w0 * 0.55, -0.22, z0] as const, [s * w1 * 0.55, -0.22, z1] as const];
			at.push(...a, ...c, ...b, ...b, ...c, ...d, ...c, 0, -0.24, z0, ...d, ...d, 0, -0.24, z0, 0, -0.24, z1);
		}
	}
	at.push(-0.46, 0.32, 1.8, -0.25, -0.22, 1.8, 0.46, 0.32, 1.8, 0.46, 0.32, 1.8, -0.25, -0.22, 1.8, 0.25, -0.22, 1.8);
	const hull = new THREE.BufferGeometry();
	hull.setAttribute('position', new THREE.Float32BufferAttribute(at, 3));
	hull.computeVertexNormals();
	group.add(new THREE.Mesh(hull, wood));
	const pale = flat('#a68a5c');
	for (const z of [-0.7, 0.5, 1.4]) group.add(mesh(new THREE.BoxGeometry(1.05, 0.05, 0.26), pale, 0, 0.12, z));
	const light = mesh(new THREE.OctahedronGeometry(0.1, 0), lit('#ffcf82'), 0, 0.62, -1.85);
	const glow = halo(1, 0.7);
	glow.position.copy(light.position);
	group.add(mesh(new THREE.CylinderGeometry(0.02, 0.02, 0.4, 5), flat('#232c33'), 0, 0.42, -1.85), light, glow);
	const oars = [-1, 1].map((side) => {
		const oar = new THREE.Group();
		oar.add(mesh(new THREE.BoxGeometry(2.3, 0.045, 0.045), pale, side * 0.75, 0, 0));
		oar.add(mesh(new THREE.BoxGeometry(0.5, 0.03, 0.15), pale, side * 1.9, 0, 0));
		oar.position.set(side * 0.62, 0.34, 0.1);
		group.add(oar);
		return oar;
	});
	return {
		group,
		row(time, moving) {
			const phase = (time / 1.7) * Math.PI * 2;
			oars.forEach((oar, i) => {
				const side = i === 0 ? -1 : 1;
				oar.rotation.y = moving ? side * 0.5 * Math.cos(phase) : side * -0.7;
				oar.rotation.z = side * (moving ? -0.17 + 0.13 * Math.sin(phase) : -0.05);
			});
		}
	};
}

/** What hangs on the crane: its middle at the group's place; `hang` draws rope and trolley above it. */
export function load(): { readonly group: THREE.Group; hang(x: number, y: number): void } {
	const group = new THREE.Group();
	const crate = new THREE.BoxGeometry(0.9, 0.9, 0.9);
	const box = mesh(crate, flat('#8a6a3a'), 0, 0.45, 0);
	box.add(new THREE.LineSegments(new THREE.EdgesGeometry(crate), new THREE.LineBasicMaterial({ color: '#4a3820' })));
	const rope = mesh(new THREE.CylinderGeometry(0.03, 0.03, 1, 5), flat('#c9b48a'), 0, 0, 0);
	const trolley = mesh(new THREE.BoxGeometry(0.6, 0.26, 0.5), flat('#a8752c'), 0, 0, 0);
	group.add(box, rope, trolley);
	return {
		group,
		hang(x, y) {
			// The load's feet stand at its place; the rope goes up to the boom, above where it hangs still.
			const up = CRANE.boom - y;
			const aside = Math.min(CRANE.to, Math.max(CRANE.from, x)) - x;
			rope.scale.y = Math.max(0.1, Math.hypot(up - 0.9, aside));
			rope.position.set(aside / 2, (up + 0.9) / 2, 0);
			rope.rotation.z = -Math.atan2(aside, up - 0.9);
			trolley.position.set(aside, up, 0);
		}
	};
}

function door(): THREE.Group {
	const hinge = new THREE.Group();
	const leaf = mesh(
		new THREE.BoxGeometry(DOOR.width, DOOR.height, 0.07),
		flat('#6a3226'),
		DOOR.width / 2,
		DOOR.height / 2,
		0
	);
	leaf.add(mesh(new THREE.SphereGeometry(0.05, 6, 5), flat('#a8752c'), DOOR.width / 2 - 0.12, -0.1, -0.06));
	hinge.add(leaf);
	hinge.position.set(DOOR.at[0] - DOOR.width / 2, DOOR.at[1], DOOR.at[2]);
	return hinge;
}

/** Somebody else, as one sees them: a coat, a head, a lantern. */
export function figure(): THREE.Group {
	const group = new THREE.Group();
	group.add(mesh(new THREE.CapsuleGeometry(0.24, 0.85, 3, 8), flat('#27434f'), 0, 0.75, 0));
	group.add(mesh(new THREE.IcosahedronGeometry(0.15, 1), flat('#b08a68'), 0, 1.55, 0));
	group.add(mesh(new THREE.ConeGeometry(0.24, 0.2, 8), flat('#c9a227'), 0, 1.7, 0));
	group.add(mesh(new THREE.OctahedronGeometry(0.09, 0), lit('#ffcf82'), 0.32, 0.8, -0.2));
	const glow = halo(0.8, 0.6);
	glow.position.set(0.32, 0.8, -0.2);
	group.add(glow);
	return group;
}

export function createGrounds(): Grounds {
	const scene = new THREE.Scene();
	scene.fog = new THREE.Fog(HAZE.getHex(), 70, 430);
	scene.add(sky(), stars(), new THREE.HemisphereLight('#b4cbdb', '#3a4246', 2.1));
	const afterglow = new THREE.DirectionalLight('#ffb377', 1.5);
	afterglow.position.set(-60, 26, -110);
	const fill = new THREE.DirectionalLight('#9fbcd8', 1.1);
	fill.position.set(30, 40, 50);
	const room = new THREE.PointLight('#ffb25e', 9, 9, 1.4);
	room.position.set(0, 2.4, 7.4);
	scene.add(afterglow, fill, room);
	for (const look of Object.keys(COLOURS) as Look[]) scene.add(build(look));
	const water = sea(true);
	const island = farLight();
	island.position.set(32, SEA_LEVEL, -176);
	const reef = skerry();
	reef.position.set(-17, SEA_LEVEL + 0.2, -47);
	const bellPost = bell();
	bellPost.position.set(2.15, 0.02, -4.3);
	const storm = lantern();
	storm.position.set(-1.16, 0, -1.22);
	const leaf = moving(door());
	scene.add(water.mesh, island, reef, bellPost, rail(), storm, furniture(), leaf);
	const farBeam = beam(230, 0.34);
	farBeam.position.set(32, SEA_LEVEL + 29.7, -176);
	const ownBeam = beam(140, 0.1);
	ownBeam.position.set(0, 4.6, 7.5);
	const farHalo = halo(34, 0.85);
	farHalo.position.copy(farBeam.position);
	const ownHalo = halo(7, 0.7);
	ownHalo.position.copy(ownBeam.position);
	scene.add(farBeam, ownBeam, farHalo, ownHalo);
	bake(scene);
	const casks: THREE.Group[] = [];
	let cut = NaN;
	let section = new THREE.Group();
	return {
		scene,
		move(time) {
			water.uniforms.time.value = time;
			farBeam.rotation.y = time * 0.42 + 0.55;
			ownBeam.rotation.y = -time * 0.3 + 0.9;
		},
		seenFrom(x, z) {
			water.mesh.position.x = x;
			water.mesh.position.z = z;
		},
		cutAt(z) {
			section.visible = z !== null;
			if (z !== null && z !== cut) {
				cut = z;
				scene.remove(section);
				section = sectionAt(z);
				scene.add(section);
			}
		},
		put({ casks: states, doorOpen }) {
			while (casks.length < states.length) {
				casks.push(cask());
				scene.add(casks[casks.length - 1]!);
			}
			states.forEach(({ x, y, z, qx, qy, qz, qw }, i) => {
				casks[i]!.position.set(x, y, z);
				casks[i]!.quaternion.set(qx, qy, qz, qw);
			});
			leaf.rotation.y = doorOpen * 1.75;
		}
	};
}

/** What a plane square to z cuts of the solids, drawn as faces with an edge. */
function sectionAt(z: number): THREE.Group {
	const group = new THREE.Group();
	for (const { at, size, tip = 0, turn = 0, look, hidden } of SOLIDS) {
		if (hidden || turn !== 0 || Math.abs(z - at[2]) >= size[2] / 2) continue;
		const shape = new THREE.PlaneGeometry(size[0], size[1]);
		const face = new THREE.Mesh(shape, new THREE.MeshBasicMaterial({ color: SECTIONS[look], fog: false }));
		face.position.set(at[0], at[1], z - 0.02);
		face.rotation.z = tip;
		const edge = new THREE.LineBasicMaterial({ color: '#1b242b' });
		face.add(new THREE.LineSegments(new THREE.EdgesGeometry(shape), edge));
		group.add(face);
	}
	// The sea, cut as well.
	const water = new THREE.PlaneGeometry(400, 40);
	const sea = new THREE.Mesh(water, new THREE.MeshBasicMaterial({ color: '#16323b', fog: false }));
	sea.position.set(0, SEA_LEVEL - 20, z - 0.05);
	group.add(sea);
	return group;
}

/** As they stand before anybody came. */
export const UNTOUCHED = (casks: readonly (readonly [number, number, number])[]): Moving => ({
	casks: casks.map(([x, y, z]) => ({ x, y: y + CASK.height / 2, z, qx: 0, qy: 0, qz: 0, qw: 1 })),
	doorOpen: 1
});
