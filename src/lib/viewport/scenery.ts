/** What the scenes at Morrowskerry are built of: sky and sea, rocks and lights, the rail and what hangs at it. */
import * as THREE from 'three';

/** The sea's level, in metres. */
export const SEA = -9;
export const HAZE = new THREE.Color('#6f7f86');

export const flat = (color: string, extra: THREE.MeshLambertMaterialParameters = {}): THREE.MeshLambertMaterial =>
	new THREE.MeshLambertMaterial({ color, flatShading: true, ...extra });

/** A repeatable scatter for rocks: the picture is the same on every visit. */
function scatter(seed: number): () => number {
	let s = seed;
	return () => {
		s = (Math.imul(s, 1664525) + 1013904223) | 0;
		return (s >>> 0) / 4294967296;
	};
}

export function mesh(
	geometry: THREE.BufferGeometry,
	material: THREE.Material,
	x: number,
	y: number,
	z: number
): THREE.Mesh {
	const made = new THREE.Mesh(geometry, material);
	made.position.set(x, y, z);
	return made;
}

/** Rows of the sky's dome, close together at the horizon where it changes most. */
const SKY = { rows: 40, columns: 48, radius: 900, lowest: -0.09 } as const;
const mixed = (a: readonly number[], b: readonly number[], part: number): number[] =>
	a.map((v, i) => v + (b[i]! - v) * part);
const smooth = (from: number, to: number, v: number): number => {
	const t = Math.min(1, Math.max(0, (v - from) / (to - from)));
	return t * t * (3 - 2 * t);
};

/** The sky in a direction: dusk towards where the sun went down, thin clouds over the horizon. */
function skyIn(x: number, h: number, z: number): number[] {
	let c = mixed([0.36, 0.46, 0.5], [0.115, 0.205, 0.315], smooth(0, 0.28, h));
	c = mixed(c, [0.042, 0.082, 0.145], smooth(0.18, 0.62, h));
	const level = Math.hypot(x, z) || 1;
	const toward = Math.max(0, (x * -0.38722 + z * -0.92195) / level);
	const band = Math.exp(-Math.pow(Math.max(h, 0) * 11, 1.25));
	c = mixed(c, [0.86, 0.57, 0.34], band * (0.25 + 0.7 * toward ** 3));
	const cloud = smooth(0.35, 0.75, Math.sin(x * 9 + h * 31) * 0.5 + Math.sin(x * 21 - h * 57) * 0.25 + 0.45);
	const under = c.map((v, i) => v * [0.74, 0.72, 0.78][i]! + [0.05, 0.025, 0.02][i]! * toward);
	return mixed(c, under, cloud * smooth(0.05, 0.12, h) * (1 - smooth(0.2, 0.36, h)) * 0.75);
}

/** It never changes: its colours are worked out once, at the corners of a fine dome. */
export function sky(): THREE.Mesh {
	const { rows, columns, radius, lowest } = SKY;
	const dome = new THREE.PlaneGeometry(1, 1, columns, rows);
	const at = dome.attributes.position as THREE.BufferAttribute;
	const tones = new Float32Array(at.count * 3);
	for (let i = 0; i < at.count; i++) {
		const part = at.getY(i) + 0.5;
		const h = lowest + (1 - lowest) * part ** 1.9;
		const turn = at.getX(i) * 2 * Math.PI;
		const level = Math.sqrt(Math.max(0, 1 - h * h));
		const [x, z] = [Math.sin(turn) * level, -Math.cos(turn) * level];
		at.setXYZ(i, x * radius, h * radius, z * radius);
		tones.set(skyIn(x, h, z), i * 3);
	}
	dome.setAttribute('tone', new THREE.BufferAttribute(tones, 3));
	const material = new THREE.ShaderMaterial({
		side: THREE.DoubleSide,
		depthWrite: false,
		fog: false,
		vertexShader: `attribute vec3 tone; varying vec3 c; void main() { c = tone; gl_Position = projectionMatrix * modelViewMatrix * vec4(position, 1.0); }`,
		fragmentShader: `varying vec3 c; void main() { gl_FragColor = vec4(c, 1.0); }`
	});
	const made = new THREE.Mesh(dome, material);
	made.frustumCulled = false;
	// Behind everything that hides it: what is seen of it is filled once.
	made.renderOrder = 3;
	return made;
}

export function stars(): THREE.Points {
	const chance = scatter(7);
	const positions: number[] = [];
	for (let i = 0; i < 170; i++) {
		const around = chance() * Math.PI * 2;
		const up = 0.3 + chance() * 0.65;
		const flatness = Math.sqrt(1 - up * up);
		positions.push(Math.cos(around) * flatness * 800, up * 800, Math.sin(around) * flatness * 800);
	}
	const geometry = new THREE.BufferGeometry();
	geometry.setAttribute('position', new THREE.Float32BufferAttribute(positions, 3));
	const material = new THREE.PointsMaterial({
		color: '#cfd9e6',
		size: 1.7,
		sizeAttenuation: false,
		fog: false,
		transparent: true,
		opacity: 0.75
	});
	return new THREE.Points(geometry, material);
}

/** A fan of rows that widen with the distance, for an eye that looks one way; or rings, for one that looks about. */
function seaGrid(round: boolean): THREE.PlaneGeometry {
	const geometry = round ? new THREE.PlaneGeometry(1, 1, 104, 52) : new THREE.PlaneGeometry(1, 1, 84, 66);
	const at = geometry.attributes.position as THREE.BufferAttribute;
	for (let i = 0; i < at.count; i++) {
		const t = 0.5 - at.getY(i);
		const away = (round ? 0 : 4) + 560 * t ** 2.4;
		const turn = at.getX(i) * 2 * Math.PI;
		if (round) at.setXYZ(i, Math.sin(turn) * away, 0, -Math.cos(turn) * away);
		else at.setXYZ(i, at.getX(i) * (70 + away * 2.6), 0, -away);
	}
	return geometry;
}

/** Low-poly sea: each face has one colour, worked out at one of its corners from the waves there. */
export function sea(round = false): {
	mesh: THREE.Mesh;
	uniforms: { time: THREE.IUniform<number>; beam: THREE.IUniform<number> };
} {
	const geometry = seaGrid(round);
	const uniforms = {
		time: { value: 0 },
		beam: { value: 0 },
		calms: { value: round ? 0.86 : 0 },
		round: { value: round ? 1 : 0 }
	};
	const material = new THREE.ShaderMaterial({
		uniforms,
		side: THREE.DoubleSide,
		glslVersion: THREE.GLSL3,
		vertexShader: `
			uniform float time; uniform float calms; uniform float beam; uniform float round; flat out vec3 tone;
			void main() {
				vec3 p = position;
				// Waves stand in the world, the grid goes along with the eye; close to it the water is calm enough for a boat.
				vec2 g = p.xz + modelMatrix[3].xz;
				float away = length(p.xz);
				float calm = 1.0 - smoothstep(60.0, 420.0, away) * 0.55;
				calm *= mix(1.0 - calms, 1.0, smoothstep(5.0, 38.0, away));
				vec3 at = vec3(0.16 * g.x + 0.24 * g.y + time * 1.05, -0.31 * g.x + 0.38 * g.y + time * 1.43, 0.73 * g.x + 0.55 * g.y - time * 1.9);
				vec3 high = vec3(0.62, 0.38, 0.22) * calm;
				p.y += dot(high, sin(at));
				p.x += 0.4 * sin(0.21 * g.y + time * 0.7);
				vec3 w = (modelMatrix * vec4(p, 1.0)).xyz;
				gl_Position = projectionMatrix * viewMatrix * vec4(w, 1.0);

				// Short waves that the grid is too coarse for have no say in how a face is lit.
				vec3 seen = vec3(1.0, 1.0 - smoothstep(70.0, 220.0, away), 1.0 - smoothstep(14.0, 60.0, away));
				vec3 steep = high * cos(at) * seen;
				vec3 n = normalize(vec3(-dot(steep, vec3(0.16, -0.31, 0.73)), 1.0, -dot(steep, vec3(0.24, 0.38, 0.55))));
				vec3 toEye = normalize(cameraPosition - w);
				float grazing = 1.0 - max(dot(n, toEye), 0.0);
				float fresnel = grazing * grazing * grazing;
				vec3 c = mix(vec3(0.018, 0.075, 0.105), vec3(0.045, 0.17, 0.20), clamp(n.z * 0.9 + 0.45, 0.0, 1.0));
				float sunward = max(0.0, dot(normalize(w.xz - cameraPosition.xz * round), vec2(-0.38722, -0.92195)));
				float glow = sunward * sunward * sunward;
				glow *= glow;
				c = mix(c, mix(vec3(0.22, 0.31, 0.36), vec3(0.62, 0.40, 0.25), glow), fresnel * 0.5);
				float crest = smoothstep(0.75, 1.1, w.y + 9.0) * smoothstep(0.2, 0.6, sin(w.x * 1.7 + w.z * 0.9));
				c += vec3(0.13, 0.15, 0.15) * crest * (1.0 - smoothstep(40.0, 130.0, away));
				float aside = (w.x - 32.0 * (-w.z / 176.0)) / (2.0 + away * 0.028);
				float slant = max(n.z * 0.5 + 0.5, 0.0);
				slant *= slant;
				c += vec3(0.9, 0.55, 0.2) * exp(-aside * aside) * slant * slant * (0.10 + 0.5 * beam) * smoothstep(20.0, 60.0, away) * step(w.z, 0.0);
				tone = mix(c, mix(vec3(0.33, 0.39, 0.41), vec3(0.62, 0.43, 0.30), glow), smoothstep(90.0, 520.0, away) * 0.9);
			}`,
		fragmentShader: `flat in vec3 tone; out vec4 colour; void main() { colour = vec4(tone, 1.0); }`
	});
	const made = new THREE.Mesh(geometry, material);
	made.position.y = SEA;
	made.frustumCulled = false;
	// After what stands in it, before the sky.
	made.renderOrder = 2;
	return { mesh: made, uniforms };
}

/** A rock: an icosahedron pushed about, its foot cut off by the sea. */
export function rock(radius: number, height: number, seed: number, color: string, detail = 2): THREE.Mesh {
	const geometry = new THREE.IcosahedronGeometry(1, detail);
	const at = geometry.attributes.position as THREE.BufferAttribute;
	const pushed = new Map<string, number>();
	const chance = scatter(seed);
	for (let i = 0; i < at.count; i++) {
		const key = [at.getX(i), at.getY(i), at.getZ(i)].map((v) => v.toFixed(3)).join();
		if (!pushed.has(key)) pushed.set(key, 0.74 + chance() * 0.46);
		const by = pushed.get(key)!;
		const y = at.getY(i);
		at.setXYZ(i, at.getX(i) * by * radius, (y > 0 ? y ** 0.8 : y) * by * height, at.getZ(i) * by * radius);
	}
	geometry.computeVertexNormals();
	return new THREE.Mesh(geometry, flat(color));
}

/** A light beam: two long wedges that fade along their length, added onto what is behind. */
export function beam(length: number, strength: number): THREE.Group {
	const geometry = new THREE.CylinderGeometry(length * 0.062, 0.5, length, 20, 1, true);
	geometry.translate(0, length / 2, 0);
	geometry.rotateZ(-Math.PI / 2);
	const material = new THREE.ShaderMaterial({
		transparent: true,
		depthWrite: false,
		// Its far wall alone, as bright as both: it is seen from outside and from within.
		side: THREE.BackSide,
		blending: THREE.AdditiveBlending,
		uniforms: { strength: { value: strength }, reach: { value: length } },
		vertexShader: `varying float along; varying vec3 n; varying vec3 e; uniform float reach;
			void main() { along = position.x / reach; vec4 v = modelViewMatrix * vec4(position, 1.0); n = normalMatrix * normal; e = -v.xyz; gl_Position = projectionMatrix * v; }`,
		fragmentShader: `varying float along; varying vec3 n; varying vec3 e; uniform float strength;
			void main() {
				float rim = abs(dot(normalize(n), normalize(e)));
				float left = 1.0 - clamp(along, 0.0, 1.0);
				float a = 2.0 * strength * rim * sqrt(rim) * left * sqrt(left);
				gl_FragColor = vec4(vec3(1.0, 0.80, 0.50) * a, 1.0);
			}`
	});
	const pair = new THREE.Group();
	const one = new THREE.Mesh(geometry, material);
	const other = new THREE.Mesh(geometry, material);
	other.rotation.y = Math.PI;
	pair.add(one, other);
	pair.traverse((part) => (part.frustumCulled = false));
	return pair;
}

export function halo(size: number, opacity: number): THREE.Sprite {
	const canvas = document.createElement('canvas');
	canvas.width = canvas.height = 128;
	const pen = canvas.getContext('2d')!;
	const glow = pen.createRadialGradient(64, 64, 0, 64, 64, 64);
	glow.addColorStop(0, 'rgba(255,226,160,1)');
	glow.addColorStop(0.18, 'rgba(246,178,86,.55)');
	glow.addColorStop(0.5, 'rgba(214,130,52,.16)');
	glow.addColorStop(1, 'rgba(190,110,40,0)');
	pen.fillStyle = glow;
	pen.fillRect(0, 0, 128, 128);
	const texture = new THREE.CanvasTexture(canvas);
	texture.colorSpace = THREE.SRGBColorSpace;
	const material = new THREE.SpriteMaterial({
		map: texture,
		blending: THREE.AdditiveBlending,
		depthWrite: false,
		transparent: true,
		opacity,
		fog: false
	});
	const sprite = new THREE.Sprite(material);
	sprite.scale.setScalar(size);
	return sprite;
}

export const lit = (color: string): THREE.MeshBasicMaterial => new THREE.MeshBasicMaterial({ color, fog: false });

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
