import { describe, expect, test } from 'vitest';
import { exerciseFrom } from '../formats/exercise';
import { hasPassed } from '../formats/report';
import { exerciseSaid } from '../testing/exercise-said';
import { hardToRead } from '../testing/plain-words';
import { causesIn, replaced, reportOnSlip } from '../testing/said-slips';

/** A gate that is opened and closed by words that are typed. */
const gate = exerciseSaid({
  id: 'gate',
  board: 'learner-5v',
  lines: ['red LED on 5 with 330', 'green LED on 6 with 330'],
  program: `String line = "";

void setup() {
  Serial.begin(9600);
  pinMode(5, OUTPUT);
  pinMode(6, OUTPUT);
  digitalWrite(5, HIGH);
}

void obey(String word) {
  bool isOpen = word == "open";
  digitalWrite(5, !isOpen);
  digitalWrite(6, isOpen);
}

void loop() {
  while (Serial.available() > 0) {
    char sign = Serial.read();
    if (sign == '\\n') {
      obey(line);
      line = "";
    } else {
      line += sign;
    }
  }
}
`,
  scenarios: [
    {
      name: 'open, close',
      lasts: 7,
      done: ['type "open" and return at 1 s', 'type "close" and return at 4 s'],
      seen: [
        'D1 on until 1 s',
        'D2 on from 1.2 s to 4 s',
        'D1 off from 1.2 s to 4 s',
        'D1 on from 4.2 s',
        'D2 off from 4.2 s',
      ],
    },
  ],
});

describe('a line that is typed comes letter by letter', () => {
  const whole = `void setup() {
  Serial.begin(9600);
  for (int pin = 5; pin <= 6; pin++) pinMode(pin, OUTPUT);
  digitalWrite(5, HIGH);
}
void loop() {
  if (Serial.available()) {
    String word = Serial.readStringUntil('\\n');
    digitalWrite(6, word == "open");
    digitalWrite(5, word != "open");
  }
}
`;

  test.each([
    ['the exercise’s own program', (source: string) => source],
    ['one letter at a turn', replaced(['while (Serial', 'if (Serial'])],
    ['a program that waits for the whole line', () => whole],
  ])('%s takes it', (_, program) => {
    expect(hasPassed(reportOnSlip(gate, { program }).verdict)).toBe(true);
  });

  test('what is typed before the line is begun comes as soon as it is', () => {
    const early = {
      ...gate.data,
      scenarios: [
        {
          name: 'at once',
          for: 3,
          stimuli: [{ at: 0, serial: 'open\n' }],
          expect: [{ lamp: 'D2', is: 'on' as const, from: 0.5 }],
        },
      ],
    };
    const exercise = exerciseFrom(early);
    if (!exercise.ok) throw new Error(exercise.problems[0]!.message);
    expect(reportOnSlip(exercise.value, {}).verdict).toBe('as-drawn');
  });

  test('a program that takes what is there at once for the line is told so', () => {
    const program = (): string =>
      whole
        .replace("Serial.readStringUntil('\\n')", '""')
        .replace(
          '    digitalWrite(6',
          '    while (Serial.available()) word += (char)Serial.read();\n    word.trim();\n    digitalWrite(6',
        );
    expect(reportOnSlip(gate, { program }).verdict).toBe('does-not-work');
  });

  test('a text that begins anew at every turn is made to remember', () => {
    const program = replaced(
      ['String line = "";\n\n', ''],
      ['void loop() {', 'void loop() {\n  String line = "";'],
    );
    const [cause, more] = causesIn(gate, { program });
    expect(more).toBeUndefined();
    expect(cause).toMatchObject({
      code: 'state-reset',
      repair: { text: 'Write static at the beginning of line 15, so that its variable is made once only.' },
    });
    expect(hardToRead(cause!)).toEqual([]);
  });

  test('a line break in the wrong quotes is told as it is written', () => {
    const [cause] = causesIn(gate, { program: replaced(["'\\n'", '"\\n"']) });
    expect(cause!.message).toContain('"\\n" is a text. One letter goes in single quotes.');
    expect(cause!.repair?.text).toBe(`Write '\\n' instead of "\\n" in line 19.`);
  });
});
