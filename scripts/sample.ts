/** ./dinesis sample: a preset's motion as CSV on stdout. */
import { bobAlong, followTrack, sampleBob, sampleShake, type BodyTrack } from '../src/lib/analysis';
import { bodyTrackToCsv, readBodyTrack, trackToCsv } from '../src/lib/formats';
import type { BobPreset, LagPreset, ShakePreset } from 'dinesis-runtime';
import { CHANNELS, CHANNEL_COUNT, isBob, isShake } from 'dinesis-runtime/tools';
import { sayProblem } from '../src/lib/documents';
import { numberFlag, readArguments } from './lib/arguments';
import { needKit, needText } from './lib/kit-file';
import { fail } from './lib/say';

const MOST_ROWS = 2e7;
const args = readArguments(process.argv.slice(2), {
	values: ['preset', 'seconds', 'fps', 'seed', 'strength', 'stop-at', 'speed', 'track']
});
const kit = needKit(args.plain[0]);
const id = args.flags.get('preset') ?? fail('--preset ID is needed.');
const preset =
	kit.presets.find((p) => p.id === id) ??
	fail(`The kit has no preset "${id}". It has: ${kit.presets.map((p) => p.id).join(', ') || 'none'}.`);
const fps = numberFlag(args, 'fps', { min: 0.001, max: 100000 });
const seconds = numberFlag(args, 'seconds', { min: 0, max: 86400 });
const seed = numberFlag(args, 'seed', { min: -2147483648, max: 4294967295, whole: true });
if ((seconds ?? 3600) * (fps ?? 60) > MOST_ROWS)
	fail('That is more than 20 million rows; ask for fewer seconds or samples.');

/** The way of the body that `--track` names. */
function body(file: string): BodyTrack {
	const track = readBodyTrack(needText(file));
	return track.ok ? track.value : fail(`${file}: ${track.problems.slice(0, 5).map(sayProblem).join('\n')}`);
}

function shake(preset: ShakePreset): string {
	const strength = numberFlag(args, 'strength', { min: 0, max: 1e6 });
	const stopAt = numberFlag(args, 'stop-at', { min: 0, max: 86400 });
	return trackToCsv(sampleShake(preset, { seconds, fps, seed, strength, stopAt }));
}

function bob(preset: BobPreset): string {
	const file = args.flags.get('track');
	if (file !== undefined) {
		const way = body(file);
		const values = bobAlong(preset, way, seed);
		const rows = Array.from(way.times, (time, i) =>
			[time, ...Array.from(values.subarray(i * CHANNEL_COUNT, (i + 1) * CHANNEL_COUNT), (v) => v + 0)].join(',')
		);
		return `time,${CHANNELS.join(',')}\n${rows.join('\n')}\n`;
	}
	const speed =
		numberFlag(args, 'speed', { min: 0, max: 1000 }) ??
		fail(`"${preset.id}" is a head bob: --speed METRES_A_SECOND or --track FILE is needed.`);
	return trackToCsv(sampleBob(preset, { speed, seconds, fps, seed }));
}

function lag(preset: LagPreset): string {
	const file = args.flags.get('track') ?? fail(`"${preset.id}" is a camera lag: --track FILE is needed.`);
	return bodyTrackToCsv(followTrack(preset, body(file)));
}

process.stdout.on('error', () => process.exit(0));
process.stdout.write(isShake(preset) ? shake(preset) : isBob(preset) ? bob(preset) : lag(preset));
