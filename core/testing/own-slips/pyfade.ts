import type { OwnSlips } from './own-slips';

export const pyfade: OwnSlips = {
  said: {
    id: 'pyfade',
    board: 'python-3v3',
    lines: ['button on D4, pull-up', 'red LED on D6'],
    program: `import time
import board
import digitalio
import pwmio

key = digitalio.DigitalInOut(board.D4)
key.pull = digitalio.Pull.UP
lamp = pwmio.PWMOut(board.D6)
steps = (0, 4000, 16000, 65535)
step = 0
before = True

while True:
    now = key.value
    if before and not now:
        step = (step + 1) % 4
        lamp.duty_cycle = steps[step]
    before = now
    time.sleep(0.02)
`,
    scenarios: [
      { name: 'nothing', lasts: 2, done: [], seen: ['D1 is off'] },
      {
        name: 'three presses',
        lasts: 8,
        done: ['press S1 at 1 s', 'press S1 at 3 s', 'press S1 at 5 s'],
        seen: [
          'D1 is off until 0.9 s',
          'D1 is between 2 and 14 % bright from 1.3 s to 2.9 s',
          'D1 is between 8 and 40 % bright from 3.3 s to 4.9 s',
          'D1 is between 45 and 75 % bright from 5.3 s',
        ],
      },
      {
        name: 'off again',
        lasts: 10,
        done: ['press S1 at 1 s', 'press S1 at 3 s', 'press S1 at 5 s', 'press S1 at 7 s'],
        seen: ['D1 is off from 7.3 s'],
      },
    ],
  },
  own: `import time
import board
import pwmio
from digitalio import DigitalInOut, Direction, Pull

button = DigitalInOut(board.D4)
button.direction = Direction.INPUT
button.pull = Pull.UP
led = pwmio.PWMOut(board.D6, frequency=500, duty_cycle=0)

LEVELS = [0, 6, 25, 100]
position = 0
was_down = False

def set_percent(percent):
    led.duty_cycle = int(65535 * percent / 100)

def next_level():
    global position
    position += 1
    if position >= len(LEVELS):
        position = 0
    set_percent(LEVELS[position])

while True:
    is_down = not button.value
    if is_down and not was_down:
        next_level()
    was_down = is_down
    time.sleep(0.03)
`,
  slips: [
    ['no global', 'runtime-error', 'Add global position after line 18.', ['    global position\n', '']],
    [
      'no int',
      'runtime-error',
      'Write int(65535 * percent / 100) instead of 65535 * percent / 100 in line 16.',
      ['int(65535 * percent / 100)', '65535 * percent / 100'],
    ],
    ['1023', 'too-dim', 'Write 65535 instead of 1023 in line 16.', ['int(65535 *', 'int(1023 *']],
    [
      'wrap 1',
      'not-dark',
      'Write 0 instead of 1 in line 22.',
      ['        position = 0\n', '        position = 1\n'],
    ],
    [
      'LEVELS.len',
      'name-unknown',
      'Write len(LEVELS) instead of LEVELS.len in line 21.',
      ['len(LEVELS)', 'LEVELS.len'],
    ],
    ['len 3', 'not-dark', 'Write 4 instead of 3 in line 21.', ['len(LEVELS)', '3']],
    [
      'LEVELS(position)',
      'runtime-error',
      'Write LEVELS[position] instead of LEVELS(position) in line 23.',
      ['LEVELS[position]', 'LEVELS(position)'],
    ],
    [
      'position =+ 1',
      'no-effect',
      'Write position += 1 instead of position =+ 1 in line 20.',
      ['position += 1', 'position =+ 1'],
    ],
    ['position += 2', 'too-bright', 'Write 1 instead of 2 in line 20.', ['position += 1', 'position += 2']],
    [
      'position = 1 start',
      'not-dark',
      'Write 0 instead of 1 in line 12.',
      ['position = 0\nwas', 'position = 1\nwas'],
    ],
    [
      'is_down no not',
      'logic-inverted',
      'Put not before button.value in line 26.',
      ['is_down = not button.value', 'is_down = button.value'],
    ],
    [
      'was_down not',
      'logic-inverted',
      'Put not before was_down in line 27.',
      ['and not was_down', 'and was_down'],
    ],
    [
      'was_down not kept',
      'repeats-while-held',
      'Add was_down = is_down after line 29.',
      ['    was_down = is_down\n', ''],
    ],
    [
      'was_down inside',
      'not-dark',
      'Take 4 spaces away before line 29.',
      [
        '        next_level()\n    was_down = is_down\n',
        '        next_level()\n        was_down = is_down\n',
      ],
    ],
    [
      'was before',
      'too-dim',
      'Move line 27 behind line 30.',
      ['    is_down = not button.value\n', '    is_down = not button.value\n    was_down = is_down\n'],
      ['        next_level()\n    was_down = is_down\n', '        next_level()\n'],
    ],
    [
      'next_level no ()',
      'no-effect',
      'Write next_level() instead of next_level in line 28.',
      ['        next_level()\n', '        next_level\n'],
    ],
    [
      'led.value',
      'runtime-error',
      'Write duty_cycle instead of value in line 16.',
      ['led.duty_cycle = int', 'led.value = int'],
    ],
    [
      'DigitalInOut led',
      'runtime-error',
      'Write pwmio.PWMOut instead of DigitalInOut in line 9.',
      ['pwmio.PWMOut(board.D6, frequency=500, duty_cycle=0)', 'DigitalInOut(board.D6)'],
    ],
    ['D5', 'pin-disagrees', 'Write D6 instead of D5 in line 9.', ['board.D6', 'board.D5']],
    [
      'percent missing',
      'name-unknown',
      'Write percent between the parentheses of set_percent in line 15.',
      ['def set_percent(percent):', 'def set_percent():'],
    ],
    ['Pull down', 'pull-wrong-way', 'Write UP instead of DOWN in line 8.', ['Pull.UP', 'Pull.DOWN']],
    ['sleep 3', 'missed-input', 'Write 0.02 instead of 3 in line 30.', ['sleep(0.03)', 'sleep(3)']],
  ],
};
