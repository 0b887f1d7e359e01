import { describe, expect, test } from 'vitest';
import { pinsInRange } from '../boards';
import { readWiring } from '../wiring/read';
import { courseExercises } from '../testing/course';
import { grammars } from '../testing/beacon';
import { buildFor } from './build';
import { check } from './check';

/** Exercises of which two output pins are free, with two of these pins. */
const subjects = courseExercises.flatMap(({ name, exercise }) => {
  const free = [...exercise.pinFreedom.keys()].filter((pin) =>
    exercise.board.pins.some((candidate) => candidate.name === pin),
  );
  const layout = exercise.data.layout ?? '';
  const pairs = free.flatMap((one, index) =>
    free
      .slice(index + 1)
      .filter(
        (other) =>
          pinsInRange(exercise.board, exercise.data.free.pins?.[`U1.${one}`] ?? '').includes(other) &&
          layout.includes(`,U1.${one}\n`) &&
          layout.includes(`,U1.${other}\n`),
      )
      .map((other) => [one, other] as const),
  );
  return pairs.slice(0, 3).map(([one, other]) => ({ name, exercise, one, other }));
});

describe('two lines that are exchanged on pins that are free', () => {
  test('are found in several exercises', () => {
    expect(new Set(subjects.map(({ name }) => name)).size).toBeGreaterThan(1);
  });

  test.each(subjects.map((subject) => [subject.name, subject.one, subject.other, subject] as const))(
    'are told as that in %s, pins %s and %s, or change nothing',
    (_, one, other, { exercise }) => {
      const exchanged = exercise.data
        .layout!.replace(`,U1.${one}\n`, ',U1.?\n')
        .replace(`,U1.${other}\n`, `,U1.${one}\n`)
        .replace(',U1.?\n', `,U1.${other}\n`);
      const wiring = readWiring(exchanged);
      if (!wiring.ok) throw new Error(wiring.problems[0]!.message);
      const report = check(
        exercise,
        buildFor(exercise, wiring.value, exercise.data.program, grammars),
        grammars,
      );
      if (report.verdict === 'as-drawn' || report.verdict === 'works-differently') return;
      const causes = report.findings.filter(({ cause }) => cause);
      expect(causes.map(({ code }) => code)).toEqual(
        expect.arrayContaining([expect.stringMatching(/^(wrong-pin|pin-disagrees)$/)]),
      );
      expect(causes.some(({ repair }) => repair !== undefined)).toBe(true);
    },
  );
});
