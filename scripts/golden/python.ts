// Makes core/program/golden/python-results.json with the Python interpreter of this machine: npm run golden:python.
import { execFileSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { format, resolveConfig } from 'prettier';
import { readWholePrograms, type GoldenResults } from '@/core/program/golden/programs';

const golden = 'core/program/golden';
const style = await resolveConfig('package.json');
const python = (...words: readonly string[]): string => execFileSync('python3', words, { encoding: 'utf8' });

const printed: Record<string, readonly string[]> = {};
for (const { name, source } of readWholePrograms(readFileSync(join(golden, 'python.txt'), 'utf8'))) {
  printed[name] = python('-c', source).replace(/\n$/, '').split('\n');
  console.log(`${name}: ${printed[name].join(' | ')}`);
}
const results: GoldenResults = { madeWith: python('--version').trim(), printed };
writeFileSync(
  join(golden, 'python-results.json'),
  await format(JSON.stringify(results), { ...style, parser: 'json' }),
);
