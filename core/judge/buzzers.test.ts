import { describe, expect, test } from 'vitest';
import type { Finding } from '../findings/finding';
import { exerciseSaid } from '../testing/exercise-said';
import { hardToRead } from '../testing/plain-words';
import { replaced, reportOnSlip } from '../testing/said-slips';

const PROGRAM = `const int BUZZER = 8;
const int BUTTON = 2;

void setup() {
  pinMode(BUZZER, OUTPUT);
  pinMode(BUTTON, INPUT_PULLUP);
}

void loop() {
  if (digitalRead(BUTTON) == LOW) {
    tone(BUZZER, 880);
  } else {
    noTone(BUZZER);
  }
}
`;

const buzzing = (buzzer: 'passive' | 'active', sounds: string) =>
  exerciseSaid({
    id: `${buzzer}-buzzer`,
    board: 'learner-5v',
    lines: [`${buzzer} buzzer on 8`, 'button on 2, pull-up'],
    program: PROGRAM,
    scenarios: [
      {
        name: 'held',
        lasts: 4,
        done: ['hold S1 from 1 s to 2 s'],
        seen: [`Z1 ${sounds} from 1.1 s to 1.9 s`, 'Z1 is silent from 2.1 s'],
      },
    ],
  });

const first = (
  buzzer: 'passive' | 'active',
  slip: Parameters<typeof reportOnSlip>[1],
  sounds = 'sounds at 880 Hz',
): Finding => {
  const [found] = reportOnSlip(buzzing(buzzer, sounds), slip).findings;
  expect(hardToRead(found!)).toEqual([]);
  return found!;
};

describe('what is heard', () => {
  test('of one with a tone of its own is told as that, and no line of the program is blamed', () => {
    const { code, message } = first('active', {});
    expect(code).toBe('tone-off');
    expect(message).toBe(
      'The active buzzer Z1 has a tone of its own, 2300 Hz, whatever it is sent. It can’t sound at 880 Hz.',
    );
  });

  test('at another tone is told with both, and mended by the number alone', () => {
    const { message, repair } = first('passive', { program: replaced(['880', '440']) });
    expect(message).toMatch(
      /^The passive buzzer Z1 sounds from 1\.1 s to 1\.9 s, at 440 Hz\. It should sound at 880 Hz\./,
    );
    expect(repair?.text).toBe('Write 880 instead of 440 in line 11.');
  });

  test('of a level is nothing, and the whole call is told', () => {
    const { message, repair } = first('passive', {
      program: replaced(['tone(BUZZER, 880)', 'digitalWrite(BUZZER, HIGH)']),
    });
    expect(message).toMatch(
      /^The passive buzzer Z1 is silent from 1\.1 s to 1\.9 s\. It should sound at 880 Hz\./,
    );
    expect(repair?.text).toBe('Write tone(BUZZER, 880) instead of digitalWrite(BUZZER, HIGH) in line 11.');
  });

  test('in bursts is told by the first ones, with how many there are besides', () => {
    const bursts = 'tone(BUZZER, 880);\n    delay(100);\n    noTone(BUZZER);\n    delay(100);';
    const { message } = first('passive', { program: replaced(['tone(BUZZER, 880);', bursts]) }, 'sounds');
    expect(message).not.toMatch(/from (\S+ s) to \1/);
    expect(message).toMatch(
      /^The passive buzzer Z1 sounds at 880 Hz only from .*, and .* more\. It should sound /,
    );
  });
});
