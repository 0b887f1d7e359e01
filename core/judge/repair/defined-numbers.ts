import type { Token } from '../../program/token';

/** The numbers that directives give a name to, `#define LED 9`, which are no tokens of the program itself. */
export const definedNumbers = (source: string): readonly Token[] =>
  source.split('\n').flatMap((text, index): readonly Token[] => {
    const [, before, number] = /^(\s*#\s*define\s+\w+\s+)(\d+(?:\.\d+)?)\s*(?:\/\/.*)?$/.exec(text) ?? [];
    if (before === undefined || number === undefined) return [];
    const column = before.length + 1;
    return [
      {
        kind: 'number',
        text: number,
        line: index + 1,
        column,
        endColumn: column + number.length,
        startsLine: false,
      },
    ];
  });
