import { describe, expect, test } from 'vitest';
import { grammars } from '../testing/beacon';
import { courseExercises } from '../testing/course';
import { compileProgram } from '../program';
import { readWiring } from '../wiring/read';
import { writeTable } from '../wiring/table';
import type { Wiring } from '../wiring/wiring';
import { buildFor, referenceBuild } from './build';
import { check } from './check';
import { examine } from './examine';
import { referenceOf } from './reference';

const dusk = courseExercises.find(({ name }) => name === 'dusk-switch')!.exercise;
const reference = referenceOf(dusk, grammars);

/** What is found with thresholds of the dusk switch at a number. */
const withThreshold = (dark: number, wiring = dusk.reference) => {
  const program = compileProgram(thresholds(dark), dusk.board, grammars);
  const { verdict, observations } = examine(reference, { wiring, program });
  return { verdict, found: observations.filter(({ severity }) => severity !== 'advice') };
};

/** The exercise with thresholds of its own at a number, and what is said of a build of it. */
const asIfAskedWith = (own: number, build: (program: string) => string) => {
  const asked = { ...dusk, data: { ...dusk.data, program: thresholds(own) } };
  const report = check(
    asked,
    buildFor(asked, readTable(writeTable(dusk.reference)), build(thresholds(own)), grammars),
    grammars,
  );
  return {
    verdict: report.verdict,
    said: report.findings.map(({ code, severity }) => `${severity} ${code}`),
  };
};
const thresholds = (dark: number): string =>
  dusk.data.program.replace('DARK = 300', `DARK = ${dark}`).replace('BRIGHT = 400', `BRIGHT = ${dark + 1}`);
const readTable = (table: string): Wiring => {
  const read = readWiring(table);
  if (!read.ok) throw new Error(read.problems[0]!.message);
  return read.value;
};

describe('what the exercise’s own program does too', () => {
  test('is not held against a build, but said', () => {
    expect(asIfAskedWith(17, (program) => program)).toEqual({
      verdict: 'as-drawn',
      said: ['advice unsteady'],
    });
    expect(asIfAskedWith(17, (program) => program.replaceAll('DARK', 'DIM')).verdict).toBe('as-drawn');
  });

  test('is told to its author as a fault', () => {
    const asked = { ...dusk, data: { ...dusk.data, program: thresholds(17) } };
    expect(check(asked, referenceBuild(asked, grammars), grammars).verdict).toBe('does-not-work');
  });

  test('forgives nothing else: a line that floats, and a program that the exercise’s own is steadier than', () => {
    const steady = asIfAskedWith(300, (program) =>
      program.replace('DARK = 300', 'DARK = 17').replace('BRIGHT = 301', 'BRIGHT = 18'),
    );
    expect(steady.verdict).toBe('does-not-work');
    expect(steady.said[0]).toBe('fault unsteady');
  });
});

describe('parts that are off by their tolerance', () => {
  test.each([100, 200, 300])('make no difference to a threshold of %i, far from what is measured', (dark) => {
    expect(withThreshold(dark)).toEqual({ verdict: 'as-drawn', found: [] });
  });

  test('do to one that only just works, and the part and the line are told', () => {
    // In the dark 16 are measured; with the resistor 5 % larger, 17.
    const { verdict, found } = withThreshold(17);
    expect(verdict).toBe('does-not-work');
    const [first] = found.filter(({ code }) => code === 'unsteady');
    expect(first).toMatchObject({ refs: ['R1'], line: 15 });
    expect(first!.message).toMatch(/^The 10 kΩ resistor R1 may be 5\u00a0% larger than it says;/);
    expect(new Set(first!.hints).size).toBe(3);
  });

  test('are not looked at where the build does not work as it is', () => {
    const { found } = withThreshold(10);
    expect(found.map(({ code }) => code)).not.toContain('unsteady');
    expect(found.map(({ code }) => code)).toContain('not-lit');
  });
});
