import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { shippedBoards } from '../boards';
import { ref } from '../brand';
import { rehearse } from '../rehearsal/rehearse';
import type { Trace } from '../rehearsal/trace';
import { grammars } from '../testing/beacon';
import { samples } from '../testing/samples';
import type { Wiring } from '../wiring/wiring';
import { editDistance, nearest } from './names';
import { compileProgram } from './index';
import { applyTextEdit } from './problem';

const board = shippedBoards.get('learner-5v')!;
const bare: Wiring = { board: { ref: ref('U1'), profile: board }, breadboards: [], parts: [] };

function run(source: string, seconds = 1, skip = true): Trace {
  const program = compileProgram(source, board, grammars);
  if (!program.compiled)
    throw new Error(program.problems.map((problem) => problem.message).join('\n') || 'empty');
  return rehearse(program.compiled, bare, board, { seconds, skip });
}

const printed = (expression: string, before = ''): string => {
  const trace = run(
    `${before}\nvoid setup() { Serial.begin(115200); ${expression} }\nvoid loop() { delay(1000); }`,
  );
  return trace.serial
    .map((piece) => piece.text)
    .join('')
    .trim()
    .replace(/\r\n/g, ' ');
};

describe('arithmetic on the 8-bit boards', () => {
  test.each([
    // Integer widths and wrap-around: C++ [basic.fundamental], 16-bit int.
    ['int x = 32767; x++; Serial.print(x);', '-32768'],
    ['unsigned int x = 0; x--; Serial.print(x);', '65535'],
    ['byte b = 300; Serial.print(b);', '44'],
    ['byte b = 250; b += 10; Serial.print(b);', '4'],
    ['char c = 200; Serial.print((int) c);', '-56'],
    ['long x = 100000; Serial.print(x * 2);', '200000'],
    ['int a = 300; int b = 300; Serial.print(a * b);', '24464'],
    ['int a = 300; Serial.print(a * 300L);', '90000'],
    ['Serial.print(40000 + 1);', '40001'],
    // Promotion and unsigned comparison: [expr.arith.conv].
    ['unsigned int u = 1; int i = -1; Serial.print(i < u);', '0'],
    ['byte a = 200; byte b = 100; Serial.print(a + b);', '300'],
    // Division cuts towards zero; the remainder follows the dividend.
    ['Serial.print(-7 / 2);', '-3'],
    ['Serial.print(-7 % 2);', '-1'],
    ['int z = 0; Serial.print(7 / z);', '-1'],
    ['int z = 0; Serial.print(7 % z);', '7'],
    // Shifts work on the promoted left side.
    ['Serial.print(1 << 15);', '-32768'],
    ['Serial.print(1L << 16);', '65536'],
    ['int x = -8; Serial.print(x >> 1);', '-4'],
    // Floats are 32-bit, also where the program says double.
    ['float f = 1.0 / 3; Serial.print(f, 6);', '0.333333'],
    ['double d = 16777217.0; Serial.print(d);', '16777216.00'],
    ['Serial.print(7 / 2.0);', '3.50'],
    ['int x = 3.99; Serial.print(x);', '3'],
    ['int x = -3.99; Serial.print(x);', '-3'],
    // Printing.
    ["Serial.print('A');", 'A'],
    ["Serial.print('A' + 1);", '66'],
    ['Serial.print(255, HEX); Serial.print(5, BIN);', 'FF101'],
    ['Serial.print(3.14159, 3);', '3.142'],
    ['Serial.print("a\\tb");', 'a\tb'],
    // Expressions.
    ['int i = 5; int j = i++ + ++i; Serial.print(j);', '12'],
    ['int x = 5; x *= 3; x -= 1; x %= 4; Serial.print(x);', '2'],
    ['Serial.print(3 > 2 && 2 > 1 || false);', '1'],
    ['Serial.print(true ? 10 : 20);', '10'],
    ['Serial.print(~5 & 0xF);', '10'],
    ['Serial.print(!0);', '1'],
    // Library.
    ['Serial.print(map(512, 0, 1023, 0, 255));', '127'],
    [
      'Serial.print(constrain(12, 0, 10)); Serial.print(min(3, 2)); Serial.print(max(3, 2)); Serial.print(abs(-4));',
      '10234',
    ],
  ])('%s prints %s', (source, expected) => {
    expect(printed(source)).toBe(expected);
  });

  test('loops, switches, arrays and functions do what they say', () => {
    expect(
      printed(
        'int sum = 0; for (int i = 1; i <= 10; i++) { if (i == 3) continue; if (i == 8) break; sum += i; } Serial.print(sum);',
      ),
    ).toBe('25');
    expect(printed('int n = 3; do { Serial.print(n); n--; } while (n > 0);')).toBe('321');
    expect(
      printed(
        'for (int i = 0; i < 4; i++) { switch (i) { case 0: Serial.print("a"); case 1: Serial.print("b"); break; default: Serial.print("d"); } }',
      ),
    ).toBe('abbdd');
    expect(printed('int a[] = {3, 1, 2}; a[1] = a[0] + a[2]; Serial.print(a[1]);')).toBe('5');
    expect(printed('Serial.print(twice(21));', 'int twice(int x) { return 2 * x; }')).toBe('42');
  }, 10_000);
});

describe('a run', () => {
  test('ends when the wanted time is over', () => {
    expect(run('void setup() {}\nvoid loop() { delay(100); }', 3).ended).toMatchObject({
      reason: 'time',
      at: 3,
    });
  });

  test('skips passes that change nothing, and comes to the very same trace', () => {
    const clock = (wait: number, on: number): string =>
      `unsigned long last = 0; bool lit = false;
       void setup() { pinMode(13, OUTPUT); }
       void loop() { unsigned long now = millis(); if (now - last >= (lit ? ${on} : ${wait})) { last = now; lit = !lit; digitalWrite(13, lit); } }`;
    const inner = (wait: number, on: number): string =>
      `void setup() { pinMode(13, OUTPUT); }
       void hold(unsigned long ms) { unsigned long since = millis(); while (millis() - since < ms) { } }
       void loop() { digitalWrite(13, HIGH); hold(${on}); digitalWrite(13, LOW); hold(${wait}); }`;
    const deadline = (wait: number, on: number): string =>
      `unsigned long next = ${wait}; int step = 0;
       void setup() { pinMode(13, OUTPUT); }
       void loop() { if (millis() > next) { step++; digitalWrite(13, step % 2); next = next + (step % 2 ? ${on} : ${wait}); } }`;
    const micro = (wait: number, on: number): string =>
      `unsigned long last = 0; bool lit = false;
       void setup() { pinMode(13, OUTPUT); }
       void loop() { if (micros() - last > ${on}000UL) { last = micros(); lit = !lit; digitalWrite(13, lit); } delayMicroseconds(${wait}); }`;
    const fields = (wait: number, on: number): string =>
      `struct Lamp { byte pin; unsigned long last; bool lit; };
       Lamp lamps[2] = {{13, 0, false}, {12, 0, false}};
       void turn(Lamp *lamp, unsigned long ms) { if (millis() - lamp->last >= ms) { lamp->last = millis(); lamp->lit = !lamp->lit; digitalWrite(lamp->pin, lamp->lit); } }
       void setup() { for (byte i = 0; i < 2; i++) pinMode(lamps[i].pin, OUTPUT); }
       void loop() { turn(&lamps[0], ${wait}); turn(&lamps[1], ${on}); }`;
    const remembering = (wait: number, on: number): string =>
      `unsigned long since(unsigned long &moment) { return millis() - moment; }
       void setup() { pinMode(13, OUTPUT); }
       void loop() { static unsigned long last = millis(); static int list[2] = {${wait}, ${on}}; static byte at = 0;
         if (since(last) >= list[at]) { last = millis(); at = (at + 1) % 2; digitalWrite(13, at); } }`;
    fc.assert(
      fc.property(
        fc.constantFrom(clock, inner, deadline, micro, fields, remembering),
        fc.integer({ min: 1, max: 90 }),
        fc.integer({ min: 1, max: 90 }),
        (write, wait, on) => {
          const source = write(wait, on);
          const [fast, plain] = [run(source, 0.3, true), run(source, 0.3, false)];
          expect([...fast.pins]).toEqual([...plain.pins]);
          expect(fast.ended.at).toBe(plain.ended.at);
          expect(fast.steps).toBeLessThanOrEqual(plain.steps);
        },
      ),
      { numRuns: samples(200), seed: 3 },
    );
  }, 60_000);

  test('waits on the clock for a minute in a handful of steps', () => {
    const trace = run(
      'unsigned long last = 0;\nvoid setup() {}\nvoid loop() { if (millis() - last >= 10000) { last = millis(); } }',
      60,
    );
    expect(trace.steps).toBeLessThan(500);
  });

  test('gives up a program that recurses, as the board’s memory does', () => {
    const trace = run('int f(int n) { return f(n + 1); }\nvoid setup() { f(1); }\nvoid loop() {}');
    expect(trace.ended.reason).toBe('memory');
  });

  test('names the loop that never ends', () => {
    const trace = run('void setup() {}\nvoid loop() {\n  while (true) { }\n}', 5);
    expect(trace.ended.loop).toMatchObject({ line: 3, paused: false });
  });

  test('goes on after a division by zero and a bad index, and remembers both', () => {
    const trace = run(
      'int a[3];\nvoid setup() { int z = 0; a[0] = 5 / z;\n a[7] = 1; }\nvoid loop() { delay(10); }',
    );
    expect(trace.silentErrors).toMatchObject([
      { kind: 'division', line: 2 },
      { kind: 'index', line: 3, name: 'a', index: 7, length: 3 },
    ]);
  });

  test('reaches no memory that is not there, wherever a pointer points', () => {
    const trace = run(
      'int a = 5;\nint *p = &a;\nvoid setup() { p = p + 30000; *p = 1; p = 0; *p = 7; p -= 32000; *p = *p + 1; }\nvoid loop() { delay(100); }',
    );
    expect(trace.ended.reason).toBe('time');
  });

  test('treats a write to a pin that is no output as its pull-up', () => {
    const trace = run('void setup() {}\nvoid loop() { digitalWrite(13, HIGH); delay(100); }');
    expect(trace.pins.get('13')).toMatchObject([{ drive: { mode: 'pullup' } }]);
    expect(trace.undirected).toMatchObject([{ pin: '13', level: 'high', line: 2 }]);
  });

  test('switches a plain pin at half when it is given a PWM value', () => {
    const trace = run(
      'void setup() { analogWrite(13, 100); analogWrite(12, 200); analogWrite(9, 64); }\nvoid loop() { delay(9); }',
    );
    expect(trace.pins.get('13')!.at(-1)!.drive).toEqual({ mode: 'low' });
    expect(trace.pins.get('12')!.at(-1)!.drive).toEqual({ mode: 'high' });
    expect(trace.pins.get('9')!.at(-1)!.drive).toEqual({ mode: 'pwm', duty: 64 / 255 });
  });

  test('prints at the speed of the serial line once its buffer is full', () => {
    const trace = run('void setup() { Serial.begin(9600); }\nvoid loop() { Serial.print("0123456789"); }', 2);
    const characters = trace.serial.reduce((sum, piece) => sum + piece.text.length, 0);
    expect(characters).toBeGreaterThan(2 * 960);
    expect(characters).toBeLessThan(2 * 960 + 90);
  });
});

describe('what a compiler refuses of pointers, structs and texts', () => {
  test.each([
    ['struct Lamp { int pin; };\nLamp lamp;\nvoid setup() { lamp.Pin = 3; }', 'name-case', 3, 'pin'],
    ['struct Lamp { int pin; };\nLamp lamp;\nvoid setup() { lamp.level = 3; }', 'name-unknown', 3, 'level'],
    ['int a = 5;\nint *p = a;\nvoid setup() { }', 'arguments', 2, 'a pointer to int is wanted'],
    ['int a = 5;\nint *p = &a;\nvoid setup() { int b = p; }', 'arguments', 3, 'a number is wanted'],
    ['char name[5] = "mast";\nvoid setup() { int n = strlen(5); }', 'arguments', 2, 'a pointer to char'],
    [
      'void twice(int &a) { a *= 2; }\nvoid setup() { long b = 1; twice(b); }',
      'arguments',
      2,
      'b is of type long',
    ],
    ['#define TWICE(x) x * 2\nvoid setup() { int a = TWICE(1, 2); }', 'arguments', 2, 'takes 1 value'],
    ['lantern a;\nvoid setup() { }', 'name-unknown', 1, 'lantern'],
  ])('%s', (source, code, line, words) => {
    const { problems, compiled } = compileProgram(`${source}\nvoid loop() { }\n`, board, grammars);
    expect(compiled).toBeUndefined();
    expect(problems[0]).toMatchObject({ code, line });
    expect(problems[0]!.message).toContain(words);
  });

  test.each([
    ['class Big : public Lamp { public: int pin; };\nBig lamp; int all = lamp.pin;', 'cpp'],
    ['template <typename T> T larger(T a, T b) { return a > b ? a : b; }\nint most = larger(1, 2);', 'cpp'],
    ['void one() { }\nvoid (*steps[])() = {one, one};', 'cpp'],
    [
      'def numbers():\n    for i in range(3):\n        yield i\nfor n in numbers():\n    print(n)\n',
      'python',
    ],
    ['@staticmethod\ndef lamp():\n    return 13\nprint(lamp())\n', 'python'],
  ] as const)('takes no name in what is not supported for a misspelling: %s', (source, language) => {
    const text = language === 'cpp' ? `${source}\n${setup}${loop}` : source;
    const { problems } = compileProgram(text, board, grammars, language);
    expect(problems).toMatchObject([{ unsupported: true }]);
  });
});

const setup = 'void setup() {\n  pinMode(13, OUTPUT);\n}\n';
const loop = 'void loop() {\n  digitalWrite(13, HIGH);\n  delay(500);\n}\n';

describe('the first problem of a program', () => {
  test.each([
    [
      'a missing semicolon at the end of a line',
      setup + loop.replace('delay(500);', 'delay(500)'),
      'syntax-semicolon',
      6,
      13,
    ],
    ['a missing semicolon before a brace', setup.replace(');', ')') + loop, 'syntax-semicolon', 2, 22],
    ['a missing semicolon after a declaration', `int lamp = 13\n${setup}${loop}`, 'syntax-semicolon', 1, 14],
    [
      'a missing semicolon between two on one line',
      setup + loop.replace('HIGH);\n  delay', 'HIGH) delay'),
      'syntax-semicolon',
      5,
      25,
    ],
    [
      'a comma in the head of a for',
      `${setup}void loop() {\n  for (int i = 0, i < 3; i++) { delay(5); }\n}\n`,
      'syntax-semicolon',
      5,
      17,
    ],
    ['a semicolon after #define', `#define LAMP 13;\n${setup}${loop}`, 'syntax-semicolon', 1, 16],
    ['a missing brace at the end of setup', `${setup.replace('}\n', '')}${loop}`, 'syntax-brace', 2, 23],
    ['a missing brace at the end of the program', setup + loop.replace(/}\n$/, ''), 'syntax-brace', 6, 14],
    [
      'a missing brace of an if inside loop',
      `${setup}void loop() {\n  if (true) {\n    delay(5);\n  delay(6);\n}\n`,
      'syntax-brace',
      6,
      14,
    ],
    ['a missing opening brace of a function', setup.replace(' {', '') + loop, 'syntax-brace', 1, 13],
    ['a brace too many', `${setup}${loop}}\n`, 'syntax-brace', 8, 1],
    ['a missing closing parenthesis', setup + loop.replace('HIGH)', 'HIGH'), 'syntax-paren', 5, 24],
    ['a parenthesis too many', setup + loop.replace('HIGH)', 'HIGH))'), 'syntax-paren', 5, 25],
    ['a missing opening parenthesis', setup + loop.replace('delay(500)', 'delay 500)'), 'syntax-paren', 6, 8],
    [
      'a missing parenthesis after if',
      `${setup}void loop() {\n  if digitalRead(2) == HIGH) { delay(5); }\n}\n`,
      'syntax-paren',
      5,
      5,
    ],
    ['missing parentheses after setup', setup.replace('()', '') + loop, 'syntax-paren', 1, 11],
    ['an open quote', `${setup}void loop() {\n  Serial.println("hello);\n}\n`, 'syntax-quote', 5, 24],
    ['curly quotes', `${setup}void loop() {\n  Serial.println(“hello”);\n}\n`, 'syntax-quote', 5, 18],
    ['a missing comma', setup.replace('13, OUTPUT', '13 OUTPUT') + loop, 'syntax-other', 2, 13],
    ['an odd space from a slide', setup.replace('  pin', '\u00a0 pin') + loop, 'syntax-other', 2, 1],
    ['full-width letters', setup.replace('13', '１３') + loop, 'syntax-other', 2, 11],
    ['a function in the wrong case', setup + loop.replace('digitalWrite', 'digitalwrite'), 'name-case', 5, 3],
    ['a constant in the wrong case', setup.replace('OUTPUT', 'output') + loop, 'name-case', 2, 15],
    ['setup in the wrong case', setup.replace('setup', 'Setup') + loop, 'name-case', 1, 6],
    ['a type in the wrong case', `Int lamp = 13;\n${setup}${loop}`, 'name-case', 1, 1],
    ['a misspelt function', setup + loop.replace('delay', 'dealy'), 'name-unknown', 6, 3],
    ['an undeclared name', setup.replace('13', 'lamp') + loop, 'name-unknown', 2, 11],
    [
      'a name declared inside setup',
      `void setup() {\n  int lamp = 13;\n  pinMode(lamp, OUTPUT);\n}\nvoid loop() {\n  digitalWrite(lamp, HIGH);\n}\n`,
      'name-out-of-scope',
      6,
      16,
    ],
    ['a name declared twice', `int lamp = 13;\nint lamp = 12;\n${setup}${loop}`, 'name-redeclared', 2, 5],
    ['a missing value', setup.replace('13, OUTPUT', '13') + loop, 'arguments', 2, 3],
    ['a missing loop', setup, 'missing-entry', 1, 1],
    [
      'a change of a constant',
      `const int LAMP = 13;\n${setup}void loop() {\n  LAMP = 12;\n}\n`,
      'syntax-other',
      6,
      3,
    ],
    [
      'one = in a condition',
      `int x = 0;\n${setup}void loop() {\n  if (x = 1) { delay(5); }\n}\n`,
      'assign-in-condition',
      6,
      9,
    ],
  ])('is %s', (_, source, code, line, column) => {
    const [problem] = compileProgram(source, board, grammars).problems;
    expect(problem).toMatchObject({ code, line, column });
  });

  test.each(['syntax-semicolon', 'syntax-paren', 'syntax-brace'])(
    'of the kind %s is gone once its repair is made',
    (code) => {
      const broken = {
        'syntax-semicolon': loop.replace('500);', '500)'),
        'syntax-paren': loop.replace('HIGH)', 'HIGH'),
        'syntax-brace': loop.replace(/}\n$/, ''),
      }[code]!;
      const [problem] = compileProgram(setup + broken, board, grammars).problems;
      expect(problem!.code).toBe(code);
      const edit = problem!.repair!.edits[0]!;
      const mended = 'replace' in edit ? applyTextEdit(setup + broken, edit.replace) : '';
      expect(compileProgram(mended, board, grammars).problems).toEqual([]);
    },
  );

  test.each([
    ['class Lamp { };\nclass Big : public Servo, public Lamp { };', 'a class made from'],
    ['#include <Teapot.h>\nTeapot pot;', 'the library'],
    ['struct Lamp { static void on() { } };', 'in a class'],
    ['int &first() { return all; }', '“int &first()'],
    ['#define NAME(x) #x', '“#define NAME(x)'],
  ])('names what is not supported: %s', (source, words) => {
    const { problems, compiled } = compileProgram(`${source}\n${setup}${loop}`, board, grammars);
    expect(compiled).toBeUndefined();
    expect(problems[0]).toMatchObject({ unsupported: true });
    expect(problems[0]!.message).toContain(words);
  });

  test.each([
    ['nested brackets', `${setup}void loop() { int x = ${'('.repeat(50_000)}1${')'.repeat(50_000)}; }`],
    ['a sum of many terms', `${setup}void loop() { int x = 1${' + 1'.repeat(20_000)}; }`],
    ['a chain of else', `${setup}void loop() { ${'if (true) {} else '.repeat(10_000)} {} }`],
    ['binary rubbish', '\u0001\u0002\u0003{{{(((;;;'.repeat(500)],
    ['another language', 'def blink():\n    while True:\n        pass\n'],
  ])('of %s is found without a crash', (_, source) => {
    const program = compileProgram(source, board, grammars);
    expect(program.compiled).toBeUndefined();
    expect(program.problems.length).toBeGreaterThan(0);
  });

  test('never makes the reader throw, whatever is cut out of a program', () => {
    const whole = setup + loop;
    fc.assert(
      fc.property(fc.nat(whole.length), fc.nat(12), fc.string({ maxLength: 4 }), (at, length, put) => {
        const source = whole.slice(0, at) + put + whole.slice(at + length);
        expect(Array.isArray(compileProgram(source, board, grammars).problems)).toBe(true);
      }),
      { numRuns: 400, seed: 11 },
    );
  });
});

describe('right programs in other styles', () => {
  test.each([
    [
      'comments, odd spacing and CRLF',
      `/* beacon */\r\n// more\r\n${setup.replace(/\n/g, '\r\n')}${loop.replace(/ {2}/g, '\t')}`,
    ],
    ['braces on their own lines', setup.replace(' {', '\n{') + loop.replace(' {', '\n{')],
    [
      'no braces around one statement',
      `${setup}void loop() {\n  if (millis() > 5)\n    delay(1);\n  else\n    delay(2);\n}\n`,
    ],
    [
      'a function defined after its use',
      `void setup() { lamp(true); }\nvoid loop() {}\nvoid lamp(bool on) { digitalWrite(13, on); }\n`,
    ],
    [
      'a function announced first',
      `void lamp(bool on);\nvoid setup() { lamp(true); }\nvoid loop() {}\nvoid lamp(bool on) { digitalWrite(13, on); }\n`,
    ],
    [
      'arrays, defines and nested calls',
      `#define COUNT 3\nint pins[COUNT] = {2, 3, 4};\nvoid setup() { for (int i = 0; i < COUNT; i++) { pinMode(pins[i], OUTPUT); } }\nvoid loop() { delay(max(5, min(9, 7))); }\n`,
    ],
  ])('have no problems: %s', (_, source) => {
    const { problems } = compileProgram(source, board, grammars);
    expect(problems.filter(({ severity }) => severity !== 'advice')).toEqual([]);
  });
});

describe('the nearest known name', () => {
  test('counts a swap of two letters as one change, and does not guess wildly', () => {
    expect(editDistance('dealy', 'delay', 3)).toBe(1);
    expect(nearest('digitlWrite', ['digitalWrite', 'digitalRead'])).toBe('digitalWrite');
    expect(nearest('x', ['delay', 'HIGH'])).toBeUndefined();
  });
});
