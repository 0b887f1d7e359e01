import { describe, expect, test } from 'vitest';
import { exerciseSaid } from '../testing/exercise-said';
import { causesIn, replaced, reportOnSlip, withoutParts, type SaidSlip } from '../testing/said-slips';

/** A digit that counts presses: pins and patterns in lists. */
const digit = exerciseSaid({
  id: 'cargo-digit',
  board: 'learner-5v',
  lines: ['seven-segment digit on 2, 3, 4, 5, 6, 7, 8 with 330 as D1', 'button on 10, pull-up'],
  program: `const int SEGMENTS[] = {2, 3, 4, 5, 6, 7, 8};
const int BUTTON = 10;
const byte DIGITS[] = {
  0b0111111, 0b0000110, 0b1011011, 0b1001111, 0b1100110,
  0b1101101, 0b1111101, 0b0000111, 0b1111111, 0b1101111
};
int count = 0;
bool wasDown = false;

void show(int digit) {
  for (int i = 0; i < 7; i++) {
    digitalWrite(SEGMENTS[i], bitRead(DIGITS[digit], i));
  }
}

void setup() {
  for (int i = 0; i < 7; i++) {
    pinMode(SEGMENTS[i], OUTPUT);
  }
  pinMode(BUTTON, INPUT_PULLUP);
  show(count);
}

void loop() {
  bool isDown = digitalRead(BUTTON) == LOW;
  if (isDown && !wasDown) {
    count = (count + 1) % 10;
    show(count);
  }
  wasDown = isDown;
  delay(30);
}
`,
  scenarios: [
    {
      name: 'two presses',
      lasts: 5,
      done: ['press S1 at 1 s for 0.2 s', 'press S1 at 2 s for 0.2 s'],
      seen: [
        'D1.b is on',
        'D1.a is on until 0.9 s',
        'D1.a and D1.d are off from 1.2 s to 1.9 s',
        'D1.d is on from 2.2 s',
      ],
    },
  ],
});

const onDigit: readonly SaidSlip[] = [
  {
    name: 'a wire where a resistor belongs',
    rows: (table) => table.replaceAll('R3,resistor,330', 'R3,wire,white'),
    code: 'no-series-resistor',
    repair: 'Take out the white wire R3, and put the 330 Ω resistor R8 in its place.',
  },
  {
    name: 'an index that goes too far',
    program: replaced(['i < 7; i++) {\n    digitalWrite', 'i <= 7; i++) {\n    digitalWrite']),
    code: 'runtime-error',
    repair: 'Write < instead of <= in line 11.',
  },
  {
    name: 'a function that is never asked again',
    program: replaced(['    show(count);\n  }\n  was', '  }\n  was']),
    code: 'not-dark',
    repair: 'Add show(count); after line 27.',
  },
  {
    name: 'an edge that is not asked for',
    program: replaced(['isDown && !wasDown', 'isDown']),
    code: 'repeats-while-held',
  },
];

/** LEDs in a list, as many as the water is deep. */
const depth = exerciseSaid({
  id: 'fish-finder',
  board: 'python-3v3',
  lines: [
    'potentiometer on A0',
    'green LED on D5 with 220',
    'yellow LED on D6 with 220',
    'red LED on D9 with 220',
  ],
  program: `import time
import board
import digitalio
import analogio

depth = analogio.AnalogIn(board.A0)
leds = []
for pin in (board.D5, board.D6, board.D9):
    led = digitalio.DigitalInOut(pin)
    led.direction = digitalio.Direction.OUTPUT
    leds.append(led)

while True:
    level = depth.value * 4 // 65536
    for i in range(3):
        leds[i].value = i < level
    time.sleep(0.05)
`,
  scenarios: [
    {
      name: 'deeper',
      lasts: 6,
      done: ['turn P1 to 0 % at 0 s', 'turn P1 to 40 % at 2 s', 'turn P1 to 100 % at 4 s'],
      seen: [
        'D1 is off from 0.3 s to 1.9 s',
        'D1 is on from 2.3 s',
        'D2 is off from 2.3 s to 3.9 s',
        'D2 and D3 are on from 4.3 s',
      ],
    },
  ],
});

const inDepth: readonly SaidSlip[] = [
  {
    name: 'two pins of a list in each other’s places',
    program: replaced(['board.D5, board.D6', 'board.D6, board.D5']),
    code: 'pin-disagrees',
    repair: 'Exchange D6 and D5 in line 8.',
  },
  {
    name: 'a list that stays empty',
    program: replaced(['    leds.append(led)\n', '']),
    code: 'runtime-error',
    repair: 'Add leds.append(led) after line 10.',
  },
  {
    name: 'an index that the list does not have',
    program: replaced(['range(3)', 'range(4)']),
    code: 'runtime-error',
  },
];

/** Presses are counted by an interrupt. */
const bell = exerciseSaid({
  id: 'deck-bell',
  board: 'wifi-3v3',
  lines: ['button on D5, pull-up', 'green LED on D6 with 220'],
  program: `const int BUTTON = D5;
const int LED = D6;

volatile int presses = 0;
volatile unsigned long lastChange = 0;

void IRAM_ATTR changed() {
  unsigned long now = millis();
  bool isDown = digitalRead(BUTTON) == LOW;
  if (now - lastChange > 50 && isDown) {
    presses++;
  }
  lastChange = now;
}

void setup() {
  pinMode(BUTTON, INPUT_PULLUP);
  pinMode(LED, OUTPUT);
  attachInterrupt(digitalPinToInterrupt(BUTTON), changed, CHANGE);
}

void loop() {
  digitalWrite(LED, presses % 2);
  delay(10);
}
`,
  scenarios: [
    {
      name: 'two guests',
      lasts: 5,
      done: ['press S1 at 1 s for 0.2 s', 'press S1 at 3 s for 0.2 s'],
      seen: ['D1 is off until 0.9 s', 'D1 is on from 1.3 s to 2.9 s', 'D1 is off from 3.3 s'],
    },
  ],
});

const atBell: readonly SaidSlip[] = [
  {
    name: 'a routine that nothing calls',
    program: replaced(['  attachInterrupt(digitalPinToInterrupt(BUTTON), changed, CHANGE);\n', '']),
    code: 'no-effect',
  },
  {
    name: 'a routine that takes each bounce',
    program: replaced(['now - lastChange > 50 && isDown', 'isDown']),
    code: 'no-debounce',
  },
];

/** A chip that lives on its batteries. */
const anchor = exerciseSaid({
  id: 'anchor-light',
  board: 'chip-8',
  lines: ['3x1.5V battery', 'white LED on 0 with 150'],
  program: `void setup() { pinMode(0, OUTPUT); }
void loop() { digitalWrite(0, HIGH); delay(500); digitalWrite(0, LOW); delay(500); }
`,
  scenarios: [{ name: 'blinks', lasts: 4, done: [], seen: ['D1 lit 0.5 s, dark 0.5 s'] }],
});

const atAnchor: readonly SaidSlip[] = [
  { name: 'a chip that nothing feeds', rows: withoutParts('W2'), code: 'rail-unpowered' },
];

/** A winch in a struct, driven through a transistor. */
const winch = exerciseSaid({
  id: 'winch',
  board: 'learner-5v',
  lines: ['motor on 9', 'potentiometer on A0', 'slide switch on 4, pull-up', 'green LED on 12 with 330'],
  program: `struct Winch {
  byte pin;
  byte speed;
  bool isOn;
};

Winch winch = {9, 0, false};
const byte SWITCH = 4;
const byte LED = 12;

void drive(Winch &w) {
  analogWrite(w.pin, w.isOn ? w.speed : 0);
  digitalWrite(LED, w.isOn);
}

void setup() {
  pinMode(winch.pin, OUTPUT);
  pinMode(SWITCH, INPUT_PULLUP);
  pinMode(LED, OUTPUT);
}

void loop() {
  winch.speed = analogRead(A0) / 4;
  winch.isOn = digitalRead(SWITCH) == LOW;
  drive(winch);
  delay(20);
}
`,
  scenarios: [
    {
      name: 'hoist',
      lasts: 8,
      done: [
        'turn P1 to 100 % at 0 s',
        'switch S1 on at 2 s',
        'turn P1 to 50 % at 4 s',
        'switch S1 off at 6 s',
      ],
      seen: [
        'D2 is off until 1.9 s',
        'D2 is on from 2.2 s to 5.9 s',
        'M1 turns from 2.5 s to 5.9 s',
        'M1 does not turn from 7 s',
      ],
    },
  ],
});

const onWinch: readonly SaidSlip[] = [
  {
    name: 'a dot left out',
    program: replaced(['winch.isOn = digital', 'winch isOn = digital']),
    code: 'syntax-other',
    repair: 'Write winch.isOn in line 24.',
  },
  {
    name: 'a comparison where a value is given',
    program: replaced(['winch.isOn = digital', 'winch.isOn == digital']),
    code: 'not-lit',
    repair: 'Write = instead of == in line 24.',
  },
];

const all = [
  ...onWinch.map((slip) => [slip.name, winch, slip] as const),
  ...onDigit.map((slip) => [slip.name, digit, slip] as const),
  ...inDepth.map((slip) => [slip.name, depth, slip] as const),
  ...atBell.map((slip) => [slip.name, bell, slip] as const),
  ...atAnchor.map((slip) => [slip.name, anchor, slip] as const),
];

describe('the first cause', () => {
  test.each(all)('of %s is what an instructor would call it', (_, exercise, slip) => {
    const causes = causesIn(exercise, slip);
    expect(causes.map(({ code }) => code)).toEqual([slip.code]);
    if (slip.repair !== undefined) expect(causes[0]!.repair?.text).toBe(slip.repair);
  });

  test.each([
    ['winch', winch],
    ['digit', digit],
    ['depth', depth],
    ['bell', bell],
    ['anchor', anchor],
  ] as const)('of nothing is nothing: %s', (_, exercise) => {
    expect(reportOnSlip(exercise, {})).toMatchObject({ verdict: 'as-drawn', findings: [] });
  });

  test('of two pins in each other’s places in two lines is one', () => {
    const causes = causesIn(winch, { program: replaced(['{9, 0', '{12, 0'], ['LED = 12', 'LED = 9']) });
    expect(causes.map(({ code, repair }) => [code, repair?.text])).toEqual([
      ['pin-disagrees', 'Exchange 12 in line 7 and 9 in line 9.'],
    ]);
  });

  test('of a variable that nothing changes says so', () => {
    const [cause] = causesIn(digit, { program: replaced(['  wasDown = isDown;\n', '']) });
    expect(cause!.message).toContain('wasDown keeps its first value: no line changes it.');
  });

  test('of a bounce in an interrupt names the line that looks at it, or that asks for the interrupt', () => {
    const [looks] = causesIn(bell, atBell[1]!);
    expect(looks).toMatchObject({ line: 9, refs: ['S1'] });
    const [counts] = causesIn(bell, {
      program: replaced(
        ['  bool isDown = digitalRead(BUTTON) == LOW;\n', ''],
        ['now - lastChange > 50 && isDown', 'true'],
        ['CHANGE', 'FALLING'],
      ),
    });
    expect(counts).toMatchObject({ code: 'no-debounce', line: 18 });
    expect(counts!.message).toContain('line 18 lets each bounce interrupt the program');
  });
});

test('the end of a fade is no level that is too short to see', () => {
  const fading = exerciseSaid({
    id: 'fading',
    board: 'learner-5v',
    lines: ['yellow LED on 6, dimmed'],
    program: `void setup() { pinMode(6, OUTPUT); }
void loop() {
  for (int level = 0; level <= 250; level += 5) {
    analogWrite(6, level);
    delay(10);
  }
}
`,
    scenarios: [{ name: 'brightens', lasts: 3, done: [], seen: ['D1 gets brighter from 0.05 s to 0.45 s'] }],
  });
  expect(reportOnSlip(fading, {})).toMatchObject({ verdict: 'as-drawn', findings: [] });
});

describe('an LED that nobody can see', () => {
  const watched = exerciseSaid({
    id: 'pilot-light',
    board: 'learner-5v',
    lines: ['red LED on 5 with 330', 'buzzer on 8'],
    program: `void setup() { pinMode(5, OUTPUT); pinMode(8, OUTPUT); digitalWrite(5, HIGH); digitalWrite(8, HIGH); }
void loop() { }
`,
    scenarios: [{ name: 'sounds', lasts: 2, done: [], seen: ['Z1 sounds'] }],
  });

  test('is a risk, though no scenario watches it', () => {
    const report = reportOnSlip(watched, {
      rows: (table) => table.replaceAll('R1,resistor,330', 'R1,resistor,330k'),
    });
    expect(report.verdict).toBe('works-at-risk');
    expect(report.findings[0]).toMatchObject({ code: 'resistor-value', severity: 'risk', cause: true });
  });
});
