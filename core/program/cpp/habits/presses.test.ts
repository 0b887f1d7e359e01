import { describe, expect, test } from 'vitest';
import { shippedBoards } from '../../../boards';
import { grammars } from '../../../testing/beacon';
import { compileProgram } from '../../index';

const HEAD = `bool lit = false; int n = 0; int last = HIGH; unsigned long since = 0;
void setup() { pinMode(13, OUTPUT); pinMode(2, INPUT_PULLUP); }
`;
const codes = (rest: string): readonly string[] =>
  compileProgram(HEAD + rest, shippedBoards.get('learner-5v')!, grammars).problems.map(({ code }) => code);

const steps = [
  'n++;',
  'n += 1;',
  'n = n + 1;',
  'n = (n + 1) % 4;',
  'n--;',
  'n = 1 - n;',
  'n ^= 1;',
  'lit = !lit;',
  'lit = lit == false;',
  'lit = lit ? false : true;',
  'if (lit) lit = false; else lit = true;',
  'if (n == 0) { n = 1; } else if (n == 1) { n = 2; } else { n = 0; }',
  'digitalWrite(13, !digitalRead(13));',
  'digitalWrite(13, digitalRead(13) == HIGH ? LOW : HIGH);',
  'next();',
  'if (n >= 3) n = 0; else n++;',
];
const questions = [
  'digitalRead(2) == LOW',
  'LOW == digitalRead(2)',
  '!digitalRead(2)',
  'digitalRead(2)',
  'digitalRead(2) != HIGH',
];
const NEXT = 'void next() { n++; }\n';

describe('a press that acts at every turn', () => {
  test.each([
    'int now = digitalRead(2); if (now == LOW && last == HIGH) n++;',
    'if (last == HIGH && digitalRead(2) == LOW) n++;',
    'bool down = digitalRead(2) == LOW; if (down && !lit) n++;',
    'int now = digitalRead(2); if (now != last) n++;',
  ])('is told where the last level is never kept: %s', (body) => {
    expect(codes(`void loop() { ${body} delay(20); }`)).toContain('repeats-while-held');
  });

  test.each(steps)('is told however it acts: %s', (step) => {
    expect(codes(`${NEXT}void loop() { if (digitalRead(2) == LOW) { ${step} } delay(20); }`)).toContain(
      'repeats-while-held',
    );
  });

  test.each(['while (!digitalRead(2)) {}', 'delay(300);', 'later();'])(
    'is none where a function that is called waits for its end: %s',
    (wait) => {
      const functions = `void later() { delay(300); }\nvoid release() { ${wait} }\n`;
      const asked = `void loop() { if (digitalRead(2) == LOW) { n++; release(); } delay(20); }`;
      expect(codes(functions + asked)).not.toContain('repeats-while-held');
    },
  );

  test.each(['n < 9', '9 >= n', 'n != 9'])('is told however far it may go on: %s', (bound) => {
    expect(codes(`void loop() { if (digitalRead(2) == LOW && ${bound}) n++; }`)).toContain(
      'repeats-while-held',
    );
  });

  test.each(questions)('is told however it is asked for: %s', (question) => {
    expect(codes(`void loop() { if (${question}) { lit = !lit; } }`)).toContain('repeats-while-held');
    expect(codes(`void loop() { bool down = ${question}; if (down) { lit = !lit; } }`)).toContain(
      'repeats-while-held',
    );
    expect(codes(`void look() { if (${question}) lit = !lit; }\nvoid loop() { look(); }`)).toContain(
      'repeats-while-held',
    );
  });

  test.each([
    [
      'it asks for the change',
      'int now = digitalRead(2); if (now == LOW && last == HIGH) { n++; } last = now;',
    ],
    [
      'it asks for the change in one line',
      'if (digitalRead(2) == LOW && last == HIGH) n++; last = digitalRead(2);',
    ],
    ['it waits for the hand', 'if (digitalRead(2) == LOW) { n++; while (digitalRead(2) == LOW) { } }'],
    ['it waits long enough', 'if (digitalRead(2) == LOW) { n++; delay(300); }'],
    ['every turn takes long enough', 'if (digitalRead(2) == LOW) { n++; } delay(300);'],
    [
      'it looks now and then',
      'if (millis() - since > 300) { since = millis(); if (digitalRead(2) == LOW) n++; }',
    ],
    ['it says what is', 'if (digitalRead(2) == LOW) { lit = true; } else { lit = false; }'],
    ['it counts anew each turn', 'n = 0; if (digitalRead(2) == LOW) n++; digitalWrite(13, n);'],
    ['it brightens while it is held', 'if (digitalRead(2) == LOW) { n = n + 5; } analogWrite(9, n);'],
    ['it copies one pin to another', 'if (digitalRead(2) == LOW) { digitalWrite(13, !digitalRead(4)); }'],
  ])('is not told where %s', (_, body) => {
    expect(codes(`void loop() { ${body} }`)).not.toContain('repeats-while-held');
  });
});
