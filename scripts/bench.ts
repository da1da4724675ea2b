/** ./dinesis bench [page | size]: speed as ratios, and what a game carries. The core's needs the collector at hand, so it runs in a process of its own. */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { ROOT } from './lib/paths';
import { fail } from './lib/say';

const part = process.argv[2] ?? 'core';
if (!['core', 'page', 'size'].includes(part)) fail(`"${part}" is no bench. There are: core, page, size.`);
const tsx = pathToFileURL(join(ROOT, 'node_modules/tsx/dist/loader.mjs')).href;
const done = spawnSync(
	process.execPath,
	['--expose-gc', '--max-semi-space-size=64', '--import', tsx, join(ROOT, 'bench', `${part}.ts`)],
	{
		stdio: 'inherit'
	}
);
process.exit(done.status ?? 1);
