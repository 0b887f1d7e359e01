import { describe, expect, test } from 'vitest';
import { legName, ref } from '../brand';
import type { Exercise } from '../formats/exercise';
import type { Report } from '../formats/report';
import { isResistor } from '../parts';
import { grammars } from '../testing/beacon';
import { courseExercises } from '../testing/course';
import { trialExercises } from '../testing/trials/exercises';
import { Circuit } from '../wiring/circuit';
import { withPart, type PlacedPart, type Point, type Wiring } from '../wiring/wiring';
import { check } from './check';
import { referenceBuild } from './build';
import { united } from './united';

const [one, two] = [legName('1'), legName('2')];
const other = ref('R99');
const at = (owner: PlacedPart, leg: typeof one): Point => ({ type: 'leg', ref: owner.ref, leg });
const of = (part: PlacedPart, amount: number): PlacedPart => ({
  ...part,
  value: { text: String(amount), amount },
});

/** A resistor as two that come to the same: side by side, or one behind the other. */
const split: Readonly<Record<string, (wiring: Wiring, part: PlacedPart) => Wiring>> = {
  'side by side': (wiring, part) => {
    const half = of(part, part.value.amount! * 2);
    const second = {
      ...half,
      ref: other,
      legs: [
        { leg: one, at: at(part, one) },
        { leg: two, at: at(part, two) },
      ],
    };
    const both = withPart(wiring, half);
    return { ...both, parts: [...both.parts, second] };
  },
  'one behind the other': (wiring, part) => {
    const half = of(part, part.value.amount! / 2);
    const end = part.legs.find(({ leg }) => leg === two)!.at;
    const first = { ...half, legs: half.legs.map((leg) => (leg.leg === two ? { leg: two, at: null } : leg)) };
    const second = {
      ...half,
      ref: other,
      legs: [
        { leg: one, at: at(part, two) },
        { leg: two, at: end },
      ],
    };
    const both = withPart(wiring, first);
    return { ...both, parts: [...both.parts, second] };
  },
};

const resistorsOf = ({ reference }: Exercise): readonly PlacedPart[] => reference.parts.filter(isResistor);

const told = ({ findings }: Report): readonly string[] =>
  findings.map(({ code, severity, message }) => `${severity} ${code} ${message}`);

describe.each(Object.entries(split))('two resistors %s', (_, splitUp) => {
  test.each(
    [...courseExercises, ...trialExercises]
      .filter(({ exercise }) => resistorsOf(exercise).length > 0)
      .map(({ name, exercise }) => [name, exercise] as const),
  )('stand for one of %s that they come to', (name, exercise) => {
    const { program } = referenceBuild(exercise, grammars);
    const own = told(check(exercise, referenceBuild(exercise, grammars), grammars));
    // The first, the last and one between: those of a row of LEDs are all alike.
    const all = resistorsOf(exercise);
    for (const part of new Set([all[0]!, all[all.length >> 1]!, all.at(-1)!])) {
      const wiring = splitUp(exercise.reference, part);
      const report = check(exercise, { wiring, program }, grammars);
      const more = told(report).filter((finding) => !own.includes(finding));
      expect([name, part.ref, report.verdict, ...more]).toEqual([
        name,
        part.ref,
        'works-differently',
        expect.stringMatching(/^advice part-extra .* together are /),
      ]);
    }
  });
});

test('resistors of which each has a part of its own are not united', () => {
  const { exercise } = courseExercises.find(({ name }) => name === 'leading-lights')!;
  expect(united(new Circuit(exercise.reference))).toBeUndefined();
});
