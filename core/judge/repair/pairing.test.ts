import { describe, expect, test } from 'vitest';
import { buildFor } from '../build';
import { check } from '../check';
import { grammars } from '../../testing/beacon';
import { exerciseSaid } from '../../testing/exercise-said';
import { readWiring } from '../../wiring/read';
import { writeTable } from '../../wiring/table';

const COLOURS = ['red', 'green', 'yellow', 'blue'];

/** Lights of several colours that blink in turn, with equal resistors. */
const lights = (count: number) =>
  exerciseSaid({
    id: 'mast',
    board: 'learner-5v',
    lines: COLOURS.slice(0, count).map((colour, index) => `${colour} LED on ${5 + index} with 330`),
    program: `void setup() {\n${COLOURS.slice(0, count)
      .map((_, index) => `  pinMode(${5 + index}, OUTPUT);`)
      .join('\n')}\n}\n\nvoid loop() {\n${COLOURS.slice(0, count)
      .map(
        (_, index) =>
          `  digitalWrite(${5 + index}, HIGH);\n  delay(${200 + 100 * index});\n  digitalWrite(${5 + index}, LOW);`,
      )
      .join('\n')}\n}\n`,
    scenarios: [
      {
        name: 'in turn',
        lasts: 6,
        done: [],
        seen: COLOURS.slice(0, count).map((_, index) => {
          const whole = (count * (200 + 200 + 100 * (count - 1))) / 2000;
          const on = (200 + 100 * index) / 1000;
          return `D${index + 1} lit ${on} s, dark ${(whole - on).toFixed(1)} s`;
        }),
      },
    ],
  });

/** The table with the places of two LEDs exchanged: each stands where the other belongs. */
function exchanged(table: string, one: string, other: string): string {
  const at = (ref: string, leg: string): string =>
    table
      .split('\n')
      .find((row) => row.startsWith(`${ref},`) && row.includes(`,${leg},`))!
      .split(',')[4]!;
  return table
    .split('\n')
    .map((row) => {
      const cells = row.split(',');
      const from = cells[0] === one ? other : cells[0] === other ? one : undefined;
      return from === undefined ? row : [...cells.slice(0, 4), at(from, cells[3]!)].join(',');
    })
    .join('\n');
}

describe('two LEDs that stand in each other’s places', () => {
  test.each([
    [2, 'D1', 'D2'],
    [3, 'D1', 'D3'],
    [4, 'D2', 'D3'],
  ])('of %i are mended by one change: their equal resistors may serve either', (count, one, other) => {
    const exercise = lights(count);
    const read = readWiring(exchanged(writeTable(exercise.reference), one, other));
    if (!read.ok) throw new Error(read.problems[0]!.message);
    const { verdict, findings } = check(
      exercise,
      buildFor(exercise, read.value, exercise.data.program, grammars),
      grammars,
    );
    const causes = findings.filter(({ cause }) => cause);
    expect(verdict).toBe('does-not-work');
    expect(causes.map(({ code }) => code)).toEqual(['wrong-pin']);
    expect(causes[0]!.repair!.edits).toHaveLength(2);
  });

  test('are no excuse for a resistor of another value', () => {
    const exercise = lights(2);
    const table = writeTable(exercise.reference).replaceAll('R2,resistor,330', 'R2,resistor,10k');
    const read = readWiring(table);
    if (!read.ok) throw new Error(read.problems[0]!.message);
    const { findings } = check(
      exercise,
      buildFor(exercise, read.value, exercise.data.program, grammars),
      grammars,
    );
    expect(findings.filter(({ cause }) => cause).map(({ code }) => code)).toEqual(['resistor-value']);
  });
});
