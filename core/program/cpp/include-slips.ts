import { textRepair, refusal, type ProgramProblem } from '../problem';

/** How a line that brings a library along is written otherwise: what it looks like, and what is wrong with it. */
const SLIPS: readonly {
  readonly pattern: RegExp;
  readonly mended: (found: RegExpExecArray) => string;
  readonly why: string;
}[] = [
  {
    pattern: /^(\s*#\s*include\s*(?:<[^>]+>|"[^"]+"))\s*;/,
    mended: ([, line = '']) => line,
    why: 'A line that begins with # has no semicolon at its end.',
  },
  {
    pattern: /^(\s*#\s*include)\s+([A-Za-z]\w*\.h)\s*$/,
    mended: ([, word = '', name = '']) => `${word} <${name}>`,
    why: 'The name of a library stands between < and >.',
  },
  {
    pattern: /^(\s*)(include\s*[<"].*)$/,
    mended: ([, space = '', rest = '']) => `${space}#${rest}`,
    why: 'A line that brings a library along begins with #.',
  },
];

/** `#include <Servo.h>;`, `#include Servo.h`, `include <Servo.h>`: what no compiler takes. */
export const includeSlips = (source: string): readonly ProgramProblem[] =>
  source.split('\n').flatMap((text, index) => {
    const line = index + 1;
    for (const { pattern, mended, why } of SLIPS) {
      const found = pattern.exec(text);
      if (!found) continue;
      const by = mended(found);
      const column = 1 + by.length - by.trimStart().length;
      const remedy = `Write ${by.trim()} in line ${line}.`;
      return [
        refusal(
          'syntax-other',
          { line, column },
          `Line ${line}: this line brings no library along as it is written. ${why}`,
          [`How does an #include look in an example?`, `Look at line ${line}. ${why}`, remedy],
          textRepair(remedy, { line, column: 1, length: found[0].length, by }),
        ),
      ];
    }
    return [];
  });
