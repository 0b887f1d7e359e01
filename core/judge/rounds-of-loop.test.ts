import { describe, expect, test } from 'vitest';
import { exerciseSaid } from '../testing/exercise-said';
import { causesIn, reportOnSlip } from '../testing/said-slips';

const written = (source: string) => ({ program: (): string => source });

const sums = (before: string, first: string, prints: string): string => `${before}void setup() {
  Serial.begin(9600);
}

void loop() {
${first}  for (int look = 0; look < 10; look++) {
    total += analogRead(A0);
    delay(20);
  }
  Serial.println(${prints});
  delay(800);
}
`;
const average = exerciseSaid({
  id: 'average',
  board: 'learner-5v',
  lines: ['potentiometer on A0'],
  program: sums('', '  long total = 0;\n', 'total / 10'),
  scenarios: [
    {
      name: 'half',
      lasts: 5,
      done: ['P1 at 50 %'],
      seen: ['prints a number between 500 and 520 every second'],
    },
  ],
});

describe('a sum', () => {
  test('that is made before the loop is begun anew in each round', () => {
    const [cause, ...others] = causesIn(average, written(sums('long total = 0;\n\n', '', 'total / 10')));
    expect(cause?.repair?.text).toBe('Add total = 0; after line 7.');
    expect(cause?.message).toContain(
      'total starts empty only once, so it still holds everything from the rounds',
    );
    expect(others).toEqual([]);
  });

  test('passes where it is begun anew by hand', () => {
    const source = sums('long total;\n\n', '  total = 0;\n', 'total / 10.0');
    expect(reportOnSlip(average, written(source)).verdict).toBe('as-drawn');
  });

  test('of another form is divided as the exercise does it', () => {
    const source = `void setup() { Serial.begin(9600); }
int sum() {
  int all = 0;
  for (int i = 0; i < 10; i++) { all = all + analogRead(A0); delay(20); }
  return all;
}
void loop() {
  Serial.println(sum());
  delay(800);
}
`;
    const [cause] = causesIn(average, written(source));
    expect(cause?.repair?.text).toBe('Write sum() / 10 instead of sum() in line 8.');
  });

  test('of a list in Python is begun anew', () => {
    const python = (before: string, first: string): string => `import analogio
import board
import time

sensor = analogio.AnalogIn(board.A0)
${before}
while True:
${first}    for look in range(10):
        looks.append(sensor.value)
        time.sleep(0.02)
    print(sum(looks) // 10)
    time.sleep(0.8)
`;
    const exercise = exerciseSaid({
      id: 'python-average',
      board: 'python-3v3',
      lines: ['potentiometer on A0'],
      program: python('', '    looks = []\n'),
      scenarios: [
        {
          name: 'half',
          lasts: 5,
          done: ['P1 at 50 %'],
          seen: ['prints a number between 32000 and 33600 every second'],
        },
      ],
    });
    const source = python('looks = []\nrounds = 0', '    rounds += 1\n');
    const [cause, ...others] = causesIn(exercise, written(source));
    expect(cause?.repair?.text).toBe('Add looks = [] after line 8.');
    expect(others).toEqual([]);
  });
});

describe('what runs once and what runs over and over', () => {
  const table = (setup: string, loop: string): string => `void setup() {
  Serial.begin(9600);
${setup}}

void loop() {
${loop}}
`;
  const rows = '  for (int i = 1; i <= 3; i++) {\n    Serial.println(i * 3);\n  }\n';
  const threes = exerciseSaid({
    id: 'threes',
    board: 'learner-5v',
    lines: ['red LED on 8'],
    program: table(rows, ''),
    scenarios: [{ name: 'all', lasts: 1, done: [], seen: ['prints 3, 6, 9 and nothing else'] }],
  });

  test('goes from loop to setup, in the exercise’s form and in another', () => {
    for (const lines of [rows, '  Serial.println(3);\n  Serial.println(6);\n  Serial.println(9);\n']) {
      const [cause, ...others] = causesIn(threes, written(table('', lines)));
      expect(cause?.repair?.text).toBe('Move lines 6 to 8 from loop to the end of setup.');
      expect(cause?.message).toContain('What stands in loop from line 6 on is done over and over.');
      expect(others).toEqual([]);
    }
  });

  test('goes from setup to loop', () => {
    const blink = '  digitalWrite(8, HIGH);\n  delay(300);\n  digitalWrite(8, LOW);\n  delay(700);\n';
    const blinker = exerciseSaid({
      id: 'blinker',
      board: 'learner-5v',
      lines: ['red LED on 8'],
      program: `void setup() {\n  pinMode(8, OUTPUT);\n}\n\nvoid loop() {\n${blink}}\n`,
      scenarios: [{ name: 'left alone', lasts: 6, done: [], seen: ['D1 lit 0.3 s, dark 0.7 s'] }],
    });
    const own = blink.replaceAll('8', 'LAMP');
    const source = `int LAMP = 8;\n\nvoid setup() {\n  pinMode(LAMP, OUTPUT);\n${own}}\n\nvoid loop() {\n}\n`;
    const [cause, ...others] = causesIn(blinker, written(source));
    expect(cause?.repair?.text).toBe('Move lines 5 to 8 from setup to the beginning of loop.');
    expect(cause?.message).toContain('What stands in setup from line 5 on is done once, and never again.');
    expect(others).toEqual([]);
  });
});
