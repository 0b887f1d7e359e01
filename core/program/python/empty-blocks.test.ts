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

  test('is the next line where that is no part of it', () => {
    const [first] = compiled('if True:\nprint(1)\n').problems;
    expect(first!.message).toContain('Line 2 should be indented');
  });
});
