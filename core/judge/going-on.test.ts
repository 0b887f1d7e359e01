import { describe, expect, test } from 'vitest';
import { hasPassed } from '../formats/report';
import { grammars } from '../testing/beacon';
import { exerciseSaid } from '../testing/exercise-said';
import { buildFor } from './build';
import { check } from './check';

const SETUP = 'void setup() {\n  pinMode(8, OUTPUT);\n  pinMode(9, OUTPUT);\n  pinMode(2, INPUT_PULLUP);\n';
const FLASH = (on: number, off: number): string =>
  `digitalWrite(9, HIGH); delay(${on}); digitalWrite(9, LOW); delay(${off});`;

/** What comes of a program in an exercise of its own, whose reference is another one. */
function verdictOf(
  seen: string,
  { own, program, done = [] }: { readonly own: string; readonly program: string; readonly done?: string[] },
) {
  const exercise = exerciseSaid({
    id: 'going-on',
    board: 'learner-5v',
    lines: ['red LED on 9', 'green LED on 8', 'button on 2', 'passive buzzer on 7'],
    program: own,
    scenarios: [{ name: 'seen', lasts: 12, done, seen: [seen] }],
  });
  const report = check(exercise, buildFor(exercise, exercise.reference, program, grammars), grammars);
  return { passes: hasPassed(report.verdict), causes: report.findings.filter(({ cause }) => cause) };
}

describe('what goes on over and over', () => {
  test.each([
    [500, 500, 3],
    [200, 300, 4],
    [500, 1000, 2],
    [100, 900, 5],
  ])('is not done by what flashes %i and %i ms, and stops after %i rounds', (on, off, rounds) => {
    const own = `${SETUP}}\nvoid loop() { ${FLASH(on, off)} }\n`;
    const seen = `D1 lit ${on / 1000} s, dark ${off / 1000} s`;
    expect(verdictOf(seen, { own, program: own }).passes).toBe(true);
    for (const program of [
      `${SETUP}  for (int i = 0; i < ${rounds}; i++) { ${FLASH(on, off)} }\n}\nvoid loop() {}\n`,
      `int n = 0;\n${SETUP}}\nvoid loop() {\n  if (n < ${rounds}) { ${FLASH(on, off)} n++; }\n}\n`,
      `int n = 0;\n${SETUP}}\nvoid loop() {\n  if (n < ${rounds}) { ${FLASH(on, off)} n++; } else digitalWrite(9, HIGH);\n}\n`,
    ]) {
      const { passes, causes } = verdictOf(seen, { own, program });
      expect(passes).toBe(false);
      expect(causes[0]?.message).toMatch(/stops changing/);
    }
  });

  test.each([
    ['sounds 0.2 s, silent 0.8 s', 'tone(7, 900); delay(200); noTone(7); delay(800);'],
    [
      'sounds 0.5 s, silent 0.5 s',
      'tone(7, 900); delay(250); tone(7, 1200); delay(250); noTone(7); delay(500);',
    ],
  ])('is not done by a buzzer that %s and stops, or does it otherwise', (seen, round) => {
    const head = SETUP.replace('void setup() {\n', 'void setup() {\n  pinMode(7, OUTPUT);\n');
    const own = `${head}}\nvoid loop() { ${round} }\n`;
    const judged = (program: string): ReturnType<typeof verdictOf> =>
      verdictOf(`Z1 ${seen}`, { own, program });
    expect(judged(own).passes).toBe(true);
    const stops = judged(`${head}  for (int i = 0; i < 4; i++) { ${round} }\n}\nvoid loop() {}\n`);
    expect(stops.passes).toBe(false);
    expect(stops.causes[0]?.message).toMatch(/stops changing at .* and stays silent/);
    const slow = judged(own.replace(/delay\((?:800|500)\)/, 'delay(1200)'));
    expect(slow.passes).toBe(false);
    expect(slow.causes[0]).toMatchObject({
      code: 'timing-off',
      message: expect.stringMatching(/is silent for 1\.2 s/),
      repair: { text: expect.stringMatching(/instead of 1200/) },
    });
    const mute = judged(own.replace(/tone\(7/g, 'noTone(7').replace(/, (?:900|1200)\)/g, ')'));
    expect(mute.passes).toBe(false);
    const long = judged(own.replace(/noTone\(7\);/, ''));
    expect(long.passes).toBe(false);
  });

  test('ends with the button that it hangs on', () => {
    const own = `${SETUP}}\nvoid loop() {\n  if (digitalRead(2) == LOW) { ${FLASH(200, 200)} }\n}\n`;
    const held = { own, program: own, done: ['hold S1 from 1 s to 4 s'] };
    expect(verdictOf('D1 lit 0.2 s, dark 0.2 s', held).passes).toBe(true);
    expect(verdictOf('D1 lit 0.2 s, dark 0.2 s from 1.5 s', held).passes).toBe(true);
  });

  test('is not done by LEDs that take turns for a while', () => {
    const round =
      'digitalWrite(9, HIGH); delay(400); digitalWrite(9, LOW); digitalWrite(8, HIGH); delay(400); digitalWrite(8, LOW);';
    const own = `${SETUP}}\nvoid loop() { ${round} }\n`;
    const program = `${SETUP}  for (int i = 0; i < 4; i++) { ${round} }\n}\nvoid loop() {}\n`;
    expect(verdictOf('D1, then D2, over and over', { own, program: own }).passes).toBe(true);
    const { passes, causes } = verdictOf('D1, then D2, over and over', { own, program });
    expect(passes).toBe(false);
    expect(causes[0]?.message).toMatch(/in turn until 2.8 s, and none of them after that/);
    expect(verdictOf('D1, then D2, until 3.2 s', { own: program, program }).passes).toBe(true);
  });

  test('may be one round of LEDs that light up once', () => {
    const once = `${SETUP}  digitalWrite(9, HIGH); delay(400); digitalWrite(8, HIGH);\n}\nvoid loop() {}\n`;
    expect(verdictOf('D1, then D2', { own: once, program: once }).passes).toBe(true);
  });

  describe('in a window in which something was done before', () => {
    const SWITCHED = (first: string, then: string): string =>
      `bool on = false;\nunsigned long since = 0;\n${SETUP}}\nvoid loop() {\n  if (digitalRead(2) == LOW) { on = true; since = millis(); }\n  if (!on) return;\n  if (millis() - since < 4000) { ${first} } else { ${then} }\n}\n`;
    const blink = FLASH(300, 300);
    const done = ['press S1 at 1 s'];
    const own = SWITCHED(blink, blink);

    test('it goes on', () => {
      for (const window of ['', ' from 1.2 s', ' from 1.2 s to 10 s'])
        expect(verdictOf(`D1 lit 0.3 s, dark 0.3 s${window}`, { own, program: own, done }).passes).toBe(true);
    });

    test.each(['digitalWrite(9, HIGH);', 'digitalWrite(9, LOW);', ''])(
      'it stops long after, with “%s”',
      (then) => {
        const { passes, causes } = verdictOf('D1 lit 0.3 s, dark 0.3 s from 1.2 s', {
          own,
          program: SWITCHED(blink, then),
          done,
        });
        expect(passes).toBe(false);
        expect(causes[0]?.message).toMatch(/stops changing at/);
      },
    );

    test.each(['digitalWrite(9, HIGH);', 'digitalWrite(9, LOW);', ''])(
      'it begins long after, behind “%s”',
      (first) => {
        const { passes, causes } = verdictOf('D1 lit 0.3 s, dark 0.3 s from 1.4 s', {
          own,
          program: SWITCHED(first, blink),
          done,
        });
        expect(passes).toBe(false);
        expect(causes[0]?.message).toMatch(/is (?:lit|dark) for [34]\.\d+ s; it should be 0\.30 s/);
      },
    );

    test('a light that a press begins, or ends, is as it should be', () => {
      const program = SWITCHED(blink, '');
      expect(
        verdictOf('D1 lit 0.3 s, dark 0.3 s', { own: program, program, done: ['hold S1 from 3 s to 5 s'] })
          .passes,
      ).toBe(false);
      expect(
        verdictOf('D1 lit 0.3 s, dark 0.3 s until 8.8 s', {
          own: program,
          program,
          done: ['hold S1 from 3 s to 5 s'],
        }).passes,
      ).toBe(true);
    });
  });

  test('may be late by what a program needs to look at the clock, and no more', () => {
    const polled = (length: number, pause: number): string =>
      `bool on = false;\nunsigned long since = 0;\n${SETUP}}\nvoid loop() {\n  if (millis() - since >= ${length}) { since = millis(); on = !on; digitalWrite(9, on); }\n  delay(${pause});\n}\n`;
    const judged = (seen: string, program: string): boolean =>
      verdictOf(seen, { own: program, program }).passes;
    expect(judged('D1 lit 0.1 s, dark 0.1 s', polled(100, 11))).toBe(true);
    expect(judged('D1 lit 0.1 s, dark 0.1 s', polled(100, 30))).toBe(false);
    expect(judged('D1 lit 0.05 s, dark 0.05 s', polled(50, 9))).toBe(true);
    expect(judged('D1 lit 0.05 s, dark 0.05 s', polled(62, 1))).toBe(false);
    expect(judged('D1 lit 0.1 s, dark 0.1 s, give or take 5 %', polled(100, 11))).toBe(false);
    expect(judged('D1 lit 0.5 s, dark 0.5 s', polled(560, 1))).toBe(false);
  });
});
