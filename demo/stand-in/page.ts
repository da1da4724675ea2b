/** The stand-in game in a page: its own loop of 1/120 s, keys, a picture, and the wire. It uses the package that any game installs. */
import { createRuntime, openKit } from 'dinesis-runtime';
import { connect, type Wire } from 'dinesis-runtime/wire';
import { draw } from './draw';
import { Play, RIG, SEED } from './play';
import { STEP } from './world';

const canvas = document.querySelector('canvas')!;
const context = canvas.getContext('2d')!;
const line = document.querySelector('#line')!;
const read = openKit(await (await fetch('./kit.json')).json());
if (!read.ok) throw new Error(read.problems[0]!.message);
const runtime = createRuntime(read.value, { seed: SEED, rig: RIG });
let wire: Wire | null = null;
const play = new Play(runtime, SEED, () => wire?.tookTake());

// Keys.
const down = new Set<string>();
let grab = false;
let still = false;
const keys = document.querySelector<HTMLElement>('#keys')!;
const help = document.querySelector<HTMLButtonElement>('#help')!;
function showKeys(shown = keys.hidden): void {
	keys.hidden = !shown;
	help.setAttribute('aria-expanded', String(shown));
}
help.onclick = () => showKeys();
addEventListener('keydown', (event) => {
	if (event.target instanceof HTMLInputElement) return;
	if (event.key === '?') return showKeys();
	if (event.key === 'Escape') return showKeys(false);
	if (event.repeat) return;
	if (event.code === 'Space') {
		grab = true;
		event.preventDefault();
	} else if (event.code === 'KeyP') still = !still;
	down.add(event.code);
});
addEventListener('keyup', ({ code }) => down.delete(code));
addEventListener('blur', () => down.clear());
const held = (...codes: string[]): number => (codes.some((code) => down.has(code)) ? 1 : 0);

// The wire: `#at=ws://…&key=…`, as the tool links here, or what was typed.
const form = document.querySelector('form')!;
const field = (name: string): HTMLInputElement => form.elements.namedItem(name) as HTMLInputElement;
function join(at: string, key: string): void {
	wire?.close();
	if (at === '') return;
	wire = connect(runtime, at, {
		game: 'The crane at Morrowskerry',
		version: 'as it ships',
		...(key !== '' && { key }),
		take: (recording) => play.playTake(recording),
		onState: ({ state, project, why }) => {
			const said = {
				away: 'no tool; it is looked for',
				open: `on the wire: ${project}`,
				refused: `not let in: ${why}`,
				closed: ''
			};
			line.textContent = said[state];
		}
	});
}
form.onsubmit = (event) => {
	event.preventDefault();
	join(field('at').value.trim(), field('key').value.trim());
	showKeys(false);
};
const given = new URLSearchParams(location.hash.slice(1));
field('at').value = given.get('at') ?? '';
field('key').value = given.get('key') ?? '';
line.textContent = 'alone, with the kit that it ships with';
join(field('at').value, field('key').value);

// The loop: steps of 1/120 s, whatever the display shows.
let last = performance.now();
let left = 0;
requestAnimationFrame(function next(now) {
	requestAnimationFrame(next);
	left = Math.min(0.1, left + Math.max(0, now - last) / 1000);
	last = now;
	for (; left >= STEP; left -= STEP) {
		if (still) continue;
		play.step({
			along: held('KeyD', 'ArrowRight') - held('KeyA', 'ArrowLeft'),
			lift: held('KeyW', 'ArrowUp') - held('KeyS', 'ArrowDown'),
			grab
		});
		grab = false;
	}
	const ratio = Math.min(2, devicePixelRatio || 1);
	const [wide, high] = [Math.round(innerWidth * ratio), Math.round(innerHeight * ratio)];
	if (canvas.width !== wide || canvas.height !== high) Object.assign(canvas, { width: wide, height: high });
	draw(context, play, runtime.frameOf(0), play.world.time);
});
