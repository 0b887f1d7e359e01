import type { OwnSlips } from './own-slips';

export const pycross: OwnSlips = {
  said: {
    id: 'pycross',
    board: 'python-3v3',
    lines: ['button on D4, pull-up', 'button on D5, pull-up', 'red LED on D9', 'red LED on D10'],
    program: `import time
import board
import digitalio

come = digitalio.DigitalInOut(board.D4)
come.pull = digitalio.Pull.UP
gone = digitalio.DigitalInOut(board.D5)
gone.pull = digitalio.Pull.UP
left = digitalio.DigitalInOut(board.D9)
left.direction = digitalio.Direction.OUTPUT
right = digitalio.DigitalInOut(board.D10)
right.direction = digitalio.Direction.OUTPUT
train = False
start = 0

while True:
    if not come.value and not train:
        train = True
        start = time.monotonic()
    if not gone.value:
        train = False
    if train:
        phase = int((time.monotonic() - start) / 0.3) % 2
        left.value = phase == 0
        right.value = phase == 1
    else:
        left.value = False
        right.value = False
    time.sleep(0.01)
`,
    scenarios: [
      { name: 'nothing', lasts: 2, done: [], seen: ['D1 is off', 'D2 is off'] },
      {
        name: 'train',
        lasts: 8,
        done: ['press S1 at 1 s', 'press S2 at 5 s'],
        seen: [
          'D1 is off until 0.9 s',
          'D1 and D2 never together',
          'D1 is on from 1.1 s to 1.25 s',
          'D2 is on from 1.4 s to 1.55 s',
          'D1 is on from 1.7 s to 1.85 s',
          'D1 is off from 5.2 s',
          'D2 is off from 5.2 s',
        ],
      },
      {
        name: 'two trains',
        lasts: 9,
        done: ['press S1 at 1 s', 'press S2 at 3 s', 'press S1 at 5 s'],
        seen: [
          'D1 is off from 3.2 s to 4.9 s',
          'D1 is on from 5.1 s to 5.25 s',
          'D2 is on from 5.4 s to 5.55 s',
        ],
      },
    ],
  },
  own: `import time
import board
from digitalio import DigitalInOut, Direction, Pull

def button(pin):
    b = DigitalInOut(pin)
    b.direction = Direction.INPUT
    b.pull = Pull.UP
    return b

def lamp(pin):
    l = DigitalInOut(pin)
    l.direction = Direction.OUTPUT
    return l

arrive = button(board.D4)
leave = button(board.D5)
lamps = [lamp(board.D9), lamp(board.D10)]

BLINK = 0.3
closed = False
which = 0
last_change = 0

def show(number):
    for i in range(2):
        lamps[i].value = (i == number)

def all_off():
    for l in lamps:
        l.value = False

while True:
    now = time.monotonic()
    if arrive.value == False and not closed:
        closed = True
        which = 0
        last_change = now
        show(which)
    if leave.value == False:
        closed = False
        all_off()
    if closed and now - last_change >= BLINK:
        which = 1 - which
        last_change = now
        show(which)
    time.sleep(0.01)
`,
  slips: [
    [
      'no return b',
      'runtime-error',
      'Add return b after line 8.',
      ['    b.pull = Pull.UP\n    return b\n', '    b.pull = Pull.UP\n'],
    ],
    [
      'return inside for',
      'not-dark',
      'Remove return from line 32.',
      ['        l.value = False\n', '        l.value = False\n        return\n'],
    ],
    ['range(1)', 'not-lit', 'Write 2 instead of 1 in line 26.', ['range(2)', 'range(1)']],
    [
      'i = number',
      'assign-in-condition',
      'Write == instead of = in line 27.',
      ['(i == number)', '(i = number)'],
    ],
    [
      'which = which - 1',
      'not-lit',
      'Write which = 1 - which instead of which = which - 1 in line 44.',
      ['which = 1 - which', 'which = which - 1'],
    ],
    [
      'which = which + 1',
      'not-lit',
      'Write which = 1 - which instead of which = which + 1 in line 44.',
      ['which = 1 - which', 'which = which + 1'],
    ],
    [
      'which = 1',
      'not-lit',
      'Write which = 1 - which instead of which = 1 in line 44.',
      ['which = 1 - which', 'which = 1'],
    ],
    [
      'last_change not set',
      'order-wrong',
      'Add last_change = now after line 43.',
      ['        which = 1 - which\n        last_change = now\n', '        which = 1 - which\n'],
    ],
    [
      'now once',
      'not-lit',
      'Add now = time.monotonic() after line 35.',
      ['while True:\n    now = time.monotonic()\n', 'now = time.monotonic()\n\nwhile True:\n'],
    ],
    [
      '<=',
      'logic-inverted',
      'Write >= instead of <= in line 43.',
      ['last_change >= BLINK', 'last_change <= BLINK'],
    ],
    [
      'last - now',
      'not-lit',
      'Write now - last_change instead of last_change - now in line 43.',
      ['now - last_change >=', 'last_change - now >='],
    ],
    ['BLINK 300', 'not-lit', 'Write 0.3 instead of 300 in line 20.', ['BLINK = 0.3', 'BLINK = 300']],
    [
      'all_off without ()',
      'no-effect',
      'Write all_off() instead of all_off in line 42.',
      ['        all_off()\n', '        all_off\n'],
    ],
    [
      'show() no arg',
      'runtime-error',
      'Write show(which) instead of show() in line 46.',
      [
        '        last_change = now\n        show(which)\n    time',
        '        last_change = now\n        show()\n    time',
      ],
    ],
    [
      'closed True in leave',
      'not-lit',
      'Write False instead of True in line 41.',
      ['        closed = False\n', '        closed = True\n'],
    ],
    [
      'closed not reset',
      'not-lit',
      'Add closed = False after line 40.',
      ['        closed = False\n        all_off()', '        all_off()'],
    ],
    [
      'no all_off',
      'no-effect',
      'Add all_off() after line 41.',
      ['        closed = False\n        all_off()\n', '        closed = False\n'],
    ],
    [
      'all_off outside if',
      'not-lit',
      'Put 4 more spaces before line 42.',
      ['        closed = False\n        all_off()\n', '        closed = False\n    all_off()\n'],
    ],
    [
      'or closed',
      'not-lit',
      'Write and instead of or in line 35.',
      ['arrive.value == False and not closed', 'arrive.value == False or not closed'],
    ],
    [
      'leave D6',
      'pin-disagrees',
      'Write D5 instead of D6 in line 17.',
      ['button(board.D5)', 'button(board.D6)'],
    ],
    [
      'arrive leave exchanged',
      'pin-disagrees',
      'Exchange D5 in line 16 and D4 in line 17.',
      ['button(board.D4)', 'button(board.D0)'],
      ['button(board.D5)', 'button(board.D4)'],
      ['button(board.D0)', 'button(board.D5)'],
    ],
    ['lamps(i)', 'runtime-error', 'Write lamps[i] instead of lamps(i) in line 27.', ['lamps[i]', 'lamps(i)']],
    [
      'lamps[number]',
      'not-lit',
      'Write i instead of number in line 27.',
      ['lamps[i].value', 'lamps[number].value'],
    ],
    [
      'arrive == False',
      'not-lit',
      'Write arrive.value instead of arrive in line 35.',
      ['if arrive.value == False', 'if arrive == False'],
    ],
    ['pull missing', 'pullup-unset', 'Add b.pull = Pull.UP after line 7.', ['    b.pull = Pull.UP\n', '']],
    [
      'Pull.DOWN',
      'pull-wrong-way',
      'Write UP instead of DOWN in line 8.',
      ['b.pull = Pull.UP', 'b.pull = Pull.DOWN'],
    ],
    [
      'sleep(10)',
      'timing-off',
      'Write 0.01 instead of 10 in line 47.',
      ['time.sleep(0.01)', 'time.sleep(10)'],
    ],
    [
      'first show forgotten',
      'not-lit',
      'Add show(which) after line 38.',
      [
        '        last_change = now\n        show(which)\n    if leave',
        '        last_change = now\n    if leave',
      ],
    ],
  ],
};
