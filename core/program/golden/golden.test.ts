import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { shippedBoards } from '../../boards';
import { ref } from '../../brand';
import { rehearse } from '../../rehearsal/rehearse';
import { grammars } from '../../testing/beacon';
import type { Wiring } from '../../wiring/wiring';
import { compileProgram } from '../index';
import { readGoldenPrograms, type GoldenProgram, type GoldenResults } from './programs';

const here = (file: string): string => readFileSync(new URL(file, import.meta.url), 'utf8');
const programs = readGoldenPrograms(here('./programs.txt'));
const { printed } = JSON.parse(here('./results.json')) as GoldenResults;

const board = shippedBoards.get('learner-5v')!;
const bare: Wiring = { board: { ref: ref('U1'), profile: board }, breadboards: [], parts: [] };

function linesOf({ source }: GoldenProgram): readonly string[] {
  const program = compileProgram(source, board, grammars);
  if (!program.compiled) throw new Error(program.problems.map(({ message }) => message).join('\n'));
  const { serial } = rehearse(program.compiled, bare, board, { seconds: 5 });
  const text = serial.map((piece) => piece.text).join('');
  return text.replace(/\r\n$/, '').split('\r\n');
}

describe('a real compiler for the same processor says the same', () => {
  test('of at least eighty programs', () => {
    expect(programs.length).toBeGreaterThanOrEqual(80);
    expect(Object.keys(printed)).toEqual(programs.map(({ name }) => name));
  });

  test.each(programs.map((program) => [program.name, program] as const))('%s', (name, program) => {
    expect(linesOf(program)).toEqual(printed[name]);
  });
});
