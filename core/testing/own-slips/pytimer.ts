import type { OwnSlips } from './own-slips';

export const pytimer: OwnSlips = {
  said: {
    id: 'pytimer',
    board: 'python-3v3',
    lines: ['button on D4, pull-up', 'green LED on D9', 'active buzzer on D11 with transistor'],
    program: `import time
import board
import digitalio

key = digitalio.DigitalInOut(board.D4)
key.pull = digitalio.Pull.UP
lamp = digitalio.DigitalInOut(board.D9)
lamp.direction = digitalio.Direction.OUTPUT
beep = digitalio.DigitalInOut(board.D11)
beep.direction = digitalio.Direction.OUTPUT

while True:
    if not key.value:
        lamp.value = True
        time.sleep(3)
        lamp.value = False
        for _ in range(3):
            beep.value = True
            time.sleep(0.1)
            beep.value = False
            time.sleep(0.1)
    time.sleep(0.01)
`,
    scenarios: [
      { name: 'nothing', lasts: 2, done: [], seen: ['D1 is off', 'Z1 is silent'] },
      {
        name: 'once',
        lasts: 7,
        done: ['press S1 at 1 s'],
        seen: [
          'D1 is off until 0.9 s',
          'D1 is on from 1.1 s to 3.8 s',
          'D1 is off from 4.2 s',
          'Z1 is silent until 3.8 s',
          'Z1 chirps 3 times until 6 s',
          'Z1 is silent from 5 s',
        ],
      },
      {
        name: 'twice',
        lasts: 12,
        done: ['press S1 at 1 s', 'press S1 at 6 s'],
        seen: [
          'D1 is on from 1.1 s to 3.8 s',
          'D1 is off from 4.3 s to 5.9 s',
          'D1 is on from 6.1 s to 8.8 s',
          'Z1 is silent from 10 s',
        ],
      },
    ],
  },
  own: `import time
import board
import digitalio

button = digitalio.DigitalInOut(board.D4)
button.switch_to_input(pull=digitalio.Pull.UP)
led = digitalio.DigitalInOut(board.D9)
led.switch_to_output()
buzzer = digitalio.DigitalInOut(board.D11)
buzzer.switch_to_output()

SECONDS = 3
running = False
ends_at = 0
pressed_before = False

def beep(times):
    count = 0
    while count < times:
        buzzer.value = True
        time.sleep(0.1)
        buzzer.value = False
        time.sleep(0.1)
        count += 1

def start():
    global running, ends_at
    running = True
    ends_at = time.monotonic() + SECONDS
    led.value = True

def stop():
    global running
    running = False
    led.value = False
    beep(3)

while True:
    pressed = not button.value
    if pressed and not pressed_before and not running:
        start()
    pressed_before = pressed
    if running and time.monotonic() > ends_at:
        stop()
    time.sleep(0.02)
`,
  slips: [
    [
      'no global in start',
      'no-effect',
      'Write global running as the first line of start.',
      ['def start():\n    global running, ends_at\n', 'def start():\n'],
    ],
    [
      'global running only',
      'no-effect',
      'Write global ends_at as the first line of start.',
      ['    global running, ends_at\n', '    global running\n'],
    ],
    [
      'no global in stop',
      'no-effect',
      'Write global running as the first line of stop.',
      ['def stop():\n    global running\n', 'def stop():\n'],
    ],
    [
      'count not counted',
      'not-lit',
      'Add count += 1 after line 23.',
      ['        time.sleep(0.1)\n        count += 1\n', '        time.sleep(0.1)\n'],
    ],
    [
      'count += 1 dedented',
      'not-lit',
      'Add count += 1 after line 23.',
      ['        count += 1\n', '    count += 1\n'],
    ],
    [
      'count =+ 1',
      'no-effect',
      'Write count += 1 instead of count =+ 1 in line 24.',
      ['count += 1', 'count =+ 1'],
    ],
    [
      'count <= times',
      'count-wrong',
      'Write < instead of <= in line 19.',
      ['count < times', 'count <= times'],
    ],
    [
      'count > times',
      'logic-inverted',
      'Write < instead of > in line 19.',
      ['count < times', 'count > times'],
    ],
    ['count = 1', 'count-wrong', 'Write 0 instead of 1 in line 18.', ['    count = 0\n', '    count = 1\n']],
    [
      'buzzer not off',
      'timing-off',
      'Write False instead of True in line 22.',
      [
        '        buzzer.value = True\n        time.sleep(0.1)\n        buzzer.value = False\n',
        '        buzzer.value = True\n        time.sleep(0.1)\n        buzzer.value = True\n',
      ],
    ],
    [
      'ends_at = SECONDS',
      'not-lit',
      'Write time.monotonic() + SECONDS instead of SECONDS in line 29.',
      ['time.monotonic() + SECONDS', 'SECONDS'],
    ],
    [
      'ends_at - SECONDS',
      'not-lit',
      'Write + instead of - in line 29.',
      ['time.monotonic() + SECONDS', 'time.monotonic() - SECONDS'],
    ],
    [
      'monotonic no ()',
      'runtime-error',
      'Write time.monotonic() instead of time.monotonic in line 29.',
      ['time.monotonic() + SECONDS', 'time.monotonic + SECONDS'],
    ],
    [
      '< ends_at',
      'logic-inverted',
      'Write > instead of < in line 43.',
      ['time.monotonic() > ends_at', 'time.monotonic() < ends_at'],
    ],
    [
      'running False in start',
      'not-dark',
      'Write True instead of False in line 28.',
      ['    running = True\n', '    running = False\n'],
    ],
    [
      'running not ended',
      'not-lit',
      'Add running = False after line 33.',
      ['    running = False\n    led.value = False\n', '    led.value = False\n'],
    ],
    [
      'led not off',
      'not-dark',
      'Add led.value = False after line 42.',
      ['    led.value = False\n    beep(3)\n', '    beep(3)\n'],
    ],
    ['beep(2)', 'count-wrong', 'Write 3 instead of 2 in line 36.', ['beep(3)', 'beep(2)']],
    [
      'beep before led off',
      'timing-off',
      'Move line 36 before line 35.',
      ['    led.value = False\n    beep(3)\n', '    beep(3)\n    led.value = False\n'],
    ],
    [
      'pressed = button.value',
      'logic-inverted',
      'Put not before button.value in line 39.',
      ['pressed = not button.value', 'pressed = button.value'],
    ],
    [
      'start no ()',
      'no-effect',
      'Write start() instead of start in line 41.',
      ['        start()\n', '        start\n'],
    ],
    [
      'stop no ()',
      'no-effect',
      'Write stop() instead of stop in line 44.',
      ['        stop()\n', '        stop\n'],
    ],
    ['SECONDS 3000', 'not-dark', 'Write 3 instead of 3000 in line 12.', ['SECONDS = 3', 'SECONDS = 3000']],
    ['pull DOWN', 'pull-wrong-way', 'Write UP instead of DOWN in line 6.', ['Pull.UP', 'Pull.DOWN']],
    [
      'no pull',
      'pullup-unset',
      'Add pull=digitalio.Pull.UP in line 6, between the parentheses.',
      ['switch_to_input(pull=digitalio.Pull.UP)', 'switch_to_input()'],
    ],
    [
      'led input',
      'direction-unset',
      'Add led.direction = digitalio.Direction.OUTPUT after line 8.',
      ['led.switch_to_output()', 'led.switch_to_input()'],
    ],
    [
      'led() ',
      'direction-unset',
      'Add led.switch_to_output() after line 7.',
      ['led.switch_to_output()', 'led.switch_to_output'],
    ],
    [
      'sleep .1 in ms',
      'timing-off',
      'Write 0.1 instead of 100 in line 21.',
      [
        '        buzzer.value = True\n        time.sleep(0.1)',
        '        buzzer.value = True\n        time.sleep(100)',
      ],
    ],
    [
      'and running',
      'logic-inverted',
      'Put not before running in line 40.',
      ['not pressed_before and not running', 'not pressed_before and running'],
    ],
    ['buzzer D10', 'pin-disagrees', 'Write D11 instead of D10 in line 9.', ['board.D11', 'board.D10']],
    ['times unused', 'count-wrong', 'Write times instead of 1 in line 19.', ['count < times', 'count < 1']],
  ],
};
