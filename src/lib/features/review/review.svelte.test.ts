import 'fake-indexeddb/auto';
import { cleanup, fireEvent, render, screen, within } from '@testing-library/svelte';
import { tick } from 'svelte';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Cue, GameEvent, ShakePreset } from 'dinesis-runtime';
import { newCue, newPreset, newRig, WHOLE } from 'dinesis-runtime/tools';
import { kitOfPresets, newCourse, type Course } from '$lib/documents';
import { costOf, detailOf, figuresOf, playMany, playOnce } from '$lib/review';
import { ProjectSession } from '$lib/session/session.svelte';
import { writeSlot } from '$lib/session/slot';
import { fetchFrom, MemoryServer } from '$lib/session/testing/memory-server';
import type { LookedAt, Making, Sent } from '$lib/workers/review';
import { curvesChart, folded, spectrumChart, spreadChart } from './charts';
import {
	channelRows,
	comfortRows,
	limitOf,
	milderOf,
	plain,
	seenRows,
	short,
	writtenAs,
	type Row
} from './figures-told';
import FigureTable from './FigureTable.svelte';
import FoundSheet from './FoundSheet.svelte';
import { BENCH_B, ReviewState, subjectKey, subjectOf } from './review.svelte';
import { SpreadState } from './spread.svelte';

const hit: GameEvent = { id: 'hit', name: 'Hit', kind: 'moment', placed: false, tags: [], values: [] };
const course: Course = { ...newCourse('walk', 'Walk'), seconds: 3 };
const none = { time: 0, ease: 'linear' } as const;
/** Held at so many degrees of roll for a second. */
const tilt = (degrees: number, id = 'tilt'): ShakePreset => {
	const base = newPreset(id, id);
	return {
		...base,
		timing: { ...base.timing, mode: 'burst', duration: 1, fadeIn: none, fadeOut: none },
		layers: [
			{
				...base.layers[0]!,
				pattern: { kind: 'wave', shape: 'square' },
				channels: { roll: { amplitude: degrees, frequency: 0, start: 'zero' } }
			}
		]
	};
};
const looked = (sent: Sent, seed: number): LookedAt => {
	const motion = playOnce(sent, seed);
	return { motion, figures: figuresOf(motion), detail: detailOf(motion), cost: { micros: 1, plays: 1 } };
};

const PLAIN: Row = { id: '', label: '', unit: '%', says: '', a: 0, b: 0, milder: null, limit: null, usual: null };

let session: ProjectSession;
let desk: ReviewState;
beforeEach(async () => {
	localStorage.clear();
	const server = new MemoryServer([
		['event', hit],
		['shake', tilt(4)],
		['shake', tilt(2, 'level')],
		['cue', newCue('c', 'hit', 'tilt') as Cue],
		['rig', newRig('eyes', 'Eyes')],
		['course', course]
	]);
	vi.stubGlobal('fetch', fetchFrom(server));
	session = new ProjectSession({ project: { id: 'p', slug: 'quay', name: 'Quay' }, ...server.opened() });
	await session.courses.fetch();
	desk = new ReviewState(session);
});
afterEach(() => {
	cleanup();
	vi.unstubAllGlobals();
});
const look = (): void => {
	desk.looks = {
		a: desk.a && looked(desk.a.sent, desk.seed),
		b: desk.b && looked(desk.b.sent, desk.seed)
	};
};
const change = (id: string, degrees: number): void =>
	session.change(id, 'Roll', (p) => void (p.layers[0]!.channels.roll!.amplitude = degrees));

describe('what is under review', () => {
	it('is any shake, cue, rig or course, by its key; two of them, or the same as a kit has it', () => {
		expect(desk.subjects.map(({ kind, list }) => [kind, list.map(({ id }) => id)])).toEqual([
			['shake', ['tilt', 'level']],
			['cue', ['c']],
			['rig', ['eyes']],
			['course', ['walk']]
		]);
		for (const { list } of desk.subjects) for (const one of list) expect(subjectOf(subjectKey(one))).toEqual(one);
		expect([subjectOf('bob:b'), subjectOf('shake'), subjectOf('')]).toEqual([null, null, null]);
		expect(desk.a).toBe(null);
		desk.open({ kind: 'shake', id: 'tilt' });
		expect([desk.a!.name, desk.b]).toEqual(['tilt', null]);
		desk.other = { of: 'subject', subject: { kind: 'shake', id: 'level' } };
		expect(desk.b!.sent.subject.id).toBe('level');
		desk.holdKit('last week', kitOfPresets('K', [tilt(6)]));
		look();
		expect([desk.b!.name, desk.looks.b!.figures.roll, desk.looks.a!.figures.roll]).toEqual(['last week', 6, 4]);
	});

	it('what the Bench holds beside a shake is held against it, as that shake, and taken', () => {
		desk.open({ kind: 'shake', id: 'tilt' });
		expect(desk.benchB).toBe(null);
		writeSlot('quay', 'tilt', tilt(7, 'level'));
		desk.holdBenchB();
		look();
		expect([desk.b!.name, desk.looks.b!.figures.roll, desk.looks.a!.figures.roll]).toEqual([BENCH_B, 7, 4]);
		desk.take();
		expect(session.preset('tilt')!.layers[0]!.channels.roll!.amplitude).toBe(7);
		// It is of this shake alone.
		desk.open({ kind: 'shake', id: 'level' });
		expect([desk.benchB, desk.other]).toEqual([null, null]);
	});

	it('the better one is taken as one step; what is the same has nothing to take', () => {
		desk.open({ kind: 'shake', id: 'tilt' });
		desk.holdKit('last week', kitOfPresets('K', [{ ...session.preset('tilt')! }]));
		expect(desk.better).toBe(null);
		desk.holdKit('last week', kitOfPresets('K', [{ ...session.preset('tilt')!, amount: 0.5 }]));
		desk.take();
		expect([session.preset('tilt')!.amount, desk.better]).toEqual([0.5, null]);
		session.undo();
		expect(session.preset('tilt')!.amount).toBe(1);
		expect(desk.better).not.toBe(null);
	});

	it('is sent again only when something of it changed', () => {
		desk.open({ kind: 'shake', id: 'tilt' });
		const before = desk.a!.sent;
		change('level', 3);
		expect(desk.a!.sent).toBe(before);
		change('tilt', 5);
		expect(desk.a!.sent).not.toBe(before);
		look();
		expect(desk.looks.a!.figures.roll).toBe(5);
		desk.strength = 0.5;
		look();
		expect(desk.looks.a!.figures.roll).toBe(2.5);
		desk.strength = 1;
		// As a player who wants no roll sees it.
		desk.player = { ...WHOLE, id: 'level', name: 'Level', roll: false };
		look();
		expect(desk.looks.a!.figures.roll).toBe(0);
	});

	it('time goes on, rests at the end, begins again; both sides stand at the same moment, as shown at a picture rate', () => {
		desk.open({ kind: 'shake', id: 'tilt' });
		look();
		expect(desk.seconds).toBeCloseTo(1.25, 2);
		desk.step(0.5);
		expect(desk.offsetAt('a', new Float64Array(7))[5]).toBe(4);
		desk.step(0.6);
		expect([...desk.offsetAt('a', new Float64Array(7))]).toEqual([0, 0, 0, 0, 0, 0, 0]);
		desk.step(0.6);
		expect(desk.time).toBeGreaterThan(desk.seconds);
		desk.step(0.2);
		expect(desk.time).toBe(0);
		desk.pictures = 30;
		desk.scrub(0.11);
		// The third of thirty a second.
		expect(desk.shown).toBeCloseTo(0.1, 9);
		expect(desk.playing).toBe(false);
		desk.scrub(99);
		expect(desk.time).toBe(desk.seconds);
	});
});

describe('figures', () => {
	it('stand side by side with which is milder, and what is too much', async () => {
		desk.open({ kind: 'shake', id: 'tilt' });
		desk.other = { of: 'subject', subject: { kind: 'shake', id: 'level' } };
		look();
		const [roll] = comfortRows(desk.looks, { roll: 3 });
		expect([roll!.a, roll!.b, roll!.milder, roll!.limit, roll!.usual]).toEqual([4, 2, 'b', 3, 8]);
		expect(seenRows(desk.looks).map(({ id }) => id)).toContain('settles');
		expect([milderOf(1, 1.005), milderOf(1, 2), milderOf(null, 2), milderOf(0, 0)]).toEqual([null, 'a', null, null]);
		expect(channelRows(desk.looks, 'space').map(({ label, cells }) => [label, cells[0]!.a, cells[0]!.b])).toEqual([
			['roll', 4, 2]
		]);
		expect([short(1234.5), short(null), plain(0.0001), plain(0.1234)]).toEqual(['1230', '–', '0', '0.123']);
		expect([limitOf('roll'), limitOf('percent'), limitOf('percent', { percent: 5 })]).toEqual([8, null, 5]);
		const set = vi.fn();
		render(FigureTable, {
			label: 'Comfort',
			rows: [roll!],
			both: true,
			onlimit: (row: { id: string }, most: number | null) => set(row.id, most)
		});
		const row = screen.getByRole('row', { name: /roll/ });
		expect(within(row).getByText('4').className).toContain('over');
		expect(within(row).getByText('2').className).not.toContain('over');
		const field = within(row).getByRole('spinbutton', { name: 'Limit of roll' });
		await fireEvent.keyDown(field, { key: 'Delete' });
		expect(set).toHaveBeenCalledWith('roll', null);
	});

	it('how far is written in percent, in pixels of a picture so high, or as an angle', () => {
		const far: Row = { ...PLAIN, id: 'percent', a: 50, b: null, limit: 25 };
		expect(writtenAs(far, 'percent', 1080)).toBe(far);
		expect(writtenAs(far, 'pixels', 720)).toMatchObject({ a: 360, limit: 180, unit: 'px', b: null });
		// Half the height of a picture 60° high is 30° from its middle.
		expect(writtenAs(far, 'degrees', 720).a).toBeCloseTo(30, 12);
		expect(writtenAs({ ...far, id: 'fastest' }, 'pixels', 1080).unit).toBe('px/s');
		expect(writtenAs({ ...far, id: 'roll' }, 'pixels', 1080).a).toBe(50);
	});

	it('a limit holds for the whole project, and goes back to ours', () => {
		session.settings.setLimit('roll', 3, 'roll');
		expect(session.settings.now.limits).toEqual({ roll: 3 });
		session.settings.setLimit('roll', null, 'roll');
		expect(session.settings.now.limits).toEqual({});
	});
});

describe('charts', () => {
	it('both curves with what lies between them; a picture rate makes stairs of them; the moment is taken along', () => {
		desk.open({ kind: 'shake', id: 'tilt' });
		desk.other = { of: 'subject', subject: { kind: 'shake', id: 'level' } };
		look();
		const { a, b } = desk.looks;
		const moved: number[] = [];
		const asked = {
			a: a!,
			b,
			drawn: 'roll' as const,
			seconds: desk.seconds,
			time: 0.4,
			onscrub: (t: number) => void moved.push(t)
		};
		const { lines, grips } = curvesChart({ ...asked, pictures: null });
		expect(lines!.map(({ label }) => label)).toEqual(['A', 'B', 'B − A']);
		expect([Math.max(...Array.from(lines![0]!.ys)), Math.min(...Array.from(lines![2]!.ys))]).toEqual([4, -2]);
		grips![0]!.onmove(0.7, 0, true);
		expect(moved).toEqual([0.7]);
		const stairs = curvesChart({ ...asked, pictures: 30 }).lines![0]!;
		// 1.25 s: 37 pictures and the first, each with two corners.
		expect(stairs.xs.length).toBe(2 * 38);
	});

	it('folding puts what lies above half a rate below it, and loses nothing', () => {
		const values = new Float64Array(121);
		values[40] = 3;
		values[10] = 1;
		const seen = folded({ step: 1, values }, 60);
		// 40 Hz at 60 pictures a second are seen as 20.
		expect([seen.values.length, seen.values[20], seen.values[10]]).toEqual([31, 3, 1]);
		desk.open({ kind: 'shake', id: 'tilt' });
		look();
		expect(spectrumChart(desk.looks.a!, null, 'roll', 60)!.lines!.map(({ label }) => label)).toEqual([
			'A',
			'A as it is seen'
		]);
		expect(spectrumChart(desk.looks.a!, null, 'yaw', null)).toBe(null);
	});

	it('a spread is told in percent of its plays', () => {
		const { lines, marks } = spreadChart([0, 0, 0, 10], null, '%', { here: 10, limit: 12 });
		const { ys } = lines![0]!;
		expect([Math.max(...Array.from(ys)), Array.from(ys).at(-2)]).toEqual([75, 25]);
		expect(marks!.map(({ x }) => x)).toEqual([10, 12]);
	});
});

describe('many plays', () => {
	it('of both sides with progress, given up, stale once a side is another; the worst is one press away', async () => {
		const asked: string[] = [];
		let hold = false;
		const ask = (sent: Sent, seeds: number, progress: (part: number) => void): Making<never> => {
			asked.push(sent.subject.id);
			progress(0.5);
			let giveUp: (value: null) => void = () => undefined;
			const given = new Promise<null>((done) => (giveUp = done));
			return {
				done: hold ? given : (Promise.resolve(playMany(sent, { seeds })) as Promise<never>),
				cancel: () => giveUp(null)
			};
		};
		const spread = new SpreadState(desk, ask as never);
		desk.open({ kind: 'shake', id: 'tilt' });
		desk.other = { of: 'subject', subject: { kind: 'shake', id: 'level' } };
		const running = spread.run(5);
		expect(spread.progress).toBe(0.5);
		await running;
		expect([asked, spread.fresh, spread.progress]).toEqual([['tilt', 'level'], true, null]);
		spread.figure = 'roll';
		expect([spread.valuesOf('a'), spread.valuesOf('b')]).toEqual([
			[4, 4, 4, 4, 4],
			[2, 2, 2, 2, 2]
		]);
		spread.show('worst');
		expect(desk.seed).toBe(5);
		change('tilt', 5);
		expect(spread.fresh).toBe(false);
		hold = true;
		const held = spread.run(5);
		spread.cancel();
		await held;
		// What was there is still there.
		expect([spread.progress, spread.valuesOf('a')![0]]).toEqual([null, 4]);
	});

	it('says why it could not', async () => {
		const spread = new SpreadState(desk, (() => ({
			done: Promise.reject(new Error('There is no shake “gone” there.')),
			cancel: () => undefined
		})) as never);
		desk.open({ kind: 'shake', id: 'tilt' });
		await spread.run(5);
		expect([spread.trouble, spread.progress]).toEqual(['There is no shake “gone” there.', null]);
	});
});

describe('what was found', () => {
	it('is told with its fix, and left alone for a reason that is kept', async () => {
		const told = {
			kind: 'shake' as const,
			document: tilt(4),
			finding: {
				check: 'too-much',
				level: 'warning' as const,
				place: 'amount',
				sentence: 'Too much roll.',
				why: 'It makes some people unwell.',
				fix: { label: 'Lower the amount', apply: (one: object) => ({ ...one, amount: 0.5 }) as never }
			}
		};
		const another = { ...told, finding: { ...told.finding, sentence: 'Too much turning.' } };
		// Two of one check at one place stand beside each other.
		(session.findings as unknown as { moving: unknown }).moving = [told, another];
		await tick();
		render(FoundSheet, { session, of: { kind: 'shake', id: 'tilt' } });
		expect(screen.getAllByText('It makes some people unwell.')[1]).toBeTruthy();
		await fireEvent.click(screen.getAllByRole('button', { name: 'It is meant so …' })[0]!);
		await fireEvent.input(screen.getByRole('textbox', { name: 'Why it is meant so' }), {
			target: { value: 'a ship that capsizes' }
		});
		await fireEvent.click(screen.getByRole('button', { name: 'Leave it alone' }));
		expect(session.findings.list).toEqual([]);
		expect(screen.getAllByText('Meant so: a ship that capsizes')[0]).toBeTruthy();
		await fireEvent.click(screen.getAllByRole('button', { name: 'Tell it again' })[0]!);
		expect(session.findings.list).toHaveLength(2);
		await fireEvent.click(screen.getAllByRole('button', { name: 'Lower the amount' })[0]!);
		expect(session.preset('tilt')!.amount).toBe(0.5);
	});
});

it('what a motion costs is told by a clock that is given', () => {
	let now = 0;
	const kit = kitOfPresets('K', [tilt(4)]);
	const { micros, plays } = costOf({ kit, subject: { kind: 'shake', id: 'tilt' } }, 1, () => (now += 1));
	// A millisecond by 75 frames of 1/60 s.
	expect([micros, plays]).toEqual([1000 / 75, 1]);
});
