/** ./dinesis sample: a preset's motion as CSV on stdout. */
import { isShake, sampleShake, trackToCsv } from '../src/lib/core';
import { numberFlag, readArguments } from './lib/arguments';
import { needKit } from './lib/kit-file';
import { fail } from './lib/say';

const args = readArguments(process.argv.slice(2), {
	values: ['preset', 'seconds', 'fps', 'seed', 'strength', 'stop-at']
});
const kit = needKit(args.plain[0]);
const id = args.flags.get('preset') ?? fail('--preset ID is needed.');
const preset = kit.presets.find((p) => p.id === id);
if (!preset) fail(`The kit has no preset "${id}". It has: ${kit.presets.map((p) => p.id).join(', ') || 'none'}.`);
if (!isShake(preset!)) fail(`"${id}" is of the family "${preset!.family}"; only shake presets can be sampled.`);
else {
	const fps = numberFlag(args, 'fps', { min: 0.001, max: 100000 });
	const seconds = numberFlag(args, 'seconds', { min: 0, max: 86400 });
	if ((seconds ?? 3600) * (fps ?? 60) > 2e7)
		fail('That is more than 20 million rows; ask for fewer seconds or samples.');
	const track = sampleShake(preset, {
		seconds,
		fps,
		seed: numberFlag(args, 'seed', { min: -2147483648, max: 4294967295, whole: true }),
		strength: numberFlag(args, 'strength', { min: 0, max: 1e6 }),
		stopAt: numberFlag(args, 'stop-at', { min: 0, max: 86400 })
	});
	process.stdout.on('error', () => process.exit(0));
	process.stdout.write(trackToCsv(track));
}
