import { describe, expect, test } from 'vitest';
import { exerciseFrom, type Exercise } from '../formats/exercise';
import { grammars } from '../testing/beacon';
import { courseExercises } from '../testing/course';
import { trialExercises } from '../testing/trials/exercises';
import { readWiring } from '../wiring/read';
import { writeTable } from '../wiring/table';
import { buildFor, referenceBuild } from './build';
import { check } from './check';

const named = (name: string): Exercise =>
  [...courseExercises, ...trialExercises].find((one) => one.name === name)!.exercise;
const lamp = named('hand-lamp');
const firstLight = named('first-light');

/** What is said of a wiring that is the reference with its rows changed. */
function said(exercise: Exercise, change: (rows: string) => string, program = '') {
  const read = readWiring(change(writeTable(exercise.reference)));
  if (!read.ok) throw new Error(read.problems[0]!.message);
  return check(exercise, buildFor(exercise, read.value, program, grammars), grammars);
}
const without =
  (ref: string) =>
  (rows: string): string =>
    rows.replace(new RegExp(`^${ref},.*\\n`, 'gm'), '');

describe('a circuit without a board', () => {
  test('is judged by what its battery drives', () => {
    expect(check(lamp, referenceBuild(lamp, grammars), grammars)).toMatchObject({
      verdict: 'as-drawn',
      findings: [],
      scenarios: [{ passed: true }],
    });
  });

  test('without its resistor burns its LED, whatever is seen, and the battery is to be taken off', () => {
    const report = said(lamp, (rows) => without('R1')(rows).replace('cathode,B1.d5', 'cathode,B1.a-5'));
    expect(report.verdict).not.toBe('as-drawn');
    const [cause] = report.findings;
    expect(cause).toMatchObject({ code: 'no-series-resistor', cause: true });
    expect(cause!.hints.join(' ')).not.toContain('board');
  });

  test('that joins the poles is a short, at the wire that does it', () => {
    const report = said(lamp, (rows) => `${rows}W9,wire,blue,1,B1.a+9\nW9,wire,blue,2,B1.a-9\n`);
    expect(report.findings[0]).toMatchObject({
      code: 'supply-short',
      cause: true,
      repair: { edits: [{ remove: 'W9' }] },
      hints: [expect.anything(), expect.anything(), expect.stringMatching(/^Disconnect the battery first\./)],
    });
    expect(report.findings.map(({ code }) => code)).not.toContain('part-bypassed');
  });

  test('has nothing to judge while no part is recorded', () => {
    expect(said(lamp, () => 'ref,kind,value,leg,at\n')).toMatchObject({
      verdict: 'cannot-tell',
      findings: [{ code: 'part-missing', message: expect.stringContaining('Nothing is plugged in yet') }],
    });
  });

  test('may switch a motor by hand, until its sparks reach something that they destroy', () => {
    const fan = named('fan');
    expect(check(fan, referenceBuild(fan, grammars), grammars)).toMatchObject({
      verdict: 'as-drawn',
      findings: [],
    });
    const withLed = said(
      fan,
      (rows) => `${rows}D9,led,red,anode,B1.b4
D9,led,red,cathode,B1.b9
R9,resistor,330,1,B1.d9
R9,resistor,330,2,B1.a-9
`,
    );
    expect(withLed.findings.map(({ code }) => code)).toContain('inductive-no-diode');
  });

  test('needs no board named, and none among its parts', () => {
    const nameless = { ...lamp.data, board: undefined };
    expect(exerciseFrom(nameless)).toMatchObject({ ok: true, value: { board: { id: 'none' } } });
    expect(
      exerciseFrom({
        ...lamp.data,
        parts: [...lamp.data.parts, { ref: 'U1', kind: 'board', value: 'learner-5v' }],
      }),
    ).toMatchObject({ ok: false, problems: [{ path: 'board' }] });
  });
});

describe('a circuit without a program', () => {
  test('on the supply of a board is judged by its wiring, and a pin is no supply', () => {
    expect(check(firstLight, referenceBuild(firstLight, grammars), grammars).verdict).toBe('as-drawn');
    const report = said(firstLight, (rows) => rows.replace('U1.5V', 'U1.13'));
    expect(report.verdict).toBe('does-not-work');
    expect(report.findings[0]).toMatchObject({ code: 'wrong-pin', cause: true });
  });

  test('of an exercise that has one is incomplete', () => {
    const { exercise } = courseExercises[0]!;
    expect(said(exercise, (rows) => rows)).toMatchObject({
      verdict: 'cannot-tell',
      findings: [{ code: 'missing-entry' }],
    });
  });
});

describe('the LED on the board itself', () => {
  const bare = (board: string, program: string): Exercise => {
    const read = exerciseFrom({
      format: 'didaktor/exercise@1',
      id: 'bare',
      title: 'Bare',
      board,
      parts: [{ ref: 'U1', kind: 'board', value: board }],
      nets: [],
      program,
      scenarios: [{ name: 'blinks', for: 8, expect: [{ lamp: 'U1.lamp', rhythm: [1, 0.5] }] }],
    });
    if (!read.ok) throw new Error(read.problems[0]!.message);
    return read.value;
  };
  const blink = (pin: string, high = 'HIGH', low = 'LOW'): string =>
    `void setup() { pinMode(${pin}, OUTPUT); }
void loop() { digitalWrite(${pin}, ${high}); delay(1000); digitalWrite(${pin}, ${low}); delay(500); }`;

  test('can be what is expected, on a bare board', () => {
    const exercise = bare('learner-5v', blink('LED_BUILTIN'));
    expect(check(exercise, referenceBuild(exercise, grammars), grammars)).toMatchObject({
      verdict: 'as-drawn',
      scenarios: [
        {
          expectations: [
            { expected: 'the board’s own LED lit 1 s, dark 0.5 s, over and over', passed: true },
          ],
        },
      ],
    });
    const { verdict, findings } = said(exercise, (rows) => rows, blink('13').replace('1000', '500'));
    expect(verdict).toBe('does-not-work');
    expect(findings[0]).toMatchObject({
      code: 'timing-off',
      repair: { edits: [{ replace: { by: '1000' } }] },
    });
  });

  test('lights at the level that its board says', () => {
    const exercise = bare('wifi-3v3', blink('LED_BUILTIN', 'LOW', 'HIGH'));
    expect(check(exercise, referenceBuild(exercise, grammars), grammars).verdict).toBe('as-drawn');
  });

  test('is refused on a board that has none', () => {
    expect(() => bare('chip-8', blink('1'))).toThrow('no LED of its own');
  });
});

describe('a program that does it once', () => {
  test('by reading its button as it starts is told so at that line', () => {
    const bell = named('night-bell');
    const report = said(
      bell,
      (rows) => rows,
      `const int BUTTON = 2;
const int BUZZER = 8;
const int LAMP = 13;
int pressed;

void setup() {
  pinMode(BUTTON, INPUT_PULLUP);
  pinMode(BUZZER, OUTPUT);
  pinMode(LAMP, OUTPUT);
  pressed = digitalRead(BUTTON);
}

void loop() {
  digitalWrite(BUZZER, !pressed);
  digitalWrite(LAMP, !pressed);
}
`,
    );
    expect(report.findings[0]).toMatchObject({
      code: 'missed-input',
      cause: true,
      line: 10,
      message: expect.stringContaining('only once, as the program starts'),
    });
  });

  const python = named('beacon-python');
  const once = python.data.program.replace(/while True:\n/, '').replace(/^ {4}/gm, '');

  test('for want of a loop is told so, with the loop that is missing', () => {
    const [first] = said(python, (rows) => rows, once).findings;
    expect(first).toMatchObject({
      cause: true,
      message: expect.stringContaining('each runs once, from the top to the bottom, and the program is over'),
      repair: { text: expect.stringContaining('Write while True: above line') },
    });
  });

  test('and is over, or does nothing more, is told with the line that did the last of it', () => {
    const below = `${once.split('\n').slice(0, 8).join('\n')}
lamp.value = True


def rest(seconds):
    time.sleep(seconds)


rest(0.5)
lamp.value = False
rest(2.5)
`;
    expect(said(python, (rows) => rows, below).findings[0]).toMatchObject({
      cause: true,
      message: expect.stringMatching(/Line 17 makes pin D13 LOW at 0\.50 s.*The program is over at 3 s\./),
    });
  });
});

test('a part that people see and that no scenario watches is missed all the same', () => {
  const lights = named('leading-lights');
  const blind: Exercise = {
    ...lights,
    data: {
      ...lights.data,
      scenarios: [{ name: 'the first', for: 8, stimuli: [], expect: [{ lamp: 'D1', rhythm: [0.8, 0.8] }] }],
    },
  };
  const report = said(blind, without('D2'), lights.data.program);
  expect(report).toMatchObject({ verdict: 'works-at-risk', scenarios: [{ passed: true }] });
  expect(report.findings[0]).toMatchObject({ code: 'part-missing', cause: true });
});

describe('what moves and switches', () => {
  const fan = named('fan');
  const seenOf = (report: ReturnType<typeof check>): readonly string[] =>
    report.scenarios[0]!.expectations.map(({ observed, passed }) => `${passed ? 'yes' : 'no'}: ${observed}`);

  test('is told when a motor turns the other way, with its leads to be exchanged', () => {
    const report = said(fan, (rows) =>
      rows
        .replace('M1,motor,5V,plus', 'X')
        .replace('motor,5V,minus', 'motor,5V,plus')
        .replace('X', 'M1,motor,5V,minus'),
    );
    expect(seenOf(report)).toEqual([
      'yes: stands still',
      expect.stringMatching(/^no: turns backwards at 11\d %$/),
      'yes: stands still',
    ]);
    const codes = report.findings.map(({ code }) => code);
    expect(codes).toContain('wrong-direction');
    expect(report.findings.flatMap(({ hints }) => hints).join(' ')).not.toMatch(/\bpin\b/);
  });

  test('is told when a motor never stops, and when a relay is pulled in while it should be let go', () => {
    const always = said(fan, (rows) => rows.replace('W1,wire,red,2,B1.a2', 'W1,wire,red,2,B1.a4'));
    expect(seenOf(always)[0]).toMatch(/^no: turns forwards/);
    const pump = named('pump');
    const inverted = said(pump, (rows) => rows, pump.data.program.replace('!digitalRead', 'digitalRead'));
    expect(seenOf(inverted)).toEqual([
      expect.stringMatching(/^no: pulled in/),
      expect.stringMatching(/^no: let go/),
      expect.stringMatching(/^no: pulled in/),
    ]);
    expect(inverted.findings.map(({ code }) => code)).not.toContain('not-dark');
    const scenario = { name: 'at once', for: 2, expect: [{ relay: 'K1', is: 'on' }] };
    const read = exerciseFrom({ ...pump.data, scenarios: [scenario] });
    const atOnce = read.ok ? read.value : pump;
    // The moment before the program has reached its first line is not seen of a relay.
    expect(
      seenOf(said(atOnce, (rows) => rows, pump.data.program.replace('!digitalRead', 'digitalRead'))),
    ).toEqual(['yes: pulled in from 0 s']);
  });
});
