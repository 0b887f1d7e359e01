import { readFileSync } from 'node:fs';
import { format } from 'prettier';
import { expect, test } from 'vitest';
import { withFindingsTable } from './findings-table';

test('docs/findings.md has the table of the code', async () => {
  const document = readFileSync('docs/findings.md', 'utf8');
  const made = await format(withFindingsTable(document), { parser: 'markdown', printWidth: 110 });
  expect(document, 'run npm run findings').toBe(made);
  expect(made).toContain('`short-when-pressed`');
});
