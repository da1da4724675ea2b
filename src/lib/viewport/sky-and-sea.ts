/** What is far at Morrowskerry: the sky, the stars, the sea. */
import * as THREE from 'three';
import { scatter } from './matter';

/** The sea's level, in metres. */
export const SEA = -9;
export const HAZE = new THREE.Color('#6f7f86');

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
