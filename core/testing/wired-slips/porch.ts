import type { WiredSlips } from './wired-slips';

export const porch: WiredSlips = {
  said: {
    id: 'porch',
    board: 'python-3v3',
    lines: ['motion sensor on D2', 'white LED on D3', 'buzzer on D4', 'light sensor on A0 with 10k'],
    program: `import time
import board
import digitalio
import analogio

pir = digitalio.DigitalInOut(board.D2)
pir.direction = digitalio.Direction.INPUT
lamp = digitalio.DigitalInOut(board.D3)
lamp.direction = digitalio.Direction.OUTPUT
buzzer = digitalio.DigitalInOut(board.D4)
buzzer.direction = digitalio.Direction.OUTPUT
light = analogio.AnalogIn(board.A0)

until = 0
while True:
    if pir.value and light.value < 30000:
        until = time.monotonic() + 3
    if time.monotonic() < until:
        lamp.value = True
    else:
        lamp.value = False
    time.sleep(0.05)
`,
    scenarios: [
      {
        name: 'night',
        lasts: 9,
        done: ['light on L1 to 5 % at 0 s', 'something moves before X1 at 2 s for 1 s'],
        seen: ['D1 is off until 1.8 s', 'D1 is on from 2.3 s to 5.5 s', 'D1 is off from 6.8 s'],
      },
      {
        name: 'day',
        lasts: 6,
        done: ['light on L1 to 95 % at 0 s', 'something moves before X1 at 2 s for 1 s'],
        seen: ['D1 is off'],
      },
    ],
  },
  slips: [
    [
      'out and gnd exchanged',
      'W3.2=X1.out W6.2=X1.gnd',
      'does-not-work',
      ['module-lines-swapped'],
      [
        'Swap the black wire W3 and the yellow wire W6: put W3 on the ground pin of the motion sensor X1, and W6 on its output pin.',
      ],
    ],
    [
      'sensor in the pin beside',
      'W6.1=U1.D5',
      'does-not-work',
      ['wrong-pin'],
      ['Move the end of the yellow wire W6 from D5 to D2.'],
    ],
    [
      'sensor without supply',
      '-W4',
      'does-not-work',
      ['leg-open'],
      ['Add a wire from 5V to the supply pin of the motion sensor X1.'],
    ],
    [
      'sensor on 3.3 V',
      'W4.1=U1.3V3',
      'works-at-risk',
      ['voltage-mismatch'],
      ['Move the end of the red wire W4 from 3V3 to 5V.'],
    ],
    [
      'tap in the wrong row',
      'W9.1=B1.b10',
      'does-not-work',
      ['off-by-one'],
      ['Move the end of the white wire W9 from hole b10 to hole b12.'],
    ],
    [
      'no lower resistor',
      '-R2',
      'does-not-work',
      ['part-missing'],
      ['Put the 10 kΩ resistor R2 between hole a12 and the minus rail, hole a-12.'],
    ],
    [
      'LED turned',
      'D1<>anode,cathode',
      'does-not-work',
      ['polarity-reversed'],
      ['Turn the white LED D1 round.'],
    ],
    [
      'divider upside down',
      'W5.1=B1.a-10 R2.2=B1.a+12',
      'does-not-work',
      ['supply-short', 'rail-unpowered'],
      [
        'Move the end of the red wire W5 from the minus rail, hole a-10 to hole a10.',
        'Move the other end of the 10 kΩ resistor R2 from the plus rail, hole a+12 to the minus rail, hole a-12.',
      ],
    ],
  ],
};
