/** ./dinesis bench [page]: speed as ratios. The core's needs the collector at hand, so it runs in a process of its own. */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { ROOT } from './lib/paths';
import { fail } from './lib/say';

const part = process.argv[2] ?? 'core';
if (part !== 'core' && part !== 'page') fail(`"${part}" is no bench. There are: core, page.`);
const tsx = pathToFileURL(join(ROOT, 'node_modules/tsx/dist/loader.mjs')).href;
const done = spawnSync(
	process.execPath,
	['--expose-gc', '--max-semi-space-size=64', '--import', tsx, join(ROOT, 'bench', `${part}.ts`)],
	{
		stdio: 'inherit'
	}
);
process.exit(done.status ?? 1);
