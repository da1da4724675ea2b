/** Writes docs/starter-sets.md: what each starter motion should do and what it does, over a thousand plays. Takes some minutes. */
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { AnyPreset } from 'dinesis-runtime';
import { extremesOf } from '../src/lib/analysis/extremes';
import { starterSets } from '../src/lib/starter/sets';
import { ROOT } from './lib/paths';
import { tableOf } from './lib/starter-table';

const SEEDS = 1000;
const INTRODUCTION = `# The starter sets

Motions that belong to no game, to begin from: kits in \`starter/\`, shown in the Library under “starter sets”. What each should do was written
down before it was tuned (\`starter/aims.json\`); a test holds that it does, within a tenth. This page is written by \`npx tsx scripts/starter.ts\`.

- *Strength* is the farthest picture movement, in percent of the picture's height, for things 5 m away in a view 60° high (a flat view is 1080
  pixels high): the median of 32 plays, as in the Library. *Pace* is half the zero crossings a second; 0 Hz holds still.
- *Worst*, *roll* and *turning* are over 1,000 plays at strength 1. Nothing turns faster than 120 °/s or rolls more than 8°.
- Within a set no two are closer than a fifth in both strength and pace, or their words say how they differ.
- Head bobs: peak to peak at the gait's own speed. Lags and rigs: how far behind in the long run, walking (1.6 m/s, 60 °/s, 150 px/s) and
  running (4.2 m/s, 180 °/s, 400 px/s), in m, degrees or px, below 0 ahead; seconds after a run until it stays within a twentieth; how far past
  its place it swings. Rigs in metres.

To add one: write its aim, then the preset in a kit of \`starter/\`; \`npx vitest run --project unit src/lib/starter\` says what is not met. Words that
the search should know are in \`starter/words.json\`, a line for each group of words that mean the same.
`;

const sets = starterSets();
const presets = sets.flatMap(({ members }) =>
	members.filter(({ kind }) => kind !== 'rig').map(({ document }) => document as unknown as AnyPreset)
);
const tables = sets.map((set) => {
	process.stderr.write(`${set.name} …\n`);
	return tableOf(set, presets, (preset) => extremesOf(preset, { seeds: SEEDS }));
});
writeFileSync(join(ROOT, 'docs/starter-sets.md'), `${INTRODUCTION}\n${tables.join('\n\n')}\n`);
