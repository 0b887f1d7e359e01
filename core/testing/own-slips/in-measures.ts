import type { OwnSlips } from './own-slips';

export const slipsInMeasures: readonly OwnSlips[] = [
  {
    said: {
      id: 'gauge',
      board: 'learner-5v',
      lines: ['potentiometer on A2', 'servo on 9', 'red LED on 4 with 220'],
      program: `#include <Servo.h>
Servo hand;

void setup() {
  hand.attach(9);
  pinMode(4, OUTPUT);
}

void loop() {
  int reading = analogRead(A2);
  int angle = map(reading, 0, 1023, 0, 180);
  hand.write(angle);
  digitalWrite(4, angle > 135 ? HIGH : LOW);
  delay(20);
}
`,
      scenarios: [
        { name: 'low', lasts: 2, done: ['P1 is at 20 %'], seen: ['M1 stands at 36 from 0.5 s', 'D1 is off'] },
        {
          name: 'high',
          lasts: 3,
          done: ['P1 is at 50 %', 'turn P1 to 90 % at 1 s'],
          seen: [
            'M1 stands at 90 from 0.5 s to 0.9 s',
            'M1 stands at 162 from 1.6 s',
            'D1 is off until 0.9 s',
            'D1 is on from 1.6 s',
          ],
        },
      ],
    },
    own: `#include <Servo.h>

const byte POT = A2;
const byte LAMP = 4;
Servo pointer;
int position = 0;

int toDegrees(int raw) {
  return raw * 180L / 1023;
}

void setup() {
  pinMode(LAMP, OUTPUT);
  pointer.attach(9);
}

void loop() {
  position = toDegrees(analogRead(POT));
  pointer.write(position);
  if (position > 140) {
    digitalWrite(LAMP, HIGH);
  } else {
    digitalWrite(LAMP, LOW);
  }
  delay(15);
}
`,
    slips: [
      ['overflow', 'number-overflow', 'Write 180L instead of 180 in line 9.', ['180L', '180']],
      [
        'integer division',
        'not-lit',
        'Write raw * 180L / 1023 instead of raw / 1023 * 180 in line 9.',
        ['raw * 180L / 1023', 'raw / 1023 * 180'],
      ],
      [
        'returns nothing',
        'not-lit',
        'Add return raw; after line 9.',
        ['  return raw * 180L / 1023;', '  raw = raw * 180L / 1023;'],
      ],
      ['void', 'arguments', 'Write int instead of void in line 8.', ['int toDegrees', 'void toDegrees']],
      ['not attached', 'angle-off', 'Add pointer.attach(9); after line 13.', ['  pointer.attach(9);\n', '']],
      ['attach 6', 'pin-disagrees', 'Write 9 instead of 6 in line 14.', ['attach(9)', 'attach(6)']],
      [
        'digitalRead',
        'not-lit',
        'Write analogRead instead of digitalRead in line 18.',
        ['analogRead(POT)', 'digitalRead(POT)'],
      ],
      [
        'byte raw',
        'not-lit',
        'Write int instead of byte in line 8.',
        ['int toDegrees(int raw)', 'int toDegrees(byte raw)'],
      ],
      [
        'char position',
        'not-lit',
        'Write int instead of char in line 6.',
        ['int position = 0', 'char position = 0'],
      ],
      [
        'read once',
        'missed-input',
        'Add position = toDegrees(analogRead(A2)); after line 17.',
        ['int position = 0;', 'int position = toDegrees(analogRead(A2));'],
        ['  position = toDegrees(analogRead(POT));\n', ''],
      ],
      [
        'raw in lamp',
        'not-dark',
        'Write position instead of analogRead(POT) in line 20.',
        ['if (position > 140)', 'if (analogRead(POT) > 140)'],
      ],
      [
        'write raw',
        'angle-off',
        'Write position instead of analogRead(POT) in line 19.',
        ['pointer.write(position)', 'pointer.write(analogRead(POT))'],
      ],
      ['255', 'not-dark', 'Write 1023 instead of 255 in line 9.', ['1023', '255']],
      ['90', 'not-lit', 'Write 180L instead of 90L in line 9.', ['180L', '90L']],
      [
        'exchanged',
        'angle-off',
        'Write position instead of LAMP in line 19.',
        ['pointer.write(position)', 'pointer.write(LAMP)'],
      ],
      ['A0', 'pin-disagrees', 'Write A2 instead of A0 in line 3.', ['A2', 'A0']],
      ['< 140', 'logic-inverted', 'Write > instead of < in line 20.', ['> 140', '< 140']],
      [
        'no Servo object',
        'name-unknown',
        'Write Servo pointer; at the top of the program.',
        ['Servo pointer;\n', ''],
      ],
      [
        'no include',
        'name-unknown',
        'Write #include <Servo.h> as the first line.',
        ['#include <Servo.h>\n', ''],
      ],
      [
        'analogWrite',
        'angle-off',
        'Write pointer.write(position) instead of analogWrite(9, position) in line 19.',
        ['pointer.write(position)', 'analogWrite(9, position)'],
      ],
      [
        'position local in block',
        'not-lit',
        'Remove int from line 19.',
        [
          '  position = toDegrees(analogRead(POT));',
          '  if (analogRead(POT) > 0) {\n    int position = toDegrees(analogRead(POT));\n  }',
        ],
      ],
      [
        'POT LOW',
        'direction-unset',
        'Write LAMP instead of POT in line 13.',
        ['pinMode(LAMP, OUTPUT);', 'pinMode(POT, OUTPUT);'],
      ],
      [
        'forgot call',
        'arguments',
        'Write toDegrees(analogRead(POT)) instead of toDegrees in line 18.',
        ['toDegrees(analogRead(POT))', 'toDegrees'],
      ],
      [
        'arg order',
        'arguments',
        'Write LAMP, HIGH instead of HIGH, LAMP in line 21.',
        ['digitalWrite(LAMP, HIGH)', 'digitalWrite(HIGH, LAMP)'],
      ],
    ],
  },
  {
    said: {
      id: 'thermo',
      board: 'learner-5v',
      lines: ['temperature sensor on A1', 'red LED on 6 with 220', 'blue LED on 5 with 220'],
      program: `const int SENSOR = A1;

void setup() {
  Serial.begin(9600);
  pinMode(6, OUTPUT);
  pinMode(5, OUTPUT);
}

void loop() {
  float volts = analogRead(SENSOR) * 5.0 / 1023;
  float degrees = (volts - 0.5) * 100;
  Serial.println(degrees);
  digitalWrite(6, degrees > 30 ? HIGH : LOW);
  digitalWrite(5, degrees < 10 ? HIGH : LOW);
  delay(1000);
}
`,
      scenarios: [
        { name: 'mild', lasts: 4, done: ['T1 is at 20 °C'], seen: ['D1 is off', 'D2 is off'] },
        {
          name: 'hot',
          lasts: 5,
          done: ['T1 is at 25 °C', 'T1 goes to 35 °C at 2 s'],
          seen: ['D1 is off until 1.9 s', 'D1 is on from 3.2 s', 'D2 is off'],
        },
        { name: 'cold', lasts: 4, done: ['T1 is at 5 °C'], seen: ['D2 is on from 0.2 s', 'D1 is off'] },
      ],
    },
    own: `#define TEMP_PIN A1
#define HOT_LED 6
#define COLD_LED 5

float readCelsius() {
  int raw = analogRead(TEMP_PIN);
  float mv = raw * 5000.0 / 1023.0;
  return (mv - 500) / 10.0;
}

void setup() {
  Serial.begin(9600);
  pinMode(HOT_LED, OUTPUT);
  pinMode(COLD_LED, OUTPUT);
}

void loop() {
  float temp = readCelsius();
  Serial.print("Temp: ");
  Serial.println(temp);
  if (temp > 30) {
    digitalWrite(HOT_LED, HIGH);
    digitalWrite(COLD_LED, LOW);
  } else if (temp < 10) {
    digitalWrite(HOT_LED, LOW);
    digitalWrite(COLD_LED, HIGH);
  } else {
    digitalWrite(HOT_LED, LOW);
    digitalWrite(COLD_LED, LOW);
  }
  delay(500);
}
`,
    slips: [
      [
        'int function',
        'integer-division',
        'Write float instead of int in line 5.',
        ['float readCelsius', 'int readCelsius'],
      ],
      [
        'void function',
        'arguments',
        'Write float instead of void in line 5.',
        ['float readCelsius', 'void readCelsius'],
      ],
      ['5.0', 'not-lit', 'Write 5000.0 instead of 5.0 in line 7.', ['5000.0', '5.0']],
      [
        'no offset',
        'not-lit',
        'Write (mv - 500) instead of mv in line 8.',
        ['(mv - 500) / 10.0', 'mv / 10.0'],
      ],
      [
        'no parens',
        'not-lit',
        'Put mv - 500 in line 8 in parentheses.',
        ['(mv - 500) / 10.0', 'mv - 500 / 10.0'],
      ],
      [
        'overflow',
        'number-overflow',
        'Write 5000L instead of 5000 in line 7.',
        ['raw * 5000.0 / 1023.0', 'raw * 5000 / 1023'],
      ],
      [
        'int div',
        'integer-division',
        'Write 1023.0 instead of 1023 in line 7.',
        ['raw * 5000.0 / 1023.0', 'raw / 1023 * 5000'],
      ],
      ['3300', 'not-lit', 'Write 5000.0 instead of 3300.0 in line 7.', ['5000.0', '3300.0']],
      ['100', 'not-lit', 'Write 10 instead of 100.0 in line 8.', ['/ 10.0', '/ 100.0']],
      [
        'leds exchanged',
        'pin-disagrees',
        'Exchange 5 in line 2 and 6 in line 3.',
        ['HOT_LED 6', 'HOT_LED 5'],
        ['COLD_LED 5', 'COLD_LED 6'],
      ],
      ['both 6', 'pin-disagrees', 'Write 5 instead of 6 in line 3.', ['COLD_LED 5', 'COLD_LED 6']],
      ['> for <', 'logic-inverted', 'Write < instead of > in line 24.', ['temp < 10', 'temp > 10']],
      [
        'read not called',
        'arguments',
        'Write readCelsius() instead of readCelsius in line 18.',
        ['readCelsius();', 'readCelsius;'],
      ],
      ['= in if', 'assign-in-condition', 'Write == instead of = in line 21.', ['temp > 30', 'temp = 30']],
      [
        'raw returned',
        'not-lit',
        'Write mv instead of raw in line 8.',
        ['return (mv - 500) / 10.0', 'return (raw - 500) / 10.0'],
      ],
      ['A0', 'pin-disagrees', 'Write A1 instead of A0 in line 1.', ['TEMP_PIN A1', 'TEMP_PIN A0']],
      [
        'pinMode missing',
        'direction-unset',
        'Add pinMode(COLD_LED, OUTPUT); to setup.',
        ['  pinMode(COLD_LED, OUTPUT);\n', ''],
      ],
      [
        'temp global once',
        'missed-input',
        'Add temp = readCelsius(); after line 19.',
        ['  float temp = readCelsius();\n', ''],
        ['void setup()', 'float temp = readCelsius();\n\nvoid setup()'],
      ],
      ['delay 5000', 'missed-input', 'Write 1000 instead of 5000 in line 31.', ['delay(500)', 'delay(5000)']],
      ['&&', 'logic-inverted', 'Write > instead of < in line 21.', ['temp > 30', 'temp > 30 && temp < 10']],
      [
        'digitalRead',
        'not-lit',
        'Write analogRead instead of digitalRead in line 6.',
        ['analogRead', 'digitalRead'],
      ],
      [
        'if without braces',
        'syntax-other',
        'Put braces { } round lines 22 and 23.',
        [
          '  if (temp > 30) {\n    digitalWrite(HOT_LED, HIGH);\n    digitalWrite(COLD_LED, LOW);\n  } else if',
          '  if (temp > 30)\n    digitalWrite(HOT_LED, HIGH);\n    digitalWrite(COLD_LED, LOW);\n  else if',
        ],
      ],
    ],
  },
  {
    said: {
      id: 'radar',
      board: 'learner-5v',
      lines: ['distance sensor trig 7 echo 8', 'red LED on 12 with 220', 'active buzzer on 4'],
      program: `const int TRIG = 7;
const int ECHO = 8;
const int LED = 12;
const int BUZZER = 4;

void setup() {
  pinMode(TRIG, OUTPUT);
  pinMode(ECHO, INPUT);
  pinMode(LED, OUTPUT);
  pinMode(BUZZER, OUTPUT);
}

void loop() {
  digitalWrite(TRIG, LOW);
  delayMicroseconds(2);
  digitalWrite(TRIG, HIGH);
  delayMicroseconds(10);
  digitalWrite(TRIG, LOW);
  long time = pulseIn(ECHO, HIGH);
  int cm = time / 58;
  digitalWrite(LED, cm < 30 ? HIGH : LOW);
  digitalWrite(BUZZER, cm < 10 ? HIGH : LOW);
  delay(60);
}
`,
      scenarios: [
        { name: 'far', lasts: 2, done: ['X1 is at 80 cm'], seen: ['D1 is off', 'Z1 is silent'] },
        {
          name: 'near',
          lasts: 4,
          done: ['X1 is at 80 cm', 'X1 goes to 20 cm at 1 s', 'X1 goes to 5 cm at 2.5 s'],
          seen: [
            'D1 is off until 0.9 s',
            'D1 is on from 1.4 s',
            'Z1 is silent until 2.4 s',
            'Z1 sounds from 2.9 s',
          ],
        },
      ],
    },
    own: `#define TRIG_PIN 7
#define ECHO_PIN 8
#define LED_PIN 12
#define BUZZ_PIN 4

const float SPEED = 0.0343;
float distance = 0;

float measure() {
  digitalWrite(TRIG_PIN, LOW);
  delayMicroseconds(5);
  digitalWrite(TRIG_PIN, HIGH);
  delayMicroseconds(10);
  digitalWrite(TRIG_PIN, LOW);
  unsigned long echo = pulseIn(ECHO_PIN, HIGH, 30000);
  return echo * SPEED / 2;
}

void alarm(bool light, bool sound) {
  digitalWrite(LED_PIN, light);
  digitalWrite(BUZZ_PIN, sound);
}

void setup() {
  pinMode(TRIG_PIN, OUTPUT);
  pinMode(ECHO_PIN, INPUT);
  pinMode(LED_PIN, OUTPUT);
  pinMode(BUZZ_PIN, OUTPUT);
}

void loop() {
  distance = measure();
  if (distance == 0) {
    alarm(false, false);
  } else if (distance < 10) {
    alarm(true, true);
  } else if (distance < 30) {
    alarm(true, false);
  } else {
    alarm(false, false);
  }
  delay(100);
}
`,
    slips: [
      ['no /2', 'timing-off', 'Add / 2 at the end of line 16.', ['echo * SPEED / 2', 'echo * SPEED']],
      ['speed mm', 'not-lit', 'Write 0.0343 instead of 0.343 in line 6.', ['0.0343', '0.343']],
      [
        'int speed',
        'integer-division',
        'Write float instead of int in line 6.',
        ['const float SPEED', 'const int SPEED'],
      ],
      [
        'trig exchanged',
        'pin-disagrees',
        'Exchange 8 in line 1 and 7 in line 2.',
        ['TRIG_PIN 7', 'TRIG_PIN 8'],
        ['ECHO_PIN 8', 'ECHO_PIN 7'],
      ],
      [
        'no trigger',
        'not-lit',
        'Write HIGH instead of LOW in line 10.',
        ['  digitalWrite(TRIG_PIN, HIGH);\n', ''],
      ],
      [
        'pulse LOW',
        'not-lit',
        'Write HIGH instead of LOW in line 15.',
        ['pulseIn(ECHO_PIN, HIGH, 30000)', 'pulseIn(ECHO_PIN, LOW, 30000)'],
      ],
      [
        'pulse TRIG',
        'pin-disagrees',
        'Write ECHO_PIN instead of TRIG_PIN in line 15.',
        ['pulseIn(ECHO_PIN', 'pulseIn(TRIG_PIN'],
      ],
      ['timeout', 'not-lit', 'Write 3000 instead of 300 in line 15.', ['30000', '300']],
      [
        'light both',
        'timing-off',
        'Write sound instead of light in line 21.',
        ['digitalWrite(BUZZ_PIN, sound)', 'digitalWrite(BUZZ_PIN, light)'],
      ],
      [
        'order of ifs',
        'always-true',
        'Ask for distance < 10 in line 35 and for distance < 30 in line 37, each with what belongs to it.',
        ['distance < 10) {\n    alarm(true, true)', 'distance < 30) {\n    alarm(true, false)'],
        [
          'distance < 30) {\n    alarm(true, false);\n  } else {',
          'distance < 10) {\n    alarm(true, true);\n  } else {',
        ],
      ],
      [
        'ifs apart',
        'timing-off',
        'Write else if instead of if in line 38.',
        ['  } else if (distance < 30) {', '  }\n  if (distance < 30) {'],
      ],
      [
        'measure;',
        'arguments',
        'Write measure() instead of measure in line 32.',
        ['measure();\n  if', 'measure;\n  if'],
      ],
      [
        'not assigned',
        'not-lit',
        'Write distance = before measure in line 32.',
        ['  distance = measure();', '  measure();'],
      ],
      [
        'distance in fn',
        'arguments',
        'Remove distance = from line 32.',
        ['float measure() {', 'void measure() {'],
        ['  return echo * SPEED / 2;', '  distance = echo * SPEED / 2;'],
      ],
      [
        'no return',
        'not-lit',
        'Add return distance; after line 16.',
        ['  return echo * SPEED / 2;', '  distance = echo * SPEED / 2;'],
      ],
      [
        '== 0 one =',
        'assign-in-condition',
        'Write == instead of = in line 33.',
        ['distance == 0', 'distance = 0'],
      ],
      [
        'echo OUTPUT',
        'not-lit',
        'Write INPUT instead of OUTPUT in line 26.',
        ['pinMode(ECHO_PIN, INPUT)', 'pinMode(ECHO_PIN, OUTPUT)'],
      ],
      ['limit 3', 'tone-off', 'Write 10 instead of 3 in line 35.', ['distance < 10', 'distance < 3']],
      ['>', 'logic-inverted', 'Write < instead of > in line 37.', ['distance < 30', 'distance > 30']],
    ],
  },
  {
    said: {
      id: 'soil',
      board: 'learner-5v',
      lines: [
        'potentiometer on A3',
        'green LED on 2 with 220',
        'yellow LED on 3 with 220',
        'red LED on 4 with 220',
        'active buzzer on 7',
      ],
      program: `const int PROBE = A3;

void setup() {
  for (int pin = 2; pin <= 4; pin++) {
    pinMode(pin, OUTPUT);
  }
  pinMode(7, OUTPUT);
}

void loop() {
  int wet = analogRead(PROBE) / 10;
  digitalWrite(2, wet >= 60 ? HIGH : LOW);
  digitalWrite(3, wet >= 30 && wet < 60 ? HIGH : LOW);
  digitalWrite(4, wet < 30 ? HIGH : LOW);
  digitalWrite(7, wet < 10 ? HIGH : LOW);
  delay(100);
}
`,
      scenarios: [
        {
          name: 'dry',
          lasts: 3,
          done: ['P1 is at 5 %'],
          seen: ['D3 is on from 0.3 s', 'D1 is off', 'D2 is off', 'Z1 sounds from 0.5 s'],
        },
        {
          name: 'middle',
          lasts: 3,
          done: ['P1 is at 45 %'],
          seen: ['D2 is on from 0.3 s', 'D1 is off', 'D3 is off from 0.3 s', 'Z1 is silent from 0.3 s'],
        },
        {
          name: 'wet',
          lasts: 5,
          done: ['P1 is at 20 %', 'turn P1 to 90 % at 2 s'],
          seen: [
            'D3 is on from 0.3 s to 1.9 s',
            'Z1 is silent from 0.3 s',
            'D1 is on from 2.5 s',
            'D3 is off from 2.5 s',
            'D2 is off from 2.5 s',
          ],
        },
      ],
    },
    own: `enum Level { DRY, MOIST, WET };

const byte SENSOR_PIN = A3;
const byte LEDS[] = {4, 3, 2};
const byte ALARM_PIN = 7;
const int MOIST_LIMIT = 300;
const int WET_LIMIT = 600;
const int ALARM_LIMIT = 100;

Level levelOf(int reading) {
  if (reading >= WET_LIMIT) {
    return WET;
  }
  if (reading >= MOIST_LIMIT) {
    return MOIST;
  }
  return DRY;
}

void showLevel(Level level) {
  for (byte i = 0; i < 3; i++) {
    digitalWrite(LEDS[i], i == level);
  }
}

void setup() {
  for (byte led : LEDS) {
    pinMode(led, OUTPUT);
  }
  pinMode(ALARM_PIN, OUTPUT);
}

void loop() {
  int reading = analogRead(SENSOR_PIN);
  showLevel(levelOf(reading));
  if (reading < ALARM_LIMIT) {
    digitalWrite(ALARM_PIN, HIGH);
  } else {
    digitalWrite(ALARM_PIN, LOW);
  }
  delay(50);
}
`,
    slips: [
      [
        'return WET twice',
        'not-lit',
        'Write MOIST instead of WET in line 15.',
        ['    return MOIST;', '    return WET;'],
      ],
      [
        'order of questions',
        'not-lit',
        'Move lines 14 to 16 before line 11.',
        ['reading >= WET_LIMIT) {\n    return WET', 'reading >= MOIST_LIMIT) {\n    return MOIST'],
        [
          'reading >= MOIST_LIMIT) {\n    return MOIST;\n  }\n  return DRY',
          'reading >= WET_LIMIT) {\n    return WET;\n  }\n  return DRY',
        ],
      ],
      [
        'level not passed',
        'no-effect',
        'Write levelOf(reading) instead of reading in line 35.',
        ['showLevel(levelOf(reading))', 'showLevel(reading)'],
      ],
      [
        'levelOf missing arg',
        'arguments',
        'Write levelOf(reading) instead of levelOf() in line 35.',
        ['levelOf(reading)', 'levelOf()'],
      ],
      ['i = level', 'never-ends', 'Write == instead of = in line 22.', ['i == level', 'i = level']],
      ['i != level', 'logic-inverted', 'Write == instead of != in line 22.', ['i == level', 'i != level']],
      ['i <= level', 'not-dark', 'Write == instead of <= in line 22.', ['i == level', 'i <= level']],
      ['leds order', 'pin-disagrees', 'Reverse the list in line 4: 4, 3, 2.', ['{4, 3, 2}', '{2, 3, 4}']],
      ['i < 2', 'not-lit', 'Write 3 instead of 2 in line 21.', ['i < 3', 'i < 2']],
      [
        'limits swapped',
        'not-lit',
        'Exchange 600 in line 6 and 300 in line 7.',
        ['MOIST_LIMIT = 300', 'MOIST_LIMIT = 600'],
        ['WET_LIMIT = 600', 'WET_LIMIT = 300'],
      ],
      ['limit 3000', 'not-lit', 'Write 300 instead of 3000 in line 6.', ['= 300', '= 3000']],
      [
        'byte reading',
        'number-overflow',
        'Write int instead of byte in line 34.',
        ['int reading = analogRead', 'byte reading = analogRead'],
      ],
      [
        'alarm >',
        'logic-inverted',
        'Write < instead of > in line 36.',
        ['reading < ALARM_LIMIT', 'reading > ALARM_LIMIT'],
      ],
      [
        'alarm limit',
        'timing-off',
        'Write ALARM_LIMIT instead of MOIST_LIMIT in line 36.',
        ['reading < ALARM_LIMIT', 'reading < MOIST_LIMIT'],
      ],
      [
        'levels swapped',
        'logic-inverted',
        'Write > instead of < in line 36.',
        ['digitalWrite(ALARM_PIN, HIGH)', 'digitalWrite(ALARM_PIN, LOW)'],
        ['  } else {\n    digitalWrite(ALARM_PIN, LOW)', '  } else {\n    digitalWrite(ALARM_PIN, HIGH)'],
      ],
      [
        'LEDS instead',
        'arguments',
        'Write led instead of LEDS in line 28.',
        ['pinMode(led, OUTPUT)', 'pinMode(LEDS, OUTPUT)'],
      ],
      [
        'read led',
        'pin-lacks-function',
        'Write SENSOR_PIN instead of ALARM_PIN in line 34.',
        ['analogRead(SENSOR_PIN)', 'analogRead(ALARM_PIN)'],
      ],
      [
        'void levelOf',
        'arguments',
        'Write Level instead of void in line 10.',
        ['Level levelOf', 'void levelOf'],
      ],
      [
        'showLevel before',
        'name-out-of-scope',
        'Declare reading at the top of the program, and write only reading = analogRead(SENSOR_PIN); in line 35.',
        ['  showLevel(levelOf(reading));\n', ''],
        ['  int reading', '  showLevel(levelOf(reading));\n  int reading'],
      ],
      [
        'semicolon if',
        'empty-body',
        'Remove the semicolon in line 36.',
        ['(reading < ALARM_LIMIT) {', '(reading < ALARM_LIMIT); {'],
      ],
      [
        'missing bracket',
        'syntax-paren',
        'Add ) behind “)” in line 22.',
        ['digitalWrite(LEDS[i], i == level)', 'digitalWrite(LEDS[i, i == level)'],
      ],
      [
        'no show',
        'no-effect',
        'Add showLevel(levelOf(reading)); after line 34.',
        ['  showLevel(levelOf(reading));\n', ''],
      ],
      ['delay 5000', 'missed-input', 'Write 100 instead of 5000 in line 41.', ['delay(50)', 'delay(5000)']],
    ],
  },
];
