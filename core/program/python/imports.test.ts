import { describe, expect, test } from 'vitest';
import { shippedBoards } from '../../boards';
import { grammars } from '../../testing/beacon';
import { compileProgram } from '../index';

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

  test('leaves out what nobody knows', () => {
    const [first] = problems('import octopus', 'print(1)');
    expect(first).toMatchObject({ code: 'syntax-other', line: 1 });
  });
});
