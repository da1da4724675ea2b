/** The crane, drawn flat: what the camera of the run-time sees, its offset in pixels of a picture 1080 high. */
import type { RuntimeFrame } from 'dinesis-runtime';
import { YARD, type Play } from './play';
import { BARGE, JIB, MAST, QUAY, SEA, type Crate } from './world';

/** Pixels a metre, in a picture so many pixels high: as the rig has it. */
const PER = 96;
const TALL = 1080;
/** Of a crate: the wood of its planks. */
const WOODS = ['#8a5f38', '#7a5532', '#9a6f45', '#6d4a2c'];

export function draw(
	context: CanvasRenderingContext2D,
	play: Play,
	{ camera, offset }: RuntimeFrame,
	time: number
): void {
	const { width, height } = context.canvas;
	const scale = (height / TALL) * PER;
	const zoom = scale / Math.max(0.02, 1 + offset[6]! / 100);
	const x = camera[0]! + offset[0]! / PER - YARD.x;
	const y = camera[1]! + offset[1]! / PER - YARD.y;
	sky(context, x, y, time);
	context.save();
	context.translate(width / 2, height / 2);
	context.rotate((offset[5]! * Math.PI) / 180);
	context.scale(zoom, -zoom);
	context.translate(-x, -y);
	far(context, x, time);
	crane(context, play);
	quay(context);
	barge(context, play);
	for (const crate of play.world.crates) if (!(play.take && crate === play.world.held)) box(context, crate);
	if (play.take) box(context, { x: hookOf(play)[0], y: hookOf(play)[1] - 1, size: 1, tone: 0.4 });
	sea(context, x, time, play);
	context.restore();
}

function sky(context: CanvasRenderingContext2D, x: number, y: number, time: number): void {
	const { width, height } = context.canvas;
	const glow = context.createLinearGradient(0, 0, 0, height);
	glow.addColorStop(0, '#142431');
	glow.addColorStop(0.55, '#31485a');
	glow.addColorStop(0.8, '#b47a4a');
	glow.addColorStop(1, '#5a4a48');
	context.fillStyle = glow;
	context.fillRect(0, 0, width, height);
	context.fillStyle = '#e9dfc6';
	for (let i = 0; i < 60; i++) {
		const at = (((i * 977 - x * 6) % width) + width) % width;
		const up = ((i * 613) % (height * 0.45)) + y * 4;
		context.globalAlpha = 0.25 + 0.2 * Math.sin(time * 0.7 + i);
		context.fillRect(at, up, 2, 2);
	}
	context.globalAlpha = 1;
}

function far(context: CanvasRenderingContext2D, x: number, time: number): void {
	// The light, which stands far off: it moves less than what is near.
	const at = 15 + (x - 15) * 0.72;
	context.fillStyle = '#22323e';
	context.beginPath();
	context.moveTo(at - 4, SEA);
	context.lineTo(at - 1.6, SEA + 1.2);
	context.lineTo(at + 1.8, SEA + 1);
	context.lineTo(at + 4, SEA);
	context.fill();
	context.fillRect(at - 0.35, SEA + 1, 0.7, 3.6);
	context.fillRect(at - 0.55, SEA + 4.5, 1.1, 0.3);
	const turn = Math.cos(time * 0.6);
	context.fillStyle = `rgba(255, 226, 160, ${0.1 + 0.25 * Math.max(0, turn)})`;
	context.beginPath();
	context.moveTo(at, SEA + 5);
	context.lineTo(at + turn * 40, SEA + 7);
	context.lineTo(at + turn * 40, SEA + 3.4);
	context.fill();
	context.fillStyle = '#ffe2a0';
	context.fillRect(at - 0.25, SEA + 4.8, 0.5, 0.5);
}

/** The hook; of a take as it was then. */
const hookOf = ({ world, body, take }: Play): [number, number] =>
	take ? [body.pose[0]! - YARD.x, body.pose[1]! - YARD.y] : [world.hookX, world.hookY];

function crane(context: CanvasRenderingContext2D, play: Play): void {
	const { world, take } = play;
	context.strokeStyle = '#53646f';
	context.lineWidth = 0.14;
	context.beginPath();
	for (const side of [-0.7, 0.7]) {
		context.moveTo(MAST + side, 0);
		context.lineTo(MAST + side * 0.6, JIB + 2.4);
	}
	for (let y = 0; y < JIB + 1.6; y += 1.2) {
		context.moveTo(MAST - 0.66, y);
		context.lineTo(MAST + 0.62, y + 1.2);
	}
	context.moveTo(MAST - 3, JIB + 0.5);
	context.lineTo(14, JIB + 0.5);
	context.moveTo(MAST - 3, JIB + 0.5);
	context.lineTo(MAST, JIB + 2.4);
	context.lineTo(13, JIB + 0.6);
	context.stroke();
	context.fillStyle = '#8d4737';
	context.fillRect(MAST - 3.4, JIB - 0.6, 1.5, 1.2);
	context.fillStyle = '#d9a441';
	context.fillRect(MAST - 0.6, JIB - 1.6, 1.2, 1.4);
	context.fillStyle = '#2b3d4a';
	context.fillRect(MAST - 0.4, JIB - 1.2, 0.8, 0.6);
	const [hookX, hookY] = hookOf(play);
	const trolley = take ? hookX : world.trolley;
	context.fillStyle = '#7b8a92';
	context.fillRect(trolley - 0.5, JIB + 0.1, 1, 0.4);
	context.lineWidth = 0.05;
	context.beginPath();
	context.moveTo(trolley, JIB + 0.1);
	context.lineTo(hookX, hookY + 0.25);
	context.stroke();
	context.lineWidth = 0.09;
	context.beginPath();
	context.arc(hookX, hookY + 0.12, 0.14, -Math.PI * 0.6, Math.PI * 0.75);
	context.stroke();
}

function quay(context: CanvasRenderingContext2D): void {
	context.fillStyle = '#4d5a62';
	context.fillRect(QUAY.from - 40, -7, QUAY.to - QUAY.from + 40, 7);
	context.strokeStyle = '#39454d';
	context.lineWidth = 0.05;
	context.beginPath();
	for (let row = 0; row < 7; row++)
		for (let k = 0; k < 30; k++) {
			const at = QUAY.to - k * 1.8 - (row % 2) * 0.9;
			context.rect(at - 1.8, -row - 1, 1.8, 1);
		}
	context.stroke();
	context.fillStyle = '#66737a';
	context.fillRect(QUAY.from - 40, -0.22, QUAY.to - QUAY.from + 40.3, 0.22);
	context.fillStyle = '#1d2831';
	context.fillRect(QUAY.to - 0.7, 0, 0.3, 0.5);
}

function barge(context: CanvasRenderingContext2D, { world }: Play): void {
	const { deck } = world;
	context.fillStyle = '#2a3944';
	context.beginPath();
	context.moveTo(BARGE.from - 0.6, deck);
	context.lineTo(BARGE.to + 0.9, deck);
	context.lineTo(BARGE.to + 0.1, deck - 1.9);
	context.lineTo(BARGE.from + 0.2, deck - 1.9);
	context.fill();
	context.fillStyle = '#8d4737';
	context.fillRect(BARGE.from - 0.5, deck - 0.22, BARGE.to - BARGE.from + 1.2, 0.22);
}

function box(context: CanvasRenderingContext2D, { x, y, size, tone }: Pick<Crate, 'x' | 'y' | 'size' | 'tone'>): void {
	context.fillStyle = WOODS[Math.floor(tone * WOODS.length)]!;
	context.fillRect(x - size / 2, y, size, size);
	context.strokeStyle = '#47321f';
	context.lineWidth = 0.06;
	context.strokeRect(x - size / 2 + 0.03, y + 0.03, size - 0.06, size - 0.06);
	context.beginPath();
	context.moveTo(x - size / 2, y);
	context.lineTo(x + size / 2, y + size);
	context.stroke();
}

function sea(context: CanvasRenderingContext2D, x: number, time: number, { marks, world }: Play): void {
	for (const { kind, x: at, y, size, at: when } of marks) {
		const age = world.time - when;
		if (age < 0 || age > 1.1) continue;
		context.fillStyle =
			kind === 'spray' ? `rgba(236, 244, 245, ${0.95 * (1 - age)})` : `rgba(196, 176, 140, ${0.5 * (1 - age)})`;
		for (let i = 0; i < 34; i++) {
			const [a, b] = [((i * 613) % 97) / 97, ((i * 389) % 89) / 89];
			const way = (a - 0.5) * (kind === 'spray' ? 2.6 : 4);
			const up = kind === 'spray' ? (2 + 5 * b) * size * age - 4.9 * age * age : 0.5 * age;
			context.beginPath();
			context.arc(at + way * (0.4 + age * size), y + Math.max(0, up), (0.02 + 0.05 * size) * (0.5 + a), 0, 7);
			context.fill();
		}
	}
	context.fillStyle = '#1b3542e6';
	context.beginPath();
	context.moveTo(QUAY.to, -14);
	for (let at = QUAY.to; at < x + 40; at += 0.5)
		context.lineTo(at, SEA + 0.16 * Math.sin(at * 0.8 + time * 1.4) + 0.09 * Math.sin(at * 2.1 - time));
	context.lineTo(x + 40, -14);
	context.fill();
}
