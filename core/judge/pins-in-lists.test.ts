import { describe, expect, test } from 'vitest';
import { exerciseSaid } from '../testing/exercise-said';
import { hardToRead } from '../testing/plain-words';
import { causesIn, replaced, reportOnSlip, type SaidSlip } from '../testing/said-slips';
import { hasPassed } from '../formats/report';

/** Four LEDs in a row that take turns, at a pace that a potentiometer sets. */
const chaser = exerciseSaid({
  id: 'chaser',
  board: 'learner-5v',
  lines: ['4 red LEDs on 4-7 with 330', 'potentiometer on A0'],
  program: `int pins[] = {4, 5, 6, 7};
int count = 4;

void setup() {
  for (int i = 0; i < count; i++) {
    pinMode(pins[i], OUTPUT);
  }
}

void loop() {
  for (int i = 0; i < count; i++) {
    int pause = map(analogRead(A0), 0, 1023, 100, 1000);
    digitalWrite(pins[i], HIGH);
    delay(pause);
    digitalWrite(pins[i], LOW);
  }
}
`,
  scenarios: [
    {
      name: 'fast',
      lasts: 3,
      done: ['P1 at 0 %'],
      seen: ['D1, D2, D3 and D4 light up one after another', 'D1 is on for 0.1 s, off for 0.3 s'],
    },
    // What changes at a moment that is named has that moment to do so.
    {
      name: 'slow',
      lasts: 6,
      done: ['P1 at 100 %'],
      seen: ['D2 on from 1 s to 2 s', 'D1 off from 1 s to 4 s'],
    },
  ],
});

/** Two players, of whom the first to press wins, and a host who lets them try again. */
const quiz = exerciseSaid({
  id: 'quiz',
  board: 'learner-5v',
  lines: [
    'button on 2, pull-up',
    'button on 3, pull-up',
    'button on 4, pull-up',
    'red LED on 8 with 330',
    'blue LED on 9 with 330',
    'passive buzzer on 10',
  ],
  program: `bool locked = false;

void setup() {
  pinMode(2, INPUT_PULLUP);
  pinMode(3, INPUT_PULLUP);
  pinMode(4, INPUT_PULLUP);
  pinMode(8, OUTPUT);
  pinMode(9, OUTPUT);
}

void win(int lamp, int pitch) {
  locked = true;
  digitalWrite(lamp, HIGH);
  tone(10, pitch, 500);
}

void loop() {
  if (!locked) {
    if (digitalRead(2) == LOW) {
      win(8, 440);
    } else if (digitalRead(3) == LOW) {
      win(9, 880);
    }
  }
  if (digitalRead(4) == LOW) {
    locked = false;
    digitalWrite(8, LOW);
    digitalWrite(9, LOW);
  }
}
`,
  scenarios: [
    {
      name: 'red first',
      lasts: 5,
      done: ['press S1 at 1 s for 0.3 s', 'press S2 at 2 s for 0.3 s', 'press S3 at 3 s for 0.3 s'],
      seen: [
        'D1 on from 1.1 s to 3 s',
        'D2 off',
        'Z1 sounds at 440 Hz from 1.1 s to 1.4 s',
        'D1 off from 3.1 s',
      ],
    },
    {
      name: 'blue first',
      lasts: 5,
      done: ['press S2 at 1 s for 0.3 s', 'press S1 at 2 s for 0.3 s', 'press S3 at 3 s for 0.3 s'],
      seen: ['D2 on from 1.1 s to 3 s', 'D1 off', 'Z1 sounds at 880 Hz from 1.1 s to 1.4 s'],
    },
  ],
});

/** Three presses in the right order light an LED for two seconds. */
const lock = exerciseSaid({
  id: 'lock',
  board: 'learner-5v',
  lines: [
    'button on 2, pull-up',
    'button on 3, pull-up',
    'button on 4, pull-up',
    'red LED on 7 with 330',
    'green LED on 8 with 330',
  ],
  program: `const int KEYS[3] = {2, 3, 4};
const int CODE[3] = {0, 2, 1};
int place = 0;
bool wasDown[3] = {false, false, false};

void setup() {
  for (int i = 0; i < 3; i++) {
    pinMode(KEYS[i], INPUT_PULLUP);
  }
  pinMode(7, OUTPUT);
  pinMode(8, OUTPUT);
  digitalWrite(7, HIGH);
}

void open() {
  digitalWrite(7, LOW);
  digitalWrite(8, HIGH);
  delay(2000);
  digitalWrite(8, LOW);
  digitalWrite(7, HIGH);
}

void loop() {
  for (int i = 0; i < 3; i++) {
    bool isDown = digitalRead(KEYS[i]) == LOW;
    if (isDown && !wasDown[i]) {
      if (CODE[place] == i) {
        place++;
      } else {
        place = 0;
      }
      if (place == 3) {
        place = 0;
        open();
      }
    }
    wasDown[i] = isDown;
  }
  delay(20);
}
`,
  scenarios: [
    {
      name: 'right code',
      lasts: 6,
      done: ['press S1 at 0.5 s for 0.2 s', 'press S3 at 1 s for 0.2 s', 'press S2 at 1.5 s for 0.2 s'],
      seen: ['D1 on until 1.4 s', 'D2 on from 1.7 s to 3 s', 'D1 off from 1.7 s to 3 s', 'D1 on from 4 s'],
    },
  ],
});

const exchanged =
  (one: string, other: string) =>
  (table: string): string =>
    table
      .replace(`,U1.${one}\n`, ',U1.?\n')
      .replace(`,U1.${other}\n`, `,U1.${one}\n`)
      .replace(',U1.?\n', `,U1.${other}\n`);

const SHARED = `byte at = 4;
void setup() { for (byte p = 4; p < 8; ++p) pinMode(p, OUTPUT); }
void loop() {
  digitalWrite(at, HIGH);
  delay(100 + analogRead(A0) * 900L / 1023);
  digitalWrite(at, LOW);
  at = at == 7 ? 4 : at + 1;
}
`;

const slips: readonly (readonly [subject: typeof chaser, slip: SaidSlip])[] = [
  [
    chaser,
    {
      name: 'two of a row of LEDs on each other’s wires',
      rows: exchanged('5', '6'),
      code: 'wrong-pin',
      repair: 'Swap the green wire W5 and the blue wire W6: put W5 in pin 5, and W6 in pin 6.',
    },
  ],
  [
    chaser,
    {
      name: 'the place in the list taken for the pin',
      program: replaced(['digitalWrite(pins[i], HIGH)', 'digitalWrite(i, HIGH)']),
      code: 'pin-disagrees',
      repair: 'Write pins[i] instead of i in line 13.',
    },
  ],
  [
    chaser,
    {
      name: 'a product that does not fit, in a program that is written otherwise',
      program: () => SHARED.replace('900L', '900'),
      code: 'number-overflow',
      repair: 'Write 900L instead of 900 in line 5.',
    },
  ],
  [
    quiz,
    {
      name: 'the values of a function of the library in another order',
      program: replaced(['tone(10, pitch, 500)', 'tone(pitch, 10, 500)']),
      code: 'arguments',
      repair: 'Exchange pitch and 10 in line 14.',
    },
  ],
  [
    quiz,
    {
      name: 'what a function is given, named in another order',
      program: replaced(['int lamp, int pitch', 'int pitch, int lamp']),
      code: 'arguments',
      repair: 'Exchange pitch and lamp in line 11.',
    },
  ],
  [
    quiz,
    {
      name: 'a number where a name of the function is meant, whose style is not the cause',
      program: replaced(['digitalWrite(lamp, HIGH)', 'digitalWrite(8, HIGH)']),
      code: 'not-lit',
      repair: 'Write lamp instead of 8 in line 13.',
    },
  ],
  [
    lock,
    {
      name: 'a limit that has nothing to do with time',
      program: replaced(['place == 3', 'place == 2']),
      code: 'timing-off',
      repair: 'Write 3 instead of 2 in line 32.',
    },
  ],
  [
    lock,
    {
      name: 'an index read as a pin',
      program: replaced(['digitalRead(KEYS[i])', 'digitalRead(i)']),
      code: 'pin-disagrees',
      repair: 'Write KEYS[i] instead of i in line 25.',
    },
  ],
];

describe('pins in lists and in what functions are given', () => {
  test.each([
    ['chaser', chaser],
    ['quiz', quiz],
    ['lock', lock],
  ] as const)('the %s passes as it is', (_, exercise) => {
    expect(reportOnSlip(exercise, {}).verdict).toBe('as-drawn');
  });

  test('another way to write the chaser passes', () => {
    expect(hasPassed(reportOnSlip(chaser, { program: () => SHARED }).verdict)).toBe(true);
  });

  test('a row of LEDs that runs from its other end passes', () => {
    const turned = (table: string): string => exchanged('5', '6')(exchanged('4', '7')(table));
    expect(hasPassed(reportOnSlip(chaser, { rows: turned }).verdict)).toBe(true);
  });

  test.each(slips.map(([exercise, slip]) => [slip.name, exercise, slip] as const))(
    'of %s the cause is what an instructor would call it',
    (_, exercise, slip) => {
      const causes = causesIn(exercise, slip);
      expect(causes.map(({ code }) => code)).toEqual([slip.code]);
      expect(causes[0]!.repair?.text).toBe(slip.repair);
      expect(causes.flatMap(hardToRead)).toEqual([]);
    },
  );

  test('two of them in each other’s places, in two calls, are one slip', () => {
    const program = replaced(['win(8, 440)', 'win(9, 440)'], ['win(9, 880)', 'win(8, 880)']);
    const [cause, more] = causesIn(quiz, { program });
    expect(more).toBeUndefined();
    expect(cause).toMatchObject({
      code: 'pin-disagrees',
      repair: { text: 'Exchange 9 in line 20 and 8 in line 22.' },
    });
    expect(cause!.message).toContain('pins 9 and 8 in each other’s places');
  });
});
