/** Writes docs/dependencies.md anew. */
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { format } from 'prettier';
import { dependenciesPage } from './lib/dependencies';
import { ROOT } from './lib/paths';

writeFileSync(join(ROOT, 'docs/dependencies.md'), await format(dependenciesPage(), { parser: 'markdown' }));
