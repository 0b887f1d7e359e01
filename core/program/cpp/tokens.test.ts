import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { tokenize } from './tokens';

const texts = (source: string): readonly string[] => tokenize(source).tokens.map((token) => token.text);

describe('the tokens of a program', () => {
  test.each([
    ['int x=0x1F;', ['int', 'x', '=', '0x1F', ';']],
    ['a<<=2; b>>1; c->d', ['a', '<<=', '2', ';', 'b', '>>', '1', ';', 'c', '->', 'd']],
    ['x++ + ++y', ['x', '++', '+', '++', 'y']],
    ['1.5e-3f 10UL .5', ['1.5e-3f', '10UL', '.5']],
    ['"a\\"b" \'c\'', ['"a\\"b"', "'c'"]],
    ['a // b\nc /* d\n e */ f', ['a', 'c', 'f']],
    ['#define X 1 \\\n 2\ny', ['y']],
    ['a == b != c <= d && e || !f', ['a', '==', 'b', '!=', 'c', '<=', 'd', '&&', 'e', '||', '!', 'f']],
  ])('of %j', (source, expected) => {
    expect(texts(source)).toEqual(expected);
  });

  test('know their line, their columns and whether they begin a line', () => {
    const [first, second, third] = tokenize('  int a;\n\tb').tokens;
    expect(first).toMatchObject({ line: 1, column: 3, endColumn: 6, startsLine: true });
    expect(second).toMatchObject({ line: 1, column: 7, startsLine: false });
    expect(third).toMatchObject({ text: ';' });
    expect(tokenize('  int a;\n\tb').tokens.at(-1)).toMatchObject({ line: 2, column: 2, startsLine: true });
  });

  test('stand where they say, whatever the text', () => {
    fc.assert(
      fc.property(
        fc.string({ unit: fc.constantFrom(...'ab1 \n\t(){};"\'+=<>/*#.,'), maxLength: 80 }),
        (source) => {
          const lines = source.split('\n');
          for (const { text, line, column } of tokenize(source).tokens)
            expect(lines[line - 1]!.slice(column - 1)).toSatisfy((rest: string) => rest.startsWith(text));
        },
      ),
    );
  });

  test('count how deep brackets nest', () => {
    expect(tokenize('((()))').depth).toBe(3);
    expect(tokenize('{ [ ( ) ] }').depth).toBe(3);
    expect(tokenize('"((("').depth).toBe(0);
  });
});

describe('what no compiler takes', () => {
  test('an open quote ends where it was most likely meant to', () => {
    expect(tokenize('print("hello);').quotes).toMatchObject([
      { kind: 'open', quote: '"', line: 1, column: 7, closeColumn: 13 },
    ]);
    expect(tokenize("x = 'a;").quotes).toMatchObject([{ quote: "'", closeColumn: 7 }]);
  });

  test('curly quotes are named each', () => {
    expect(tokenize('print(“hi”)').quotes.map((quote) => quote.quote)).toEqual(['“', '”']);
  });

  test('odd characters come with the plain one they look like', () => {
    const strays = tokenize('a\u00a0= １ ＋ b –c\u200b;\u037e ★').strays;
    expect(strays.map(({ character, plain }) => [character, plain])).toEqual([
      ['\u00a0', ' '],
      ['１', '1'],
      ['＋', '+'],
      ['–', '-'],
      ['\u200b', ''],
      ['\u037e', ';'],
      ['★', undefined],
    ]);
  });

  test('is no trouble inside comments and texts', () => {
    expect(tokenize('// “★”\n/* – */ print("grüße ★");')).toMatchObject({ strays: [], quotes: [] });
  });
});
