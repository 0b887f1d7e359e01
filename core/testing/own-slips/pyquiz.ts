import type { OwnSlips } from './own-slips';

export const pyquiz: OwnSlips = {
  said: {
    id: 'pyquiz',
    board: 'python-3v3',
    lines: ['button on D2, pull-up', 'button on D3, pull-up', 'red LED on D9', 'blue LED on D10'],
    program: `import time
import board
import digitalio

left = digitalio.DigitalInOut(board.D2)
left.pull = digitalio.Pull.UP
right = digitalio.DigitalInOut(board.D3)
right.pull = digitalio.Pull.UP
red = digitalio.DigitalInOut(board.D9)
red.direction = digitalio.Direction.OUTPUT
blue = digitalio.DigitalInOut(board.D10)
blue.direction = digitalio.Direction.OUTPUT

while True:
    if not left.value:
        red.value = True
        time.sleep(2)
        red.value = False
    elif not right.value:
        blue.value = True
        time.sleep(2)
        blue.value = False
`,
    scenarios: [
      {
        name: 'left first',
        lasts: 5,
        done: ['press S1 at 1 s', 'press S2 at 1.5 s'],
        seen: ['D1 is on from 1.1 s to 2.9 s', 'D2 is off', 'D1 is off from 3.2 s'],
      },
      {
        name: 'right',
        lasts: 5,
        done: ['press S2 at 1 s'],
        seen: ['D2 is on from 1.1 s to 2.9 s', 'D1 is off', 'D2 is off from 3.2 s'],
      },
    ],
  },
  own: `import time
import board
from digitalio import DigitalInOut, Direction, Pull

HOLD = 2

def make_button(pin):
    b = DigitalInOut(pin)
    b.direction = Direction.INPUT
    b.pull = Pull.UP
    return b

def make_light(pin):
    l = DigitalInOut(pin)
    l.direction = Direction.OUTPUT
    return l

buttons = [make_button(board.D2), make_button(board.D3)]
lights = [make_light(board.D9), make_light(board.D10)]

def flash(light):
    light.value = True
    time.sleep(HOLD)
    light.value = False

while True:
    for button, light in zip(buttons, lights):
        if not button.value:
            flash(light)
            break
    time.sleep(0.01)
`,
  slips: [
    [
      'zip swapped',
      'runtime-error',
      'Exchange lights and buttons in line 27.',
      ['zip(buttons, lights)', 'zip(lights, buttons)'],
    ],
    [
      'for order',
      'runtime-error',
      'Exchange buttons and lights in line 27.',
      ['for button, light in', 'for light, button in'],
    ],
    [
      'flash button',
      'runtime-error',
      'Write light instead of button in line 29.',
      ['flash(light)\n            break', 'flash(button)\n            break'],
    ],
    [
      'flash lights',
      'runtime-error',
      'Write light instead of lights in line 29.',
      ['flash(light)\n            break', 'flash(lights)\n            break'],
    ],
    [
      'flash lights[0]',
      'not-lit',
      'Write light instead of lights[0] in line 29.',
      ['flash(light)\n            break', 'flash(lights[0])\n            break'],
    ],
    ['no False', 'not-dark', 'Add light.value = False after line 23.', ['    light.value = False\n', '']],
    [
      'False first',
      'not-lit',
      'Exchange False and True in lines 22 and 24.',
      [
        '    light.value = True\n    time.sleep(HOLD)\n    light.value = False',
        '    light.value = False\n    time.sleep(HOLD)\n    light.value = True',
      ],
    ],
    [
      'if button.value',
      'logic-inverted',
      'Put not before button.value in line 28.',
      ['if not button.value', 'if button.value'],
    ],
    ['HOLD 0.2', 'timing-off', 'Write 2 instead of 0.2 in line 5.', ['HOLD = 2', 'HOLD = 0.2']],
    ['HOLD 2000', 'not-dark', 'Write 2 instead of 2000 in line 5.', ['HOLD = 2', 'HOLD = 2000']],
    [
      'no return',
      'runtime-error',
      'Add return b after line 10.',
      ['    b.pull = Pull.UP\n    return b\n', '    b.pull = Pull.UP\n'],
    ],
    [
      'return early',
      'not-lit',
      'Move line 10 behind line 11.',
      ['    b.pull = Pull.UP\n    return b\n', '    return b\n    b.pull = Pull.UP\n'],
    ],
    [
      'make_light for button',
      'not-lit',
      'Write make_button instead of make_light in line 18.',
      ['make_button(board.D3)', 'make_light(board.D3)'],
    ],
    [
      'make_button for light',
      'runtime-error',
      'Write make_light instead of make_button in line 19.',
      ['make_light(board.D10)', 'make_button(board.D10)'],
    ],
    [
      'same pin',
      'runtime-error',
      'Write D10 instead of D9 in line 19.',
      ['make_light(board.D10)', 'make_light(board.D9)'],
    ],
    [
      'global name',
      'runtime-error',
      'Write light instead of lights in line 22.',
      ['    light.value = True\n', '    lights.value = True\n'],
    ],
    [
      'indent sleep',
      'runtime-error',
      'Put 4 more spaces before line 24.',
      ['    time.sleep(HOLD)\n    light.value = False', '    time.sleep(HOLD)\nlight.value = False'],
    ],
    [
      'flash parens',
      'no-effect',
      'Write flash(light) instead of flash in line 29.',
      ['            flash(light)', '            flash'],
    ],
    [
      'missing comma',
      'syntax-other',
      'Write a comma after “)” in line 18.',
      ['make_button(board.D2), make', 'make_button(board.D2) make'],
    ],
    [
      'light.value()',
      'runtime-error',
      'Write value = with what stands in the parentheses in line 22.',
      ['    light.value = True', '    light.value(True)'],
    ],
    [
      'is pressed',
      'name-unknown',
      'Write not button.value instead of button.pressed in line 28.',
      ['not button.value', 'button.pressed'],
    ],
    ['Pull.up', 'name-case', 'Write UP instead of up in line 10.', ['Pull.UP', 'Pull.up']],
    ['while true', 'name-case', 'Write True instead of true in line 26.', ['while True', 'while true']],
    ['D2 quotes', 'runtime-error', 'Write board.D2 instead of "D2" in line 18.', ['board.D2', '"D2"']],
  ],
};
