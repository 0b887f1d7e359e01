import { describe, expect, test } from 'vitest';
import type { Exercise } from '../../formats/exercise';
import { isContact, isResistor, kindOf } from '../../parts';
import { courseExercises } from '../../testing/course';
import { exerciseSaid } from '../../testing/exercise-said';
import { trialExercises } from '../../testing/trials/exercises';
import { triedOn } from '../../testing/trials/trial';
import { nameOf, withPart, type Hole, type PlacedPart, type Wiring } from '../../wiring/wiring';

const digit = exerciseSaid({
  id: 'one-figure',
  board: 'learner-5v',
  lines: ['seven-segment display on 2-8 with 220'],
  program: `void setup() {
  for (int i = 2; i <= 8; i++) pinMode(i, OUTPUT);
}
void loop() {
  for (int i = 2; i <= 8; i++) digitalWrite(i, bitRead(B1011011, i - 2));
  delay(500);
  for (int i = 2; i <= 8; i++) digitalWrite(i, bitRead(B1100110, i - 2));
  delay(500);
}
`,
  scenarios: [{ name: 'two and four', lasts: 3, done: [], seen: ['D1 shows 2, 4, 2, 4'] }],
});

const exercises: readonly { readonly name: string; readonly exercise: Exercise }[] = [
  ...courseExercises,
  ...trialExercises,
  { name: 'one figure', exercise: digit },
];

/** Parts with a row of legs on each side of the centre gap, and the holes that they are in. */
const acrossTheGap = exercises.flatMap(({ name, exercise }) =>
  exercise.reference.parts.flatMap((part) => {
    const { footprint } = kindOf(part.kind);
    const holes = part.legs.flatMap(({ at }) => (at?.type === 'hole' ? [at] : []));
    const isAcross =
      footprint.type === 'block' &&
      footprint.other.length === footprint.one.length &&
      holes.length === part.legs.length &&
      !isContact(part);
    return isAcross ? [{ name, exercise, part, holes }] : [];
  }),
);

const seated = (wiring: Wiring, part: PlacedPart, to: readonly Hole[]): Wiring =>
  withPart(wiring, { ...part, legs: part.legs.map((leg, index) => ({ ...leg, at: to[index]! })) });

const lower = (holes: readonly Hole[], rows: number): readonly Hole[] =>
  holes.map((hole) => ({ ...hole, row: hole.row + rows }));
const isFree = ({ reference }: Exercise, part: PlacedPart, to: readonly Hole[]): boolean => {
  const taken = new Set(
    reference.parts.flatMap(({ ref, legs }) =>
      ref === part.ref ? [] : legs.flatMap(({ at }) => (at ? [nameOf(at)] : [])),
    ),
  );
  return to.every((hole) => hole.row >= 1 && !taken.has(nameOf(hole)));
};

describe('a part with many legs', () => {
  test('is tried with the bar of LEDs and the figure', () => {
    expect(acrossTheGap.map(({ part }) => part.kind).sort()).toEqual(['led-bar', 'seven-segment']);
  });

  describe.each(acrossTheGap)('in $name', ({ exercise, part, holes }) => {
    const turned = [...holes].reverse();
    const { footprint, legs } = kindOf(part.kind);
    const sides = footprint.type === 'block' ? [...footprint.one, ...footprint.other] : [];
    // Only of a part whose sides are alike can one side be taken for the other.
    const isAlike = legs.every(({ name }, index) => sides[index] === name);
    const half = holes.length / 2;
    test.each([
      ['a row off', lower(holes, 1)],
      ['two rows off', lower(holes, 2)],
      ['turned round', turned],
      ['turned round and a row off', lower(turned, 1)],
      ['turned round and two rows off', lower(turned, 2)],
      ...(isAlike
        ? ([['written down from the other side', [...holes.slice(half), ...holes.slice(0, half)]]] as const)
        : []),
    ] as const)('%s is one slip, and one move mends it', (_, to) => {
      if (!isFree(exercise, part, to)) return;
      const { report, causes, mended } = triedOn(
        exercise,
        { wiring: seated(exercise.reference, part, to), program: exercise.data.program },
        [],
      );
      expect(report.verdict).toBe('does-not-work');
      expect(causes.map(({ refs }) => refs)).toEqual([expect.arrayContaining([part.ref])]);
      expect(mended?.verdict).toBe('as-drawn');
      // A sentence that names twenty holes is read by nobody.
      expect(causes[0]!.repair!.text.length).toBeLessThan(140);
    });
  });
});

/** Exercises with several resistors that are alike. */
const alike = exercises.flatMap(({ name, exercise }) => {
  const resistors = exercise.reference.parts.filter(isResistor);
  const byValue = new Map<string, PlacedPart[]>();
  for (const part of resistors) byValue.set(part.value.text, [...(byValue.get(part.value.text) ?? []), part]);
  return [...byValue.values()]
    .filter((parts) => parts.length > 1)
    .map((parts) => ({ name, value: parts[0]!.value.text, exercise, parts }));
});

describe('resistors of the same wrong drawer', () => {
  test('are tried in many exercises', () => expect(alike.length).toBeGreaterThan(8));

  test.each(alike)('in $name, $value, are told once and exchanged together', ({ exercise, parts }) => {
    for (const amount of [33, 1_000_000]) {
      const wiring = parts.reduce(
        (made, part) => withPart(made, { ...part, value: { text: String(amount), amount } }),
        exercise.reference,
      );
      const { report, causes, mended } = triedOn(exercise, { wiring, program: exercise.data.program }, []);
      const told = report.findings.filter(({ code }) => code === 'resistor-value');
      const names = parts.map(({ ref }) => ref);
      expect(told.flatMap(({ refs }) => refs).sort()).toEqual([...names].sort());
      // What each of them does may differ; what is alike is said once.
      expect(new Set(told.map(({ message }) => message.replace(/^.*? (?:is|are) /, ''))).size).toBe(
        told.length,
      );
      if (causes.length > 0)
        expect(mended?.verdict, causes.map(({ message }) => message).join(' ')).toBe('as-drawn');
    }
  });
});
