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
    repair: 'Exchange 2 and 3 in line 3.',
  },
  {
    name: 'two pins of a list in each other’s places',
    program: replaced(['{2, 3, 4}', '{2, 4, 3}']),
    code: 'pin-disagrees',
    repair: 'Exchange 4 and 3 in line 2.',
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
    repair: 'Exchange 10 and 90 in line 27.',
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
    repair: 'Add 2 if armed else in line 45, right after “beep(”.',
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

/** An LED on a low pin whose times are small numbers, as pins are. */
const flicker = exerciseSaid({
  id: 'flicker',
  board: 'learner-5v',
  lines: ['red LED on 3 with 220', 'green LED on 5 with 220', 'yellow LED on 9 with 220'],
  program: `void setup() {
  pinMode(3, OUTPUT);
  pinMode(5, OUTPUT);
  pinMode(9, OUTPUT);
}

void loop() {
  digitalWrite(3, HIGH);
  delay(300);
  digitalWrite(3, LOW);
  delay(300);
  analogWrite(9, 5);
  for (int i = 0; i < 5; i++) {
    digitalWrite(5, HIGH);
    delay(100);
    digitalWrite(5, LOW);
    delay(100);
  }
}
`,
  scenarios: [{ name: 'five times', lasts: 1.7, done: [], seen: ['D2 flashes 5 times'] }],
});

/** A fan that a button switches on, with a choice of two modes. */
const fan = exerciseSaid({
  id: 'boathouse-fan',
  board: 'learner-5v',
  lines: [
    'motor on 9 with transistor',
    'potentiometer on A1',
    'button on 7, pull-up',
    'green LED on 12 with 330',
  ],
  program: `// Fan with a switch and a speed knob
const byte FAN = 9;
const byte KNOB = A1;
const byte KEY = 7;
const byte READY = 12;
enum Mode { RESTING, BLOWING };
Mode mode = RESTING;
int lastKey = HIGH;
unsigned long changedAt = 0;

void setup() {
  pinMode(FAN, OUTPUT);
  pinMode(KEY, INPUT_PULLUP);
  pinMode(READY, OUTPUT);
}

void loop() {
  int key = digitalRead(KEY);
  if (key != lastKey && millis() - changedAt > 50) {
    changedAt = millis();
    lastKey = key;
    if (key == LOW) {
      if (mode == RESTING) {
        mode = BLOWING;
      } else {
        mode = RESTING;
      }
    }
  }
  switch (mode) {
    case RESTING:
      analogWrite(FAN, 0);
      digitalWrite(READY, HIGH);
      break;
    case BLOWING:
      digitalWrite(READY, LOW);
      analogWrite(FAN, map(analogRead(KNOB), 0, 1023, 80, 255));
      break;
  }
}
`,
  scenarios: [
    {
      name: 'on and off',
      lasts: 6,
      done: ['turn P1 to 1', 'press S1 at 1 s for 0.3 s', 'press S1 at 4 s for 0.3 s'],
      seen: [
        'D2 is on until 0.9 s',
        'M1 is off until 0.9 s',
        'M1 is on from 1.2 s to 3.9 s',
        'D2 is off from 1.2 s to 3.9 s',
        'M1 is off from 4.2 s',
      ],
    },
  ],
});

const inFan: readonly SaidSlip[] = [
  {
    name: 'a case that goes on into the next',
    program: replaced(['      digitalWrite(READY, HIGH);\n      break;', '      digitalWrite(READY, HIGH);']),
    code: 'not-lit',
    repair: 'Add break; after line 33.',
  },
  {
    name: 'a case without its colon',
    program: replaced(['case BLOWING:', 'case BLOWING']),
    code: 'syntax-other',
  },
  {
    name: 'a word of the language with a capital',
    program: replaced(['} else {', '} Else {']),
    code: 'name-case',
    repair: 'Write else instead of Else in line 25.',
  },
  {
    name: 'a function of the board without its parentheses',
    program: replaced(['millis() - changedAt', 'millis - changedAt']),
    code: 'arguments',
    repair: 'Write millis() instead of millis in line 19.',
  },
];

/** A heater that is watched: a formula, two thresholds, and a display. */
const heater = exerciseSaid({
  id: 'harbour-heater',
  board: 'large-5v',
  lines: [
    'thermistor 10k on A0 with 10k',
    'relay on 7',
    'RGB LED on 9, 10, 11 with 220',
    'button on 2, pull-down 10k',
    'LCD on I2C',
  ],
  program: `#include <Wire.h>
#include <LiquidCrystal_I2C.h>

#define SENSOR A0
#define HEATER 7
#define BUTTON 2

LiquidCrystal_I2C lcd(0x27, 16, 2);
const byte COLOURS[3] = {9, 10, 11};
float target = 21.0;
bool heating = false;

float celsius() {
  int raw = analogRead(SENSOR);
  float ohms = 10000.0 * (1023.0 - raw) / raw;
  float kelvin = 1.0 / (1.0 / 298.15 + log(ohms / 10000.0) / 3950.0);
  return kelvin - 273.15;
}

void colour(byte red, byte green, byte blue) {
  analogWrite(COLOURS[0], red);
  analogWrite(COLOURS[1], green);
  analogWrite(COLOURS[2], blue);
}

void setup() {
  pinMode(HEATER, OUTPUT);
  pinMode(BUTTON, INPUT);
  for (byte i = 0; i < 3; i++) pinMode(COLOURS[i], OUTPUT);
  lcd.init();
  lcd.backlight();
}

void loop() {
  float now = celsius();
  if (digitalRead(BUTTON) == HIGH) {
    target += 1.0;
    while (digitalRead(BUTTON) == HIGH) delay(10);
    delay(20);
  }
  if (now < target - 0.5) heating = true;
  if (now > target + 0.5) heating = false;
  digitalWrite(HEATER, heating ? HIGH : LOW);
  if (heating) colour(255, 40, 0);
  else colour(0, 0, 200);
  lcd.setCursor(0, 0);
  lcd.print("set ");
  lcd.print(target, 0);
  lcd.print("   ");
  delay(100);
}
`,
  scenarios: [
    {
      name: 'cold, then warm',
      lasts: 10,
      done: ['warm T1 to 15 °C at 0 s', 'warm T1 to 30 °C at 5 s'],
      seen: [
        'K1 is pulled in from 1 s to 4.9 s',
        'K1 is let go from 6 s',
        'D1 is red from 1 s to 4 s',
        'D1 is blue from 6 s',
      ],
    },
  ],
});

const inHeater: readonly SaidSlip[] = [
  {
    name: 'a quotient turned over',
    program: replaced(['(1023.0 - raw) / raw', 'raw / (1023.0 - raw)']),
    code: 'timing-off',
    repair: 'Write (1023.0 - raw) / raw instead of raw / (1023.0 - raw) in line 15.',
  },
  {
    name: 'the end of a sum left out',
    program: replaced(['return kelvin - 273.15', 'return kelvin']),
    code: 'no-response',
    repair: 'Write kelvin - 273.15 instead of kelvin in line 17.',
  },
  {
    name: 'an “else” left out',
    program: replaced(['  else colour(0, 0, 200);', '  colour(0, 0, 200);']),
    code: 'colour-off',
    repair: 'Write else before colour in line 45.',
  },
  {
    name: 'a #define with an equals sign',
    program: replaced(['#define HEATER 7', '#define HEATER = 7']),
    code: 'syntax-other',
    repair: 'Remove the = in line 5.',
  },
  {
    name: 'another logarithm',
    program: replaced(['log(ohms', 'log10(ohms']),
    code: 'no-response',
    repair: 'Write log instead of log10 in line 16.',
  },
];

describe.each([
  ['the lock', lock, inLock],
  ['the room', room, inRoom],
  ['the fan', fan, inFan],
  ['the heater', heater, inHeater],
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

test('a number that is that of a pin elsewhere is not called one', () => {
  const [cause] = causesIn(flicker, { program: replaced(['i < 5', 'i < 3']) });
  expect(cause!.code).not.toBe('pin-disagrees');
  expect(cause!.repair?.text).toBe('Write 5 instead of 3 in line 13.');
});

test('two comparisons that are both turned round are two causes, each with its repair', () => {
  const causes = causesIn(heater, {
    program: replaced(
      ['now < target - 0.5', 'now > target - 0.5'],
      ['now > target + 0.5', 'now < target + 0.5'],
    ),
  });
  expect(causes.map(({ code, line, repair }) => [code, line, repair?.text])).toEqual([
    ['logic-inverted', 41, 'Write < instead of > in line 41.'],
    ['logic-inverted', 42, 'Write > instead of < in line 42.'],
  ]);
});
