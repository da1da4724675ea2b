/** What the scenes are made of: flat matter, rocks, and light that is drawn as something. */
import * as THREE from 'three';

export const flat = (color: string, extra: THREE.MeshLambertMaterialParameters = {}): THREE.MeshLambertMaterial =>
	new THREE.MeshLambertMaterial({ color, flatShading: true, ...extra });

/** A repeatable scatter for rocks: the picture is the same on every visit. */
export function scatter(seed: number): () => number {
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
