import { describe, expect, test } from 'vitest';
import { expectationSentence } from '../../expectations';
import { stimulusSentence } from '../../stimuli';
import { exerciseSaid } from '../../testing/exercise-said';
import { reportOnSlip } from '../../testing/said-slips';
import { readBegun } from './begun';
import { readExpected } from './expected';

const TWO = [
  { ref: 'D1', kind: 'led' },
  { ref: 'S1', kind: 'button' },
  { ref: 'S2', kind: 'button' },
];
const begun = (text: string) => {
  const read = readBegun(text, TWO);
  if (!read.ok) throw new Error(read.problems[0]!.message);
  return { done: read.value.stimuli.map(stimulusSentence), seen: read.value.expect.map(expectationSentence) };
};
const ALONE = ['press S1 at 1 s for 1 s', 'press S2 at 3 s for 1 s'];
const TOGETHER = ['press S1 at 5 s for 2 s', 'press S2 at 5 s for 2 s'];

describe('something that several buttons make so', () => {
  test.each([
    'D1 is on while S1 and S2 are held',
    'D1 is on only while both buttons are held',
    'D1 lights up if S1 and S2 are pressed at the same time',
  ])('is tried with each alone and with both: %s', (text) => {
    expect(begun(text)).toEqual({
      done: [...ALONE, ...TOGETHER],
      seen: [
        'D1 is off all the time from 0.1 s to 5 s',
        'D1 is on all the time from 5.1 s to 7 s',
        'D1 is off all the time from 7.1 s',
      ],
    });
  });

  test.each([
    ['D1 is on while S1 or S2 is held', 'on', ['off', 'on', 'off', 'on', 'off', 'on', 'off']],
    ['D1 is on while either button is pressed', 'on', ['off', 'on', 'off', 'on', 'off', 'on', 'off']],
    ['D1 is off while any button is held', 'off', ['on', 'off', 'on', 'off', 'on', 'off', 'on']],
    ['D1 is on while neither S1 nor S2 is pressed', 'none', ['on', 'off', 'on', 'off', 'on', 'off', 'on']],
    ['D1 is on if no button is pressed', 'none', ['on', 'off', 'on', 'off', 'on', 'off', 'on']],
    ['D1 is on while only one button is held', 'one', ['off', 'on', 'off', 'on', 'off']],
    ['D1 is on unless S1 and S2 are held', 'not both', ['on', 'off', 'on']],
  ])('%s', (text, _, states) => {
    const said = begun(text).seen.map((sentence) => /is (on|off)/.exec(sentence)![1]);
    expect(said).toEqual(states);
  });

  test.each(['D1 is off unless S1 is held', 'D1 is off if S1 is not pressed'])(
    'one is enough: %s',
    (text) => {
      expect(begun(text)).toEqual({
        done: ['press S1 at 1 s for 1 s'],
        seen: [
          'D1 is off all the time from 0.1 s to 1 s',
          'D1 is on all the time from 1.1 s to 2 s',
          'D1 is off all the time from 2.1 s',
        ],
      });
    },
  );

  test('what is done already says when', () => {
    const done = [
      { at: 1, press: 'S1' },
      { at: 2, press: 'S2', for: 2 },
    ];
    const read = readExpected('D1 is on while both buttons are held', TWO, done);
    expect(read.ok && read.value.map(expectationSentence)).toEqual([
      'D1 is off all the time from 0.1 s to 2 s',
      'D1 is on all the time from 2.1 s to 4 s',
      'D1 is off all the time from 4.1 s',
    ]);
    const never = readExpected('D1 is on while both buttons are held', TWO, done.slice(0, 1));
    expect(never.ok ? '' : never.problems[0]!.message).toContain('hold S1 from 1 s to 3 s, hold S2 from');
  });

  test('is judged as it is said', () => {
    const { done, seen } = begun('D1 is on while S1 and S2 are held');
    const gate = exerciseSaid({
      id: 'gate',
      board: 'learner-5v',
      lines: ['red LED on 8 with 330', 'button on 2, pull-up', 'button on 3, pull-up'],
      program: `void setup() {
  pinMode(8, OUTPUT);
  pinMode(2, INPUT_PULLUP);
  pinMode(3, INPUT_PULLUP);
}

void loop() {
  digitalWrite(8, digitalRead(2) == LOW && digitalRead(3) == LOW);
}
`,
      scenarios: [{ name: 'both', lasts: 9, done, seen }],
    });
    expect(reportOnSlip(gate, {}).verdict).toBe('as-drawn');
    const either = reportOnSlip(gate, { program: (text) => text.replace('&&', '||') });
    expect(either.findings.find(({ cause }) => cause)?.repair?.text).toBe(
      'Write && instead of || in line 8.',
    );
  });
});
