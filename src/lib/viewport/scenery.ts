/** What stands at Morrowskerry: the gallery's rail and what hangs at it, the bell, the skerry, the light far off. */
import * as THREE from 'three';
import { flat, halo, lit, mesh, rock } from './matter';

/** The iron rail of the gallery, a curve of posts 1.5 m ahead. */
export function rail(): THREE.Group {
	const group = new THREE.Group();
	const iron = flat('#18222c');
	const worn = flat('#2b3844');
	const radius = 2.6;
	const centre = new THREE.Vector3(0, 0, 1.1);
	const post = new THREE.CylinderGeometry(0.028, 0.034, 1.22, 6);
	const knob = new THREE.OctahedronGeometry(0.042, 0);
	for (let i = -7; i <= 7; i++) {
		const turn = (i + 0.5) * 0.235;
		const x = centre.x + Math.sin(turn) * radius;
		const z = centre.z - Math.cos(turn) * radius;
		group.add(mesh(post, iron, x, 0.61, z), mesh(knob, worn, x, 1.26, z));
	}
	for (const [y, thick] of [
		[1.2, 0.034],
		[0.82, 0.02],
		[0.46, 0.02]
	] as const) {
		const bar = new THREE.TorusGeometry(radius, thick, 5, 48, Math.PI * 1.2);
		const made = new THREE.Mesh(bar, y > 1 ? worn : iron);
		made.rotation.set(Math.PI / 2, 0, Math.PI * 1.5 - Math.PI * 0.6);
		made.position.set(centre.x, y, centre.z);
		made.rotation.z = -Math.PI * 1.1;
		group.add(made);
	}
	const deck = mesh(new THREE.CylinderGeometry(2.85, 2.7, 0.24, 28), flat('#232b31'), centre.x, -0.12, centre.z);
	const edge = mesh(new THREE.TorusGeometry(2.82, 0.06, 4, 40), flat('#39444c'), centre.x, 0, centre.z);
	edge.rotation.x = Math.PI / 2;
	group.add(deck, edge);
	return group;
}

/** A storm lantern on an iron crook at the rail: the nearest light, and a body for the eye to weigh. */
export function lantern(): THREE.Group {
	const group = new THREE.Group();
	const iron = flat('#141b22');
	const glass = new THREE.MeshBasicMaterial({ color: '#ffcf82', fog: false });
	group.add(mesh(new THREE.CylinderGeometry(0.022, 0.03, 2.1, 6), iron, 0, 1.05, 0));
	const crook = mesh(new THREE.TorusGeometry(0.14, 0.018, 5, 14, Math.PI), iron, 0.14, 2.08, 0);
	group.add(crook);
	const swing = new THREE.Group();
	swing.position.set(0.28, 2.06, 0);
	swing.name = 'swing';
	swing.add(
		mesh(new THREE.CylinderGeometry(0.004, 0.004, 0.12, 4), iron, 0, -0.05, 0),
		mesh(new THREE.ConeGeometry(0.085, 0.075, 6), iron, 0, -0.14, 0),
		mesh(new THREE.CylinderGeometry(0.05, 0.058, 0.14, 6), glass, 0, -0.25, 0),
		mesh(new THREE.CylinderGeometry(0.07, 0.075, 0.04, 6), iron, 0, -0.34, 0)
	);
	for (let i = 0; i < 6; i++) {
		const turn = (i / 6) * Math.PI * 2;
		swing.add(
			mesh(new THREE.BoxGeometry(0.008, 0.15, 0.008), iron, Math.cos(turn) * 0.062, -0.25, Math.sin(turn) * 0.062)
		);
	}
	const glow = halo(0.95, 0.55);
	glow.position.y = -0.25;
	swing.add(glow);
	group.add(swing);
	return group;
}

/** The fog bell on its bracket, 5 m away. */
export function bell(): THREE.Group {
	const group = new THREE.Group();
	const iron = flat('#1d2730');
	const stone = flat('#3b444a');
	group.add(mesh(new THREE.CylinderGeometry(0.62, 0.85, 3.4, 7), stone, 0, -1.9, 0));
	group.add(mesh(new THREE.CylinderGeometry(0.72, 0.68, 0.16, 7), flat('#4a545a'), 0, -0.14, 0));
	for (const x of [-0.42, 0.42]) group.add(mesh(new THREE.BoxGeometry(0.09, 1.75, 0.09), iron, x, 0.8, 0));
	group.add(mesh(new THREE.BoxGeometry(1.1, 0.1, 0.14), iron, 0, 1.66, 0));
	const roof = mesh(new THREE.ConeGeometry(0.86, 0.42, 4), flat('#27333d'), 0, 1.93, 0);
	roof.rotation.y = Math.PI / 4;
	group.add(roof);
	const profile = [
		[0.02, 0.5],
		[0.12, 0.49],
		[0.19, 0.4],
		[0.22, 0.2],
		[0.29, 0.05],
		[0.36, 0]
	].map(([x, y]) => new THREE.Vector2(x, y));
	const brass = mesh(
		new THREE.LatheGeometry(profile, 12),
		flat('#a8752c', { side: THREE.DoubleSide, emissive: '#2c1a05' }),
		0,
		0.98,
		0
	);
	brass.name = 'bell';
	group.add(brass);
	return group;
}

/** A perch on its skerry, 50 m away: a pole with a cage, and a skiff that lies beside it. */
export function skerry(): THREE.Group {
	const group = new THREE.Group();
	const stone = rock(7.5, 3.4, 31, '#2c363d', 2);
	group.add(stone, Object.assign(rock(4, 1.8, 5, '#333d43', 1), { name: 'small' }));
	group.getObjectByName('small')!.position.set(8.5, -0.4, 2.5);
	const wood = flat('#20272c');
	group.add(mesh(new THREE.CylinderGeometry(0.16, 0.24, 8, 5), wood, 0, 5.6, 0));
	const cage = mesh(
		new THREE.OctahedronGeometry(1.25, 0),
		new THREE.MeshBasicMaterial({ color: '#2b353c', wireframe: true }),
		0,
		9.8,
		0
	);
	group.add(cage, mesh(new THREE.OctahedronGeometry(0.42, 0), lit('#f0a040'), 0, 9.8, 0));
	const skiff = new THREE.Group();
	const hull = mesh(new THREE.CylinderGeometry(0.35, 0.75, 4.6, 6, 1), flat('#4a3a2c'), 0, 0, 0);
	hull.rotation.z = Math.PI / 2;
	hull.scale.set(0.62, 1, 1);
	skiff.add(hull, mesh(new THREE.CylinderGeometry(0.05, 0.07, 4, 5), wood, -0.4, 2, 0));
	skiff.position.set(-10, -0.1, 6);
	skiff.name = 'skiff';
	group.add(skiff);
	return group;
}

/** The sister light on its island, 180 m away. */
export function farLight(): THREE.Group {
	const group = new THREE.Group();
	const island = rock(27, 8.5, 11, '#2a333b', 3);
	island.scale.set(1.5, 1, 0.8);
	const shoulder = rock(16, 5, 23, '#323c44', 2);
	shoulder.position.set(30, -1, 5);
	const tower = mesh(new THREE.CylinderGeometry(2.05, 3.3, 22, 10), flat('#56626a'), 0, 16.5, 0);
	const band = mesh(new THREE.CylinderGeometry(2.42, 2.68, 4.4, 10), flat('#7c3a2c'), 0, 19, 0);
	const balcony = mesh(new THREE.CylinderGeometry(3.1, 2.7, 0.7, 10), flat('#1e272e'), 0, 27.8, 0);
	const room = mesh(new THREE.CylinderGeometry(1.65, 1.65, 3.1, 8), lit('#ffdf9a'), 0, 29.7, 0);
	const roof = mesh(new THREE.ConeGeometry(2.5, 2.2, 8), flat('#1e272e'), 0, 32.3, 0);
	group.add(island, shoulder, tower, band, balcony, room, roof);
	for (const y of [12.5, 22.8])
		group.add(mesh(new THREE.BoxGeometry(0.7, 1.2, 0.3), lit('#f2b75c'), -0.4, y, 2.75 - (y - 12.5) * 0.05));
	const cottage = mesh(new THREE.BoxGeometry(8, 3.6, 5), flat('#414b52'), 14, 7.6, 4);
	const thatch = mesh(new THREE.CylinderGeometry(0.1, 3.9, 2.6, 4), flat('#252d33'), 14, 10.6, 4);
	thatch.rotation.y = Math.PI / 4;
	thatch.scale.set(1.5, 1, 0.95);
	group.add(cottage, thatch, mesh(new THREE.BoxGeometry(1, 1, 0.2), lit('#f2b75c'), 12.5, 7.6, 6.6));
	return group;
}
