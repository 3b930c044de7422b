// Writes the kitchen file's JSON Schema, generated from core's classes, to docs/.
import { writeFileSync } from 'node:fs';
import { kitchenSchema } from '../core/dist/index.js';

writeFileSync(new URL('../docs/kitchen-file.schema.json', import.meta.url), `${JSON.stringify(kitchenSchema(), null, 2)}\n`);
