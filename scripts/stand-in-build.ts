/** Builds the stand-in game: `--installed FOLDER` of the run-time’s package, `--out FOLDER`. */
import { readArguments } from './lib/arguments';
import { fail } from './lib/say';
import { buildStandIn } from './lib/stand-in';

const { flags } = readArguments(process.argv.slice(2), { values: ['installed', 'out'] });
await buildStandIn(
	flags.get('installed') ?? fail('--installed is needed.'),
	flags.get('out') ?? fail('--out is needed.')
);
