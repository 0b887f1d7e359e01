import type { OwnSlips } from './own-slips';

export const pysteps: OwnSlips = {
  said: {
    id: 'pysteps',
    board: 'python-3v3',
    lines: ['green LED on D5', 'yellow LED on D6', 'red LED on D9', 'potentiometer on A0'],
    program: `import time
import board
import digitalio
import analogio

green = digitalio.DigitalInOut(board.D5)
green.direction = digitalio.Direction.OUTPUT
yellow = digitalio.DigitalInOut(board.D6)
yellow.direction = digitalio.Direction.OUTPUT
red = digitalio.DigitalInOut(board.D9)
red.direction = digitalio.Direction.OUTPUT
knob = analogio.AnalogIn(board.A0)

while True:
    share = knob.value / 65535 * 100
    green.value = share < 33
    yellow.value = 33 <= share < 66
    red.value = share >= 66
    time.sleep(0.05)
`,
    scenarios: [
      {
        name: 'low',
        lasts: 2,
        done: ['P1 is at 10 %'],
        seen: ['D1 is on from 0.3 s', 'D2 is off', 'D3 is off'],
      },
      {
        name: 'turned',
        lasts: 4,
        done: ['P1 is at 50 %', 'turn P1 to 90 % at 2 s'],
        seen: [
          'D2 is on from 0.3 s to 1.9 s',
          'D3 is on from 2.4 s',
          'D2 is off from 2.4 s',
          'D1 is off from 0.3 s',
        ],
      },
    ],
  },
  own: `import time
import board
from digitalio import DigitalInOut, Direction
from analogio import AnalogIn

LOW_LIMIT = 22000
HIGH_LIMIT = 43000

def make_led(pin):
    led = DigitalInOut(pin)
    led.direction = Direction.OUTPUT
    return led

leds = [make_led(board.D5), make_led(board.D6), make_led(board.D9)]
pot = AnalogIn(board.A0)

def zone(reading):
    if reading < LOW_LIMIT:
        return 0
    elif reading < HIGH_LIMIT:
        return 1
    return 2

while True:
    active = zone(pot.value)
    for index in range(len(leds)):
        leds[index].value = index == active
    time.sleep(0.1)
`,
  slips: [
    [
      'pot not .value',
      'runtime-error',
      'Write pot.value instead of pot in line 25.',
      ['zone(pot.value)', 'zone(pot)'],
    ],
    ['no return led', 'runtime-error', 'Add return led after line 11.', ['    return led\n', '']],
    ['no return 2', 'not-lit', 'Add return 2 after line 21.', ['    return 2\n', '']],
    [
      'limits exchanged',
      'not-lit',
      'Exchange 43000 in line 6 and 22000 in line 7.',
      ['LOW_LIMIT = 22000', 'LOW_LIMIT = 43000'],
      ['HIGH_LIMIT = 43000', 'HIGH_LIMIT = 22000'],
    ],
    [
      'range(len-1)',
      'not-lit',
      'Write 0 instead of 1 in line 26.',
      ['range(len(leds))', 'range(len(leds) - 1)'],
    ],
    ['range(1,', 'not-lit', 'Write 0 instead of 1 in line 26.', ['range(len(leds))', 'range(1, len(leds))']],
    [
      'range(leds)',
      'runtime-error',
      'Write len(leds) instead of leds in line 26.',
      ['range(len(leds))', 'range(leds)'],
    ],
    [
      'in leds',
      'runtime-error',
      'Write range(len(leds)) instead of leds in line 26.',
      ['in range(len(leds))', 'in leds'],
    ],
    ['= for ==', 'not-lit', 'Write == instead of = in line 27.', ['index == active', 'index = active']],
    ['!=', 'logic-inverted', 'Write == instead of != in line 27.', ['index == active', 'index != active']],
    [
      'no .value',
      'not-lit',
      'Write leds[index].value instead of leds[index] in line 27.',
      ['leds[index].value =', 'leds[index] ='],
    ],
    [
      'active index',
      'not-lit',
      'Write index instead of active in line 27.',
      ['leds[index].value', 'leds[active].value'],
    ],
    [
      'zone once',
      'missed-input',
      'Move line 24 into the loop, behind line 26.',
      ['    active = zone(pot.value)\n', ''],
      ['while True:', 'active = zone(pot.value)\n\nwhile True:'],
    ],
    ['D10', 'pin-disagrees', 'Write D9 instead of D10 in line 14.', ['board.D9', 'board.D10']],
    ['A1', 'pin-disagrees', 'Write A0 instead of A1 in line 15.', ['board.A0', 'board.A1']],
    [
      'order',
      'pin-disagrees',
      'Exchange D6 and D5 in line 14.',
      ['make_led(board.D5), make_led(board.D6)', 'make_led(board.D6), make_led(board.D5)'],
    ],
    [
      'global name',
      'name-unknown',
      'Add reading = pot.value after line 24.',
      ['zone(pot.value)', 'zone(reading)'],
    ],
    ['sleep ms', 'timing-off', 'Write 0.1 instead of 100 in line 28.', ['sleep(0.1)', 'sleep(100)']],
    ['no import time', 'name-unknown', 'Write import time at the top of the program.', ['import time\n', '']],
    [
      'no Direction import',
      'name-unknown',
      'Add Direction to what is imported in line 3.',
      ['DigitalInOut, Direction', 'DigitalInOut'],
    ],
    [
      'INPUT',
      'direction-unset',
      'Write OUTPUT instead of INPUT in line 11.',
      ['Direction.OUTPUT', 'Direction.INPUT'],
    ],
    [
      'no direction',
      'direction-unset',
      'Add led.switch_to_output() after line 10.',
      ['    led.direction = Direction.OUTPUT\n', ''],
    ],
    [
      '< > ',
      'logic-inverted',
      'Write < instead of > in line 18.',
      ['reading < LOW_LIMIT', 'reading > LOW_LIMIT'],
    ],
    [
      'digital',
      'not-lit',
      'Write AnalogIn instead of DigitalInOut in line 15.',
      ['pot = AnalogIn(board.A0)', 'pot = DigitalInOut(board.A0)'],
    ],
    [
      'while once',
      'not-lit',
      'Write while True: above line 24, and begin lines 24 to 28 with 4 spaces more.',
      ['while True:', 'if True:'],
    ],
    [
      'no colon',
      'colon-missing',
      'Add : behind “)” in line 17.',
      ['def zone(reading):', 'def zone(reading)'],
    ],
    ['reading str', 'not-lit', "Write 0 instead of '0' in line 19.", ['return 0', "return '0'"]],
    [
      'print not return',
      'not-lit',
      'Write return 1 instead of what line 21 prints.',
      ['        return 1', '        print(1)'],
    ],
  ],
};
