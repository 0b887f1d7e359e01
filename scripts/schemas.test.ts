import { readdirSync, readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { schemaFiles } from '@/core/package/schemas';

test('docs/schemas holds the schemas of the code', () => {
  expect(readdirSync('docs/schemas').sort()).toEqual([...schemaFiles.keys()].sort());
  for (const [name, text] of schemaFiles)
    expect(readFileSync(`docs/schemas/${name}`, 'utf8'), `${name}: run npm run schemas`).toBe(text);
});
