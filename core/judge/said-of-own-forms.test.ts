import { describe, expect, test } from 'vitest';
import { hasPassed } from '../formats/report';
import { exerciseSaid } from '../testing/exercise-said';
import { ownForms } from '../testing/own-forms';
import { replaced, reportOnSlip } from '../testing/said-slips';

/** The causes that are told of a slip in a program of one’s own form. */
function causesOf(id: string, ...slips: readonly (readonly [string, string])[]) {
  const { said, own } = ownForms.find((form) => form.said.id === id)!;
  const exercise = exerciseSaid(said);
  const { verdict, findings } = reportOnSlip(exercise, { program: () => replaced(...slips)(own) });
  expect(hasPassed(verdict)).toBe(false);
  return findings.filter(({ cause }) => cause).map(({ code, repair }) => [code, repair?.text]);
}

describe('a cause in a program of one’s own form', () => {
  test.each([
    [
      'mix',
      'a press that a function waits for the end of does not repeat',
      ['which > 3) which', 'which > 2) which'],
      ['colour-off', 'Write 3 instead of 2 in line 23.'],
    ],
    [
      'mix',
      'a press that it waits for once only does',
      ['while (digitalRead', 'if (digitalRead'],
      ['repeats-while-held', 'Write while instead of if in line 7.'],
    ],
    [
      'mix',
      'what is written wrongly is told of a program that is busy without end',
      ['if (!digitalRead(b1)) {', 'if (!digitalRead(b1)); {'],
      ['empty-body', 'Remove the semicolon in line 21.'],
    ],
    [
      'egg',
      'a pause that is too long is what keeps a button from being read',
      ['time.sleep(0.01)', 'time.sleep(10)'],
      ['timing-off', 'Write 0.01 instead of 10 in line 34.'],
    ],
    [
      'egg',
      'a line of a loop that stands behind it',
      ['    time.sleep(0.01)\n', 'time.sleep(0.01)\n'],
      ['not-lit', 'Put 4 more spaces before line 34.'],
    ],
    [
      'park',
      'an echo that is not halved',
      [' / 2', ''],
      ['not-lit', 'Write 0.0343 / 2 instead of 0.0343 in line 30.'],
    ],
    [
      'cmd',
      'a reading without its parentheses is no call',
      ['Serial.read()', 'Serial.read'],
      ['arguments', 'Write Serial.read() instead of Serial.read in line 27.'],
    ],
    [
      'cmd',
      'pins of a list that are not set up',
      ['    pinMode(pins[i], OUTPUT);\n', ''],
      ['direction-unset', 'Add pinMode(pins[i], OUTPUT); after line 18.'],
    ],
  ] as const)(
    '%s: %s',
    (id, _, slip, cause) => {
      expect(causesOf(id, slip)).toEqual([cause]);
    },
    120_000,
  );

  test('no pause is missing where all LEDs are off first and one is on then', () => {
    const [[code] = []] = causesOf('park', ['pulseIn(echo, HIGH)', '0']);
    expect(code).not.toBe('missing-pause');
  });
});
