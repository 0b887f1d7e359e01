import type { OwnSlips } from './own-slips';

export const pymean: OwnSlips = {
  said: {
    id: 'pymean',
    board: 'python-3v3',
    lines: ['light sensor on A0', 'white LED on D6', 'green LED on D9'],
    program: `import time
import board
import analogio
import digitalio

eye = analogio.AnalogIn(board.A0)
night = digitalio.DigitalInOut(board.D6)
night.direction = digitalio.Direction.OUTPUT
day = digitalio.DigitalInOut(board.D9)
day.direction = digitalio.Direction.OUTPUT

while True:
    total = 0
    for _ in range(4):
        total += eye.value
        time.sleep(0.01)
    mean = total / 4
    night.value = mean < 20000
    day.value = mean > 45000
    time.sleep(0.02)
`,
    scenarios: [
      { name: 'dark', lasts: 2, done: ['it is dark'], seen: ['D1 is on from 0.3 s', 'D2 is off from 0.3 s'] },
      {
        name: 'bright',
        lasts: 2,
        done: ['it is bright'],
        seen: ['D1 is off from 0.3 s', 'D2 is on from 0.3 s'],
      },
      {
        name: 'evening',
        lasts: 5,
        done: ['it is bright', 'it gets dark at 2 s'],
        seen: ['D2 is on from 0.3 s to 1.9 s', 'D1 is on from 2.4 s', 'D2 is off from 2.4 s'],
      },
    ],
  },
  own: `import time
import board
from analogio import AnalogIn
from digitalio import DigitalInOut, Direction

SAMPLES = 5
DARK = 30
BRIGHT = 70

sensor = AnalogIn(board.A0)
night = DigitalInOut(board.D6)
night.direction = Direction.OUTPUT
day = DigitalInOut(board.D9)
day.direction = Direction.OUTPUT

def measure():
    values = []
    for n in range(SAMPLES):
        values.append(sensor.value)
        time.sleep(0.005)
    average = sum(values) / len(values)
    return average / 65535 * 100

while True:
    light = measure()
    if light < DARK:
        night.value = True
        day.value = False
    elif light > BRIGHT:
        night.value = False
        day.value = True
    else:
        night.value = False
        day.value = False
    time.sleep(0.05)
`,
  slips: [
    [
      'values outside',
      'not-lit',
      'Add values = [] after line 18.',
      ['def measure():\n    values = []\n', 'values = []\n\ndef measure():\n'],
    ],
    [
      'append(sensor)',
      'runtime-error',
      'Write sensor.value instead of sensor in line 19.',
      ['append(sensor.value)', 'append(sensor)'],
    ],
    [
      'values = sensor.value',
      'runtime-error',
      'Write values.append(sensor.value) instead of values = sensor.value in line 19.',
      ['values.append(sensor.value)', 'values = sensor.value'],
    ],
    [
      'values.add',
      'runtime-error',
      'Write append instead of add in line 19.',
      ['values.append(', 'values.add('],
    ],
    ['/1023', 'not-lit', 'Write 65535 instead of 1023 in line 22.', ['65535', '1023']],
    [
      '*65535/100',
      'not-lit',
      'Write / 65535 * 100 instead of * 65535 / 100 in line 22.',
      ['average / 65535 * 100', 'average * 65535 / 100'],
    ],
    [
      'return values',
      'runtime-error',
      'Write average instead of values in line 22.',
      ['return average / 65535 * 100', 'return values / 65535 * 100'],
    ],
    [
      'no return',
      'runtime-error',
      'Write return at the beginning of line 22.',
      ['    return average / 65535 * 100\n', '    average / 65535 * 100\n'],
    ],
    ['> DARK', 'logic-inverted', 'Write < instead of > in line 26.', ['light < DARK', 'light > DARK']],
    [
      'exchanged values',
      'pin-disagrees',
      'Exchange D6 in line 11 and D9 in line 13.',
      [
        '        night.value = True\n        day.value = False\n',
        '        night.value = False\n        day.value = True\n',
      ],
      [
        '    elif light > BRIGHT:\n        night.value = False\n        day.value = True\n',
        '    elif light > BRIGHT:\n        night.value = True\n        day.value = False\n',
      ],
    ],
    [
      'light once',
      'not-lit',
      'Move line 24 into the loop, behind line 26.',
      ['while True:\n    light = measure()\n', 'light = measure()\n\nwhile True:\n'],
    ],
    [
      'measure no ()',
      'runtime-error',
      'Write measure() instead of measure in line 25.',
      ['light = measure()', 'light = measure'],
    ],
    ['A1', 'pin-disagrees', 'Write A0 instead of A1 in line 10.', ['board.A0', 'board.A1']],
    [
      'direction INPUT',
      'direction-unset',
      'Write OUTPUT instead of INPUT in line 12.',
      ['night.direction = Direction.OUTPUT', 'night.direction = Direction.INPUT'],
    ],
    [
      'night twice direction',
      'direction-unset',
      'Add day.direction = Direction.OUTPUT after line 13.',
      ['day.direction = Direction.OUTPUT', 'night.direction = Direction.OUTPUT'],
    ],
    ['sleep 5', 'not-lit', 'Write 0.01 instead of 5 in line 35.', ['time.sleep(0.05)', 'time.sleep(5)']],
    [
      'sum() as total = values',
      'runtime-error',
      'Write sum(values) instead of values in line 21.',
      ['sum(values) /', 'values /'],
    ],
    ['str', 'runtime-error', 'Write 30 instead of "30" in line 7.', ['DARK = 30', 'DARK = "30"']],
    ['SAMPLES 0', 'runtime-error', 'Write 1 instead of 0 in line 6.', ['SAMPLES = 5', 'SAMPLES = 0']],
  ],
};
