import type { OwnSlips } from './own-slips';

export const slipsInPython: readonly OwnSlips[] = [
  {
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
      [
        'range(1,',
        'not-lit',
        'Write 0 instead of 1 in line 26.',
        ['range(len(leds))', 'range(1, len(leds))'],
      ],
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
      [
        'no import time',
        'name-unknown',
        'Write import time at the top of the program.',
        ['import time\n', ''],
      ],
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
  },
  {
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
      [
        'no pull',
        'pullup-unset',
        'Add button.pull = Pull.UP after line 10.',
        ['button.pull = Pull.UP\n', ''],
      ],
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
      [
        'sleep 2',
        'missed-input',
        'Write 0.05 instead of 2 in line 39.',
        ['time.sleep(0.02)', 'time.sleep(2)'],
      ],
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
  },
  {
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
  },
  {
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
        [
          '    if level > ALERT:\n        alert.value = True',
          '    if level > ALERT:\n    alert.value = True',
        ],
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
  },
];
