import { describe, expect, test } from 'vitest';
import { exerciseSaid } from '../testing/exercise-said';
import { causesIn, reportOnSlip, replaced, type SaidSlip } from '../testing/said-slips';

/** A lock that opens for three buttons in the right order: functions that give values, and lists that are no pins. */
const lock = exerciseSaid({
  id: 'sluice-lock',
  board: 'learner-5v',
  lines: ['3 buttons on 2, 3, 4, pull-up', 'servo on 9', 'red LED on 7 with 220', 'green LED on 8 with 220'],
  program: `#include <Servo.h>
const int BUTTONS[] = {2, 3, 4};
const int SECRET[] = {1, 3, 2};
const int RED = 7;
const int GREEN = 8;
Servo bolt;
int place = 0;
bool isOpen = false;

int pressedButton() {
  for (int i = 0; i < 3; i++) {
    if (digitalRead(BUTTONS[i]) == LOW) {
      delay(20);
      while (digitalRead(BUTTONS[i]) == LOW) {
        delay(5);
      }
      delay(20);
      return i + 1;
    }
  }
  return 0;
}

void show() {
  digitalWrite(RED, !isOpen);
  digitalWrite(GREEN, isOpen);
  bolt.write(isOpen ? 90 : 10);
}

void setup() {
  for (int pin : BUTTONS) {
    pinMode(pin, INPUT_PULLUP);
  }
  pinMode(RED, OUTPUT);
  pinMode(GREEN, OUTPUT);
  bolt.attach(9);
  show();
}

void loop() {
  int button = pressedButton();
  if (button == 0) return;
  if (isOpen) {
    isOpen = false;
    place = 0;
  } else if (button == SECRET[place]) {
    place++;
    if (place == 3) isOpen = true;
  } else {
    place = 0;
  }
  show();
}
`,
  scenarios: [
    {
      name: 'right code',
      lasts: 6,
      done: ['press S1 at 1 s for 0.2 s', 'press S3 at 2 s for 0.2 s', 'press S2 at 3 s for 0.2 s'],
      seen: [
        'D1 is on until 2.9 s',
        'D2 is on from 3.5 s',
        'D1 is off from 3.5 s',
        'M1 stands at 90° from 4 s',
        'M1 stands at 10° from 1 s to 3 s',
      ],
    },
    {
      name: 'wrong code',
      lasts: 6,
      done: ['press S1 at 1 s for 0.2 s', 'press S2 at 2 s for 0.2 s', 'press S3 at 3 s for 0.2 s'],
      seen: ['D1 is on', 'D2 is off'],
    },
  ],
});

const inLock: readonly SaidSlip[] = [
  {
    name: 'two numbers of a list that is no list of pins in each other’s places',
    program: replaced(['{1, 3, 2}', '{1, 2, 3}']),
    code: 'not-lit',
    repair: 'Write 3, 2 instead of 2, 3 in line 3.',
  },
  {
    name: 'two pins of a list in each other’s places',
    program: replaced(['{2, 3, 4}', '{2, 4, 3}']),
    code: 'pin-disagrees',
    repair: 'Write 3, 4 instead of 4, 3 in line 2.',
  },
  {
    name: 'a “!” left out',
    program: replaced(['digitalWrite(RED, !isOpen)', 'digitalWrite(RED, isOpen)']),
    code: 'logic-inverted',
    repair: 'Write !isOpen instead of isOpen in line 25.',
  },
  {
    name: 'a count from the wrong number',
    program: replaced(['return i + 1', 'return i']),
    code: 'not-lit',
    repair: 'Write i + 1 instead of i in line 18.',
  },
  {
    name: 'a function without its type',
    program: replaced(['int pressedButton()', 'pressedButton()']),
    code: 'syntax-other',
    repair: 'Write int before pressedButton in line 10.',
  },
  {
    name: 'a function that is not called at its place',
    program: replaced(['    place = 0;\n  }\n  show();', '    place = 0;\n  }']),
    code: 'not-lit',
  },
  {
    name: 'a wait for the wrong level',
    program: replaced(['while (digitalRead(BUTTONS[i]) == LOW)', 'while (digitalRead(BUTTONS[i]) == HIGH)']),
    code: 'logic-inverted',
    repair: 'Write LOW instead of HIGH in line 14.',
  },
  {
    name: 'angles in each other’s places',
    program: replaced(['90 : 10', '10 : 90']),
    code: 'angle-off',
    repair: 'Write 90 : 10 instead of 10 : 90 in line 27.',
  },
];

/** A light for a room on the Python board. */
const room = exerciseSaid({
  id: 'quay-light',
  board: 'python-3v3',
  lines: [
    'light sensor on A0 with 10k',
    'PIR motion sensor on D5',
    'button on D6, pull-up',
    'white LED on D9 with 100',
    'green LED on D10 with 220',
    'passive buzzer on D11',
  ],
  program: `import time
import board
import digitalio
import analogio
import pwmio

DARK = 20000
STAYS_ON = 2.0

sensor = analogio.AnalogIn(board.A0)
motion = digitalio.DigitalInOut(board.D5)
motion.direction = digitalio.Direction.INPUT
button = digitalio.DigitalInOut(board.D6)
button.switch_to_input(pull=digitalio.Pull.UP)
lamp = pwmio.PWMOut(board.D9, frequency=1000)
armed_led = digitalio.DigitalInOut(board.D10)
armed_led.switch_to_output()


def is_dark():
    return sensor.value < DARK


def set_lamp(percent):
    lamp.duty_cycle = int(percent / 100 * 65535)


def beep(times):
    for _ in range(times):
        tone = pwmio.PWMOut(board.D11, frequency=880, duty_cycle=32768)
        time.sleep(0.1)
        tone.deinit()
        time.sleep(0.1)


armed = False
was_pressed = False
last_seen = None

while True:
    pressed = not button.value
    if pressed and not was_pressed:
        armed = not armed
        armed_led.value = armed
        beep(2 if armed else 1)
    was_pressed = pressed
    if armed and motion.value:
        last_seen = time.monotonic()
    if last_seen is not None and time.monotonic() - last_seen < STAYS_ON and is_dark():
        set_lamp(80)
    else:
        set_lamp(0)
    time.sleep(0.02)
`,
  scenarios: [
    {
      name: 'armed in the dark',
      lasts: 9,
      done: ['light on L1 is 0.05 at 0 s', 'press S1 at 1 s for 0.3 s', 'X1 sees motion at 3 s for 0.5 s'],
      seen: [
        'D2 is on from 1.2 s',
        'D1 is off until 2.9 s',
        'D1 is on from 3.2 s to 5 s',
        'D1 is off from 6 s',
      ],
    },
    {
      name: 'armed in the light',
      lasts: 6,
      done: ['light on L1 is 0.95 at 0 s', 'press S1 at 1 s for 0.3 s', 'X1 sees motion at 3 s for 0.5 s'],
      seen: ['D1 is off', 'Z1 chirps 2 times'],
    },
    {
      name: 'not armed',
      lasts: 5,
      done: ['light on L1 is 0.05 at 0 s', 'X1 sees motion at 2 s for 0.5 s'],
      seen: ['D1 is off', 'D2 is off'],
    },
  ],
});

const inRoom: readonly SaidSlip[] = [
  {
    name: 'a “return” left out',
    program: replaced(['    return sensor.value < DARK', '    sensor.value < DARK']),
    code: 'not-lit',
    repair: 'Write return before sensor in line 21.',
  },
  {
    name: 'a function that is not called',
    program: replaced(['and is_dark()', 'and is_dark']),
    code: 'timing-off',
    repair: 'Write is_dark() instead of is_dark in line 49.',
  },
  {
    name: 'pins with names in each other’s places',
    program: replaced(['board.D5', 'board.DX'], ['board.D6', 'board.D5'], ['board.DX', 'board.D6']),
    code: 'pin-disagrees',
    repair: 'Exchange D6 in line 11 and D5 in line 13.',
  },
  {
    name: 'half of a choice left out',
    program: replaced(['beep(2 if armed else 1)', 'beep(1)']),
    code: 'count-wrong',
    repair: 'Add 2 if armed else in line 45, right after “(”.',
  },
  {
    name: 'a comparison turned round in a function',
    program: replaced(['sensor.value < DARK', 'sensor.value > DARK']),
    code: 'logic-inverted',
    repair: 'Write < instead of > in line 21.',
  },
  {
    name: 'a share that is not scaled',
    program: replaced(['int(percent / 100 * 65535)', 'int(percent)']),
    code: 'not-lit',
    repair: 'Write percent / 100 * 65535 instead of percent in line 25.',
  },
];

describe.each([
  ['the lock', lock, inLock],
  ['the room', room, inRoom],
] as const)('in %s', (_, exercise, slips) => {
  test('its own build works', () => {
    expect(reportOnSlip(exercise, {}).verdict).toBe('as-drawn');
  });

  test.each(slips)('$name is named, with its repair', (slip) => {
    const causes = causesIn(exercise, slip);
    expect(causes.map(({ code }) => code)).toEqual([slip.code]);
    if (slip.repair !== undefined) expect(causes[0]!.repair?.text).toBe(slip.repair);
  });
});

test('a list that no pin is taken from is not called one of pins', () => {
  const [cause] = causesIn(lock, inLock[0]!);
  for (const text of [cause!.message, ...cause!.hints]) expect(text).not.toMatch(/\bpins? [123]\b/);
});
