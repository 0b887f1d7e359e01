import type { OwnForm } from './own-form';

/** In Python. */
export const formsInPython: readonly OwnForm[] = [
  {
    said: {
      id: 'pytoggle',
      board: 'python-3v3',
      lines: ['red LED on D5', 'button on D9, pull-up'],
      program: `import time
import board
import digitalio

led = digitalio.DigitalInOut(board.D5)
led.direction = digitalio.Direction.OUTPUT
button = digitalio.DigitalInOut(board.D9)
button.pull = digitalio.Pull.UP
before = True

while True:
    now = button.value
    if before and not now:
        led.value = not led.value
        time.sleep(0.05)
    before = now
`,
      scenarios: [
        {
          name: 'three',
          lasts: 8,
          done: ['press S1 at 1 s for 0.5 s', 'press S1 at 3 s for 0.5 s', 'press S1 at 5 s for 1 s'],
          seen: [
            'D1 is off until 1 s',
            'D1 is on from 1.3 s to 3 s',
            'D1 is off from 3.3 s to 5 s',
            'D1 is on from 5.3 s',
          ],
        },
      ],
    },
    own: `import time
import board
import digitalio

led = digitalio.DigitalInOut(board.D5)
led.direction = digitalio.Direction.OUTPUT
button = digitalio.DigitalInOut(board.D9)
button.direction = digitalio.Direction.INPUT
button.pull = digitalio.Pull.UP
state = False

while True:
    if not button.value:
        state = not state
        led.value = state
        while not button.value:
            time.sleep(0.01)
        time.sleep(0.02)
`,
  },
  {
    said: {
      id: 'pyalarm',
      board: 'python-3v3',
      lines: ['light sensor on A0 with 10k', 'red LED on D5', 'green LED on D6'],
      program: `import time
import board
import analogio
import digitalio

sensor = analogio.AnalogIn(board.A0)
red = digitalio.DigitalInOut(board.D5)
red.direction = digitalio.Direction.OUTPUT
green = digitalio.DigitalInOut(board.D6)
green.direction = digitalio.Direction.OUTPUT

while True:
    dark = sensor.value < 20000
    red.value = dark
    green.value = not dark
    time.sleep(0.1)
`,
      scenarios: [
        {
          name: 'night and day',
          lasts: 6,
          done: ['L1 at 0 %', 'bring light of L1 to 100 % at 3 s'],
          seen: [
            'D1 is on from 0.5 s to 2.8 s',
            'D2 is off from 0.5 s to 2.8 s',
            'D1 is off from 3.5 s',
            'D2 is on from 3.5 s',
          ],
        },
      ],
    },
    own: `import time
import board
import analogio
import digitalio

LIMIT = 20000

def output(pin):
    made = digitalio.DigitalInOut(pin)
    made.direction = digitalio.Direction.OUTPUT
    return made

sensor = analogio.AnalogIn(board.A0)
night = output(board.D5)
day = output(board.D6)

while True:
    reading = sensor.value
    if reading < LIMIT:
        night.value = True
        day.value = False
    else:
        night.value = False
        day.value = True
    time.sleep(0.2)
`,
  },
  {
    said: {
      id: 'pyblink',
      board: 'python-3v3',
      lines: ['red LED on D5', 'green LED on D6'],
      program: `import time
import board
import digitalio
red = digitalio.DigitalInOut(board.D5)
red.direction = digitalio.Direction.OUTPUT
green = digitalio.DigitalInOut(board.D6)
green.direction = digitalio.Direction.OUTPUT
while True:
    red.value = True
    time.sleep(0.5)
    red.value = False
    green.value = True
    time.sleep(1)
    green.value = False
`,
      scenarios: [
        {
          name: 'rounds',
          lasts: 9,
          done: [],
          seen: ['D1 lit 0.5 s, dark 1 s', 'D2 lit 1 s, dark 0.5 s', 'D1 and D2 never on together'],
        },
      ],
    },
    own: `import time
import board
import digitalio

leds = []
for pin in (board.D5, board.D6):
    led = digitalio.DigitalInOut(pin)
    led.direction = digitalio.Direction.OUTPUT
    leds.append(led)
times = [0.5, 1]

while True:
    for i in range(2):
        leds[i].value = True
        time.sleep(times[i])
        leds[i].value = False
`,
  },
  {
    said: {
      id: 'egg',
      board: 'python-3v3',
      lines: ['button on 4', 'green LED on 5 with 220', 'active buzzer on 6 through a transistor'],
      program: `# Egg timer: each press adds two seconds, the LED is on while it runs, then three beeps
import board
import digitalio
import time

button = digitalio.DigitalInOut(board.D4)
button.switch_to_input(pull=digitalio.Pull.UP)
led = digitalio.DigitalInOut(board.D5)
led.switch_to_output()
buzzer = digitalio.DigitalInOut(board.D6)
buzzer.switch_to_output()
end = 0
running = False
before = True

while True:
    now = button.value
    if not now and before:
        if running:
            end = end + 2
        else:
            end = time.monotonic() + 2
            running = True
    before = now
    if running and time.monotonic() >= end:
        running = False
        led.value = False
        for i in range(3):
            buzzer.value = True
            time.sleep(0.2)
            buzzer.value = False
            time.sleep(0.2)
    led.value = running
    time.sleep(0.02)
`,
      scenarios: [
        {
          name: 'one',
          lasts: 7,
          done: ['press S1 at 1 s'],
          seen: [
            'D1 is off until 0.9 s',
            'D1 is on from 1.2 s to 2.8 s',
            'D1 is off from 3.4 s',
            'Z1 chirps 3 times',
          ],
        },
        {
          name: 'two',
          lasts: 10,
          done: ['press S1 at 1 s', 'press S1 at 2 s'],
          seen: [
            'D1 is on from 1.2 s to 4.7 s',
            'D1 is off from 5.6 s',
            'Z1 is silent until 4.7 s',
            'Z1 chirps 3 times',
          ],
        },
        { name: 'none', lasts: 3, done: [], seen: ['D1 is off', 'Z1 is silent'] },
      ],
    },
    own: `import time, board
from digitalio import DigitalInOut, Direction, Pull

key = DigitalInOut(board.D4)
key.direction = Direction.INPUT
key.pull = Pull.UP
lamp = DigitalInOut(board.D5)
lamp.direction = Direction.OUTPUT
beeper = DigitalInOut(board.D6)
beeper.direction = Direction.OUTPUT
rest = 0
last = True

def beep(times):
    for n in range(times):
        beeper.value = True
        time.sleep(0.2)
        beeper.value = False
        time.sleep(0.2)

while True:
    state = key.value
    if state != last:
        last = state
        if state == False:
            rest = rest + 2
    if rest > 0:
        lamp.value = True
        rest = rest - 0.01
        if rest <= 0:
            lamp.value = False
            beep(3)
            rest = 0
    time.sleep(0.01)
`,
  },
];
