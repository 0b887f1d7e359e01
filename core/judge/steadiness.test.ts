import { describe, expect, test } from 'vitest';
import { exerciseFrom, languageOf, type Exercise } from '../formats/exercise';
import type { Report } from '../formats/report';
import { compileProgram } from '../program';
import { grammars } from '../testing/beacon';
import { exerciseSaid } from '../testing/exercise-said';
import { readWiring } from '../wiring/read';
import { writeTable } from '../wiring/table';
import { check } from './check';

/** The report on the exercise's own build with its rows and its program changed. */
function reportOn(
  exercise: Exercise,
  {
    rows = (table) => table,
    program = exercise.data.program,
  }: {
    readonly rows?: (table: string) => string;
    readonly program?: string;
  },
): Report {
  const wiring = readWiring(rows(writeTable(exercise.reference)));
  if (!wiring.ok) throw new Error(wiring.problems[0]!.message);
  const compiled = compileProgram(program, exercise.board, grammars, languageOf(exercise));
  return check(exercise, { wiring: wiring.value, program: compiled }, grammars);
}

const following = (mode: string): string => `void setup() { pinMode(13, OUTPUT); pinMode(2, ${mode}); }
void loop() { digitalWrite(13, digitalRead(2)); delay(10); }`;
const doorbell = exerciseSaid({
  id: 'door',
  board: 'learner-5v',
  lines: ['red LED on 13 with 330', 'button on 2, pull-down 10k'],
  program: following('INPUT'),
  scenarios: [
    {
      name: 'one press',
      lasts: 4,
      done: ['hold S1 from 1 s to 2 s'],
      seen: ['D1 is off until 0.9 s', 'D1 is on from 1.2 s to 1.8 s', 'D1 is off from 2.2 s'],
    },
  ],
});

describe('a pull-up inside against a resistor outside', () => {
  const withPullDown = (ohms: string): Report =>
    reportOn(doorbell, {
      rows: (table) => table.replaceAll('resistor,10k', `resistor,${ohms}`),
      program: following('INPUT_PULLUP'),
    });

  test.each([
    ['10k', '0.83 V to 1.7 V', 'in between nobody knows'],
    ['47k', '2.4 V to 3.5 V', 'in between nobody knows'],
    ['100k', '3.3 V to 4.2 V', 'It reads high'],
  ])(
    'of %s is the cause, told with the voltages at both ends of the pull-up’s range',
    (ohms, volts, comes) => {
      const { verdict, findings } = withPullDown(ohms);
      expect(verdict).toBe('does-not-work');
      expect(findings[0]).toMatchObject({ code: 'pull-wrong-way', cause: true, line: 1 });
      expect(findings[0]!.message.replaceAll('\u00a0', ' ')).toContain(
        `the pin is at ${volts} while S1 is open`,
      );
      expect(findings[0]!.message).toContain(comes);
      expect(findings[0]!.hints[2]).toBe('Write INPUT instead of INPUT_PULLUP in line 1.');
    },
  );

  test('that wins for certain is advice', () => {
    const { verdict, findings } = withPullDown('4.7k');
    expect(verdict).toBe('works-differently');
    expect(findings.find(({ code }) => code === 'pull-wrong-way')).toMatchObject({ severity: 'advice' });
  });

  test('is not spoken of where both pull the same way', () => {
    const up = exerciseSaid({
      id: 'up',
      board: 'learner-5v',
      lines: ['red LED on 13 with 330', 'button on 2, pull-up 10k'],
      program: following('INPUT_PULLUP'),
      scenarios: [{ name: 'rest', lasts: 1, done: [], seen: ['D1 is on'] }],
    });
    expect(reportOn(up, {}).findings.map(({ code }) => code)).not.toContain('pull-wrong-way');
  });
});

describe('a line that floats', () => {
  test('is told with what comes of each thing that it may read, and held the way its button asks for', () => {
    const { findings } = reportOn(doorbell, {
      rows: (table) => table.replace(/^R2,.*\n/gm, ''),
    });
    const unsteady = findings.find(({ code }) => code === 'unsteady')!;
    expect(unsteady.message).toMatch(
      /While it reads low, all is as it should be; while it reads high, the red LED D1 .*; while it reads now this, now that, the red LED D1 /,
    );
    for (const { hints } of findings) expect(hints.join()).not.toMatch(/pull-up|PULLUP/);
  });

  test('is told so too where the build fails in any case', () => {
    const night = exerciseSaid({
      id: 'night',
      board: 'learner-5v',
      lines: ['red LED on 13 with 330', 'button on 2, pull-up'],
      program: `void setup() { pinMode(13, OUTPUT); pinMode(2, INPUT_PULLUP); }
void loop() { digitalWrite(13, !digitalRead(2)); delay(10); }`,
      scenarios: [{ name: 'rest', lasts: 2, done: [], seen: ['D1 is off'] }],
    });
    const program = night.data.program.replace('INPUT_PULLUP', 'INPUT');
    const [cause] = reportOn(night, { program }).findings;
    expect(cause).toMatchObject({ code: 'pullup-unset', cause: true });
    expect(cause!.message).toMatch(
      /While it reads low, the red LED D1 .*; while it reads high, all is as it should be;/,
    );
  });
});

describe('what is not quite as it is said to be', () => {
  const warm = (threshold: number): Exercise =>
    exerciseSaid({
      id: 'warm',
      board: 'learner-5v',
      lines: ['red LED on 13 with 330', 'temperature sensor on A1'],
      program: `void setup() { pinMode(13, OUTPUT); }
void loop() { digitalWrite(13, analogRead(A1) > ${threshold}); delay(50); }`,
      scenarios: [{ name: 'cool', lasts: 2, done: ['warm T1 to 20 °C at 0 s'], seen: ['D1 is off'] }],
    });

  test('is the supply, where a sensor gives volts and not a share of it', () => {
    expect(reportOn(warm(190), {}).verdict).toBe('as-drawn');
    const { verdict, findings } = reportOn(warm(190), { program: warm(144).data.program });
    expect(verdict).toBe('does-not-work');
    expect(findings.find(({ code }) => code === 'unsteady')!.message).toMatch(
      /^The board’s supply may be 4\.75\u00a0V/,
    );
  });

  const dusk = (threshold: number): Exercise =>
    exerciseSaid({
      id: 'dusk',
      board: 'learner-5v',
      lines: ['red LED on 13 with 330', 'light sensor on A0 with 10k'],
      program: `void setup() { pinMode(13, OUTPUT); }
void loop() { digitalWrite(13, analogRead(A0) < ${threshold}); delay(50); }`,
      scenarios: [{ name: 'a room', lasts: 2, done: ['light on L1 to 50 % at 0 s'], seen: ['D1 is off'] }],
    });

  test('is the room: a threshold near to what is read there is advice, with its margin', () => {
    expect(reportOn(dusk(150), {}).findings).toEqual([]);
    for (const [threshold, margin] of [
      [325, 10],
      [305, 20],
    ] as const) {
      const { verdict, findings } = reportOn(dusk(threshold), {});
      expect(verdict).toBe('as-drawn');
      expect(findings).toMatchObject([{ code: 'unsteady', severity: 'advice', refs: ['L1'], line: 2 }]);
      expect(findings[0]!.message.replaceAll('\u00a0', ' ')).toContain(`with ${margin} % more resistance`);
    }
  });
});

describe('what the exercise wants so', () => {
  const dimmer = exerciseSaid({
    id: 'held',
    board: 'learner-5v',
    lines: ['red LED on 9 with 330', 'button on 2, pull-up'],
    program: `int n = 0;
void setup() { pinMode(9, OUTPUT); pinMode(2, INPUT_PULLUP); }
void loop() { if (digitalRead(2) == LOW) { n = (n + 1) % 256; } analogWrite(9, n); delay(20); }`,
    scenarios: [{ name: 'held', lasts: 4, done: ['hold S1 from 0 s to 4 s'], seen: ['D1 gets brighter'] }],
  });

  test('is not held against a build: a held button that goes on, where the exercise’s own program does', () => {
    const report = reportOn(dimmer, { rows: (table) => table.replace(/^W1,.*\n/gm, '') });
    expect(report.verdict).toBe('does-not-work');
    expect(report.findings.map(({ code }) => code)).not.toContain('repeats-while-held');
  });

  test.each([
    ['numbers', false],
    ['constants-when-twice', true],
  ])('and numbers of pins are judged by its rules: %s', (pinNames, isTold) => {
    const exercise = exerciseFrom({ ...doorbell.data, rules: { pinNames }, program: following('INPUT') });
    if (!exercise.ok) throw new Error(exercise.problems[0]!.message);
    const program = `void setup() { pinMode(13, OUTPUT); pinMode(2, INPUT); }
void loop() { if (digitalRead(2)) digitalWrite(13, HIGH); else digitalWrite(13, LOW); delay(10); }`;
    const codes = reportOn(exercise.value, { program }).findings.map(({ code }) => code);
    expect(codes.includes('magic-number')).toBe(isTold);
  });

  test.each([
    ['supply-only', true],
    ['feeding-pins-too', false],
  ])('and red wires too: %s', (redWires, isTold) => {
    const exercise = exerciseFrom({ ...doorbell.data, rules: { redWires } });
    if (!exercise.ok) throw new Error(exercise.problems[0]!.message);
    const { findings } = reportOn(exercise.value, {
      rows: (table) => table.replaceAll('wire,yellow', 'wire,red'),
    });
    expect(findings.some(({ code }) => code === 'wire-colour')).toBe(isTold);
  });
});
