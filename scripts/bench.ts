/** ./dinesis bench [page | size | wire]: speed as ratios, and what a game carries. The core's needs the collector at hand, so it runs in a process of its own. */
import { fail } from './lib/say';
import { runScript } from './lib/whole-run';

const part = process.argv[2] ?? 'core';
if (!['core', 'page', 'size', 'wire'].includes(part)) fail(`"${part}" is no bench. There are: core, page, size, wire.`);
await runScript(`bench/${part}.ts`, { node: ['--expose-gc', '--max-semi-space-size=64'], args: process.argv.slice(3) });
