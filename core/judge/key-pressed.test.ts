import { describe, expect, test } from 'vitest';
import { exerciseSaid } from '../testing/exercise-said';
import { hardToRead } from '../testing/plain-words';
import { replaced, reportOnSlip } from '../testing/said-slips';

const key = exerciseSaid({
  id: 'key',
  board: 'chip-8',
  lines: ['3V battery', 'red LED on 1 with 330', 'button on 0, pull-up', 'piezo on 4'],
  program: `const byte KEY = 0;
const byte LAMP = 1;
const byte HORN = 4;
void setup() {
  pinMode(LAMP, OUTPUT);
  pinMode(HORN, OUTPUT);
  pinMode(KEY, INPUT_PULLUP);
}
void loop() {
  if (digitalRead(KEY) == LOW) {
    digitalWrite(LAMP, HIGH);
    tone(HORN, 600);
  } else {
    digitalWrite(LAMP, LOW);
    noTone(HORN);
  }
}
`,
  scenarios: [
    {
      name: 'key',
      lasts: 5,
      done: ['hold S1 from 1 s to 2 s', 'press S1 at 3 s'],
      seen: [
        'D1 is off from 0 s to 1 s',
        'D1 is on from 1.1 s to 2 s',
        'D1 is off from 2.1 s to 3 s',
        'Z1 sounds at 600 Hz from 1.1 s to 1.9 s',
        'Z1 is silent from 2.1 s to 2.9 s',
      ],
    },
  ],
});
const causeOf = (was: string, is: string) => {
  const report = reportOnSlip(key, { program: replaced([was, is]) });
  const [cause, more] = report.findings.filter((finding) => finding.cause);
  expect(more).toBeUndefined();
  return cause!;
};

describe('an LED and a buzzer that follow a key', () => {
  test('a pin and a tone in each other’s places are told as that, whatever else their line looks like', () => {
    const cause = causeOf('tone(HORN, 600)', 'tone(600, HORN)');
    expect(cause.message).toBe('Line 12: tone takes the pin first. 600 stands where the pin should be.');
    expect(cause.repair?.text).toBe('Exchange 600 and HORN in line 12.');
  });

  test('what flickers for want of an else lacks no delay', () => {
    const cause = causeOf('} else {', '}\n  {');
    expect(cause.code).not.toBe('missing-pause');
    expect(cause.message).toMatch(
      /^Pin 1 changes about [\d,]+ times a second, .* Something is missing at the end of line 13\.$/,
    );
    expect(cause.hints.join(' ')).not.toContain('delay');
    expect(cause.repair?.text).toBe('Add else at the end of line 13.');
    expect(hardToRead(cause)).toEqual([]);
  });
});
