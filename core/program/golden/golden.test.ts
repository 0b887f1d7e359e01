import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { shippedBoards } from '../../boards';
import { grammars } from '../../testing/beacon';
import { readGoldenPrograms, readWholePrograms, type GoldenResults } from './programs';
import { printedLines } from '../../testing/golden-prints';

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

const pythonPrograms = readWholePrograms(here('./python.txt'));
const pythonPrinted = (JSON.parse(here('./python-results.json')) as GoldenResults).printed;
const pythonBoard = shippedBoards.get('python-3v3')!;

describe('the real interpreter says the same', () => {
  test('of at least forty programs', () => {
    expect(pythonPrograms.length).toBeGreaterThanOrEqual(40);
    expect(Object.keys(pythonPrinted)).toEqual(pythonPrograms.map(({ name }) => name));
  });

  test.each(pythonPrograms.map((program) => [program.name, program] as const))('%s', (name, program) => {
    expect(printedLines(program, pythonBoard, grammars)).toEqual(pythonPrinted[name]);
  });
});
