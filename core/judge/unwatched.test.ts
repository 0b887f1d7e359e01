import { describe, expect, test } from 'vitest';
import { exerciseSaid } from '../testing/exercise-said';
import { hardToRead } from '../testing/plain-words';
import { causesIn, replaced, reportOnSlip } from '../testing/said-slips';

/** A bumper that comes nearer to a wall, and never goes away from it again while somebody looks. */
const parking = exerciseSaid({
  id: 'parking',
  board: 'learner-5v',
  lines: [
    'ultrasonic trig 7 echo 8',
    'green LED on 4 with 330',
    'yellow LED on 5 with 330',
    'red LED on 6 with 330',
  ],
  program: `const int TRIG = 7;
const int ECHO = 8;

long distanceCm() {
  digitalWrite(TRIG, LOW);
  delayMicroseconds(2);
  digitalWrite(TRIG, HIGH);
  delayMicroseconds(10);
  digitalWrite(TRIG, LOW);
  long us = pulseIn(ECHO, HIGH);
  return us / 58;
}

void setup() {
  pinMode(TRIG, OUTPUT);
  pinMode(ECHO, INPUT);
  pinMode(4, OUTPUT);
  pinMode(5, OUTPUT);
  pinMode(6, OUTPUT);
}

void loop() {
  long cm = distanceCm();
  digitalWrite(4, cm > 50);
  digitalWrite(5, cm <= 50 && cm > 20);
  digitalWrite(6, cm <= 20);
  delay(200);
}
`,
  scenarios: [
    {
      name: 'coming nearer',
      lasts: 8,
      done: [
        'something 1 m in front of X1 at 0 s',
        'something 0.35 m in front of X1 at 3 s',
        'something 0.1 m in front of X1 at 6 s',
      ],
      seen: [
        'D1 on from 1 s to 3 s',
        'D2 on from 3.5 s to 6 s',
        'D3 on from 6.5 s',
        'D1 off from 3.5 s',
        'D2 off from 6.5 s',
        'D3 off until 6 s',
      ],
    },
  ],
});

const THREE = `  digitalWrite(4, cm > 50);
  digitalWrite(5, cm <= 50 && cm > 20);
  digitalWrite(6, cm <= 20);
`;
const branches = (middle: string): string => `  if (cm > 50) {
    digitalWrite(4, HIGH); digitalWrite(5, LOW); digitalWrite(6, LOW);
  } else if (cm > 20) {
    ${middle}
  } else {
    digitalWrite(4, LOW); digitalWrite(5, LOW); digitalWrite(6, HIGH);
  }
`;

describe('a repair goes towards what the exercise’s own program does where nobody looks', () => {
  test('branches that set all three pass', () => {
    const program = replaced([
      THREE,
      branches('digitalWrite(4, LOW); digitalWrite(5, HIGH); digitalWrite(6, LOW);'),
    ]);
    expect(reportOnSlip(parking, { program }).verdict).toBe('as-drawn');
  });

  test('a light that a branch forgets is put out there, and no other light is taken for it', () => {
    const program = replaced([THREE, branches('digitalWrite(5, HIGH); digitalWrite(6, LOW);')]);
    const causes = causesIn(parking, { program });
    expect(causes).toHaveLength(1);
    expect(causes.flatMap(hardToRead)).toEqual([]);
    // Writing 4 for 6 there would pass too, and leave the red one lit for who drives away again.
    expect(causes[0]).toMatchObject({
      code: 'timing-off',
      repair: { text: 'Add digitalWrite(4, LOW); after line 27.' },
    });
  });

  test('a pin by its name is told with its number', () => {
    const [cause, more] = causesIn(parking, { program: replaced(['pulseIn(ECHO', 'pulseIn(TRIG']) });
    expect(more).toBeUndefined();
    expect(hardToRead(cause!)).toEqual([]);
    expect(cause).toMatchObject({
      code: 'pin-disagrees',
      message:
        'Line 10 uses TRIG (pin 7), but on this wiring it has to be ECHO (pin 8), where the distance sensor X1 is.',
    });
  });

  test('what is measured once, by a function, is told as that', () => {
    const program = replaced(
      ['void setup() {', 'long cm = 0;\nvoid setup() {\n  cm = distanceCm();'],
      ['  long cm = distanceCm();\n', ''],
    );
    const [cause] = causesIn(parking, { program });
    expect(cause).toMatchObject({
      code: 'missed-input',
      repair: { text: 'Move line 16 into the loop, behind line 24.' },
    });
  });
});

describe('a line that comes too late', () => {
  const bell = exerciseSaid({
    id: 'bell',
    board: 'learner-5v',
    lines: ['button on 2, pull-up', 'green LED on 8 with 330'],
    program: `void setup() {
  pinMode(2, INPUT_PULLUP);
  pinMode(8, OUTPUT);
}

void loop() {
  if (digitalRead(2) == LOW) {
    digitalWrite(8, HIGH);
    delay(2000);
    digitalWrite(8, LOW);
  }
}
`,
    scenarios: [
      {
        name: 'pressed',
        lasts: 6,
        done: ['press S1 at 1 s for 0.2 s'],
        seen: ['D1 on from 1.1 s to 2.9 s', 'D1 off from 3.2 s', 'D1 off until 1 s'],
      },
    ],
  });

  test('is told as that, with its place', () => {
    const [cause, more] = causesIn(bell, {
      program: replaced([
        '    digitalWrite(8, HIGH);\n    delay(2000);',
        '    delay(2000);\n    digitalWrite(8, HIGH);',
      ]),
    });
    expect(more).toBeUndefined();
    expect(hardToRead(cause!)).toEqual([]);
    expect(cause).toMatchObject({ code: 'not-lit', line: 9, repair: { text: 'Move line 9 before line 8.' } });
    expect(cause!.message).toContain('Line 9 comes too late: it belongs before line 8.');
  });
});

describe('a button of the exercise that does nothing', () => {
  // Nobody presses the second button alone.
  const both = exerciseSaid({
    id: 'both',
    board: 'none',
    lines: ['9V battery', 'button', 'button from S1', 'red LED from S2 with 470'],
    program: '',
    scenarios: [
      {
        name: 'both',
        lasts: 4,
        done: ['press S1 at 1 s for 2 s', 'press S2 at 2 s for 1 s'],
        seen: ['D1 off until 2 s', 'D1 on from 2.1 s to 2.9 s', 'D1 off from 3.1 s'],
      },
    ],
  });

  test('is a risk where it is left out of the path', () => {
    const report = reportOnSlip(both, {
      rows: (table) => table.replace('W2,wire,yellow,1,B1.a3', 'W2,wire,yellow,1,B1.a+3'),
    });
    expect(report.verdict).toBe('works-at-risk');
    expect(report.findings.find(({ cause }) => cause)!.repair?.text).toContain('to hole a3');
  });

  test.each([
    ['one way', ['e3', 'e1', 'f3', 'f1']],
    ['the other way', ['f1', 'f3', 'e1', 'e3']],
  ])('is told as turned by a quarter, %s', (_, holes) => {
    const rows = (table: string): string =>
      table.replace(
        /^S1,button,,(\d),.*$/gm,
        (_row, leg: string) => `S1,button,,${leg},B1.${holes[Number(leg) - 1]}`,
      );
    const [cause, more] = causesIn(both, { rows });
    expect(more).toBeUndefined();
    expect(hardToRead(cause!)).toEqual([]);
    expect(cause).toMatchObject({
      code: 'button-always-closed',
      repair: { text: 'Take the push button S1 out, give it a quarter turn, and put it back in.' },
    });
  });
});

test('an exercise whose own build is at risk has repairs all the same', () => {
  const bright = exerciseSaid({
    id: 'bright',
    board: 'python-3v3',
    lines: ['green LED on D5 with 100'],
    program: `import time
import board
import digitalio

lamp = digitalio.DigitalInOut(board.D5)
lamp.direction = digitalio.Direction.OUTPUT

while True:
    lamp.value = True
    time.sleep(1)
    lamp.value = False
    time.sleep(1)
`,
    scenarios: [{ name: 'blinks', lasts: 6, done: [], seen: ['D1 lit 1 s, dark 1 s'] }],
  });
  expect(reportOnSlip(bright, {}).verdict).toBe('works-at-risk');
  const causes = causesIn(bright, { program: replaced(['value = False', 'value = True']) });
  expect(causes.map(({ repair }) => repair?.text)).toEqual(['Write False instead of True in line 11.']);
});

test('a difference the wrong way round is not told by how busy it keeps the program', () => {
  const blinkers = exerciseSaid({
    id: 'blinkers',
    board: 'learner-5v',
    lines: ['yellow LED on 3 with 330', 'blue LED on 4 with 330'],
    program: `unsigned long lastYellow = 0;
unsigned long lastBlue = 0;

void setup() {
  pinMode(3, OUTPUT);
  pinMode(4, OUTPUT);
}

void loop() {
  unsigned long now = millis();
  if (now - lastYellow >= 500) {
    lastYellow = now;
    digitalWrite(3, !digitalRead(3));
  }
  if (now - lastBlue >= 700) {
    lastBlue = now;
    digitalWrite(4, !digitalRead(4));
  }
}
`,
    scenarios: [
      { name: 'both', lasts: 6, done: [], seen: ['D1 lit 0.5 s, dark 0.5 s', 'D2 lit 0.7 s, dark 0.7 s'] },
    ],
  });
  const [cause, more] = causesIn(blinkers, { program: replaced(['now - lastBlue', 'lastBlue - now']) });
  expect(more).toBeUndefined();
  expect(cause).toMatchObject({
    line: 15,
    repair: { text: 'Exchange lastBlue and now in line 15.' },
  });
  expect(cause!.message).toContain('blue LED D2');
});
