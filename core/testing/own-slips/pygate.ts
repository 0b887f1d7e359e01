import type { OwnSlips } from './own-slips';

export const pygate: OwnSlips = {
  said: {
    id: 'pygate',
    board: 'python-3v3',
    lines: ['button on D2, pull-up', 'servo on D5', 'red LED on D9', 'green LED on D10'],
    program: `import time
import board
import digitalio
import pwmio

button = digitalio.DigitalInOut(board.D2)
button.pull = digitalio.Pull.UP
red = digitalio.DigitalInOut(board.D9)
red.direction = digitalio.Direction.OUTPUT
green = digitalio.DigitalInOut(board.D10)
green.direction = digitalio.Direction.OUTPUT
gate = pwmio.PWMOut(board.D5, frequency=50)

while True:
    if not button.value:
        red.value = False
        green.value = True
        gate.duty_cycle = 4823
        time.sleep(2)
    red.value = True
    green.value = False
    gate.duty_cycle = 1782
    time.sleep(0.05)
`,
    scenarios: [
      {
        name: 'closed',
        lasts: 2,
        done: [],
        seen: ['D1 is on from 0.2 s', 'D2 is off', 'M1 stands at 0 from 0.5 s'],
      },
      {
        name: 'opened',
        lasts: 6,
        done: ['press S1 at 1 s'],
        seen: [
          'D2 is on from 1.3 s to 2.9 s',
          'D1 is off from 1.3 s to 2.9 s',
          'M1 stands at 90 from 1.6 s to 2.9 s',
          'M1 stands at 0 from 4 s',
          'D1 is on from 3.4 s',
        ],
      },
    ],
  },
  own: `import time
import board
import pwmio
from digitalio import DigitalInOut, Direction, Pull

OPEN = 4823
CLOSED = 1782

button = DigitalInOut(board.D2)
button.direction = Direction.INPUT
button.pull = Pull.UP

red = DigitalInOut(board.D9)
red.direction = Direction.OUTPUT
green = DigitalInOut(board.D10)
green.direction = Direction.OUTPUT

pwm = pwmio.PWMOut(board.D5, frequency=50)

def set_gate(is_open):
    if is_open:
        pwm.duty_cycle = OPEN
    else:
        pwm.duty_cycle = CLOSED
    green.value = is_open
    red.value = not is_open

set_gate(False)
opened_at = None

while True:
    now = time.monotonic()
    if not button.value and opened_at is None:
        set_gate(True)
        opened_at = now
    if opened_at is not None and now - opened_at > 2:
        set_gate(False)
        opened_at = None
    time.sleep(0.02)
`,
  slips: [
    [
      'not',
      'logic-inverted',
      'Put not before button.value in line 33.',
      ['if not button.value', 'if button.value'],
    ],
    [
      'red = is_open',
      'logic-inverted',
      'Put not before is_open in line 26.',
      ['red.value = not is_open', 'red.value = is_open'],
    ],
    [
      'green not',
      'not-lit',
      'Remove the not before is_open in line 25.',
      ['green.value = is_open', 'green.value = not is_open'],
    ],
    [
      'no value',
      'not-lit',
      'Write green.value instead of green in line 25.',
      ['green.value = is_open', 'green = is_open'],
    ],
    [
      'angles',
      'logic-inverted',
      'Put not before is_open in line 21.',
      ['OPEN = 4823', 'OPEN = 1782'],
      ['CLOSED = 1782', 'CLOSED = 4823'],
    ],
    ['angle 900', 'angle-off', 'Write 4823 instead of 48230 in line 6.', ['OPEN = 4823', 'OPEN = 48230']],
    ['frequency', 'angle-off', 'Write 50 instead of 500 in line 18.', ['frequency=50', 'frequency=500']],
    [
      'no frequency',
      'angle-off',
      'Add frequency=50 between the parentheses in line 18.',
      [', frequency=50', ''],
    ],
    ['2000', 'not-lit', 'Write 2 instead of 2000 in line 36.', ['> 2:', '> 2000:']],
    [
      '<',
      'logic-inverted',
      'Write > instead of < in line 36.',
      ['now - opened_at > 2', 'now - opened_at < 2'],
    ],
    [
      'order',
      'not-lit',
      'Write now - opened_at instead of opened_at - now in line 36.',
      ['now - opened_at > 2', 'opened_at - now > 2'],
    ],
    [
      'never set',
      'not-lit',
      'Add opened_at = time.monotonic() after line 33.',
      ['        opened_at = now\n', ''],
    ],
    [
      'opened_at = 0',
      'timing-off',
      'Write time.monotonic() instead of 0 in line 35.',
      ['        opened_at = now\n', '        opened_at = 0\n'],
    ],
    [
      'call',
      'no-effect',
      'Write set_gate(True) instead of set_gate in line 34.',
      ['        set_gate(True)', '        set_gate'],
    ],
    [
      'True for False',
      'not-lit',
      'Write False instead of True in line 37.',
      ['        set_gate(False)', '        set_gate(True)'],
    ],
    ['start', 'not-lit', 'Add set_gate(False) after line 28.', ['set_gate(False)\nopened_at', 'opened_at']],
    ['D3', 'pin-disagrees', 'Write D2 instead of D3 in line 9.', ['board.D2', 'board.D3']],
    [
      'exchange pins',
      'pin-disagrees',
      'Exchange D10 in line 13 and D9 in line 15.',
      ['board.D9', 'board.D10'],
      ['green = DigitalInOut(board.D10)', 'green = DigitalInOut(board.D9)'],
    ],
    ['pull down', 'pull-wrong-way', 'Write UP instead of DOWN in line 11.', ['Pull.UP', 'Pull.DOWN']],
    ['no pull', 'pullup-unset', 'Add button.pull = Pull.UP after line 10.', ['button.pull = Pull.UP\n', '']],
    [
      'now once',
      'not-lit',
      'Add now = time.monotonic() after line 32.',
      ['    now = time.monotonic()\n', ''],
      ['opened_at = None\n\nwhile', 'opened_at = None\nnow = time.monotonic()\n\nwhile'],
    ],
    [
      'else indent',
      'angle-off',
      'Put else before line 23.',
      ['    else:\n        pwm.duty_cycle = CLOSED\n', '        pwm.duty_cycle = CLOSED\n'],
    ],
    [
      'green in else',
      'not-lit',
      'Take 4 spaces away before line 25.',
      ['        pwm.duty_cycle = CLOSED\n    green', '        pwm.duty_cycle = CLOSED\n        green'],
    ],
    [
      'is_open()',
      'runtime-error',
      'Remove the parentheses behind is_open in line 21.',
      ['if is_open:', 'if is_open():'],
    ],
    [
      'and or',
      'not-lit',
      'Write and instead of or in line 33.',
      ['and opened_at is None', 'or opened_at is None'],
    ],
    [
      'typo monotonic',
      'name-unknown',
      'Write monotonic instead of monotnic in line 32.',
      ['time.monotonic()', 'time.monotnic()'],
    ],
    ['sleep 2', 'missed-input', 'Write 0.05 instead of 2 in line 39.', ['time.sleep(0.02)', 'time.sleep(2)']],
    [
      'def colon',
      'colon-missing',
      'Add : behind “)” in line 20.',
      ['def set_gate(is_open):', 'def set_gate(is_open)'],
    ],
    [
      'set gate param',
      'name-unknown',
      'Write is_open between the parentheses of set_gate in line 20.',
      ['def set_gate(is_open):', 'def set_gate():'],
    ],
  ],
};
