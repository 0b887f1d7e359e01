import { describe, expect, test } from 'vitest';
import { hasPassed } from '../formats/report';
import { exerciseSaid } from '../testing/exercise-said';
import { hardToRead } from '../testing/plain-words';
import { causesIn, reportOnSlip } from '../testing/said-slips';

/** A press switches an LED on, the next one off again. */
const toggle = exerciseSaid({
  id: 'toggle',
  board: 'learner-5v',
  lines: ['button on 2, pull-up', 'green LED on 8 with 330'],
  program: `bool lit = false;
bool wasDown = false;

void setup() {
  pinMode(2, INPUT_PULLUP);
  pinMode(8, OUTPUT);
}

void loop() {
  bool down = digitalRead(2) == LOW;
  if (down && !wasDown) {
    lit = !lit;
    digitalWrite(8, lit);
  }
  wasDown = down;
  delay(20);
}
`,
  scenarios: [
    {
      name: 'twice',
      lasts: 6,
      done: ['press S1 at 1 s for 0.3 s', 'press S1 at 3 s for 0.3 s'],
      seen: ['D1 off until 1 s', 'D1 on from 1.2 s to 3 s', 'D1 off from 3.2 s'],
    },
  ],
});
const inPython = exerciseSaid({
  id: 'toggle-python',
  board: 'python-3v3',
  lines: ['button on D2, pull-up', 'green LED on D5 with 330'],
  program: `import time
import board
import digitalio

key = digitalio.DigitalInOut(board.D2)
key.pull = digitalio.Pull.UP
lamp = digitalio.DigitalInOut(board.D5)
lamp.direction = digitalio.Direction.OUTPUT
was_down = False

while True:
    down = not key.value
    if down and not was_down:
        lamp.value = not lamp.value
    was_down = down
    time.sleep(0.02)
`,
  scenarios: toggle.data.scenarios.map(({ name, for: lasts }) => ({
    name,
    lasts,
    done: ['press S1 at 1 s for 0.3 s', 'press S1 at 3 s for 0.3 s'],
    seen: ['D1 off until 1 s', 'D1 on from 1.2 s to 3 s', 'D1 off from 3.2 s'],
  })),
});

const HEAD = `int key = 2;
int lamp = 8;
int on = 0;
int last = HIGH;
void setup() {
  pinMode(key, INPUT_PULLUP);
  pinMode(lamp, OUTPUT);
}
void loop() {
`;
const PYTHON = `import time, board, digitalio
button = digitalio.DigitalInOut(board.D2)
button.switch_to_input(pull=digitalio.Pull.UP)
light = digitalio.DigitalInOut(board.D5)
light.switch_to_output()
on = False
last = True
while True:
`;

describe('a press that a program of one’s own takes for several', () => {
  test.each([
    ['the exercise in C++', toggle, ''],
    ['the exercise in Python', inPython, ''],
    [
      'one that waits for the release',
      toggle,
      `${HEAD}  if (digitalRead(key) == LOW) {\n    on = !on;\n    digitalWrite(lamp, on);\n    delay(20);\n    while (digitalRead(key) == LOW) {}\n    delay(20);\n  }\n}\n`,
    ],
  ] as const)('is none in %s', (_, exercise, program) => {
    const report = reportOnSlip(exercise, program === '' ? {} : { program: () => program });
    expect(hasPassed(report.verdict)).toBe(true);
  });

  test.each([
    [
      'while it is held',
      toggle,
      `${HEAD}  if (digitalRead(key) == LOW) {\n    on = 1 - on;\n    digitalWrite(lamp, on);\n  }\n}\n`,
      'repeats-while-held',
      'Add delay(20); while (digitalRead(key) == LOW) {} delay(20); after line 12.',
    ],
    [
      'while it is held, in one line',
      toggle,
      `${HEAD}  if (!digitalRead(key)) { on = !on; digitalWrite(lamp, on); delay(50); }\n}\n`,
      'repeats-while-held',
      'Add while (!digitalRead(key)) delay(20); after line 10.',
    ],
    [
      'at both of its edges',
      toggle,
      `${HEAD}  int now = digitalRead(key);\n  if (now != last) {\n    on = !on;\n    digitalWrite(lamp, on);\n    delay(20);\n  }\n  last = now;\n}\n`,
      'double-count',
      'Write now != last && now == LOW instead of now != last in line 11, and add delay(20); after line 16.',
    ],
    [
      'as often as it bounces',
      toggle,
      `${HEAD}  int now = digitalRead(key);\n  if (now == LOW && last == HIGH) {\n    on = !on;\n    digitalWrite(lamp, on);\n  }\n  last = now;\n}\n`,
      'no-debounce',
      'Add delay(20); after line 10.',
    ],
    [
      'while it is held, in Python',
      inPython,
      `${PYTHON}    if not button.value:\n        on = not on\n        light.value = on\n    time.sleep(0.01)\n`,
      'repeats-while-held',
      'Add while not button.value: time.sleep(0.02) after line 11.',
    ],
    [
      'at both of its edges, in Python',
      inPython,
      `${PYTHON}    now = button.value\n    if now != last:\n        on = not on\n        light.value = on\n        time.sleep(0.02)\n    last = now\n`,
      'double-count',
      'Write now != last and not now instead of now != last in line 10, and add time.sleep(0.02) after line 14.',
    ],
  ] as const)('%s is told, with a repair of one line', (_, exercise, program, code, repair) => {
    const causes = causesIn(exercise, { program: () => program });
    expect(causes.map((cause) => [cause.code, cause.repair?.text])).toEqual([[code, repair]]);
    expect(causes.flatMap(hardToRead)).toEqual([]);
  });
});
