import type { WiredSlips } from './wired-slips';

export const plant: WiredSlips = {
  said: {
    id: 'plant',
    board: 'python-3v3',
    lines: ['potentiometer on A0', 'blue LED on D9', 'relay on D6'],
    program: `import time
import board
import analogio
import digitalio

soil = analogio.AnalogIn(board.A0)
blue = digitalio.DigitalInOut(board.D9)
blue.direction = digitalio.Direction.OUTPUT
pump = digitalio.DigitalInOut(board.D6)
pump.direction = digitalio.Direction.OUTPUT

while True:
    dry = soil.value < 20000
    blue.value = dry
    pump.value = dry
    time.sleep(0.2)
`,
    scenarios: [
      {
        name: 'dry',
        lasts: 3,
        done: ['P1 is at 10 %'],
        seen: ['D1 is on from 0.5 s', 'K1 is on from 0.5 s'],
      },
      {
        name: 'wet',
        lasts: 3,
        done: ['P1 is at 80 %'],
        seen: ['D1 is off from 0.5 s', 'K1 is off from 0.5 s'],
      },
    ],
  },
  slips: [
    [
      'pot 5v',
      '-W5 W4.2=U1.5V',
      'does-not-work',
      ['leg-open', 'voltage-mismatch'],
      [
        'Add a wire from 5V to the supply pin of the relay module K1.',
        'Move the end of the red wire W4 from 5V to 3V3.',
      ],
    ],
    [
      'pot turned',
      'P1<>1,2',
      'does-not-work',
      ['divider-reversed'],
      ['Take the 10 kΩ potentiometer P1 out, turn it round, and put it back in.'],
    ],
    [
      'relay 3v3',
      'W5.1=U1.3V3',
      'does-not-work',
      ['voltage-mismatch'],
      ['Move the end of the red wire W5 from 3V3 to 5V.'],
    ],
    [
      'relay in vcc',
      'W5.2=K1.in W8.2=K1.vcc',
      'works-at-risk',
      ['module-lines-swapped'],
      [
        'Swap the red wire W5 and the blue wire W8: put W5 on the supply pin of the relay module K1, and W8 on its control pin.',
      ],
    ],
    [
      'relay gnd missing',
      '-W3',
      'does-not-work',
      ['leg-open'],
      ['Add a wire from the minus rail, hole a-2 to the ground pin of the relay module K1.'],
    ],
    [
      'relay vcc gnd',
      'W3.2=K1.vcc W5.2=K1.gnd',
      'does-not-work',
      ['module-lines-swapped'],
      [
        'Swap the black wire W3 and the red wire W5: put W3 on the ground pin of the relay module K1, and W5 on its supply pin.',
      ],
    ],
    [
      'a1',
      'W6.2=U1.A1',
      'does-not-work',
      ['wrong-pin'],
      ['Move the end of the yellow wire W6 from pin A1 to pin A0.'],
    ],
    [
      'wiper in d',
      'W6.2=U1.D4',
      'does-not-work',
      ['wrong-pin'],
      ['Move the end of the yellow wire W6 from D4 to pin A0.'],
    ],
    [
      'led relay swap',
      'W7.2=U1.D6 W8.1=U1.D9',
      'works-differently',
      ['wrong-pin'],
      ['Swap the green wire W7 and the blue wire W8: put W7 in D9, and W8 in D6.'],
    ],
    [
      'wiper gnd',
      'W1.2=B1.a6 W6.1=B1.a5',
      'does-not-work',
      ['off-by-one'],
      ['Swap the black wire W1 and the yellow wire W6: put W1 in hole a5, and W6 in hole a6.'],
    ],
    [
      'led shift',
      'D1.anode=B1.e3 D1.cathode=B1.e4',
      'does-not-work',
      ['off-by-one'],
      ['Move the blue LED D1 by one row, all its legs together: to e2 and e3.'],
    ],
    [
      'coil on contact',
      'W8.2=K1.com',
      'does-not-work',
      ['leg-open'],
      [
        'Move the end of the blue wire W8 from the common terminal of the relay module K1 to its control pin.',
      ],
    ],
  ],
};
