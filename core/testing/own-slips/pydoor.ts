import type { OwnSlips } from './own-slips';

export const pydoor: OwnSlips = {
  said: {
    id: 'pydoor',
    board: 'python-3v3',
    lines: ['motion sensor on D7', 'white LED on D9', 'light sensor on A0'],
    program: `import time
import board
import digitalio
import analogio

pir = digitalio.DigitalInOut(board.D7)
lamp = digitalio.DigitalInOut(board.D9)
lamp.direction = digitalio.Direction.OUTPUT
eye = analogio.AnalogIn(board.A0)
until = 0

while True:
    if pir.value and eye.value < 20000:
        until = time.monotonic() + 2
    lamp.value = time.monotonic() < until
    time.sleep(0.05)
`,
    scenarios: [
      { name: 'still', lasts: 2, done: ['it is dark'], seen: ['D1 is off'] },
      {
        name: 'moving in the dark',
        lasts: 7,
        done: ['it is dark', 'something moves from 1 s to 2 s'],
        seen: ['D1 is off until 0.9 s', 'D1 is on from 1.3 s to 3.6 s', 'D1 is off from 4.6 s'],
      },
      {
        name: 'moving by day',
        lasts: 4,
        done: ['it is bright', 'something moves from 1 s to 2 s'],
        seen: ['D1 is off'],
      },
    ],
  },
  own: `import time
import board
from digitalio import DigitalInOut, Direction
from analogio import AnalogIn

sensor = DigitalInOut(board.D7)
sensor.direction = Direction.INPUT
lamp = DigitalInOut(board.D9)
lamp.direction = Direction.OUTPUT
light = AnalogIn(board.A0)

HOLD = 2
DARK = 25
seen_at = None

def is_dark():
    level = light.value / 65535 * 100
    return level < DARK

def lamp_wanted(now):
    if seen_at is None:
        return False
    return now - seen_at < HOLD

while True:
    now = time.monotonic()
    if sensor.value and is_dark():
        seen_at = now
    lamp.value = lamp_wanted(now)
    time.sleep(0.02)
`,
  slips: [
    [
      'or is_dark',
      'not-dark',
      'Write and instead of or in line 27.',
      ['sensor.value and is_dark()', 'sensor.value or is_dark()'],
    ],
    [
      'is_dark no ()',
      'timing-off',
      'Write is_dark() instead of is_dark in line 27.',
      ['and is_dark():', 'and is_dark:'],
    ],
    [
      'sensor no value',
      'always-true',
      'Write sensor.value instead of sensor in line 27.',
      ['if sensor.value and', 'if sensor and'],
    ],
    ['level > DARK', 'logic-inverted', 'Write < instead of > in line 18.', ['level < DARK', 'level > DARK']],
    ['1023', 'out-of-range', 'Write 65535 instead of 1023 in line 17.', ['65535', '1023']],
    [
      'light no value',
      'runtime-error',
      'Write light.value instead of light in line 17.',
      ['light.value / 65535', 'light / 65535'],
    ],
    [
      'no return level',
      'not-lit',
      'Write return at the beginning of line 18.',
      ['    return level < DARK\n', '    level < DARK\n'],
    ],
    ['HOLD 2000', 'not-dark', 'Write 2 instead of 2000 in line 12.', ['HOLD = 2', 'HOLD = 2000']],
    ['HOLD 20', 'not-dark', 'Write 2 instead of 20 in line 12.', ['HOLD = 2\n', 'HOLD = 20\n']],
    ['> HOLD', 'logic-inverted', 'Write < instead of > in line 23.', ['seen_at < HOLD', 'seen_at > HOLD']],
    [
      'seen - now',
      'not-dark',
      'Write now - seen_at instead of seen_at - now in line 23.',
      ['now - seen_at', 'seen_at - now'],
    ],
    [
      'return True',
      'not-dark',
      'Write False instead of True in line 22.',
      ['        return False\n', '        return True\n'],
    ],
    [
      '== now',
      'no-effect',
      'Write seen_at = now instead of seen_at == now in line 28.',
      ['        seen_at = now\n', '        seen_at == now\n'],
    ],
    [
      'now once',
      'not-dark',
      'Move line 25 into the loop, behind line 26.',
      ['while True:\n    now = time.monotonic()\n', 'now = time.monotonic()\nwhile True:\n'],
    ],
    [
      'lamp = ',
      'not-lit',
      'Write lamp.value instead of lamp in line 29.',
      ['    lamp.value = lamp_wanted(now)', '    lamp = lamp_wanted(now)'],
    ],
    [
      'lamp_wanted() ',
      'runtime-error',
      'Write lamp_wanted(now) instead of lamp_wanted() in line 29.',
      ['lamp_wanted(now)\n    time', 'lamp_wanted()\n    time'],
    ],
    [
      'lamp_wanted no ()',
      'not-dark',
      'Write lamp_wanted(now) instead of lamp_wanted in line 29.',
      ['= lamp_wanted(now)\n    time', '= lamp_wanted\n    time'],
    ],
    ['D8', 'pin-disagrees', 'Write D7 instead of D8 in line 6.', ['board.D7', 'board.D8']],
    [
      'sensor OUTPUT',
      'not-lit',
      'Write INPUT instead of OUTPUT in line 7.',
      ['sensor.direction = Direction.INPUT', 'sensor.direction = Direction.OUTPUT'],
    ],
    [
      'lamp INPUT',
      'direction-unset',
      'Write OUTPUT instead of INPUT in line 9.',
      ['lamp.direction = Direction.OUTPUT', 'lamp.direction = Direction.INPUT'],
    ],
    [
      'sensor direction for lamp',
      'runtime-error',
      'Write lamp instead of sensor in line 9.',
      ['lamp.direction = Direction.OUTPUT', 'sensor.direction = Direction.OUTPUT'],
    ],
    [
      'lamp inside if',
      'not-dark',
      'Take 4 spaces away before line 29.',
      ['        seen_at = now\n    lamp.value', '        seen_at = now\n        lamp.value'],
    ],
    ['sleep 20', 'timing-off', 'Write 0.02 instead of 20 in line 30.', ['sleep(0.02)', 'sleep(20)']],
    [
      'now = seen_at',
      'not-lit',
      'Add seen_at = time.monotonic() after line 27.',
      ['seen_at = now', 'now = seen_at'],
    ],
  ],
};
