import { describe, expect, test } from 'vitest';
import { shippedBoards } from '../../boards';
import { grammars } from '../../testing/beacon';
import { compileProgram } from '../index';
import { applyTextEdit } from '../problem';

const problems = (...lines: string[]) =>
  compileProgram(`${lines.join('\n')}\n`, shippedBoards.get('python-3v3')!, grammars).problems;

describe('import *', () => {
  test('brings what the module has', () => {
    expect(
      problems(
        'from board import *',
        'from digitalio import *',
        'from time import *',
        'led = DigitalInOut(D9)',
        'led.direction = Direction.OUTPUT',
        'while True:',
        '    led.value = not led.value',
        '    sleep(0.5)',
      ),
    ).toEqual([]);
  });

  test('and nothing else', () => {
    const [first] = problems('from time import *', 'slep(1)');
    expect(first).toMatchObject({ code: 'name-unknown', line: 2 });
  });

  test('a name may be given another value after it', () => {
    expect(problems('from board import *', 'D9 = 4', 'print(D9)')).toEqual([]);
  });

  test('of a module that is misspelt is told as that', () => {
    expect(problems('from tiem import *')[0]!.message).toContain('there is no module “tiem”');
  });
});

describe('a module that only other boards have', () => {
  test.each([
    ['from machine import Pin', 'machine', 'board and digitalio'],
    ['import utime', 'utime', 'time'],
  ])('is told as that: %s', (line, name, instead) => {
    const [first] = problems(line, 'print(1)');
    expect(first).toMatchObject({ code: 'name-unknown', line: 1, stopsCompiler: true });
    expect(first!.message).toContain(`no module “${name}”`);
    expect(first!.message).toContain(instead);
  });

  test('is told once, whatever it is asked for', () => {
    const all = problems(
      'import time',
      'from machine import Pin',
      'led = Pin(5, Pin.OUT)',
      'while True:',
      '    led.on()',
      '    time.sleep_ms(500)',
    );
    expect(all.map(({ line }) => line)).toEqual([2]);
  });

  test('leaves out what nobody knows', () => {
    const [first] = problems('import octopus', 'print(1)');
    expect(first).toMatchObject({ code: 'syntax-other', line: 1 });
  });
});

describe('a name that is used and not imported', () => {
  const repaired = (...lines: string[]): string | undefined => {
    const source = `${lines.join('\n')}\n`;
    const [first] = problems(...lines);
    return first?.repair?.edits.reduce(
      (text, edit) => ('replace' in edit ? applyTextEdit(text, edit.replace) : text),
      source,
    );
  };
  const from = 'from digitalio import DigitalInOut';

  test('joins the others of its module', () => {
    const [first] = problems('import board', from, 'key = DigitalInOut(board.D4)', 'key.pull = Pull.UP');
    expect(first).toMatchObject({
      code: 'name-unknown',
      line: 4,
      repair: { text: 'Add Pull to what is imported in line 2.' },
    });
    expect(repaired('import board', from, 'key = DigitalInOut(board.D4)', 'key.pull = Pull.UP')).toBe(
      `import board\n${from}, Pull\nkey = DigitalInOut(board.D4)\nkey.pull = Pull.UP\n`,
    );
  });

  test('is written with its module, which is imported too where it is not', () => {
    expect(repaired('import time', 'sleep(1)')).toBe('import time\ntime.sleep(1)\n');
    expect(repaired('print(1)', 'sleep(1)')).toBe('import time\nprint(1)\ntime.sleep(1)\n');
  });
});
