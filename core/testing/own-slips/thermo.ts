import type { OwnSlips } from './own-slips';

export const thermo: OwnSlips = {
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
    ['no offset', 'not-lit', 'Write (mv - 500) instead of mv in line 8.', ['(mv - 500) / 10.0', 'mv / 10.0']],
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
};
