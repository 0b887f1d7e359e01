import { describe, expect, test } from 'vitest';
import { shippedBoards } from '../../boards';
import { grammars } from '../../testing/beacon';
import { compileProgram } from '../index';
import { applyTextEdit } from '../problem';

const compiled = (source: string) =>
  compileProgram(source, shippedBoards.get('python-3v3')!, grammars, 'python');

describe('a block with nothing in it', () => {
  test.each([
    ['if', 'if True:\nelif False:\n    print(1)\n', 'elif'],
    ['if', 'while True:\n    if True:\n    else:\n        print(1)\n', 'else'],
    ['try', 'try:\nexcept ValueError:\n    print(1)\n', 'except'],
  ])('is told where it opens, and not of what goes on with it: %s', (word, source, next) => {
    const [first] = compiled(source).problems;
    expect(first).toMatchObject({ code: 'indentation' });
    expect(first!.message).toContain(
      `nothing belongs to this “${word}”. The next line is already its “${next}”.`,
    );
    const edit = first!.repair!.edits[0]!;
    const mended = 'replace' in edit ? applyTextEdit(source, edit.replace) : source;
    expect(mended).toMatch(/:\n {4,8}pass\n/);
    expect(compiled(mended).compiled).toBeDefined();
  });

  test.each([
    ['the end of what it is in', 'while True:\n    if True:\n        for n in (1, 2):\n    print(1)\n', 3],
    ['another function', 'def two():\n    for n in (1, 2):\ndef three():\n    pass\n', 2],
    ['the end of the program', 'while True:\n    if True:\n        print(1)\n    else:\n', 4],
  ])('is told where it opens before %s', (_, source, line) => {
    const { problems, compiled: program } = compiled(source);
    expect(program).toBeUndefined();
    expect(problems[0]!.message).toMatch(new RegExp(`^Line ${line}: nothing belongs to this “(?:for|else)”`));
    const edit = problems[0]!.repair!.edits[0]!;
    expect(compiled('replace' in edit ? applyTextEdit(source, edit.replace) : source).compiled).toBeDefined();
  });

  test.each([
    ['begins where its head does', 'if True:\nprint(1)\n', 2],
    ['has slipped out of it alone', 'while True:\n    if True:\nprint(1)\n        print(2)\n', 3],
    ['is all of a loop', 'while True:\nif True:\n    print(1)\n', 2],
  ])('is the next line where that %s', (_, source, line) => {
    const [first] = compiled(source).problems;
    expect(first!.message).toContain(`Line ${line} should be indented`);
  });
});
