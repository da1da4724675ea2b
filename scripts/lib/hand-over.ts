/** A kit as any of the things that a game may take: one way for `export`, whether once or again when the file changes. */
import type { Course, Kit } from '../../src/lib/documents';
import { writeKit } from '../../src/lib/documents';
import {
	callsFile,
	columnsOf,
	courseReader,
	kitMinified,
	kitModule,
	LANGUAGES,
	namesFile,
	type Content,
	type Language
} from '../../src/lib/handover';
import { makeCurves, type CurveFile, type CurveWish } from '../../src/lib/handover/curve-file';
import { sheetHtml, sheetMarkdown, sheetOf } from '../../src/lib/handover/sheet';
import { clearInGrounds } from '../../src/lib/world/clear';
import { isShake } from 'dinesis-runtime/tools';
import { numberFlag, type Arguments } from './arguments';
import { partFrom, progressOn, worldFrom, type Sink } from './handed';
import { fail, say } from './say';

export const TARGETS = [
	'kit',
	'kit-min',
	'module',
	'sheet-html',
	'sheet-md',
	'calls-ts',
	'calls-js',
	...LANGUAGES.map((language) => `names-${language}`),
	'csv',
	'json',
	'gltf',
	'glb'
];
/** Flags that say what of it and how. */
export const FLAGS = [
	'as',
	'only',
	'tag',
	'axes',
	'preset',
	'course',
	'rig',
	'fps',
	'seed',
	'strength',
	'seconds',
	'loop',
	'file',
	'keys',
	'within'
];
/** Which keys: none, or a shape and how far they may be off: metres, degrees. */
function keyedFrom(args: Arguments): CurveWish['keys'] {
	const shape = args.flags.get('keys');
	if (shape === undefined) return null;
	if (shape !== 'linear' && shape !== 'cubic') return fail(`--keys is "${shape}"; linear or cubic is needed.`);
	const [place = 0.001, degrees = 0.05] = (args.flags.get('within') ?? '').split(',').filter(Boolean).map(Number);
	if (!(place >= 0 && degrees >= 0))
		return fail('--within needs two numbers from 0 on: metres and degrees, as in 0.001,0.05.');
	return { shape, place, degrees };
}

function courseOf(kit: Kit, args: Arguments): Course | null {
	const id = args.flags.get('course');
	if (id === undefined) return null;
	const found =
		kit.courses.find((c) => c.id === id) ??
		fail(`The kit has no course "${id}". It has: ${kit.courses.map((c) => c.id).join(', ') || 'none'}.`);
	const rig = args.flags.get('rig') ?? found.rig;
	if (rig !== null && !kit.rigs.some((r) => r.id === rig)) fail(`The kit has no rig "${rig}".`);
	return { ...found, rig };
}

/** The motion that is asked for, as the room would ask for it. */
function wishFrom(kit: Kit, as: CurveFile, args: Arguments): CurveWish {
	const content: Content = args.flags.has('pose') ? 'pose' : 'offset';
	const course = args.flags.get('course');
	const preset = args.flags.get('preset');
	if (course === undefined && preset === undefined) fail('--preset ID or --course ID is needed for curves.');
	if (course === undefined && content === 'pose')
		fail('--pose needs a course: a preset by itself has no camera that rests somewhere.');
	if (course === undefined && !kit.presets.some((p) => isShake(p) && p.id === preset))
		fail(`The kit has no shake "${preset}".`);
	return {
		as,
		of: course === undefined ? { preset: preset! } : { course },
		content,
		fps: numberFlag(args, 'fps', { min: 1, max: 1000 }) ?? 60,
		seeds: [numberFlag(args, 'seed', { min: -2147483648, max: 4294967295, whole: true }) ?? 1],
		strength: numberFlag(args, 'strength', { min: 0, max: 1e6 }) ?? 1,
		seconds: numberFlag(args, 'seconds', { min: 0.01, max: 3600 }) ?? null,
		loop: numberFlag(args, 'loop', { min: 0, max: 60 }) ?? null,
		keys: keyedFrom(args),
		world: worldFrom(args)
	};
}

/** A course as a table, moment by moment: as long as one likes, in the memory of a moment. */
async function streamCourse(kit: Kit, course: Course, args: Arguments, sink: Sink): Promise<void> {
	const fps = numberFlag(args, 'fps', { min: 0.001, max: 100000 }) ?? 60;
	const seed = numberFlag(args, 'seed', { min: -2147483648, max: 4294967295, whole: true }) ?? 1;
	const content: Content = args.flags.has('pose') ? 'pose' : 'offset';
	const reader = courseReader(kit, course, { fps, seed, content, clear: clearInGrounds });
	const { names, convert } = columnsOf(content, worldFrom(args), reader.flat);
	const progress = progressOn('baking');
	const moment = new Float64Array(reader.width);
	const out: number[] = [];
	let lines = `time,${names.join(',')}\n`;
	for (let i = 0; i < reader.count; i++) {
		reader.read(i, moment, 0);
		convert(moment, 0, out);
		lines += `${i / fps},${out.map((v) => v + 0).join(',')}\n`;
		if (lines.length < 65536) continue;
		await sink.write(lines);
		progress(i / reader.count);
		lines = '';
	}
	await sink.write(lines);
}

async function curvesInto(kit: Kit, as: CurveFile, args: Arguments, sink: Sink): Promise<void> {
	const course = courseOf(kit, args);
	if (as === 'csv' && course && !args.flags.has('keys')) return streamCourse(kit, course, args, sink);
	if ((as === 'gltf' || as === 'glb') && args.flags.has('axes'))
		fail('glTF has a world of its own (y up, −z ahead, metres); --axes has no say in it.');
	// Seen through another rig, where one is named.
	const seen = course ? { ...kit, courses: [course] } : kit;
	const progress = progressOn('baking');
	const made = await makeCurves(seen, wishFrom(kit, as, args), { clear: clearInGrounds, progress }).catch(
		(error: Error) => fail(error.message)
	);
	for (const sentence of made!.said) say(sentence);
	const [file, ...beside] = made!.files;
	await sink.write(file!.data);
	for (const { ending, data } of beside) sink.beside(ending, data);
}

/** Writes a kit as a target. Ends the program with what is wrong where it cannot. */
export async function handOver(given: Kit, target: string, args: Arguments, sink: Sink): Promise<void> {
	if (!TARGETS.includes(target)) fail(`--as is "${target}"; one of ${TARGETS.join(', ')} is needed.`);
	const kit = partFrom(args, given);
	if (target === 'kit') return sink.write(writeKit(kit));
	if (target === 'kit-min') return sink.write(kitMinified(kit));
	if (target === 'module') return sink.write(kitModule(kit));
	if (target === 'sheet-html') return sink.write(sheetHtml(sheetOf(kit)));
	if (target === 'sheet-md') return sink.write(sheetMarkdown(sheetOf(kit)));
	if (target.startsWith('names-')) return sink.write(namesFile(kit, target.slice(6) as Language));
	if (target.startsWith('calls-')) {
		const rig = args.flags.get('rig') ?? null;
		if (rig !== null && !kit.rigs.some((r) => r.id === rig)) fail(`The kit has no rig "${rig}".`);
		return sink.write(
			callsFile(kit, { types: target === 'calls-ts', file: args.flags.get('file') ?? 'motion.kit.json', rig })
		);
	}
	return curvesInto(kit, target as CurveFile, args, sink);
}
