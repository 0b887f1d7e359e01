import { describe, expect, test } from 'vitest';
import { expectationSentence } from '../../expectations';
import { reportOnSlip } from '../../testing/said-slips';
import { exerciseSaid } from '../../testing/exercise-said';
import { readExpected } from './expected';

const LIGHTS = [
  { ref: 'D1', kind: 'led', value: 'red' },
  { ref: 'D2', kind: 'led', value: 'amber' },
  { ref: 'D3', kind: 'led', value: 'green' },
  { ref: 'S1', kind: 'button' },
];
const OTHERS = [
  { ref: 'D4', kind: 'rgb-led', value: 'common-cathode' },
  { ref: 'D5', kind: 'seven-segment', value: 'common-cathode' },
  { ref: 'M1', kind: 'servo', value: 'standard' },
  { ref: 'Z1', kind: 'buzzer', value: 'passive' },
  { ref: 'K1', kind: 'relay', value: '5V' },
];
const seen = (text: string, parts = LIGHTS): readonly string[] => {
  const read = readExpected(text, parts, [{ press: 'S1', at: 1, for: 0.3 }]);
  return read.ok ? read.value.map(expectationSentence) : [`NOT: ${read.problems[0]!.message}`];
};

describe('LEDs are called by their colours', () => {
  test.each([
    ['the red LED is on from 1 s', ['D1 is on all the time from 1 s']],
    ['red is on from 1 s to 2 s', ['D1 is on all the time from 1 s to 2 s']],
    ['green light off', ['D3 is off all the time']],
    ['the amber one flashes 3 times', ['D2 flashes 3 times']],
    ['red, then amber, then green', ['D1, then D2, then D3 in turn']],
    ['red and green are never on together', ['D1 and D3 never lit together']],
    ['the yellow LED is off', ['D2 is off all the time']],
    ['the red and amber LEDs are on', ['D1 is on all the time', 'D2 is on all the time']],
    ['the red LED D1 is on', ['D1 is on all the time']],
    ['the green LED goes on when S1 is pressed', ['D3 goes on within 0.1 s of S1']],
  ])('%s', (text, sentences) => expect(seen(text)).toEqual(sentences));

  test('not where two have that colour', () => {
    const two = [...LIGHTS, { ref: 'D4', kind: 'led', value: 'red' }];
    expect(seen('the red LED is on', two)[0]).toContain('NOT:');
  });

  test('a colour alone is that of a light which can have any', () => {
    const any = [...LIGHTS, { ref: 'D4', kind: 'rgb-led', value: 'common-cathode' }];
    expect(seen('D4 is red', any)).toEqual(['D4 is red']);
    expect(seen('the red LED is off', any)).toEqual(['D1 is off all the time']);
  });
});

describe('what is lit for how long, one after the other', () => {
  test.each([
    [
      'D1 for 2 s, then D3 for 3 s',
      [
        'D1 is on all the time from 0.1 s to 1.9 s',
        'D1 is off all the time from 2.1 s to 4.9 s',
        'D3 is off all the time from 0.1 s to 1.9 s',
        'D3 is on all the time from 2.1 s to 4.9 s',
      ],
    ],
    [
      'red 1 s, red and amber 1 s, green 1 s',
      [
        'D1 is on all the time from 0.1 s to 1.9 s',
        'D1 is off all the time from 2.1 s to 2.9 s',
        'D2 is off all the time from 0.1 s to 0.9 s',
        'D2 is on all the time from 1.1 s to 1.9 s',
        'D2 is off all the time from 2.1 s to 2.9 s',
        'D3 is off all the time from 0.1 s to 1.9 s',
        'D3 is on all the time from 2.1 s to 2.9 s',
      ],
    ],
    [
      'after S1 is pressed: amber for 2 s, then red',
      [
        'D2 is on all the time from 0.1 s to 1.9 s after S1',
        'D2 is off all the time from 2.1 s after S1',
        'D1 is off all the time from 0.1 s to 1.9 s after S1',
        'D1 is on all the time from 2.1 s after S1',
      ],
    ],
    [
      'the red LED is on for 0.2 s, then off for 0.2 s, over and over',
      ['D1 lit 0.2 s, dark 0.2 s, over and over'],
    ],
    [
      'D1 is on for 2 s, then off',
      ['D1 is on all the time from 0.1 s to 1.9 s', 'D1 is off all the time from 2.1 s'],
    ],
  ])('%s', (text, sentences) => expect(seen(text)).toEqual(sentences));

  test.each([
    [
      'D4 is red for 1 s, then green for 1 s',
      ['D4 is red from 0.1 s to 0.9 s', 'D4 is green from 1.1 s to 1.9 s'],
    ],
    [
      'the servo is at 0° for 1 s, then at 90°',
      ['M1 stands at 0° from 0.1 s to 0.9 s', 'M1 stands at 90° from 1.1 s'],
    ],
    [
      'Z1 plays 440 Hz for 0.5 s, then 880 Hz for 0.5 s',
      ['Z1 sounds at 440 Hz from 0.1 s to 0.4 s', 'Z1 sounds at 880 Hz from 0.6 s to 0.9 s'],
    ],
    [
      'Z1 sounds at 440 Hz for 1 s, then it is silent for 1 s, over and over',
      [
        'Z1 sounds at 440 Hz from 0.1 s to 0.9 s',
        'Z1 is silent all the time from 1.1 s to 1.9 s',
        'Z1 sounds at 440 Hz from 2.1 s to 2.9 s',
        'Z1 is silent all the time from 3.1 s to 3.9 s',
      ],
    ],
    ['K1 is on for 2 s, then off', ['K1 is pulled in from 0.1 s to 1.9 s', 'K1 is let go from 2.1 s']],
    ['D5 shows 3 for 1 s, then 2', ['D5 shows 3 from 0.1 s to 0.9 s', 'D5 shows 2 from 1.1 s']],
  ])('of any part: %s', (text, sentences) => expect(seen(text, OTHERS)).toEqual(sentences));

  test('colours without times are asked for', () => {
    expect(seen('D4 cycles through red, green and blue', OTHERS)[0]).toContain('Say how long D4 has each');
  });

  test.each([
    ['M1 is off', 'M1 is a servo. Of it you can say “M1 sweeps'],
    ['D4 stands at 90°', 'D4 is an RGB LED. Of it you can say “D4 is on”'],
    ['Z1 turns forwards', 'Z1 is a buzzer. Of it you can say'],
  ])('what is not seen of a part is answered with what is: %s', (text, answer) => {
    expect(seen(text, OTHERS)[0]).toContain(answer);
  });

  test('what begins again has a length for each', () => {
    expect(seen('D1 for 2 s, then D3, over and over')[0]).toContain('Say how long the last of them is on');
  });

  test('is judged as it is said', () => {
    const lights = exerciseSaid({
      id: 'crossing',
      board: 'learner-5v',
      lines: ['red LED on 4 with 330', 'yellow LED on 5 with 330', 'green LED on 6 with 330'],
      program: `void setup() {
  for (int pin = 4; pin <= 6; pin++) pinMode(pin, OUTPUT);
}

void loop() {
  digitalWrite(6, HIGH);
  delay(3000);
  digitalWrite(6, LOW);
  digitalWrite(5, HIGH);
  delay(1000);
  digitalWrite(5, LOW);
  digitalWrite(4, HIGH);
  delay(2000);
  digitalWrite(4, LOW);
}
`,
      scenarios: [
        {
          name: 'round',
          lasts: 14,
          done: [],
          seen: ['green for 3 s, then yellow for 1 s, then red for 2 s, over and over'],
        },
      ],
    });
    expect(reportOnSlip(lights, {}).verdict).toBe('as-drawn');
    const late = reportOnSlip(lights, { program: (text) => text.replace('delay(2000)', 'delay(2500)') });
    expect(late.verdict).toBe('does-not-work');
    expect(late.findings.find(({ cause }) => cause)?.repair?.text).toBe(
      'Write 2000 instead of 2500 in line 13.',
    );
  });
});
