/** What can be done on the Bench. */
import type { ShakePreset } from 'dinesis-runtime';
import type { ProjectSession } from '$lib/session/session.svelte';
import type { Command, CommandTable } from '$lib/ui/commands.svelte';
import { capOf, keyIdOf, type KeyCap } from '$lib/room/key-board';
import { withShift } from '$lib/ui/keys';
import type { BenchState } from './bench.svelte';
import { pressCap, releaseCap } from './caps';
import { paperLength } from './paper';
import type { WindowShows } from './window.svelte';

export interface BenchParts {
	readonly session: ProjectSession;
	readonly bench: BenchState;
	readonly shows: WindowShows;
	readonly preset: () => ShakePreset | undefined;
	readonly key: () => string;
	readonly open: (key: string) => void;
	/** Turns the sheet to the neighbours. */
	readonly vary: () => void;
}

const KEYS = Array.from({ length: 9 }, (_, i) => [`Digit${i + 1}`, `Numpad${i + 1}`]).flat();

export function benchCommands(parts: BenchParts): CommandTable {
	const { session, bench, shows, preset, key, open } = parts;
	const there = (): boolean => preset() !== undefined;
	const opened = (made: Promise<string | null>): void => void made.then((id) => id && open(id));
	const capOn = (press: KeyboardEvent) => capOf(session, keyIdOf(press.code, press.shiftKey));
	/** What each key that is down has begun. */
	const down = new Map<string, KeyCap>();
	const row = (id: string, about: string, rest: Omit<Command, 'id' | 'about'>): Command => {
		// Labels may be getters: they stay so.
		return Object.defineProperties({ id: `bench ${id}`, about } as Command, Object.getOwnPropertyDescriptors(rest));
	};
	return {
		commands: [
			row('keys', 'keys', {
				label: 'Fire what is on that key. Continuous: hold, or tap to leave it on and tap again to stop',
				shown: '1 … 9, Shift 1 … 9',
				keyOnly: true,
				keys: withShift(...KEYS),
				when: there,
				run: (press) => {
					const cap = capOn(press!);
					if (!cap) return;
					down.set(press!.code, cap);
					pressCap(bench, cap, performance.now());
				},
				release: (code) => {
					const cap = down.get(code);
					down.delete(code);
					if (cap) releaseCap(bench, cap, performance.now());
				}
			}),
			row('open key', 'keys', {
				label: 'Open that key’s preset to tune it',
				shown: 'T 1 … 9',
				keyOnly: true,
				keys: withShift(...KEYS).map((key) => `t ${key}`),
				run: (press) => {
					const cap = capOn(press!);
					if (cap?.kind === 'preset') open(cap.of);
				}
			}),
			row('fire', 'keys', {
				get label() {
					return `Fire ${preset()?.name ?? 'it'}`;
				},
				says: 'Fire the open preset',
				keys: ['Space'],
				when: there,
				run: () => bench.press(key(), performance.now()),
				release: () => bench.release(key(), performance.now())
			}),
			row('repeat', 'keys', { label: 'Fire it again and again', keys: ['r'], run: () => bench.toggleRepeat() }),
			row('stop', 'keys', { label: 'Let everything fade out', keys: ['x'], run: () => bench.stopAll() }),
			row('pause', 'time', {
				get label() {
					return bench.paused ? 'Go on' : 'Pause';
				},
				says: 'Pause and go on',
				keys: ['p'],
				run: () => (bench.paused ? bench.goOn() : void (bench.paused = true))
			}),
			row('step', 'time', {
				label: 'One picture on',
				says: 'While paused: one picture on',
				keyOnly: true,
				keys: ['.'],
				again: true,
				when: () => bench.paused,
				run: () => bench.step(1 / (bench.pictureRate || 60))
			}),
			row('speed', 'time', {
				label: 'Slower, or full speed',
				says: 'Full speed, a quarter, a tenth',
				keys: ['s'],
				run: () => (bench.speed = bench.speed === 1 ? 0.25 : bench.speed === 0.25 ? 0.1 : 1)
			}),
			row('loop', 'time', {
				label: 'Play the whole again and again',
				says: 'Play the whole again and again; drag with Shift on the strip’s ruler for a part',
				keys: ['l'],
				when: there,
				run: () => bench.setLoop(bench.loop ? null : { from: 0, to: paperLength(preset()!).seconds })
			}),
			row('compare', 'window', {
				label: 'Compare A and B',
				says: 'Hold a B beside A; then A, both, B',
				keys: ['q'],
				when: there,
				run: () => {
					if (!bench.other) return bench.hold(preset()!, 'split');
					bench.compare = bench.compare === 'a' ? 'split' : bench.compare === 'split' ? 'b' : 'a';
				}
			}),
			row('hold', 'window', { label: 'Hold A as B', when: there, run: () => bench.hold(preset()!) }),
			row('outside', 'window', {
				label: 'Outside view',
				keys: ['o'],
				run: () => (shows.outside = !shows.outside)
			}),
			row('scope', 'window', { label: 'Scope', keys: ['c'], run: () => (shows.scope = !shows.scope) }),
			row('posts', 'window', { label: 'Distance posts', run: () => (shows.distances = 'posts') }),
			row('vary', 'sheet', { label: 'Six neighbours', keys: ['v'], run: parts.vary }),
			row('copy', 'presets', { label: 'Copy this preset', run: () => opened(session.acts.copy(key())) }),
			row('retire', 'presets', {
				label: 'Retire this preset',
				run: () => {
					if (session.order.length > 1) void session.acts.retire(key());
				}
			})
		],
		gestures: [
			{
				shown: 'Gamepad',
				says: 'Buttons fire keys 1–8 (left stick held: Shift), start the open preset, back stops all; the cross: harder, weaker, other presets'
			}
		]
	};
}
