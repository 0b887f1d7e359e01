// Writes the table of findings into docs/findings.md: npm run findings
import { readFileSync, writeFileSync } from 'node:fs';
import { format } from 'prettier';
import { withFindingsTable } from './findings-table';

const file = 'docs/findings.md';
const text = withFindingsTable(readFileSync(file, 'utf8'));
writeFileSync(file, await format(text, { parser: 'markdown', printWidth: 110 }));
