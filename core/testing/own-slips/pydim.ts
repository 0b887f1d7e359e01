import type { OwnSlips } from './own-slips';

export const pydim: OwnSlips = {
  said: {
    id: 'pydim',
    board: 'python-3v3',
    lines: ['potentiometer on A1', 'white LED on D6', 'red LED on D9'],
    program: `import time
import board
import analogio
import digitalio
import pwmio

knob = analogio.AnalogIn(board.A1)
lamp = pwmio.PWMOut(board.D6)
warning = digitalio.DigitalInOut(board.D9)
warning.direction = digitalio.Direction.OUTPUT

while True:
    lamp.duty_cycle = knob.value
    warning.value = knob.value > 58000
    time.sleep(0.02)
`,
    scenarios: [
      {
        name: 'half',
        lasts: 2,
        done: ['P1 is at 50 %'],
        seen: ['D1 is between 25 and 45 % bright from 0.3 s', 'D2 is off'],
      },
      {
        name: 'up',
        lasts: 4,
        done: ['P1 is at 20 %', 'turn P1 to 95 % at 1.5 s'],
        seen: ['D1 follows P1', 'D2 is off until 1.4 s', 'D2 is on from 2 s'],
      },
    ],
  },
  own: `import time
import board
import pwmio
from analogio import AnalogIn
from digitalio import DigitalInOut, Direction

MAX = 65535
ALERT = 90

pot = AnalogIn(board.A1)
light = pwmio.PWMOut(board.D6, frequency=1000)
alert = DigitalInOut(board.D9)
alert.direction = Direction.OUTPUT

def percent(raw):
    return raw * 100 / MAX

def set_light(level):
    light.duty_cycle = int(level * MAX / 100)

while True:
    level = percent(pot.value)
    set_light(level)
    if level > ALERT:
        alert.value = True
    else:
        alert.value = False
    time.sleep(0.05)
`,
  slips: [
    [
      'no int',
      'runtime-error',
      'Write int(level * MAX / 100) instead of level * MAX / 100 in line 19.',
      ['int(level * MAX / 100)', 'level * MAX / 100'],
    ],
    [
      'set_light(pot.value)',
      'runtime-error',
      'Write level instead of pot.value in line 23.',
      ['set_light(level)\n    if', 'set_light(pot.value)\n    if'],
    ],
    [
      'level raw',
      'runtime-error',
      'Write percent(pot.value) instead of pot.value in line 22.',
      ['level = percent(pot.value)', 'level = pot.value'],
    ],
    [
      'no return',
      'runtime-error',
      'Write return at the beginning of line 16.',
      ['return raw * 100 / MAX', 'raw * 100 / MAX'],
    ],
    [
      'print',
      'runtime-error',
      'Write return raw * 100 / MAX instead of what line 16 prints.',
      ['return raw * 100 / MAX', 'print(raw * 100 / MAX)'],
    ],
    [
      'alert = True',
      'no-effect',
      'Write alert.value = True instead of alert = True in line 25.',
      ['alert.value = True', 'alert = True'],
    ],
    [
      'light.value',
      'runtime-error',
      'Write duty_cycle instead of value in line 19.',
      ['light.duty_cycle =', 'light.value ='],
    ],
    [
      'duty typo',
      'name-unknown',
      'Write duty_cycle instead of duty_cycles in line 19.',
      ['light.duty_cycle', 'light.duty_cycles'],
    ],
    [
      'no param',
      'runtime-error',
      'Write level between the parentheses of set_light in line 18.',
      ['def set_light(level):', 'def set_light():'],
    ],
    [
      'called without',
      'runtime-error',
      'Write set_light(level) instead of set_light() in line 23.',
      ['    set_light(level)\n    if', '    set_light()\n    if'],
    ],
    [
      'percent once',
      'missed-input',
      'Move line 21 into the loop, behind line 23.',
      ['    level = percent(pot.value)\n', ''],
      ['while True:', 'level = percent(pot.value)\n\nwhile True:'],
    ],
    ['D5', 'pin-disagrees', 'Write D6 instead of D5 in line 11.', ['board.D6', 'board.D5']],
    [
      'PWM as digital',
      'runtime-error',
      'Write pwmio.PWMOut instead of DigitalInOut in line 11.',
      ['light = pwmio.PWMOut(board.D6, frequency=1000)', 'light = DigitalInOut(board.D6)'],
    ],
    ['< ', 'logic-inverted', 'Write > instead of < in line 24.', ['level > ALERT', 'level < ALERT']],
    [
      'if indent',
      'indentation',
      'Put 8 spaces before line 25.',
      ['    if level > ALERT:\n        alert.value = True', '    if level > ALERT:\n    alert.value = True'],
    ],
    [
      'missing import',
      'name-unknown',
      'Write import pwmio at the top of the program.',
      ['import pwmio\n', ''],
    ],
    [
      'OUTPUT typo',
      'name-unknown',
      'Write OUTPUT instead of OUT in line 13.',
      ['Direction.OUTPUT', 'Direction.OUT'],
    ],
  ],
};
