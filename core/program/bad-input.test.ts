import { describe, expect, test } from 'vitest';
import { shippedBoards } from '../boards';
import { ref } from '../brand';
import { rehearse } from '../rehearsal/rehearse';
import { grammars } from '../testing/beacon';
import { compileProgram, type Language } from './index';

const boards: Readonly<Record<Language, string>> = { cpp: 'learner-5v', python: 'python-3v3' };

function run(source: string, language: Language) {
  const board = shippedBoards.get(boards[language])!;
  const program = compileProgram(source, board, grammars, language);
  const bare = { board: { ref: ref('U1'), profile: board }, breadboards: [], parts: [] };
  return {
    ...program,
    trace: program.compiled && rehearse(program.compiled, bare, board, { seconds: 5, steps: 300_000 }),
  };
}

const setup = 'void setup() { Serial.begin(9600); }\n';

describe('a program that uses up whatever it can get', () => {
  test.each<readonly [string, Language, string, RegExp]>([
    [
      'never ends',
      'cpp',
      `${setup}void loop() { int i = 0; while (true) { i++; if (i > 5) i = 0; } }`,
      /steps|time/,
    ],
    ['calls itself', 'cpp', 'void f() { f(); }\nvoid setup() { f(); }\nvoid loop() { }', /memory/],
    [
      'prints without end',
      'cpp',
      `${setup}void loop() { Serial.println("tide tide tide tide tide"); }`,
      /output|time|steps/,
    ],
    [
      'takes exponential time',
      'cpp',
      'int f(int n) { if (n < 2) return n; return f(n - 1) + f(n - 2); }\nvoid setup() { f(40); }\nvoid loop() { }',
      /steps|time/,
    ],
    [
      'makes a text longer and longer',
      'cpp',
      'String s = "x"; void setup() { } void loop() { s += s; s += "y"; }',
      /steps|time|memory/,
    ],
    [
      'makes ever new texts',
      'cpp',
      'long n = 0; String s; void setup() { } void loop() { s = String(n++) + String(n); }',
      /steps|time|memory/,
    ],
    ['never ends', 'python', 'n = 0\nwhile True:\n    n += 1\n', /steps/],
    ['makes a list longer and longer', 'python', 'a = []\nwhile True:\n    a.append(1)\n', /finished/],
    ['doubles a list', 'python', 'a = [1]\nwhile True:\n    a = a + a\n', /finished/],
    ['doubles a text', 'python', 's = "x"\nwhile True:\n    s += s\n', /finished/],
    ['squares a number', 'python', 'n = 7\nwhile True:\n    n = n * n\n', /finished/],
    ['calls itself', 'python', 'def f():\n    return f()\nf()\n', /finished/],
    ['prints without end', 'python', 'while True:\n    print("tide")\n', /output|steps|time/],
    ['makes a list of a thousand million', 'python', 'a = [0] * 1000000000\n', /finished/],
    ['counts a thousand million', 'python', 'for i in range(1000000000):\n    pass\n', /steps/],
    ['makes a list of such a range', 'python', 'a = list(range(1000000000))\n', /finished/],
    ['raises a power', 'python', 'n = 9 ** 9 ** 9\n', /finished/],
    ['asks for a wide format', 'python', 'print("%999999999d" % 1)\n', /finished/],
    ['waits for an answer that does not come', 'python', 'name = input("name? ")\n', /time/],
  ])('%s, in %s: ends within its budget', (_, language, source, reason) => {
    expect(run(source, language).trace?.ended.reason).toMatch(reason);
  });
});

describe('a text that is no program', () => {
  const MEGABYTE = 1_000_000;
  test.each<readonly [string, Language, string]>([
    ['a megabyte of letters', 'cpp', 'x'.repeat(MEGABYTE)],
    ['a megabyte of statements', 'cpp', `${setup}void loop() {\n${'delay(1);\n'.repeat(MEGABYTE / 10)}}`],
    ['a megabyte of brackets', 'cpp', '('.repeat(MEGABYTE)],
    ['a megabyte of letters', 'python', 'x'.repeat(MEGABYTE)],
    ['a megabyte of statements', 'python', 'print(1)\n'.repeat(MEGABYTE / 10)],
    ['a megabyte of brackets', 'python', '['.repeat(MEGABYTE)],
    [
      'deep indentation',
      'python',
      Array.from({ length: 400 }, (_, depth) => `${' '.repeat(depth)}if True:\n`).join('') +
        ' '.repeat(401) +
        'pass\n',
    ],
    ['a sum of many terms', 'python', `x = 1${' + 1'.repeat(20_000)}\n`],
    ['binary', 'cpp', String.fromCharCode(...Array.from({ length: 256 }, (_, code) => code))],
    ['binary', 'python', String.fromCharCode(...Array.from({ length: 256 }, (_, code) => code))],
    ['half a letter', 'cpp', `${setup}void loop() { } // \ud800`],
    ['another language', 'cpp', 'function loop() { let x = 1; console.log(`tide ${x}`); }'],
    ['another language', 'python', 'function loop() {\n  let x = 1;\n}\n'],
    ['a web page', 'cpp', '<html><body>Beacon</body></html>'],
    ['a web page', 'python', '<html><body>Beacon</body></html>'],
    ['a wiring table', 'python', 'ref,kind,value,leg,at\nU1,board,learner-5v,,\n'],
  ])('%s, as %s, is told at a place or read', (_, language, source) => {
    const { problems, isEmpty } = run(source, language);
    const lines = source.split('\n').length;
    for (const { line, column } of problems) expect(line >= 1 && line <= lines + 1 && column >= 1).toBe(true);
    if (problems.length === 0) expect(isEmpty || source.includes('1') || source.includes('//')).toBe(true);
  });
});

describe('a right program that was pasted', () => {
  const cpp =
    'const int LAMP = 13;\nvoid setup() {\n  pinMode(LAMP, OUTPUT);\n}\nvoid loop() {\n  digitalWrite(LAMP, HIGH);\n  delay(500);\n}\n';
  const python =
    'import board\nimport time\nn = 0\nwhile n < 3:\n    n += 1\n    time.sleep(0.1)\nprint(n)\n';

  test.each<readonly [string, Language, string]>([
    ['with the line ends of another system', 'cpp', cpp.replace(/\n/g, '\r\n')],
    ['with tabs', 'cpp', cpp.replace(/ {2}/g, '\t')],
    ['without a last line end', 'cpp', cpp.trimEnd()],
    ['with the line ends of another system', 'python', python.replace(/\n/g, '\r\n')],
    ['with tabs', 'python', python.replace(/ {4}/g, '\t')],
    ['without a last line end', 'python', python.trimEnd()],
  ])('%s, as %s, is right still', (_, language, source) => {
    expect(run(source, language).problems.filter(({ severity }) => severity === 'fault')).toEqual([]);
  });

  test.each<readonly [string, Language, string, string]>([
    ['smart quotes', 'cpp', `${setup}void loop() { Serial.println(“tide”); }`, 'syntax-quote'],
    ['full-width letters', 'cpp', `${setup}void loop() { ｄelay(5); }`, 'syntax-other'],
    ['a byte-order mark', 'cpp', `\ufeff${cpp}`, 'syntax-other'],
    ['smart quotes', 'python', 'print(“tide”)\n', 'syntax-quote'],
    ['full-width brackets', 'python', 'print（1）\n', 'syntax-other'],
  ])('with %s, as %s, is told where to type it again', (_, language, source, code) => {
    const [first] = run(source, language).problems;
    expect(first).toMatchObject({ code });
    expect(first!.repair).toBeDefined();
  });
});
