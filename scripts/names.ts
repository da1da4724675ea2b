/** ./dinesis names: the ids of a kit as constants of a language, on stdout. */
import { LANGUAGES, namesFile, type Language } from '../src/lib/handover';
import { readArguments } from './lib/arguments';
import { partFrom } from './lib/handed';
import { needKit } from './lib/kit-file';
import { fail } from './lib/say';

const args = readArguments(process.argv.slice(2), { values: ['as', 'only', 'tag'] });
const kit = needKit(args.plain[0]);
const language = args.flags.get('as') ?? 'typescript';
if (!LANGUAGES.includes(language as Language)) fail(`--as is "${language}"; one of ${LANGUAGES.join(', ')} is needed.`);
process.stdout.write(namesFile(partFrom(args, kit), language as Language));
