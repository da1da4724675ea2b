/** ./dinesis pictures [NAME …]: takes the README's pictures anew. */
import { runScript } from './lib/whole-run';

await runScript('scripts/lib/take-pictures.ts', { args: process.argv.slice(2) });
