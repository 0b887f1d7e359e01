// Writes JSON Schemas of the open formats into docs/schemas: npm run schemas
import { mkdirSync, writeFileSync } from 'node:fs';
import { schemaFiles } from '@/core/package/schemas';

mkdirSync('docs/schemas', { recursive: true });
for (const [name, text] of schemaFiles) writeFileSync(`docs/schemas/${name}`, text);
