import { readdirSync, readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Language } from '../index';
import { piecesOf } from '../pieces';
import { meaningDifference } from './index';

const same = { asked: [], built: [] };
const cpp = (asked: string, built: string, pins?: ReadonlyMap<string, string>) =>
  meaningDifference(asked, built, 'cpp', pins);
const python = (asked: string, built: string) => meaningDifference(asked, built, 'python');

const BEACON = `// Beacon.
const int LAMP = 13;

void setup() {
  pinMode(LAMP, OUTPUT);
}

void loop() {
  digitalWrite(LAMP, HIGH);
  delay(500);
  digitalWrite(LAMP, LOW);
  delay(2500);
}
`;

describe('two programs in C++ say the same', () => {
  test.each([
    ['with another name', BEACON.replaceAll('LAMP', 'beacon')],
    [
      'with the number in place of the name',
      BEACON.replace('const int LAMP = 13;', '').replaceAll('LAMP', '13'),
    ],
    ['with the name by #define', BEACON.replace('const int LAMP = 13;', '#define LAMP 13')],
    [
      'in fewer lines and other spaces',
      BEACON.replace(/\n/g, ' ').replace('// Beacon.', '').replace(/ {2,}/g, ' '),
    ],
    ['with levels as numbers', BEACON.replace('HIGH', '1').replace('LOW', 'false')],
    ['with remarks of their own', BEACON.replace(/;\n/g, '; // so\n').replace('// Beacon.', '/* by\nme */')],
    ['with functions in another order', BEACON.replace(/(void setup[\s\S]*?\n}\n)\n([\s\S]*)/, '$2\n$1')],
    ['with other ways to write a number', BEACON.replace('500', '500UL').replace('2500', '0x9C4')],
  ])('%s', (_, built) => {
    expect(built).not.toBe(BEACON);
    expect(cpp(BEACON, built)).toEqual(same);
  });

  test('with braces that change nothing, and updates written out', () => {
    const one =
      'int n = 0;\nvoid loop() {\n  if (n > 3) n++;\n  else n += 2;\n  for (int i = 0; i < 3; i++) { f(i); }\n}';
    const other =
      'int k = 0;\nvoid loop()\n{\n  if (k > 3)\n  {\n    k = k + 1;\n  }\n  else\n  {\n    k = k + 2;\n  }\n  for (int j = 0; j < 3; ++j)\n    f(j);\n}';
    expect(cpp(one, other)).toEqual(same);
  });

  test('with pins set up in another order', () => {
    const one = 'void setup() { pinMode(8, OUTPUT); pinMode(2, INPUT_PULLUP); }\nvoid loop() {}';
    const other = 'void setup() { pinMode(2, INPUT_PULLUP); pinMode(8, OUTPUT); }\nvoid loop() {}';
    expect(cpp(one, other)).toEqual(same);
  });

  test('on another pin, where the wiring has it there', () => {
    const moved = BEACON.replace('13', '9');
    expect(cpp(BEACON, moved, new Map([['13', '9']]))).toEqual(same);
    expect(cpp(BEACON, moved)).toEqual({ asked: [5, 8 + 1, 11], built: [5, 9, 11] });
  });
});

describe('two programs in C++ differ', () => {
  test.each([
    ['in a pause', BEACON.replace('2500', '250'), [12], [12]],
    ['in a level', BEACON.replace('LOW', 'HIGH'), [11], [11]],
    ['in a line that is missing', BEACON.replace('  delay(500);\n', ''), [10], []],
    ['in a line more', BEACON.replace('  delay(2500);\n', '  delay(2500);\n  delay(1);\n'), [], [13]],
    ['in a semicolon that ends a loop', BEACON.replace('delay(500);', 'while (true); delay(500);'), [], [10]],
  ])('%s', (_, built, asked, own) => {
    expect(cpp(BEACON, built)).toEqual({ asked, built: own });
  });

  test('in what belongs to an if', () => {
    const one = 'void loop() {\n  if (a) {\n    f();\n    g();\n  }\n}';
    const other = 'void loop() {\n  if (a)\n    f();\n    g();\n}';
    expect(cpp(one, other)).toEqual({ asked: [4], built: [4] });
  });

  test('in a variable that is used for another', () => {
    const one = 'int a = 0, b = 0;\nvoid loop() {\n  a = f();\n  b = g();\n  show(a);\n}';
    expect(cpp(one, one.replace('show(a)', 'show(b)'))).toEqual({ asked: [5], built: [5] });
  });

  test('also when one of them does not compile', () => {
    const broken = BEACON.replace('delay(500);', 'delay(500)').replace(/}\n$/, '');
    const { asked, built } = cpp(BEACON, broken);
    expect(asked.every((line) => line >= 9)).toBe(true);
    expect(built.length).toBeGreaterThan(0);
  });
});

describe('two programs in Python', () => {
  const BELL = `import board
import digitalio
import time

bell = digitalio.DigitalInOut(board.D5)
bell.direction = digitalio.Direction.OUTPUT
REST = 0.5

def ring(times):
    for _ in range(times):
        bell.value = True
        time.sleep(REST)
        bell.value = False

while True:
    ring(3)
    if REST > 1: print('slow')
    time.sleep(2)
`;
  test.each([
    ['names', BELL.replaceAll('bell', 'horn').replaceAll('ring', 'blow').replaceAll('times', 'n')],
    ['numbers in place of names', BELL.replace('REST = 0.5\n', '').replaceAll('REST', '0.50')],
    ['how far lines are set in', BELL.replace(/^ +/gm, (space) => space + space)],
    [
      'quotes, remarks and lines',
      BELL.replace("'slow'", '"slow"')
        .replace('if REST > 1: ', 'if REST > 1:\n        ')
        .replace('time.sleep(2)', 'time.sleep(2)  # rest'),
    ],
  ])('say the same whatever their %s', (_, built) => {
    expect(built).not.toBe(BELL);
    expect(python(BELL, built)).toEqual(same);
  });

  test.each([
    ['in a time', BELL.replace('sleep(2)', 'sleep(20)'), [18], [18]],
    [
      'in what a loop holds',
      BELL.replace('        bell.value = False', '    bell.value = False'),
      [13],
      [13],
    ],
    ['in a comparison', BELL.replace('REST > 1', 'REST < 1'), [17], [17]],
  ])('differ %s', (_, built, asked, own) => {
    expect(python(BELL, built)).toEqual({ asked, built: own });
  });
});

interface Course {
  readonly program: string;
  readonly language?: Language;
  readonly board?: string;
}

describe('the programs of the course', () => {
  const programs = readdirSync('demo/course')
    .filter((file) => file.endsWith('.json'))
    .map((file) => JSON.parse(readFileSync(`demo/course/${file}`, 'utf8')) as Course)
    .filter(({ program }) => program !== '')
    .map(({ program, language }): readonly [Language, string] => [
      language ?? (/^(import|from) /m.test(program) ? 'python' : 'cpp'),
      program,
    ]);

  test('say the same as themselves, with other names, and without their remarks', () => {
    expect(programs.length).toBeGreaterThan(10);
    for (const [language, program] of programs) {
      expect(meaningDifference(program, program, language)).toEqual(same);
      const remark = language === 'python' ? /\s*#.*$/gm : /\s*\/\/.*$/gm;
      expect(meaningDifference(program, program.replace(remark, ''), language)).toEqual(same);
      const declared = [
        ...program.matchAll(
          language === 'python' ? /^(\w+) = /gm : /^(?:const )?(?:int|long|bool|unsigned long) (\w+)/gm,
        ),
      ].map(([, name]) => name!);
      const renamed = declared.reduce(
        (text, name) => text.replace(new RegExp(`(?<![."'\\w])${name}\\b(?!["'])`, 'g'), `${name}_x`),
        program,
      );
      expect(meaningDifference(program, renamed, language), renamed).toEqual(same);
    }
  });

  test('differ in the line of a number that is another, and in those that use it by name', () => {
    fc.assert(
      fc.property(fc.constantFrom(...programs), fc.nat(), ([language, program], choice) => {
        const numbers = piecesOf(program, language).filter(({ text }) => /^\d+$/.test(text));
        const piece = numbers[choice % Math.max(1, numbers.length)];
        fc.pre(piece !== undefined);
        const changed = `${program.slice(0, piece.from)}${Number(piece.text) + 7}${program.slice(piece.to)}`;
        const { asked, built } = meaningDifference(program, changed, language);
        expect(asked.length + built.length).toBeGreaterThan(0);
      }),
    );
  });
});
