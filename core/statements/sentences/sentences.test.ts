import { describe, expect, test } from 'vitest';
import { expectationSentence } from '../../expectations';
import { stimulusSentence, type Stimulus } from '../../stimuli';
import { readDone } from './done';
import { readExpected } from './expected';

const parts = [
  { ref: 'U1', kind: 'board' },
  { ref: 'B1', kind: 'breadboard' },
  { ref: 'D1', kind: 'led' },
  { ref: 'S1', kind: 'button' },
  { ref: 'Z1', kind: 'buzzer' },
  { ref: 'L1', kind: 'light-sensor' },
  { ref: 'P1', kind: 'potentiometer' },
  { ref: 'M1', kind: 'servo' },
  { ref: 'M2', kind: 'motor' },
  { ref: 'K1', kind: 'relay' },
  { ref: 'S2', kind: 'switch' },
  { ref: 'T1', kind: 'temperature-sensor' },
  { ref: 'X1', kind: 'text-display' },
  { ref: 'X2', kind: 'distance-sensor' },
  { ref: 'X3', kind: 'motion-sensor' },
  { ref: 'N1', kind: 'seven-segment' },
  { ref: 'D9', kind: 'diode' },
  { ref: 'R1', kind: 'resistor' },
];
const held: readonly Stimulus[] = [{ at: 1, press: 'S1', for: 2 }];

const expected = (text: string, done = held): readonly string[] => {
  const read = readExpected(text, parts, done);
  return read.ok ? read.value.map(expectationSentence) : [`NOT: ${read.problems[0]!.message}`];
};
const done = (text: string, before: readonly Stimulus[] = []): readonly string[] => {
  const read = readDone(text, parts, before);
  return read.ok ? read.value.map(stimulusSentence) : [`NOT: ${read.problems[0]!.message}`];
};

describe('what must be seen is understood as people say it', () => {
  test.each([
    ['D1 is on', ['D1 is on all the time']],
    ['D1 on', ['D1 is on all the time']],
    ['D1 turns on', ['D1 is on all the time']],
    ['D1 lights up', ['D1 is on all the time']],
    ['The LED should be on.', ['D1 is on all the time']],
    ['LED D1 must stay dark', ['D1 is off all the time']],
    ['D1 and D2 are on', ['D1 is on all the time', 'D2 is on all the time']],
    ['D1, D2 and D3 blink 3 times', ['D1 flashes 3 times', 'D2 flashes 3 times', 'D3 flashes 3 times']],
    ['D1, D2, D3 in turn', ['D1, then D2, then D3 in turn']],
    ['D1 and D2 take turns', ['D1, then D2 in turn']],
    ['D1 is off after 7 s', ['D1 is off all the time from 7.1 s']],
    ['D1 is lit after 2 seconds', ['D1 is on all the time from 2.1 s']],
    ['D1 is on at 3 s', ['D1 is on all the time from 3 s to 3.1 s']],
    ['D1 is on between 1 s and 2 s', ['D1 is on all the time from 1 s to 2 s']],
    ['D1 stays on for 3 seconds', ['D1 is on all the time until 3 s']],
    [
      'D1 on for 5 s after S1',
      ['D1 is on all the time from 0.1 s to 4.9 s after S1', 'D1 is off all the time from 5.1 s after S1'],
    ],
    ['D1 is on 2 s after S1 is pressed', ['D1 is on all the time from 2.1 s after S1']],
    [
      'D1 lights up while S1 is held',
      ['D1 is on all the time from 0.1 s to 1.9 s after S1', 'D1 is off all the time from 2.1 s after S1'],
    ],
    ['D1 goes dark when S1 is pressed', ['D1 goes off within 0.1 s of S1']],
    ['D1 is on after the button S1 is pressed', ['D1 goes on within 0.1 s of S1']],
    ['D1 toggles with each press of S1', ['D1 changes within 0.1 s of S1']],
    ['D1 flashes 3 times after S1 is pressed', ['D1 flashes 3 times after S1']],
    [
      'D1 is on until S1 is pressed',
      ['D1 is on all the time until 1 s', 'D1 is off all the time from 1.1 s'],
    ],
    ['D1 blinks every second', ['D1 lit 0.5 s, dark 0.5 s, over and over']],
    ['D1 blinks twice per second', ['D1 lit 0.25 s, dark 0.25 s, over and over']],
    ['D1 blinks every 3 seconds', ['D1 lit 1.5 s, dark 1.5 s, over and over']],
    ['D1 lit 500 ms, dark 500 ms', ['D1 lit 0.5 s, dark 0.5 s, over and over']],
    ['D1 is lit for 0.5 s and dark for 2.5 s', ['D1 lit 0.5 s, dark 2.5 s, over and over']],
    ['D1 is 90 % bright', ['D1 is between 80 and 100 % bright']],
    ['D1 is below 20 % bright from 0.3 s', ['D1 is between 0 and 20 % bright from 0.3 s']],
    ['D1 is at most 20 % bright', ['D1 is between 0 and 20 % bright']],
    ['D1 is dimmer than 20% until 2 s', ['D1 is between 0 and 20 % bright until 2 s']],
    ['D1 glows at no more than 30 %', ['D1 is between 0 and 30 % bright']],
    ['D1’s brightness is at least 50 percent', ['D1 is between 50 and 100 % bright']],
    ['from 2 s D1 is brighter than 70 %', ['D1 is between 70 and 100 % bright from 2 s']],
    ['D1 is above 80 % bright', ['D1 is between 80 and 100 % bright']],
    ['D1 is at 80 % or more', ['D1 is between 80 and 100 % bright']],
    ['D1 is 30 % bright or less', ['D1 is between 0 and 30 % bright']],
    ['D1 is fully on', ['D1 is between 60 and 100 % bright']],
    ['Z1 beeps twice', ['Z1 chirps 2 times']],
    ['Z1 is on', ['Z1 sounds all the time']],
    ['M2 is off', ['M2 stands still']],
    ['D1 blinks with 2 Hz', ['D1 lit 0.25 s, dark 0.25 s, over and over']],
    ['D1 and D2 blink alternately', ['D1, then D2 in turn', 'D1 and D2 never lit together']],
    ['first D1, then D2', ['D1, then D2 in turn']],
    ['D1 goes off when S1 is released', ['D1 is off all the time from 2.1 s after S1']],
    ['D1 goes on at 2 s', ['D1 is on all the time from 2.1 s to 2.2 s']],
    ['M2 stops at 3 s', ['M2 stands still from 3.1 s to 3.2 s']],
    ['D1 turns green at 2 s', ['D1 is green from 2.1 s to 2.2 s']],
    ['D1 becomes purple', ['D1 is violet']],
    ['D1 fades in', ['D1 gets brighter']],
    ['D1’s brightness is 50 %', ['D1 is between 40 and 60 % bright']],
    ['M2 runs forward', ['M2 turns forwards']],
    ['Z1 plays a tone', ['Z1 sounds all the time']],
    ['no sound', ['Z1 is silent all the time']],
    ['the LEDs are off', ['D1 is off all the time']],
    [
      'everything is off after 3 s',
      [
        'D1 is off all the time from 3.1 s',
        'Z1 is silent all the time from 3.1 s',
        'M2 stands still from 3.1 s',
        'N1 is off all the time from 3.1 s',
      ],
    ],
    ['the built-in LED is on', ['the board’s own LED is on all the time']],
    ['the buzzer turns on after 2 s', ['Z1 sounds all the time from 2.1 s']],
    ['at 3 s D1 is on', ['D1 is on all the time from 3 s to 3.1 s']],
    ['From 1 s to 3 s, D1 is on', ['D1 is on all the time from 1 s to 3 s']],
    ['after 2 s D1 is dark', ['D1 is off all the time from 2.1 s']],
    ['D1 is on by 2 s', ['D1 is on all the time from 2 s']],
    ['D1 is on before 3 s', ['D1 is on all the time until 3 s']],
    ['D1 is dim from 1 s to 2 s', ['D1 is between 5 and 50 % bright from 1 s to 2 s']],
    ['after 3 s D1 is only dim', ['D1 is between 5 and 50 % bright from 3.1 s']],
    ['the LED D1 is at full brightness', ['D1 is between 60 and 100 % bright']],
    ['D1 and D2 are bright', ['D1 is between 60 and 100 % bright', 'D2 is between 60 and 100 % bright']],
    ['D1 is not on', ['D1 is off all the time']],
    ['D1 isn’t lit until 2 s', ['D1 is off all the time until 2 s']],
    ['D1 does not light up', ['D1 is off all the time']],
    ['D1 is never off', ['D1 is on all the time']],
    ['D1 never lights', ['D1 is off all the time']],
    ['D1 and D2 do not light', ['D1 is off all the time', 'D2 is off all the time']],
    ['D1, D2, D3 light in this order', ['D1, then D2, then D3 in turn']],
    ['D1 and D2 light up one after the other', ['D1, then D2 in turn']],
    ['D1 turns on within 1 s of S1', ['D1 goes on within 1 s of S1']],
    ['D1 lights up within 0.5 s after S1 is pressed', ['D1 goes on within 0.5 s of S1']],
    ['D1 toggles within 0.2 s of S1', ['D1 changes within 0.2 s of S1']],
    ['D1 is dimmed to 30 % from 1 s', ['D1 is between 20 and 40 % bright from 1 s']],
    ['D1 turns on within 0.2 s of the press', ['D1 goes on within 0.2 s of S1']],
    ['D1 is half as bright from 2 s', ['D1 is between 40 and 60 % bright from 2 s']],
    ['Z1 is quiet from 1 s', ['Z1 is silent all the time from 1 s']],
    ['Z1 does not sound', ['Z1 is silent all the time']],
    ['Z1 plays 440 Hz', ['Z1 sounds at 440 Hz']],
    ['Z1 beeps at 880 Hz from 1 s to 2 s', ['Z1 sounds at 880 Hz from 1 s to 2 s']],
    ['K1 is not pulled in', ['K1 is let go']],
    ['the relay closes', ['K1 is pulled in']],
    ['K1 opens after 5 s', ['K1 is let go from 5.1 s']],
    ['M2 is not running', ['M2 stands still']],
    ['M2 does not turn from 2 s', ['M2 stands still from 2 s']],
    ['X1 shows "hello"', ['X1 reads “hello”']],
    ['X1 shows 5', ['X1 reads “5”']],
    ['N1 shows 5 from 1 s', ['N1 shows 5 from 1 s']],
    ['N1 displays the number 5', ['N1 shows 5']],
    ['N1 shows "5"', ['N1 shows 5']],
    ['the display N1 shows 3, 2, 1', ['N1 shows 3, then 2, then 1']],
    ['N1 is blank from 2 s', ['N1 shows nothing from 2 s']],
    ['N1 is dark', ['N1 shows nothing']],
    ['serial prints "ready"', ['the serial text contains “ready”']],
    ['the serial monitor says "go"', ['the serial text contains “go”']],
    ['the board prints "go"', ['the serial text contains “go”']],
    ['pin 13 is not high', ['pin 13 is low all the time']],
    ['M1 at 90°', ['M1 stands at 90°']],
    ['the servo turns to 90 degrees', ['M1 stands at 90°']],
  ])('%s', (text, sentences) => {
    expect(expected(text)).toEqual(sentences);
  });

  test.each([
    ['D1 blinks', held, 'Say how D1 flashes'],
    ['D1 is on while S1 is held', [], 'Say first how long S1 is held'],
    ['D1 is on until S1 is pressed', [], 'Say first when S1 is pressed'],
    ['D1 toggles', held, 'Say what D1 changes with'],
    ['prints tide', held, 'Put what is printed in quotes: prints "tide".'],
    ['D9 is on', held, 'D9 is a diode: nothing is seen of it.'],
    ['R1 is lit from 2 s', held, 'R1 is a resistor: nothing is seen of it.'],
    ['make it nice', held, 'is not understood'],
    ['D1 is not', held, 'is not understood'],
    ['X2 shows "hello"', held, 'is not understood'],
    ['X2 shows 5', held, 'X2 is a distance sensor: it shows no figures.'],
  ] as const)('what is left open is asked for: %s', (text, meanwhile, told) => {
    expect(expected(text, [...meanwhile])[0]).toContain(told);
  });
});

describe('what is done is understood as people say it', () => {
  test.each([
    ['press S1', ['press S1 at 1 s for 0.3 s']],
    ['make it dark', ['light on L1 to 5 % at 1 s']],
    ['it is bright at L1', ['light on L1 to 90 % at 0 s']],
    ['set the light on L1 to 20 % at 3 s', ['light on L1 to 20 % at 3 s']],
    ['L1 sees 5 % light', ['light on L1 to 5 % at 1 s']],
    ['X3 sees motion at 3 s for 0.5 s', ['something moves before X3 at 3 s for 0.5 s']],
    ['X3 detects someone', ['something moves before X3 at 1 s for 2 s']],
    ['press S1 after 2 seconds', ['press S1 at 2 s for 0.3 s']],
    ['press S1 at 2', ['press S1 at 2 s for 0.3 s']],
    ['S1 is pressed at 1 s', ['press S1 at 1 s for 0.3 s']],
    ['press the button twice', ['press S1 at 1 s for 0.3 s', 'press S1 at 2 s for 0.3 s']],
    [
      'press S1 three times at 2 s every 0.5 s',
      ['press S1 at 2 s for 0.3 s', 'press S1 at 2.5 s for 0.3 s', 'press S1 at 3 s for 0.3 s'],
    ],
    [
      'press S1 at 1 s, 2 s and 4 s',
      ['press S1 at 1 s for 0.3 s', 'press S1 at 2 s for 0.3 s', 'press S1 at 4 s for 0.3 s'],
    ],
    ['hold S1 for 2 s', ['press S1 at 1 s for 2 s']],
    ['press S1 at 2 s', ['press S1 at 2 s for 0.3 s']],
    ['hold S1', ['hold S1 from 1 s']],
    ['hold S1 at 2 s', ['hold S1 from 2 s']],
    ['press and hold S1 at 3 s', ['hold S1 from 3 s']],
    ['press S1 at 3 s and keep it pressed', ['hold S1 from 3 s']],
    ['hold S1 from 3 s until the end', ['hold S1 from 3 s']],
    ['press S1 at 2 s and release it at 4 s', ['press S1 at 2 s for 2 s']],
    ['press S1 at 2 s, then let go after 4 s', ['press S1 at 2 s for 4 s']],
    ['turn P1 to 50 at 2 s', ['turn P1 to 50 % at 2 s']],
    ['S1 is held from 1 s to 3 s', ['press S1 at 1 s for 2 s']],
    ['it is dark', ['light on L1 to 5 % at 0 s']],
    ['it gets dark at 2 s', ['light on L1 to 5 % at 2 s']],
    ['L1 is bright at 4 s', ['light on L1 to 90 % at 4 s']],
    ['cover L1 at 1 s', ['light on L1 to 5 % at 1 s']],
    ['light on L1 to 90 % at 1 s', ['light on L1 to 90 % at 1 s']],
    ['turn P1 to 90 %', ['turn P1 to 90 % at 1 s']],
    ['turn the knob to the middle at 2 s', ['turn P1 to 50 % at 2 s']],
    ['at 2 s turn P1 to 0.3', ['turn P1 to 30 % at 2 s']],
    ['after 3 s, press S1', ['press S1 at 3 s for 0.3 s']],
    ['turn P1 down at 2 s', ['turn P1 to 0 % at 2 s']],
    ['shine on L1 at 3 s', ['light on L1 to 90 % at 3 s']],
    ['heat T1 to 30 at 1 s', ['warm T1 to 30 °C at 1 s']],
    ['cool T1 down to -5 °C at 2 s', ['warm T1 to -5 °C at 2 s']],
    ['the room gets dark', ['light on L1 to 5 % at 1 s']],
    ['distance is 100 cm', ['something 1 m before X2 at 0 s']],
    ['the distance falls to 8 cm at 2 s', ['something 0.08 m before X2 at 2 s']],
    ['the wall is 30 cm away', ['something 0.3 m before X2 at 0 s']],
    ['X2 is at 30 cm', ['something 0.3 m before X2 at 0 s']],
    ['the temperature rises to 31 °C at 2 s', ['warm T1 to 31 °C at 2 s']],
    ['temperature -5', ['warm T1 to -5 °C at 1 s']],
    ['the light is 20 %', ['light on L1 to 20 % at 0 s']],
    ['brightness at L1 drops to 10 % at 3 s', ['light on L1 to 10 % at 3 s']],
    ['the knob is at 30 %', ['turn P1 to 30 % at 0 s']],
    ['P1 at 25 %', ['turn P1 to 25 % at 0 s']],
    ['it gets 25 degrees at 4 s', ['warm T1 to 25 °C at 4 s']],
    ['a hand 10 cm in front of X2 at 1 s', ['something 0.1 m before X2 at 1 s']],
    ['X2 sees something at 30 cm at 2 s', ['something 0.3 m before X2 at 2 s']],
    ['something is 1.5 metres away from X2', ['something 1.5 m before X2 at 0 s']],
    ['S1 pressed at 2 s', ['press S1 at 2 s for 0.3 s']],
    ['P1 at max', ['turn P1 to 100 % at 1 s']],
    ['cover the light sensor from 1 s to 3 s', ['light on L1 to 5 % at 1 s', 'light on L1 to 90 % at 3 s']],
    ['switch off the light at 2 s', ['light on L1 to 5 % at 2 s']],
    ['heat the sensor to 30 °C at 2 s', ['warm T1 to 30 °C at 2 s']],
    ['hold a hand in front of X2', ['something 0.1 m before X2 at 1 s']],
    ['something comes within 10 cm at 2 s', ['something 0.1 m before X2 at 2 s']],
    ['move a hand to 20 cm at 1 s', ['something 0.2 m before X2 at 1 s']],
    ['wave at X3 at 2 s', ['something moves before X3 at 2 s for 2 s']],
    ['somebody walks past at 2 s', ['something moves before X3 at 2 s for 2 s']],
    ['enter 5 in the serial monitor at 1 s', ['type “5” at 1 s']],
    ['somebody walks past X3 at 2 s for 1 s', ['something moves before X3 at 2 s for 1 s']],
    ['movement at 3 s', ['something moves before X3 at 3 s for 2 s']],
    ['something moves from 2 s to 4.5 s', ['something moves before X3 at 2 s for 2.5 s']],
    ['switch S2 on at 1 s', ['turn S2 to 100 % at 1 s']],
    ['flip the switch', ['turn S2 to 100 % at 1 s']],
    ['turn S2 off at 3 s', ['turn S2 to 0 % at 3 s']],
    ['turn S2 to 100 % at 3 s', ['turn S2 to 100 % at 3 s']],
    ['type hello and press return at 2 s', ['type “hello” and return at 2 s']],
    ['send "a"', ['type “a” at 1 s']],
    ['unplug the board at 3 s', ['supply off at 3 s']],
    ['the power comes back at 5 s', ['supply on at 5 s']],
    ['turn P1 all the way over 3 s', ['turn P1 to 100 % at 1 s over 3 s']],
    ["press the board's reset", ["press the board's reset at 1 s"]],
    ['reset the board at 5 s', ["press the board's reset at 5 s"]],
    ['the board is reset', ["press the board's reset at 1 s"]],
  ])('%s', (text, sentences) => {
    expect(done(text)).toEqual(sentences);
  });

  test('at a time of its own, or after what is done before', () => {
    expect(done('press S1', held)).toEqual(['press S1 at 4 s for 0.3 s']);
    expect(done('flip S2', [{ at: 1, turn: 'S2', to: 1 }])).toEqual(['turn S2 to 0 % at 2 s']);
  });

  test('letting go of a button is said where it is pressed', () => {
    expect(done('release S1 at 3 s')[0]).toContain('hold S1 from 1 s to 3 s');
  });

  test.each([
    'press S1 gently',
    'turn P1 to blue',
    'it is dark and cold',
    'turn S1 on',
    'heat P1 to 30',
    'move quickly',
    'write "a" "b"c',
  ])('what is not understood is not guessed: %s', (text) => {
    expect(done(text)[0]).toContain('is not understood');
  });
});
