import { describe, expect, test } from 'vitest';
import { shippedBoards } from '../boards';
import type { FindingCode } from '../findings/finding';
import { grammars } from '../testing/beacon';
import { hardToRead } from '../testing/plain-words';
import { rightPrograms } from '../testing/right-programs';
import { lintProgram } from './lint';

const lint = (source: string, board = 'learner-5v') =>
  lintProgram(source, shippedBoards.get(board)!, grammars);

describe('a right program', () => {
  test.each(rightPrograms.map((program) => [`${program.language}: ${program.name}`, program] as const))(
    'has no fault: %s',
    (_, { source, board }) => {
      const faults = lint(source, board).filter(({ severity }) => severity === 'fault');
      expect(faults.map(({ code, line, message }) => `${code} ${line}: ${message}`)).toEqual([]);
    },
  );

  test('comes in more than forty styles', () => {
    expect(rightPrograms.length).toBeGreaterThan(40);
  });
});

const setup = 'void setup() { pinMode(13, OUTPUT); pinMode(2, INPUT_PULLUP); Serial.begin(9600); }\n';
const loop = (body: string) => `${setup}void loop() { ${body} }`;
const PRESSED = 'int last = HIGH; int count = 0;\n';

/** Programs with one thing not meant so: where it must be told, and how badly. */
const cases: readonly (readonly [FindingCode, 'fault' | 'advice', number, string, string?])[] = [
  ['always-true', 'fault', 2, loop('if (digitalRead(2) == LOW || 3) { digitalWrite(13, HIGH); }')],
  ['no-effect', 'fault', 2, loop('for (int i = 0; i < 3; i + 1) { digitalWrite(13, HIGH); }')],
  ['empty-body', 'fault', 2, loop('if (digitalRead(2) == LOW); { digitalWrite(13, HIGH); }')],
  ['empty-body', 'fault', 2, loop('while (digitalRead(2) == HIGH); { digitalWrite(13, HIGH); }')],
  ['empty-body', 'fault', 2, loop('for (int i = 0; i < 3; i++); { digitalWrite(13, HIGH); }')],
  [
    'state-reset',
    'fault',
    3,
    `${setup}void loop() {\n  int count = 0;\n  if (digitalRead(2) == LOW) { count++; }\n  Serial.println(count);\n  digitalWrite(13, LOW);\n}`,
  ],
  [
    'state-reset',
    'fault',
    3,
    `${setup}void loop() {\n  bool lit = false;\n  lit = !lit;\n  digitalWrite(13, lit);\n  digitalRead(2);\n}`,
  ],
  [
    'pin-unused',
    'advice',
    1,
    'void setup() { pinMode(12, OUTPUT); pinMode(13, OUTPUT); }\nvoid loop() { digitalWrite(13, HIGH); }',
  ],
  [
    'magic-number',
    'advice',
    1,
    'void setup() { pinMode(13, OUTPUT); }\nvoid loop() { digitalWrite(13, HIGH); delay(500); digitalWrite(13, LOW); delay(500); }',
  ],
  [
    'negative-pause',
    'fault',
    3,
    'int wait = 300;\nvoid setup() { pinMode(13, OUTPUT); }\nvoid loop() { digitalWrite(13, HIGH); delay(wait); wait = wait - 200; }',
  ],
  [
    'negative-pause',
    'fault',
    3,
    'int wait = 400;\nvoid setup() { pinMode(13, OUTPUT); }\nvoid loop() { digitalWrite(13, HIGH); delay(wait); if (wait > 0) { wait = wait - 200; } digitalWrite(13, LOW); }',
  ],
  ['out-of-range', 'fault', 2, loop('analogWrite(9, 300);')],
  ['out-of-range', 'fault', 2, loop('analogWrite(9, analogRead(A0));')],
  [
    'out-of-range',
    'fault',
    2,
    loop('int light = analogRead(A0); if (light > 2000) { digitalWrite(13, HIGH); }'),
  ],
  [
    'out-of-range',
    'fault',
    3,
    'int level = 200;\nvoid setup() { }\nvoid loop() { analogWrite(9, level); level += 30; delay(100); }',
  ],
  ['number-overflow', 'fault', 1, 'int wait = 60000;\nvoid setup() { }\nvoid loop() { delay(wait); }'],
  [
    'number-overflow',
    'fault',
    1,
    'byte level = 300;\nvoid setup() { }\nvoid loop() { analogWrite(9, level); }',
  ],
  ['number-overflow', 'fault', 2, loop('delay(60 * 1000);')],
  [
    'number-overflow',
    'fault',
    3,
    'int total = 30000;\nvoid setup() { }\nvoid loop() { total += 1000; delay(100); }',
  ],
  ['number-overflow', 'fault', 2, loop('byte level = analogRead(A0) + 300; analogWrite(9, level);')],
  [
    'integer-division',
    'fault',
    1,
    'float half = 1 / 2;\nvoid setup() { Serial.begin(9600); Serial.println(half); }\nvoid loop() { }',
  ],
  ['integer-division', 'advice', 2, loop('float volts = analogRead(A0) * 5 / 1023; Serial.println(volts);')],
  [
    'integer-division',
    'advice',
    2,
    loop('float warm = analogRead(A0) * 5 / 1024 * 100 - 50.0; Serial.println(warm);'),
  ],
  ['integer-division', 'fault', 2, loop('analogWrite(9, analogRead(A0) / 1023 * 255);')],
  ['serial-not-started', 'fault', 2, 'void setup() { }\nvoid loop() { Serial.println("tide"); delay(100); }'],
  [
    'wait-in-interrupt',
    'fault',
    2,
    'volatile bool on = false;\nvoid rung() { delay(100); on = true; }\nvoid setup() { pinMode(2, INPUT_PULLUP); attachInterrupt(digitalPinToInterrupt(2), rung, FALLING); }\nvoid loop() { if (on) { delay(5); } }',
  ],
  [
    'wait-in-interrupt',
    'fault',
    2,
    'volatile int n = 0;\nvoid say() { Serial.println(n); }\nvoid rung() { n++; say(); }\nvoid setup() { Serial.begin(9600); attachInterrupt(0, rung, FALLING); }\nvoid loop() { }',
  ],
  [
    'shared-not-volatile',
    'advice',
    1,
    'int n = 0;\nvoid rung() { n++; }\nvoid setup() { Serial.begin(9600); attachInterrupt(0, rung, FALLING); }\nvoid loop() { Serial.println(n); delay(500); }',
  ],
  [
    'shared-not-volatile',
    'fault',
    1,
    'bool rang = false;\nvoid rung() { rang = true; }\nvoid setup() { attachInterrupt(0, rung, FALLING); while (!rang) { } }\nvoid loop() { }',
  ],
  [
    'repeats-while-held',
    'fault',
    3,
    `${PRESSED}${loop('if (digitalRead(2) == LOW) { count++; } Serial.println(count); delay(50);')}`,
  ],
  [
    'double-count',
    'fault',
    3,
    `${PRESSED}${loop('int now = digitalRead(2); if (now != last) { count++; last = now; delay(20); } Serial.println(count);')}`,
  ],
  ['direction-unset', 'fault', 2, 'void setup() { }\nvoid loop() { digitalWrite(12, HIGH); delay(500); }'],
  [
    'pin-lacks-function',
    'fault',
    2,
    'volatile int n = 0; void rung() { n++; }\nvoid setup() { attachInterrupt(digitalPinToInterrupt(7), rung, FALLING); }\nvoid loop() { }',
  ],
  ['assign-in-condition', 'fault', 2, loop('int n = 1; if (n = 0) { digitalWrite(13, HIGH); }')],
  ['never-ends', 'fault', 2, loop('while (true) { digitalWrite(13, HIGH); }')],
  ['runtime-error', 'fault', 2, loop('int zero = 0; Serial.println(10 / zero); delay(500);')],
  [
    'runtime-error',
    'fault',
    1,
    'int list[3]; void setup() { } void loop() { int i = 7; list[i] = 1; delay(5); }',
  ],
  ['arguments', 'fault', 2, loop('digitalWrite(13);')],
  ['runtime-error', 'fault', 2, 'import time\nprint(1 / 0)\n', 'python-3v3'],
  [
    'direction-unset',
    'fault',
    4,
    'import board\nimport digitalio\nlamp = digitalio.DigitalInOut(board.D13)\nlamp.value = True\n',
    'python-3v3',
  ],
  ['negative-pause', 'fault', 2, 'import time\ntime.sleep(-1)\n', 'python-3v3'],
  [
    'out-of-range',
    'fault',
    4,
    'import board\nimport pwmio\nlamp = pwmio.PWMOut(board.D9)\nlamp.duty_cycle = 70000\n',
    'python-3v3',
  ],
  ['name-case', 'fault', 2, 'import time\nTime.sleep(1)\n', 'python-3v3'],
  ['never-ends', 'fault', 2, 'n = 0\nwhile True:\n    n = n + 1\n', 'python-3v3'],
  ['missing-entry', 'fault', 1, 'void setup() { }'],
];

describe('what is likely not meant so', () => {
  const rows = cases.map(
    ([code, severity, line, source, board = 'learner-5v']) => [code, severity, line, source, board] as const,
  );
  test.each(rows)('%s, %s in line %i: %s', (code, severity, line, source, board) => {
    const findings = lint(source, board);
    const found = findings.find((finding) => finding.code === code && finding.line === line);
    expect(findings.map((finding) => `${finding.code} ${finding.line}`)).toContain(`${code} ${line}`);
    expect(found!.severity).toBe(severity);
    expect(found!.message).not.toMatch(/undefined|NaN/);
    expect(hardToRead(found!)).toEqual([]);
    // Nobody is told words of a language that is not the program's.
    if (board === 'python-3v3') expect(found!.hints.join(' ')).not.toMatch(/pinMode|delay\(|loop\(\)|setup/);
  });
});

test('a pin whose interrupt is asked for by its number is used', () => {
  const program = (interrupt: string): string =>
    `volatile bool lit = false;\nvoid change() { lit = !lit; }\nvoid setup() { pinMode(2, INPUT_PULLUP); pinMode(13, OUTPUT); attachInterrupt(${interrupt}, change, FALLING); }\nvoid loop() { digitalWrite(13, lit); }`;
  const told = (interrupt: string) =>
    lint(program(interrupt)).filter(({ code }) => code === 'pin-unused').length;
  expect([told('0'), told('digitalPinToInterrupt(2)'), told('digitalPinToInterrupt(3)')]).toEqual([0, 0, 1]);
});
