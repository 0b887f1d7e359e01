import { expect, test } from 'vitest';
import { parseJson, pathText } from './json';

test.each([
  ['{\n"id": ,\n}', 2],
  ['{"a": 1', 1],
  ['{\n\n"a": tru', 3],
  ['{"a":1,\n\n\n}', 4],
  ['[1,\n2', 2],
  ['{"a" 1}', 1],
  ['{"a": 1}\nx', 2],
  ['', 1],
  [`{"a": [\n${'1,\n'.repeat(40)} oops]}`, 42],
])('the damage in %j is found in line %d', (text, line) => {
  expect(parseJson(text, 'the file')).toMatchObject({
    ok: false,
    problems: [{ line, message: 'the file is damaged: it is not JSON' }],
  });
});

test('a byte-order mark does no harm', () => {
  expect(parseJson('\uFEFF{"a":1}', 'the file')).toEqual({ ok: true, value: { a: 1 } });
});

test('a path is written as one would in a program', () => {
  expect(pathText(['parts', 2, 'value'])).toBe('parts[2].value');
});
