/** ./dinesis torture [--each N] [--seed N]: kills the server, the database and both at random moments, and looks whether anything is lost or left. */
import { readArguments, numberFlag } from './lib/arguments';
import { builtApplication } from './lib/build';
import { fail, say } from './lib/say';
import { torture } from './lib/torture';

const args = readArguments(process.argv.slice(2), { values: ['each', 'seed'] });
const each = numberFlag(args, 'each', { min: 1, max: 1000, whole: true }) ?? 60;
const seed = numberFlag(args, 'seed', { min: 0, max: 4294967295, whole: true }) ?? 1;
builtApplication(say);
const { rounds, saves, findings, middle, longest } = await torture({ seed, each, say });
say(`${rounds} kills, ${saves} acknowledged saves; started again in ${middle} ms in the middle, ${longest} ms at most`);
if (findings.length > 0)
	fail(
		findings
			.map(({ round, act, victim, sentence }) => `round ${round}, ${act}, ${victim} killed: ${sentence}`)
			.join('\n'),
		1
	);
say('nothing bricked, nothing left behind, nothing lost');
