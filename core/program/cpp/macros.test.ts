import { describe, expect, test } from 'vitest';
import { shippedBoards } from '../../boards';
import { grammars } from '../../testing/beacon';
import { printedBy, runOn } from '../../testing/bench';
import { compileProgram } from '../index';

const whole = (define: string, body: string): string =>
  `${define}\nvoid setup() { Serial.begin(9600); ${body} }\nvoid loop() { }`;

describe('a #define that stands for statements', () => {
  test.each([
    ['#define SAY(x) { Serial.print(x); Serial.print(","); }', 'SAY(1); if (true) SAY(3);', '1,3,'],
    ['#define SAY(x) { Serial.print(x); }', 'for (int i = 0; i < 3; i++) { SAY(i); }', '012'],
    ['#define SAY(x) Serial.print(x); Serial.print("!")', 'int x = 4; SAY(x + 1);', '5!'],
    ['#define SAY(x) do { int y = x; \\\n  Serial.print(y); \\\n} while (0)', 'SAY(1); SAY(7);', '17'],
    [
      '#define SWAP(a, b) { int t = a; a = b; b = t; }',
      'int p = 1; int q = 2; SWAP(p, q); Serial.print(p); Serial.print(q);',
      '21',
    ],
  ])('is put in its place: %s', (define, body, printed) => {
    expect(printedBy(runOn({ source: whole(define, body) }))).toBe(printed);
  });

  test.each([
    ['SAY(1, 2);', 'arguments'],
    ['SAY(nope);', 'name-unknown'],
    ['int a = SAY(1);', 'syntax-other'],
  ])('is told where it is used otherwise: %s', (body, code) => {
    const source = whole('#define SAY(x) { Serial.print(x); }', body);
    const { problems } = compileProgram(source, shippedBoards.get('learner-5v')!, grammars);
    expect(problems).toMatchObject([{ code, line: 2 }]);
  });
});
