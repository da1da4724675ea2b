/** Writes the published JSON Schema of the kit. */
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { kitJsonSchema } from '../src/lib/documents';
import { ROOT } from './lib/paths';

writeFileSync(join(ROOT, 'static/kit.schema.json'), `${JSON.stringify(kitJsonSchema(), null, '\t')}\n`);
