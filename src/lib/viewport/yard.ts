/** The crane yard at Morrowskerry, seen flat from the side: what the window looks at for flat presets. In pixels. */
import * as THREE from 'three';
import { flatStage, type Landmark, type Stage } from './stage';

type Spot = readonly [number, number];

const paint = (color: string, opacity = 1): THREE.MeshBasicMaterial =>
	new THREE.MeshBasicMaterial({ color, transparent: opacity < 1, opacity, side: THREE.DoubleSide });

/** Deeper things first: z only orders what is painted over what. */
function area(color: string, z: number, spots: readonly Spot[], opacity = 1): THREE.Mesh {
	const shape = new THREE.Shape(spots.map(([x, y]) => new THREE.Vector2(x, y)));
	const made = new THREE.Mesh(new THREE.ShapeGeometry(shape), paint(color, opacity));
	made.position.z = z;
	return made;
}
const box = (color: string, z: number, x: number, y: number, w: number, h: number, opacity = 1): THREE.Mesh =>
	area(
		color,
		z,
		[
			[x, y],
			[x + w, y],
			[x + w, y + h],
			[x, y + h]
		],
		opacity
	);
/** A straight beam from one spot to another. */
function bar(color: string, z: number, from: Spot, to: Spot, thick: number): THREE.Mesh {
	const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
	const length = Math.hypot(dx, dy) || 1;
	const [nx, ny] = [(-dy / length) * (thick / 2), (dx / length) * (thick / 2)];
	return area(color, z, [
		[from[0] + nx, from[1] + ny],
		[to[0] + nx, to[1] + ny],
		[to[0] - nx, to[1] - ny],
		[from[0] - nx, from[1] - ny]
	]);
}
function disc(color: string, z: number, x: number, y: number, radius: number, opacity = 1): THREE.Mesh {
	const made = new THREE.Mesh(new THREE.CircleGeometry(radius, 40), paint(color, opacity));
	made.position.set(x, y, z);
	return made;
}

function sky(): THREE.Mesh {
	const geometry = new THREE.PlaneGeometry(5200, 2600, 1, 6);
	const colors = ['#0c1830', '#15294a', '#274263', '#5b6a7c', '#b88b67', '#d99a5f', '#d99a5f'].map(
		(c) => new THREE.Color(c)
	);
	const at = geometry.attributes.position as THREE.BufferAttribute;
	const list = new Float32Array(at.count * 3);
	for (let i = 0; i < at.count; i++) colors[Math.floor(i / 2)]!.toArray(list, i * 3);
	geometry.setAttribute('color', new THREE.BufferAttribute(list, 3));
	const made = new THREE.Mesh(geometry, new THREE.MeshBasicMaterial({ vertexColors: true }));
	made.position.set(0, 640, -20);
	return made;
}

/** A band of sea with a crest line that runs along. */
function swell(color: string, z: number, level: number, high: number, long: number) {
	const count = 90;
	const geometry = new THREE.PlaneGeometry(5200, 1400, count, 1);
	const at = geometry.attributes.position as THREE.BufferAttribute;
	const made = new THREE.Mesh(geometry, paint(color));
	made.position.set(0, level - 700, z);
	const move = (time: number, speed: number): void => {
		for (let i = 0; i <= count; i++) {
			const x = at.getX(i);
			at.setY(i, 700 + high * Math.sin((x / long) * Math.PI * 2 + time * speed) + high * 0.4 * Math.sin(x / 61 - time));
		}
		at.needsUpdate = true;
	};
	return { made, move };
}

/** The crane: a lattice mast on a stone foot, a long jib, a counterweight; the cask hangs from it and swings. */
function crane(): { group: THREE.Group; load: THREE.Group } {
	const group = new THREE.Group();
	const iron = '#141d27';
	const [left, right] = [-360, -270];
	for (const x of [left, right]) group.add(bar(iron, 0, [x, -330], [x + (x === left ? 16 : -16), 300], 12));
	for (let i = 0; i < 9; i++) {
		const y = -330 + i * 70;
		const inset = (i * 16) / 9;
		group.add(bar(iron, 0, [left + inset, y], [right - inset - 2, y + 70], 7));
		group.add(bar(iron, 0, [right - inset, y], [left + inset + 2, y + 70], 7));
	}
	group.add(bar(iron, 0, [-620, 330], [520, 300], 17), bar(iron, 0, [-590, 372], [430, 318], 8));
	for (let x = -560; x < 440; x += 62)
		group.add(bar(iron, 0, [x, 368 - (x + 590) * 0.053], [x + 31, 326 - (x + 590) * 0.026], 5));
	group.add(bar(iron, 0, [-316, 300], [-316, 470], 14), bar(iron, 0, [-316, 468], [500, 306], 5));
	group.add(bar(iron, 0, [-316, 468], [-600, 350], 5), box('#2a2118', 0.2, -640, 276, 96, 74));
	group.add(box('#5a4630', 0.3, -364, 292, 96, 62), box('#ffcf82', 0.4, -346, 312, 34, 28));
	const load = new THREE.Group();
	load.position.set(330, 306, 0);
	load.add(bar('#0f161e', 0, [0, 0], [0, -250], 4), bar('#0f161e', 0, [0, -250], [-46, -300], 4));
	load.add(bar('#0f161e', 0, [0, -250], [46, -300], 4), ...cask(0, -352, 0.5));
	group.add(load);
	return { group, load };
}

function cask(x: number, y: number, z: number): THREE.Mesh[] {
	return [
		area('#7a4f26', z, [
			[x - 50, y - 34],
			[x - 58, y],
			[x - 50, y + 34],
			[x + 50, y + 34],
			[x + 58, y],
			[x + 50, y - 34]
		]),
		box('#3b2713', z + 0.05, x - 33, y - 37, 8, 74),
		box('#3b2713', z + 0.05, x + 25, y - 37, 8, 74),
		box('#a8752c', z + 0.06, x - 52, y + 8, 104, 5, 0.5)
	];
}

function tower(): THREE.Group {
	const group = new THREE.Group();
	const dark = '#33404d';
	group.add(
		area('#242f3b', -8, [
			[520, -230],
			[640, -96],
			[700, -120],
			[790, -60],
			[905, -130],
			[1010, -90],
			[1150, -230]
		]),
		area(dark, -7.9, [
			[738, -84],
			[754, 220],
			[812, 220],
			[828, -84]
		]),
		box('#6d3328', -7.8, 750, 70, 66, 46),
		box('#1a232c', -7.7, 736, 220, 94, 12),
		box('#ffdf9a', -7.7, 762, 232, 42, 44),
		area('#1a232c', -7.6, [
			[750, 276],
			[783, 318],
			[816, 276]
		])
	);
	return group;
}

/** The quay with what stands on it: the shed, lamps, casks, a keeper. */
function quay(): THREE.Group {
	const group = new THREE.Group();
	const stone = '#27313a';
	group.add(box(stone, 1, -2600, -900, 2950, 560));
	for (let row = 0; row < 3; row++)
		for (let x = -2600 + (row % 2) * 60; x < 340; x += 122)
			group.add(box(row % 2 ? '#2f3a44' : '#222b33', 1.1, x, -392 - row * 58, 116, 52));
	group.add(box('#3a4650', 1.2, -2600, -346, 2960, 14));
	group.add(
		box('#1f2731', 0.5, -1180, -340, 430, 250),
		box('#ffcf82', 0.6, -1010, -250, 62, 74),
		box('#1f2731', 0.7, -982, -250, 6, 74)
	);
	group.add(
		area('#151c24', 0.6, [
			[-1220, -92],
			[-965, 10],
			[-710, -92]
		])
	);
	for (const x of [-640, 60]) {
		group.add(bar('#10171e', 0.9, [x, -340], [x, -60], 9), bar('#10171e', 0.9, [x, -62], [x + 52, -62], 7));
		group.add(disc('#ffcf82', 0.95, x + 50, -84, 15), disc('#ffb75a', 0.9, x + 50, -84, 66, 0.16));
		group.add(disc('#ffb75a', 0.88, x + 50, -84, 130, 0.08));
	}
	for (const [x, y] of [
		[-120, -298],
		[4, -298],
		[-58, -226]
	] as const)
		group.add(...cask(x, y, 1.3));
	group.add(
		box('#121920', 1.4, -215, -340, 26, 74),
		disc('#121920', 1.4, -202, -254, 15),
		bar('#121920', 1.4, [-205, -300], [-168, -268], 9)
	);
	for (const x of [268, 330]) group.add(box('#141c23', 1.4, x, -340, 22, 34), box('#141c23', 1.4, x - 5, -312, 32, 9));
	return group;
}

/** One side of the lamp's beam: bright at the lamp, nothing at its far end. */
function ray(way: 1 | -1): THREE.Mesh {
	const geometry = new THREE.BufferGeometry();
	const far = 1500 * way;
	geometry.setAttribute(
		'position',
		new THREE.Float32BufferAttribute([0, 10, 0, 0, -10, 0, far, 150, 0, far, -150, 0], 3)
	);
	const glow = [1, 0.86, 0.6];
	const list = [0.3, 0.3, 0, 0].flatMap((alpha) => [...glow, alpha]);
	geometry.setAttribute('color', new THREE.Float32BufferAttribute(list, 4));
	geometry.setIndex([0, 1, 2, 1, 3, 2]);
	const material = new THREE.MeshBasicMaterial({ vertexColors: true, transparent: true, side: THREE.DoubleSide });
	return new THREE.Mesh(geometry, material);
}

export function createYard(): Stage {
	const scene = new THREE.Scene();
	scene.add(sky(), disc('#f3e3bd', -19, 150, 420, 40), disc('#f3e3bd', -19.5, 150, 420, 100, 0.08));
	let chance = 7;
	const next = (): number => (chance = (Math.imul(chance, 1664525) + 1013904223) | 0) / 4294967296 + 0.5;
	for (let i = 0; i < 60; i++)
		scene.add(disc('#dbe6f2', -19, (next() - 0.5) * 2600, 240 + next() * 420, 1.2 + next() * 1.6, 0.7));
	scene.add(
		area('#46566a', -12, [
			[-1800, -230],
			[-1500, -60],
			[-1180, -120],
			[-900, -20],
			[-560, -130],
			[-200, -190],
			[0, -230]
		])
	);
	scene.add(tower());
	const halo = disc('#ffd58c', -7.5, 783, 254, 92, 0.2);
	scene.add(halo, disc('#ffd58c', -7.5, 783, 254, 46, 0.35));
	const beam = ray(1);
	const opposite = ray(-1);
	for (const half of [beam, opposite]) half.position.set(783, 254, -7.65);
	scene.add(beam, opposite);
	const far = swell('#31526a', -6, -190, 8, 330);
	const middle = swell('#24445a', -4, -262, 13, 460);
	const near = swell('#152f42', 3, -430, 18, 620);
	scene.add(far.made, middle.made, near.made);
	const skiff = new THREE.Group();
	skiff.add(
		area('#3a2c1e', 0, [
			[-88, 26],
			[-66, -14],
			[62, -14],
			[92, 30]
		]),
		bar('#1a232c', 0, [-6, 20], [-6, 150], 6),
		area('#c9b48a', -0.1, [
			[2, 140],
			[2, 44],
			[74, 52]
		])
	);
	skiff.position.set(620, -250, -3);
	const { group, load } = crane();
	scene.add(skiff, group, quay());
	const gulls = [0, 1, 2].map((i) => {
		const gull = new THREE.Group();
		gull.add(bar('#dfe6ea', 0, [-26, 8], [0, 0], 5), bar('#dfe6ea', 0, [0, 0], [26, 8], 5));
		gull.position.z = 2 - i * 0.1;
		scene.add(gull);
		return gull;
	});
	const mark = (name: string, x: number, y: number): Landmark => ({
		name,
		distance: 0,
		point: new THREE.Vector3(x, y, 0)
	});
	return flatStage({
		scene,
		landmarks: [
			mark('far light', 783, 254),
			mark('jib', 520, 300),
			mark('bollard', 341, -306),
			mark('shed', -979, -213)
		],
		move(time) {
			far.move(time, 0.7);
			middle.move(time, 0.9);
			near.move(time, 1.2);
			skiff.position.y = -246 + 12 * Math.sin(time * 0.9 + 1.2);
			skiff.rotation.z = 0.05 * Math.sin(time * 0.9);
			load.rotation.z = 0.05 * Math.sin(time * 1.15);
			// A turning lamp seen from the side: its beams grow short and long.
			const turn = Math.cos(time * 0.42 + 0.5);
			beam.scale.set(turn, Math.sign(turn) * (0.35 + 0.65 * Math.abs(turn)), 1);
			opposite.scale.copy(beam.scale);
			halo.scale.setScalar(1 + 0.5 * (1 - Math.abs(turn)) ** 3);
			gulls.forEach((gull, i) => {
				gull.position.x = ((time * (34 + i * 9) + i * 700) % 2400) - 1200;
				gull.position.y = 60 + i * 90 + 26 * Math.sin(time * 0.8 + i * 2);
				gull.scale.y = 0.6 + 0.9 * Math.sin(time * (5 + i) + i);
			});
		}
	});
}
