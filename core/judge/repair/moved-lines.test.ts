import { describe, expect, test } from 'vitest';
import { applyTextEdit } from '../../program/problem';
import { movedLines } from './moved-lines';

const ASKED = `void loop() {
  digitalWrite(8, HIGH);
  delay(2000);
  digitalWrite(8, LOW);
  delay(500);
}
`;
const lines = (order: readonly number[]): string => {
  const all = ASKED.split('\n');
  return [all[0], ...order.map((index) => all[index]), all[5], ''].join('\n');
};

describe('a line in another place than in the exercise’s own program', () => {
  test.each([
    ['two beside each other', [2, 1, 3, 4], 2, 1 + 2],
    ['one two lines too late', [1, 3, 4, 2], 5, 3],
    ['one too early', [4, 1, 2, 3], 2, 5],
  ])('%s is moved back by one edit', (_, order, line, beside) => {
    const source = lines(order);
    const [moved, more] = movedLines(source, ASKED, 'cpp');
    expect(more).toBeUndefined();
    expect(new Set([moved!.line, moved!.beside])).toEqual(new Set([line, beside]));
    expect(applyTextEdit(source, moved!.edit)).toBe(ASKED);
  });

  test('is found beside another slip', () => {
    const source = lines([2, 1, 3, 4]).replace('500', '50');
    const moved = movedLines(source, ASKED, 'cpp');
    expect(moved.map(({ edit }) => applyTextEdit(source, edit))).toEqual([ASKED.replace('500', '50')]);
  });

  test.each([
    ['the program itself', ASKED],
    ['another program', 'void loop() {\n  tone(8, 440);\n}\n'],
    [
      'with a remark between',
      lines([2, 1, 3, 4]).replace('\n  digitalWrite(8, HIGH)', '\n  // on\n  digitalWrite(8, HIGH)'),
    ],
  ])('of %s is none', (_, source) => expect(movedLines(source, ASKED, 'cpp')).toEqual([]));

  test('of Python goes into the loop that it stands before, and out of it', () => {
    const inside = 'x = 0\n\n# go on\nwhile True:\n    now = read()\n    x += now\n';
    const outside = 'x = 0\nnow = read()\n\n# go on\nwhile True:\n    x += now\n';
    const [into] = movedLines(outside, inside, 'python');
    expect(applyTextEdit(outside, into!.edit)).toBe(inside);
    const [out] = movedLines(inside, outside, 'python');
    expect(applyTextEdit(inside, out!.edit)).toBe(
      'x = 0\n\n# go on\nnow = read()\nwhile True:\n    x += now\n',
    );
  });

  test('of Python keeps what sets it in', () => {
    const asked = 'while True:\n    led.value = True\n    time.sleep(1)\n    led.value = False\n';
    const source = 'while True:\n    time.sleep(1)\n    led.value = True\n    led.value = False\n';
    const [moved] = movedLines(source, asked, 'python');
    expect(applyTextEdit(source, moved!.edit)).toBe(asked);
  });
});
