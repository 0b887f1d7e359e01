import type { Token } from '../../program/token';

/** A name and the number or pin that a directive gives it, `#define LED 9`: neither is a token of the program itself. */
export interface Definition {
  readonly name: Token;
  readonly value: Token;
}

/** What the directives of a program give a name to. */
export const definitionsIn = (source: string): readonly Definition[] =>
  source.split('\n').flatMap((text, index): readonly Definition[] => {
    const [, before, name, space, value] =
      /^(\s*#\s*define\s+)(\w+)(\s+)(\d+(?:\.\d+)?|A\d+)\s*(?:\/\/.*)?$/.exec(text) ?? [];
    if (before === undefined || name === undefined || value === undefined) return [];
    const token = (word: string, column: number, kind: Token['kind']): Token => ({
      kind,
      text: word,
      line: index + 1,
      column,
      endColumn: column + word.length,
      startsLine: false,
    });
    const column = before.length + 1;
    return [
      {
        name: token(name, column, 'word'),
        value: token(value, column + name.length + space!.length, /^\d/.test(value) ? 'number' : 'word'),
      },
    ];
  });
