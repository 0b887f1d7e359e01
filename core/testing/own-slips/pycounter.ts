import type { OwnSlips } from './own-slips';

export const pycounter: OwnSlips = {
  said: {
    id: 'pycounter',
    board: 'python-3v3',
    lines: [
      'button on D2, pull-up',
      'button on D3, pull-up',
      'green LED on D5',
      'yellow LED on D6',
      'red LED on D9',
    ],
    program: `import time
import board
import digitalio

more = digitalio.DigitalInOut(board.D2)
more.pull = digitalio.Pull.UP
less = digitalio.DigitalInOut(board.D3)
less.pull = digitalio.Pull.UP
leds = []
for pin in (board.D5, board.D6, board.D9):
    led = digitalio.DigitalInOut(pin)
    led.direction = digitalio.Direction.OUTPUT
    leds.append(led)
level = 0
before = [True, True]

while True:
    now = [more.value, less.value]
    if before[0] and not now[0] and level < 3:
        level += 1
    if before[1] and not now[1] and level > 0:
        level -= 1
    before = now
    for i in range(3):
        leds[i].value = i < level
    time.sleep(0.02)
`,
    scenarios: [
      { name: 'nothing', lasts: 2, done: [], seen: ['D1 is off', 'D2 is off', 'D3 is off'] },
      {
        name: 'up',
        lasts: 8,
        done: ['press S1 at 1 s', 'press S1 at 3 s', 'press S1 at 5 s'],
        seen: [
          'D1 is off until 0.9 s',
          'D1 is on from 1.2 s',
          'D2 is off until 2.9 s',
          'D2 is on from 3.2 s',
          'D3 is off until 4.9 s',
          'D3 is on from 5.2 s',
        ],
      },
      {
        name: 'up and down',
        lasts: 9,
        done: ['press S1 at 1 s', 'press S1 at 3 s', 'press S2 at 5 s', 'press S2 at 7 s'],
        seen: [
          'D2 is on from 3.2 s to 4.9 s',
          'D2 is off from 5.2 s',
          'D1 is on from 1.2 s to 6.9 s',
          'D1 is off from 7.2 s',
        ],
      },
      {
        name: 'below',
        lasts: 8,
        done: ['press S2 at 1 s', 'press S2 at 2.5 s', 'press S1 at 4 s'],
        seen: ['D1 is off until 3.9 s', 'D1 is on from 4.2 s', 'D2 is off'],
      },
    ],
  },
  own: `import time
import board
from digitalio import DigitalInOut, Direction, Pull

class Button:
    def __init__(self, pin):
        self.io = DigitalInOut(pin)
        self.io.direction = Direction.INPUT
        self.io.pull = Pull.UP
        self.last = True

    def was_pressed(self):
        now = self.io.value
        result = self.last and not now
        self.last = now
        return result

plus = Button(board.D2)
minus = Button(board.D3)

bar = [DigitalInOut(p) for p in (board.D5, board.D6, board.D9)]
for led in bar:
    led.direction = Direction.OUTPUT

level = 0

def show():
    for i, led in enumerate(bar):
        if i < level:
            led.value = True
        else:
            led.value = False

while True:
    if plus.was_pressed():
        level = min(level + 1, 3)
        show()
    if minus.was_pressed():
        level = max(level - 1, 0)
        show()
    time.sleep(0.02)
`,
  slips: [
    [
      'no self.last = now',
      'timing-off',
      'Add self.last = now after line 14.',
      ['        self.last = now\n', ''],
    ],
    [
      'last = now',
      'timing-off',
      'Write self.last instead of last in line 15.',
      ['        self.last = now\n', '        last = now\n'],
    ],
    [
      'no self',
      'name-unknown',
      'Write self first between the parentheses of was_pressed in line 12.',
      ['def was_pressed(self):', 'def was_pressed():'],
    ],
    [
      'io.value',
      'name-unknown',
      'Write self.io instead of io in line 13.',
      ['now = self.io.value', 'now = io.value'],
    ],
    [
      'self.io no .value',
      'not-lit',
      'Write self.io.value instead of self.io in line 13.',
      ['now = self.io.value', 'now = self.io'],
    ],
    [
      'no return result',
      'not-lit',
      'Add return result after line 15.',
      ['        self.last = now\n        return result\n', '        self.last = now\n'],
    ],
    ['return now', 'not-lit', 'Write result instead of now in line 16.', ['return result', 'return now']],
    [
      'last set before',
      'not-lit',
      'Move line 15 before line 14.',
      [
        '        result = self.last and not now\n        self.last = now\n',
        '        self.last = now\n        result = self.last and not now\n',
      ],
    ],
    [
      'not last and now',
      'logic-inverted',
      'Put not before self.io.value in line 13.',
      ['self.last and not now', 'not self.last and now'],
    ],
    [
      'or not now',
      'not-lit',
      'Write and instead of or in line 14.',
      ['self.last and not now', 'self.last or not now'],
    ],
    [
      'was_pressed no ()',
      'not-dark',
      'Write plus.was_pressed() instead of plus.was_pressed in line 35.',
      ['if plus.was_pressed():', 'if plus.was_pressed:'],
    ],
    [
      'max for min',
      'not-dark',
      'Write min instead of max in line 36.',
      ['min(level + 1, 3)', 'max(level + 1, 3)'],
    ],
    [
      'min for max',
      'not-lit',
      'Write max instead of min in line 39.',
      ['max(level - 1, 0)', 'min(level - 1, 0)'],
    ],
    ['min(.., 2)', 'not-lit', 'Write 3 instead of 2 in line 36.', ['min(level + 1, 3)', 'min(level + 1, 2)']],
    [
      'level = level',
      'not-lit',
      'Write level + 1 instead of level in line 36.',
      ['min(level + 1, 3)', 'min(level, 3)'],
    ],
    ['no show in plus', 'not-lit', 'Add show() after line 36.', ['3)\n        show()\n', '3)\n']],
    [
      'show no ()',
      'no-effect',
      'Write show() instead of show in line 37.',
      ['3)\n        show()\n', '3)\n        show\n'],
    ],
    ['i <= level', 'not-dark', 'Write < instead of <= in line 29.', ['if i < level:', 'if i <= level:']],
    ['i > level', 'logic-inverted', 'Write < instead of > in line 29.', ['if i < level:', 'if i > level:']],
    ['i == level', 'not-lit', 'Write < instead of == in line 29.', ['if i < level:', 'if i == level:']],
    [
      'no else',
      'not-dark',
      'Add else: with led.value = False after line 30.',
      [
        '            led.value = True\n        else:\n            led.value = False\n',
        '            led.value = True\n',
      ],
    ],
    [
      'minus plus same pin',
      'runtime-error',
      'Write D3 instead of D2 in line 19.',
      ['Button(board.D3)', 'Button(board.D2)'],
    ],
    [
      'bar order',
      'pin-disagrees',
      'Exchange D6 and D5 in line 21.',
      ['(board.D5, board.D6, board.D9)', '(board.D6, board.D5, board.D9)'],
    ],
    [
      'bar two',
      'not-lit',
      'Add board.D9 at the end of the list in line 21.',
      ['(board.D5, board.D6, board.D9)', '(board.D5, board.D6)'],
    ],
    ['level -= in plus', 'not-lit', 'Write + instead of - in line 36.', ['level + 1', 'level - 1']],
    ['init misspelt', 'runtime-error', 'Write __init__ instead of _init_ in line 6.', ['__init__', '_init_']],
    [
      'level in show = 0',
      'not-lit',
      'Write pass instead of level = 0 in line 28, or remove the line.',
      ['def show():\n', 'def show():\n    level = 0\n'],
    ],
    [
      'enumerate left out',
      'runtime-error',
      'Write enumerate(bar) instead of bar in line 28.',
      ['for i, led in enumerate(bar)', 'for i, led in bar'],
    ],
    [
      'level = 3 at first',
      'not-dark',
      'Write 0 instead of 3 in line 25.',
      ['level = 0\n\ndef', 'level = 3\n\ndef'],
    ],
    [
      'Pull missing',
      'pullup-unset',
      'Add self.io.pull = Pull.UP after line 8.',
      ['        self.io.pull = Pull.UP\n', ''],
    ],
    [
      'led.value swapped',
      'not-lit',
      'Exchange False and True in lines 30 and 32.',
      [
        '            led.value = True\n        else:\n            led.value = False\n',
        '            led.value = False\n        else:\n            led.value = True\n',
      ],
    ],
  ],
};
