import { describe, expect, test } from 'vitest';
import { exerciseSaid } from '../testing/exercise-said';
import { causesIn, replaced, reportOnSlip } from '../testing/said-slips';

const presses = [1, 2, 3, 4, 5, 6, 7];
const counter = exerciseSaid({
  id: 'counter',
  board: 'learner-5v',
  lines: ['seven-segment display on 2-8, common cathode', 'button on 10, pull-up'],
  program: `const byte segments[] = {2, 3, 4, 5, 6, 7, 8};
const byte patterns[] = {B0111111, B0000110, B1011011, B1001111, B1100110, B1101101, B1111101};
int value = 0;

void show(int digit) {
  for (int i = 0; i < 7; i++) digitalWrite(segments[i], bitRead(patterns[digit], i));
}

void setup() {
  for (int i = 0; i < 7; i++) pinMode(segments[i], OUTPUT);
  pinMode(10, INPUT_PULLUP);
  show(0);
}

void loop() {
  if (digitalRead(10) == LOW) {
    value = value + 1;
    if (value > 6) value = 1;
    show(value);
    while (digitalRead(10) == LOW) delay(10);
    delay(20);
  }
}
`,
  scenarios: [
    {
      name: 'counts and begins again',
      lasts: 9,
      done: presses.map((at) => `press S1 at ${at} s`),
      seen: ['D1 shows 0 until 1 s', 'D1 shows 6 from 6.2 s to 7 s', 'D1 shows 1 from 7.2 s'],
    },
  ],
});

describe('a contact that bounces just when a program looks again', () => {
  test('is held against nobody who looks no sooner than the exercise’s own program does', () => {
    const own = replaced(['value = value + 1;\n    if (value > 6) value = 1;', 'value = value % 6 + 1;']);
    expect(reportOnSlip(counter, { program: own }).verdict).toBe('as-drawn');
  });

  test('is told where it is taken for a press each time', () => {
    const edges = replaced([
      'void loop() {\n  if (digitalRead(10) == LOW) {',
      'int last = HIGH;\n\nvoid loop() {\n  int now = digitalRead(10);\n  if (now == LOW && last == HIGH) {',
    ]);
    const program = (source: string): string =>
      replaced(['    while (digitalRead(10) == LOW) delay(10);\n    delay(20);\n  }', '  }\n  last = now;'])(
        edges(source),
      );
    expect(causesIn(counter, { program }).map(({ code }) => code)).toEqual(['no-debounce']);
  });
});
