import type { OwnSlips } from './own-slips';

export const pysos: OwnSlips = {
  said: {
    id: 'pysos',
    board: 'python-3v3',
    lines: ['red LED on D13', 'button on D2, pull-up'],
    program: `import time
import board
import digitalio

lamp = digitalio.DigitalInOut(board.D13)
lamp.direction = digitalio.Direction.OUTPUT
key = digitalio.DigitalInOut(board.D2)
key.pull = digitalio.Pull.UP

while True:
    if not key.value:
        for length in (0.2, 0.2, 0.2, 0.6, 0.6, 0.6):
            lamp.value = True
            time.sleep(length)
            lamp.value = False
            time.sleep(0.2)
    time.sleep(0.01)
`,
    scenarios: [
      { name: 'nothing', lasts: 2, done: [], seen: ['D1 is off'] },
      {
        name: 'sent',
        lasts: 7,
        done: ['press S1 at 1 s'],
        seen: [
          'D1 is off until 0.9 s',
          'D1 is on from 1.05 s to 1.15 s',
          'D1 is off from 1.25 s to 1.35 s',
          'D1 is on from 1.45 s to 1.55 s',
          'D1 is on from 1.85 s to 1.95 s',
          'D1 is on from 2.3 s to 2.7 s',
          'D1 is off from 2.85 s to 2.95 s',
          'D1 is on from 3.1 s to 3.5 s',
          'D1 is on from 3.9 s to 4.3 s',
          'D1 is off from 4.7 s',
        ],
      },
    ],
  },
  own: `import time
import board
from digitalio import DigitalInOut, Direction, Pull

lamp = DigitalInOut(board.D13)
lamp.direction = Direction.OUTPUT
key = DigitalInOut(board.D2)
key.direction = Direction.INPUT
key.pull = Pull.UP

UNIT = 0.2
CODES = {"S": "...", "O": "---"}

def flash(duration):
    lamp.value = True
    time.sleep(duration)
    lamp.value = False
    time.sleep(UNIT)

def send(text):
    for letter in text:
        for sign in CODES[letter]:
            if sign == ".":
                flash(UNIT)
            else:
                flash(3 * UNIT)

while True:
    if not key.value:
        send("SO")
    time.sleep(0.01)
`,
  slips: [
    ['"so"', 'runtime-error', 'Write "SO" instead of "so" in line 30.', ['"SO"', '"so"']],
    ['send(SO)', 'name-unknown', 'Write "SO" instead of SO in line 30.', ['send("SO")', 'send(SO)']],
    ['UNIT 2', 'not-lit', 'Write 0.2 instead of 2 in line 11.', ['UNIT = 0.2', 'UNIT = 2']],
    ['UNIT 200', 'not-dark', 'Write 0.2 instead of 200 in line 11.', ['UNIT = 0.2', 'UNIT = 200']],
    [
      'no second sleep',
      'not-lit',
      'Add time.sleep(0.21) after line 17.',
      ['    lamp.value = False\n    time.sleep(UNIT)\n', '    lamp.value = False\n'],
    ],
    ['no off', 'not-dark', 'Add lamp.value = False after line 16.', ['    lamp.value = False\n', '']],
    [
      'sleep(UNIT) for duration',
      'not-lit',
      'Write duration instead of UNIT in line 16.',
      ['time.sleep(duration)', 'time.sleep(UNIT)'],
    ],
    [
      'sign = "."',
      'assign-in-condition',
      'Write == instead of = in line 23.',
      ['if sign == "."', 'if sign = "."'],
    ],
    [
      'letter == "."',
      'not-dark',
      'Write sign instead of letter in line 23.',
      ['if sign == "."', 'if letter == "."'],
    ],
    ['2 * UNIT', 'not-lit', 'Write 3 instead of 2 in line 26.', ['3 * UNIT', '2 * UNIT']],
    ['3 + UNIT', 'not-dark', 'Write * instead of + in line 26.', ['3 * UNIT', '3 + UNIT']],
    [
      'CODES(letter)',
      'runtime-error',
      'Write CODES[letter] instead of CODES(letter) in line 22.',
      ['CODES[letter]', 'CODES(letter)'],
    ],
    [
      'CODES[text]',
      'runtime-error',
      'Write letter instead of text in line 22.',
      ['CODES[letter]', 'CODES[text]'],
    ],
    [
      'for sign in letter',
      'not-lit',
      'Write CODES[letter] instead of letter in line 22.',
      ['in CODES[letter]', 'in letter'],
    ],
    [
      'flash()',
      'runtime-error',
      'Write flash(UNIT) instead of flash() in line 24.',
      ['flash(UNIT)', 'flash()'],
    ],
    [
      'if key.value',
      'logic-inverted',
      'Put not before key.value in line 29.',
      ['if not key.value', 'if key.value'],
    ],
    [
      'else dedented',
      'not-lit',
      'Put 4 more spaces before lines 25 to 26.',
      [
        '            else:\n                flash(3 * UNIT)\n',
        '        else:\n            flash(3 * UNIT)\n',
      ],
    ],
    [
      'send outside',
      'not-lit',
      'Put 4 more spaces before line 31.',
      [
        '    if not key.value:\n        send("SO")\n',
        '    if not key.value:\n        pass\n    send("SO")\n',
      ],
    ],
    ['D12', 'pin-disagrees', 'Write D13 instead of D12 in line 5.', ['board.D13', 'board.D12']],
    [
      'lamp input',
      'direction-unset',
      'Write OUTPUT instead of INPUT in line 6.',
      ['lamp.direction = Direction.OUTPUT', 'lamp.direction = Direction.INPUT'],
    ],
    ['no pull', 'pullup-unset', 'Add key.pull = Pull.UP after line 8.', ['key.pull = Pull.UP\n', '']],
    [
      'return in for',
      'not-lit',
      'Take 4 spaces away before line 27.',
      ['                flash(3 * UNIT)\n', '                flash(3 * UNIT)\n        return\n'],
    ],
  ],
};
