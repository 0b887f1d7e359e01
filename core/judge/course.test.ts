import { describe, expect, test } from 'vitest';
import { exerciseAtStage } from '../course/stages';
import { boardsOf } from '../formats/exercise';
import { grammars } from '../testing/beacon';
import { courseExercises } from '../testing/course';
import { readWiring } from '../wiring/read';
import { writeTable } from '../wiring/table';
import { buildFor, referenceBuild } from './build';
import { check } from './check';

const asStages = courseExercises.flatMap(({ name, exercise }) =>
  (exercise.data.stages ?? []).map((stage) => {
    const read = exerciseAtStage(exercise, stage.name);
    if (!read.ok) throw new Error(read.problems[0]!.message);
    return { name: `${name}, stage “${stage.name}”`, exercise: read.value };
  }),
);

describe('the reference of every exercise, form and stage', () => {
  test.each([...courseExercises, ...asStages].map(({ name, exercise }) => [name, exercise] as const))(
    '%s passes its own scenarios, as drawn',
    (_, exercise) => {
      const build = referenceBuild(exercise, grammars);
      const report = check(exercise, build, grammars);
      const off = report.scenarios.flatMap((scenario) =>
        scenario.expectations
          .filter(({ passed }) => !passed)
          .map((one) => `${scenario.name}: ${one.expected}: ${one.observed}`),
      );
      expect([...build.program.problems.map(({ message }) => message), ...off]).toEqual([]);
      expect(report.findings.map(({ code, message }) => `${code}: ${message}`)).toEqual([]);
      expect(report.verdict).toBe('as-drawn');
    },
  );

  test('stages are there for the exercises that need a way in between', () => {
    expect(asStages.map(({ name }) => name.split(',')[0])).toEqual([
      'night-bell',
      'night-bell',
      'passing-boat-counter',
      'dusk-switch',
    ]);
  });

  test.each(courseExercises.map(({ name, exercise }) => [name, exercise] as const))(
    '%s passes with its parts under other names: what is done and seen is of the part that stands for the one named',
    (_, exercise) => {
      const rows = writeTable(exercise.reference).trimEnd().split('\n');
      // The next one of its kind has the name: S1 becomes S2, and the last one S1.
      const names = new Map<string, string>();
      const { parts } = exercise.reference;
      for (const { kind } of parts)
        parts
          .filter((part) => part.kind === kind)
          .forEach(({ ref }, index, alike) => names.set(ref, alike[(index + 1) % alike.length]!.ref));
      const table = rows
        .map((row) => row.replace(/^[^,]+/, (ref) => names.get(ref) ?? ref))
        .map((row) =>
          row.replace(/,([A-Z]+\d+)(\.[a-z]\w*)$/, (whole, ref: string, leg: string) =>
            names.has(ref) ? `,${names.get(ref)}${leg}` : whole,
          ),
        )
        .join('\n');
      const read = readWiring(`${table}\n`, { boards: boardsOf(exercise.data) });
      if (!read.ok) throw new Error(read.problems[0]!.message);
      const build = buildFor(exercise, read.value, exercise.data.program, grammars);
      const { verdict, findings } = check(exercise, build, grammars);
      expect(findings.map(({ code, message }) => `${code}: ${message}`)).toEqual([]);
      expect(verdict).toBe('as-drawn');
    },
  );
});

describe('a program that drives the pin of a knob', () => {
  const fog = courseExercises.find(({ name }) => name === 'fog-lamp')!.exercise;
  const driving = (level: string) =>
    check(
      fog,
      buildFor(
        fog,
        fog.reference,
        fog.data.program.replace(
          'pinMode(LAMP, OUTPUT);',
          `pinMode(LAMP, OUTPUT);\n  pinMode(KNOB, OUTPUT);\n  digitalWrite(KNOB, ${level});`,
        ),
        grammars,
      ),
      grammars,
    );

  test.each(['HIGH', 'LOW'])(
    'to %s is told as a danger, with the current at the end of its travel',
    (level) => {
      const { verdict, findings, right } = driving(level);
      expect(['works-at-risk', 'does-not-work']).toContain(verdict);
      const danger = findings.find(({ code }) => code === 'pin-overcurrent' || code === 'pin-short');
      expect(danger?.evidence).toHaveProperty('currentMa');
      expect(danger?.message).toMatch(/A0 .*\d+ mA/);
      // What is to be changed in the program is nothing that needs no change.
      expect(right).not.toContain('Your program needs no change.');
    },
  );
});
