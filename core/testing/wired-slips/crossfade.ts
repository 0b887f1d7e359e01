import type { WiredSlips } from './wired-slips';

export const crossfade: WiredSlips = {
  said: {
    id: 'crossfade',
    board: 'python-3v3',
    lines: ['potentiometer on A1', 'red LED on D9', 'green LED on D10', 'button on D5, pull-down 10k'],
    program: `import board
import analogio
import digitalio
import pwmio
import time

knob = analogio.AnalogIn(board.A1)
red = pwmio.PWMOut(board.D9)
green = pwmio.PWMOut(board.D10)
button = digitalio.DigitalInOut(board.D5)

while True:
    if button.value:
        red.duty_cycle = 0
        green.duty_cycle = 0
    else:
        red.duty_cycle = knob.value
        green.duty_cycle = 65535 - knob.value
    time.sleep(0.02)
`,
    scenarios: [
      {
        name: 'low',
        lasts: 2,
        done: ['P1 is at 5 %'],
        seen: ['D1 is below 20 % bright from 0.3 s', 'D2 is above 45 % bright from 0.3 s'],
      },
      { name: 'high', lasts: 2, done: ['P1 is at 95 %'], seen: ['D1 is above 45 % bright from 0.3 s'] },
      {
        name: 'dark',
        lasts: 3,
        done: ['P1 is at 50 %', 'hold S1 from 1 s to 2.5 s'],
        seen: ['D1 is off from 1.2 s to 2.4 s', 'D2 is off from 1.2 s to 2.4 s', 'D1 is on until 0.9 s'],
      },
    ],
  },
  slips: [
    [
      'pins D9 and D10',
      'W7.2=U1.D10 W8.2=U1.D9',
      'does-not-work',
      ['wrong-pin'],
      ['Swap the green wire W7 and the blue wire W8: put W7 in D9, and W8 in D10.'],
    ],
    [
      'pot turned',
      'P1<>1,2',
      'does-not-work',
      ['divider-reversed'],
      ['Take the 10 kΩ potentiometer P1 out, turn it round, and put it back in.'],
    ],
    [
      '5v rail',
      'W5.2=U1.5V',
      'works-at-risk',
      ['voltage-mismatch'],
      ['Move the end of the red wire W5 from 5V to 3V3.'],
    ],
    [
      'wiper in A0',
      'W6.2=U1.A0',
      'does-not-work',
      ['wrong-pin'],
      ['Move the end of the yellow wire W6 from pin A0 to pin A1.'],
    ],
    [
      'no pull',
      '-R3',
      'does-not-work',
      ['pull-missing'],
      ['Put the 10 kΩ resistor R3 between hole a2 and the minus rail, hole a-2.'],
    ],
    [
      'pull 5v',
      'R3.2=B1.a+2',
      'does-not-work',
      ['pull-wrong-way'],
      [
        'Move the other end of the 10 kΩ resistor R3 from the plus rail, hole a+2 to the minus rail, hole a-2.',
      ],
    ],
    [
      'pot ends in one',
      'P1.1=B1.e13 P1.wiper=B1.e14 P1.2=B1.e15',
      'does-not-work',
      ['off-by-one'],
      ['Move the 10 kΩ potentiometer P1 by one row, all its legs together: to e12, e13 and e14.'],
    ],
    [
      'led d11',
      'W7.2=U1.D11',
      'does-not-work',
      ['wrong-pin'],
      ['Move the end of the green wire W7 from D11 to D9.'],
    ],
    [
      'red reversed',
      'D1<>anode,cathode',
      'does-not-work',
      ['polarity-reversed'],
      ['Turn the red LED D1 round.'],
    ],
    [
      'colours',
      'D1:green D2:red',
      'does-not-work',
      ['wrong-part'],
      ['Swap the green LED D1 and the red LED D2.'],
    ],
    [
      'btn quarter',
      'S1.1=B1.e2 S1.2=B1.e4 S1.3=B1.f2 S1.4=B1.f4',
      'does-not-work',
      ['button-always-closed'],
      ['Take the push button S1 out, give it a quarter turn, and put it back in.'],
    ],
    [
      'btn row',
      'W9.1=B1.b3',
      'does-not-work',
      ['off-by-one'],
      ['Move the end of the white wire W9 from hole b3 to hole b2.'],
    ],
    [
      'wiper off',
      'W6.1=B1.a11',
      'does-not-work',
      ['leg-open'],
      ['Move the end of the yellow wire W6 from hole a11 to hole a13.'],
    ],
    [
      'pull missing, red reversed',
      '-R3 D1<>anode,cathode',
      'does-not-work',
      ['polarity-reversed', 'pull-missing'],
      [
        'Turn the red LED D1 round.',
        'Put the 10 kΩ resistor R3 between hole a2 and the minus rail, hole a-2.',
      ],
    ],
  ],
};
