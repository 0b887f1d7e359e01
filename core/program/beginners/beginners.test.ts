import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { shippedBoards } from '../../boards';
import { ref } from '../../brand';
import { rehearse } from '../../rehearsal/rehearse';
import { grammars } from '../../testing/beacon';
import { compileProgram } from '../index';
import { readBeginners } from './programs';

const boards = { cpp: shippedBoards.get('learner-5v')!, python: shippedBoards.get('python-3v3')! };
const programs = (['cpp', 'python'] as const).flatMap((language) =>
  readBeginners(readFileSync(`core/program/beginners/${language}.txt`, 'utf8'), language),
);
const named = (isRefused: boolean) =>
  programs
    .filter(({ refused }) => (refused !== undefined) === isRefused)
    .map((program) => [program.name, program] as const);

describe('a program as beginners write it', () => {
  test('has a name of its own', () => {
    expect(new Set(programs.map(({ name, language }) => `${language} ${name}`)).size).toBe(programs.length);
  });

  test.each(named(false))('runs: %s', (_, { source, language }) => {
    const board = boards[language];
    const { problems, compiled } = compileProgram(source, board, grammars, language);
    expect(problems.filter(({ stopsCompiler, unsupported }) => stopsCompiler || unsupported)).toEqual([]);
    const wiring = { board: { ref: ref('U1'), profile: board }, breadboards: [], parts: [] };
    const trace = rehearse(compiled!, wiring, board, { seconds: 3, stimuli: [], steps: 500_000 });
    // A bare board measures nothing, by which some divide.
    if (trace.failure?.kind !== 'ZeroDivisionError') expect(trace.failure).toBeUndefined();
    expect(['time', 'finished', 'steps', 'waits']).toContain(trace.ended.reason);
  });

  test.each(named(true))('is told what of it is not followed, and nothing else: %s', (_, program) => {
    const { source, language, refused } = program;
    const { problems } = compileProgram(source, boards[language], grammars, language);
    const faults = problems.filter(({ severity }) => severity === 'fault');
    expect(faults[0]?.message).toContain(refused);
    expect(faults.every(({ unsupported }) => unsupported)).toBe(true);
  });
});
