import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { shippedBoards } from '../../boards';
import { grammars } from '../../testing/beacon';
import { readGoldenPrograms, type GoldenResults } from './programs';
import { printedLines } from './run';

const here = (file: string): string => readFileSync(new URL(file, import.meta.url), 'utf8');
const programs = readGoldenPrograms(here('./programs.txt'));
const { printed } = JSON.parse(here('./results.json')) as GoldenResults;

const board = shippedBoards.get('learner-5v')!;
describe('a real compiler for the same processor says the same', () => {
  test('of at least eighty programs', () => {
    expect(programs.length).toBeGreaterThanOrEqual(80);
    expect(Object.keys(printed)).toEqual(programs.map(({ name }) => name));
  });

  test.each(programs.map((program) => [program.name, program] as const))('%s', (name, program) => {
    expect(printedLines(program, board, grammars)).toEqual(printed[name]);
  });
});
