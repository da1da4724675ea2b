/**
 * ./dinesis bake: a course, or a game's own log of events, played through the kit's cues, as CSV on stdout: the offsets, or with `--explain`
 * what every event came to.
 */
import { bakeCourse, explainCourse } from '../src/lib/course';
import { newCourse, sayProblem, type Course } from '../src/lib/documents';
import { decisionsToCsv, namesIn, readEventLog, trackToCsv, withMeanings, type EventLog } from '../src/lib/formats';
import { clearInGrounds } from '../src/lib/world/clear';
import { numberFlag, readArguments } from './lib/arguments';
import { handOver } from './lib/hand-over';
import { progressOn, sinkFor } from './lib/handed';
import { needKit, needText } from './lib/kit-file';
import { fail } from './lib/say';

const args = readArguments(process.argv.slice(2), {
	values: ['course', 'log', 'rig', 'fps', 'seed', 'to', 'axes', 'keys', 'within', 'out'],
	switches: ['explain', 'pose']
});
const kit = needKit(args.plain[0]);
/** What stands on for a while after the last row, so that one also sees how it ends. */
const AFTER_LOG_S = 3;

function courseOfLog(path: string): Course {
	const log = readEventLog(needText(path));
	if (!log.ok) fail(`${path} cannot be read.\n${log.problems.map((p) => `  ${sayProblem(p)}`).join('\n')}`);
	const { value } = log as { value: EventLog };
	const names = namesIn(value, kit.events);
	const unknown = names.filter(({ means }) => means === null).map(({ name }) => name);
	if (unknown.length > 0) process.stderr.write(`dinesis: the kit has no event ${unknown.join(', ')}; passed over.\n`);
	if (value.open.length > 0) process.stderr.write(`dinesis: never ends: ${value.open.join(', ')}.\n`);
	const { seconds } = value;
	const events = withMeanings(
		value,
		kit.events,
		Object.fromEntries(names.map(({ name, means }) => [name, means ?? '']))
	);
	return { ...newCourse('log', path), steps: false, seconds: Math.min(3600, seconds + AFTER_LOG_S), events };
}

function courseOfKit(): Course {
	const id = args.flags.get('course') ?? fail('--course ID or --log FILE is needed.');
	const found = kit.courses.find((c) => c.id === id);
	if (!found) fail(`The kit has no course "${id}". It has: ${kit.courses.map((c) => c.id).join(', ') || 'none'}.`);
	return found!;
}
const log = args.flags.get('log');
const seen = log === undefined ? courseOfKit() : courseOfLog(log);
const rig = args.flags.get('rig') ?? seen.rig;
if (rig !== null && !kit.rigs.some((r) => r.id === rig))
	fail(`The kit has no rig "${rig}". It has: ${kit.rigs.map((r) => r.id).join(', ') || 'none'}.`);
const course: Course = { ...seen, rig };
const fps = numberFlag(args, 'fps', { min: 0.001, max: 100000 });
if (course.seconds * (fps ?? 60) > 2e7) fail('That is more than 20 million rows; ask for fewer pictures a second.');
const seed = numberFlag(args, 'seed', { min: -2147483648, max: 4294967295, whole: true });
process.stdout.on('error', () => process.exit(0));
if (args.flags.has('explain')) {
	process.stdout.write(decisionsToCsv(explainCourse(kit, course, { seed, clear: clearInGrounds })));
	process.exit(0);
}
const target = args.flags.get('to') ?? 'csv';
if (!['csv', 'json', 'gltf', 'glb'].includes(target)) fail(`--to is "${target}"; csv, json, gltf or glb is needed.`);
// Without a word about the world the columns are called as the channels are.
const plain = target === 'csv' && !['axes', 'keys', 'pose', 'out'].some((flag) => args.flags.has(flag));
if (plain) {
	const progress = progressOn('baking');
	const track = bakeCourse(kit, course, { fps, seed, clear: clearInGrounds, progress });
	process.stdout.write(trackToCsv(track!));
} else {
	const sink = sinkFor(args.flags.get('out'));
	const flags = new Map([...args.flags, ['course', course.id]]);
	await handOver({ ...kit, courses: [course] }, target, { ...args, flags }, sink);
	sink.end();
}
