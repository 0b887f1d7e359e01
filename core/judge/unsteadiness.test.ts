import { describe, expect, test } from 'vitest';
import { grammars } from '../testing/beacon';
import { courseExercises } from '../testing/course';
import { compileProgram } from '../program';
import { examine, referenceOf } from './examine';

const dusk = courseExercises.find(({ name }) => name === 'dusk-switch')!.exercise;
const reference = referenceOf(dusk, grammars);

/** What is found with thresholds of the dusk switch at a number. */
const withThreshold = (dark: number, wiring = dusk.reference) => {
  const source = dusk.data.program
    .replace('DARK = 300', `DARK = ${dark}`)
    .replace('BRIGHT = 400', `BRIGHT = ${dark + 1}`);
  const program = compileProgram(source, dusk.board, grammars);
  const { verdict, observations } = examine(reference, { wiring, program });
  return { verdict, found: observations.filter(({ severity }) => severity !== 'advice') };
};

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
