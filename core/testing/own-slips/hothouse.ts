import type { OwnSlips } from './own-slips';

export const hothouse: OwnSlips = {
  said: {
    id: 'hothouse',
    board: 'learner-5v',
    lines: [
      'temperature sensor on A0',
      'potentiometer on A1',
      'red LED on 5 with 330',
      'blue LED on 6 with 330',
    ],
    program: `void setup() {
  pinMode(5, OUTPUT);
  pinMode(6, OUTPUT);
}
void loop() {
  float celsius = (analogRead(A0) * 5.0 / 1024 - 0.5) * 100;
  float wanted = 10 + analogRead(A1) * 30.0 / 1023;
  digitalWrite(5, celsius < wanted - 1);
  digitalWrite(6, celsius > wanted + 1);
  delay(100);
}
`,
    scenarios: [
      {
        name: 'cold',
        lasts: 2,
        done: ['T1 is at 12 °C', 'P1 is at 50 %'],
        seen: ['D1 is on from 0.5 s', 'D2 is off'],
      },
      {
        name: 'warm',
        lasts: 2,
        done: ['T1 is at 35 °C', 'P1 is at 50 %'],
        seen: ['D1 is off', 'D2 is on from 0.5 s'],
      },
      {
        name: 'just right',
        lasts: 2,
        done: ['T1 is at 25 °C', 'P1 is at 50 %'],
        seen: ['D1 is off', 'D2 is off'],
      },
      {
        name: 'turned up',
        lasts: 4,
        done: ['T1 is at 25 °C', 'P1 is at 50 %', 'turn P1 to 90 % at 2 s'],
        seen: ['D1 is off until 1.9 s', 'D1 is on from 2.5 s', 'D2 is off'],
      },
      {
        name: 'turned down',
        lasts: 4,
        done: ['T1 is at 25 °C', 'P1 is at 50 %', 'turn P1 to 10 % at 2 s'],
        seen: ['D2 is off until 1.9 s', 'D2 is on from 2.5 s', 'D1 is off'],
      },
    ],
  },
  own: `const int SENSOR = A0;
const int DIAL = A1;
const int HEATER = 5;
const int FAN = 6;

const float SUPPLY = 5.0;
const int MIN_WANTED = 10;
const int MAX_WANTED = 40;
const float SLACK = 1.0;
const int SAMPLES = 5;

float readCelsius() {
  long sum = 0;
  for (int i = 0; i < SAMPLES; i++) {
    sum += analogRead(SENSOR);
    delay(2);
  }
  float volts = (sum / (float)SAMPLES) * SUPPLY / 1024.0;
  return (volts - 0.5) * 100.0;
}

int readWanted() {
  return map(analogRead(DIAL), 0, 1023, MIN_WANTED, MAX_WANTED);
}

void setup() {
  pinMode(HEATER, OUTPUT);
  pinMode(FAN, OUTPUT);
  Serial.begin(9600);
}

void loop() {
  float now = readCelsius();
  int wanted = readWanted();
  Serial.print(now);
  Serial.print(" / ");
  Serial.println(wanted);

  if (now < wanted - SLACK) {
    digitalWrite(HEATER, HIGH);
    digitalWrite(FAN, LOW);
  } else if (now > wanted + SLACK) {
    digitalWrite(HEATER, LOW);
    digitalWrite(FAN, HIGH);
  } else {
    digitalWrite(HEATER, LOW);
    digitalWrite(FAN, LOW);
  }
  delay(100);
}
`,
  slips: [
    [
      'no - 0.5',
      'not-lit',
      'Write (volts - 0.5) instead of volts in line 19.',
      ['(volts - 0.5) * 100.0', 'volts * 100.0'],
    ],
    ['+ 0.5', 'not-lit', 'Write - instead of + in line 19.', ['volts - 0.5', 'volts + 0.5']],
    ['/ 100', 'not-lit', 'Write * instead of / in line 19.', [') * 100.0', ') / 100.0']],
    [
      'parens',
      'not-lit',
      'Put volts - 0.5 in line 19 in parentheses.',
      ['(volts - 0.5) * 100.0', 'volts - 0.5 * 100.0'],
    ],
    ['/ 255', 'not-lit', 'Write 1023.0 instead of 255.0 in line 18.', ['/ 1024.0', '/ 255.0']],
    ['int volts', 'integer-division', 'Write float instead of int in line 18.', ['float volts', 'int volts']],
    [
      'sum not divided',
      'not-lit',
      'Write sum / SAMPLES instead of sum in line 18.',
      ['(sum / (float)SAMPLES)', 'sum'],
    ],
    [
      'sum = reading',
      'not-lit',
      'Write += instead of = in line 15.',
      ['sum += analogRead', 'sum = analogRead'],
    ],
    [
      'sum in the loop',
      'name-out-of-scope',
      'Move the declaration of sum from line 14 to the top of the program.',
      ['  long sum = 0;\n  for', '  for'],
      ['i++) {\n    sum', 'i++) {\n    long sum = 0;\n    sum'],
    ],
    ['byte sum', 'not-lit', 'Write int instead of byte in line 13.', ['long sum', 'byte sum']],
    ['SAMPLES + 1', 'not-lit', 'Write 1 instead of 0 in line 14.', ['i < SAMPLES', 'i <= SAMPLES']],
    [
      'i = 1',
      'not-lit',
      'Write 0 instead of 1 in line 14.',
      ['int i = 0; i < SAMPLES', 'int i = 1; i < SAMPLES'],
    ],
    [
      'void readCelsius',
      'arguments',
      'Write float instead of void in line 12.',
      ['float readCelsius', 'void readCelsius'],
    ],
    ['no return', 'not-lit', 'Write return at the beginning of line 19.', ['return (volts', '(volts']],
    [
      'DIAL for SENSOR',
      'pin-disagrees',
      'Write SENSOR instead of DIAL in line 15.',
      ['analogRead(SENSOR)', 'analogRead(DIAL)'],
    ],
    [
      'SENSOR for DIAL',
      'pin-disagrees',
      'Write DIAL instead of SENSOR in line 23.',
      ['analogRead(DIAL)', 'analogRead(SENSOR)'],
    ],
    [
      'digitalRead dial',
      'not-lit',
      'Write analogRead instead of digitalRead in line 23.',
      ['analogRead(DIAL)', 'digitalRead(DIAL)'],
    ],
    ['map 255', 'out-of-range', 'Write 1023 instead of 255 in line 23.', ['0, 1023, MIN', '0, 255, MIN']],
    [
      'map turned',
      'arguments',
      'Write MIN_WANTED, MAX_WANTED instead of MAX_WANTED, MIN_WANTED in line 23.',
      ['MIN_WANTED, MAX_WANTED)', 'MAX_WANTED, MIN_WANTED)'],
    ],
    [
      'map from MIN',
      'arguments',
      'Write 0, 1023, MIN_WANTED, MAX_WANTED instead of MIN_WANTED, MAX_WANTED, 0, 1023 in line 23.',
      ['0, 1023, MIN_WANTED, MAX_WANTED', 'MIN_WANTED, MAX_WANTED, 0, 1023'],
    ],
    [
      'no map',
      'not-lit',
      'Write map(analogRead(DIAL), 0, 1023, MIN_WANTED, MAX_WANTED) instead of analogRead(DIAL) in line 23.',
      ['map(analogRead(DIAL), 0, 1023, MIN_WANTED, MAX_WANTED)', 'analogRead(DIAL)'],
    ],
    ['MIN 100', 'not-lit', 'Write 10 instead of 100 in line 7.', ['MIN_WANTED = 10', 'MIN_WANTED = 100']],
    [
      'MIN and MAX',
      'not-lit',
      'Exchange 40 in line 7 and 10 in line 8.',
      ['MIN_WANTED = 10', 'MIN_WANTED = 40'],
      ['MAX_WANTED = 40', 'MAX_WANTED = 10'],
    ],
    ['SLACK 10', 'unsteady', 'Write 1 instead of 10.0 in line 9.', ['SLACK = 1.0', 'SLACK = 10.0']],
    ['SLACK 0', 'not-dark', 'Write 1 instead of 0.0 in line 9.', ['SLACK = 1.0', 'SLACK = 0.0']],
    ['+ SLACK twice', 'not-dark', 'Write - instead of + in line 39.', ['wanted - SLACK', 'wanted + SLACK']],
    ['- SLACK twice', 'not-dark', 'Write + instead of - in line 42.', ['wanted + SLACK', 'wanted - SLACK']],
    ['> and >', 'logic-inverted', 'Write < instead of > in line 39.', ['now < wanted', 'now > wanted']],
    ['< and <', 'logic-inverted', 'Write > instead of < in line 42.', ['now > wanted', 'now < wanted']],
    [
      'heater and fan',
      'pin-disagrees',
      'Write HEATER instead of FAN in line 41.',
      [
        'digitalWrite(HEATER, HIGH);\n    digitalWrite(FAN, LOW)',
        'digitalWrite(HEATER, LOW);\n    digitalWrite(FAN, HIGH)',
      ],
    ],
    [
      'HEATER twice',
      'pin-disagrees',
      'Write FAN instead of HEATER in line 44.',
      [
        'digitalWrite(HEATER, LOW);\n    digitalWrite(FAN, HIGH)',
        'digitalWrite(HEATER, LOW);\n    digitalWrite(HEATER, HIGH)',
      ],
    ],
    [
      'if instead of else if',
      'not-lit',
      'Write else if instead of if in line 43.',
      ['} else if (now', '}\n  if (now'],
    ],
    [
      'else if without if',
      'syntax-other',
      'Write else if (now > wanted + SLACK) instead of else(now > wanted + SLACK) in line 42.',
      ['} else if (now > wanted + SLACK) {', '} else (now > wanted + SLACK) {'],
    ],
    [
      'HIGH in else',
      'not-dark',
      'Write LOW instead of HIGH in line 46.',
      ['  } else {\n    digitalWrite(HEATER, LOW);', '  } else {\n    digitalWrite(HEATER, HIGH);'],
    ],
    [
      'wanted of readCelsius',
      'no-effect',
      'Write readWanted instead of readCelsius in line 34.',
      ['wanted = readWanted()', 'wanted = readCelsius()'],
    ],
    [
      'readWanted without ()',
      'arguments',
      'Write readWanted() instead of readWanted in line 34.',
      ['wanted = readWanted()', 'wanted = readWanted'],
    ],
    [
      'wanted once',
      'missed-input',
      'Add wanted = readWanted(); after line 34.',
      ['  int wanted = readWanted();\n', ''],
      ['void setup() {', 'int wanted = readWanted();\n\nvoid setup() {'],
    ],
    ['FAN 7', 'pin-disagrees', 'Write 6 instead of 7 in line 4.', ['FAN = 6', 'FAN = 7']],
    [
      'no pinMode FAN',
      'direction-unset',
      'Add pinMode(FAN, OUTPUT); to setup.',
      ['  pinMode(FAN, OUTPUT);\n', ''],
    ],
    [
      'delay 100000',
      'missed-input',
      'Write 100 instead of 100000 in line 49.',
      ['delay(100)', 'delay(100000)'],
    ],
    ['comma 0,5', 'not-lit', 'Write 0.5 instead of 0,5 in line 19.', ['volts - 0.5', 'volts - 0,5']],
  ],
};
