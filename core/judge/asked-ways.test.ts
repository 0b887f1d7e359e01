import { describe, expect, test } from 'vitest';
import { compileProgram } from '../program';
import { grammars } from '../testing/beacon';
import { exerciseSaid } from '../testing/exercise-said';
import { readWiring } from '../wiring/read';
import { writeTable } from '../wiring/table';
import { check } from './check';

const bell = exerciseSaid({
  id: 'bell',
  board: 'learner-5v',
  lines: ['red LED on 13 with 330', 'button on 2, pull-up', 'capacitor 100nF between 2 and GND'],
  program: `volatile bool rang = false;
void ring() { rang = true; }
void setup() { pinMode(13, OUTPUT); pinMode(2, INPUT_PULLUP); attachInterrupt(digitalPinToInterrupt(2), ring, FALLING); }
void loop() { if (rang) { rang = false; digitalWrite(13, HIGH); delay(500); digitalWrite(13, LOW); } }`,
  scenarios: [
    {
      name: 'a press',
      lasts: 3,
      done: ['press S1 at 1 s for 0.2 s'],
      seen: [
        'C1 is connected',
        'S1 is watched by an interrupt',
        'D1 is on from 0.05 s to 0.4 s after S1',
        'D1 flashes once after S1',
      ],
    },
  ],
});

const report = (rows: (table: string) => string, source = bell.data.program) => {
  const wiring = readWiring(rows(writeTable(bell.reference)));
  if (!wiring.ok) throw new Error(wiring.problems[0]!.message);
  return check(
    bell,
    { wiring: wiring.value, program: compileProgram(source, bell.board, grammars) },
    grammars,
  );
};
const asIs = (table: string): string => table;

describe('an exercise that asks for more than can be seen', () => {
  test('is met by its own build', () => {
    expect(report(asIs).verdict).toBe('as-drawn');
  });

  test.each([
    ['a part is missing', (table: string) => table.replace(/^C1,.*\n/gm, ''), 'part-missing', 'add'],
    [
      'a part leads nowhere',
      (table: string) => table.replace(/^(C1,.*,2,).*/m, '$1B1.a15'),
      'leg-open',
      'move',
    ],
  ])('is not met where %s, though all works, and the repair is told', (_, rows, code, edit) => {
    const { verdict, findings } = report(rows);
    expect(verdict).toBe('does-not-work');
    expect(findings[0]).toMatchObject({ code, cause: true });
    expect(Object.keys(findings[0]!.repair!.edits[0]!)).toContain(edit);
  });

  test('is not met by a program that goes another way', () => {
    const polling = `void setup() { pinMode(13, OUTPUT); pinMode(2, INPUT_PULLUP); }
void loop() { if (digitalRead(2) == LOW) { digitalWrite(13, HIGH); delay(500); digitalWrite(13, LOW); } }`;
    const { verdict, findings } = report(asIs, polling);
    expect(verdict).toBe('does-not-work');
    expect(findings[0]).toMatchObject({ code: 'way-off', cause: true, line: 2, refs: ['S1'] });
  });
});
