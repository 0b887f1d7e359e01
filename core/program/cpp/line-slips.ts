import { textRepair, refusal, type ProgramProblem } from '../problem';

/** How a whole line is written otherwise, a directive or a comment: what it looks like, and what is wrong with it. */
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
  {
    pattern: /^(\s*)(define\s+\w+\s+\S.*)$/,
    mended: ([, space = '', rest = '']) => `${space}#${rest}`,
    why: 'A line that gives something a name begins with #.',
  },
  {
    pattern: /^(\s*#\s*define\s+\w+)\s*[,:]\s*(\S.*)$/,
    mended: ([, word = '', value = '']) => `${word} ${value}`,
    why: 'Between the name and what it stands for there is only a space.',
  },
  {
    pattern: /^(\s*#\s*)(Define|DEFINE|Include|INCLUDE)\b(.*)$/,
    mended: ([, sign = '', word = '', rest = '']) => sign + word.toLowerCase() + rest,
    why: 'Behind the # the word has no capitals.',
  },
  {
    pattern:
      /^(\s*)#(?!\s*(?:define|include|if|ifdef|ifndef|elif|else|endif|undef|pragma|error|warning|line)\b)\s*(\S.*)$/,
    mended: ([, space = '', rest = '']) => `${space}// ${rest}`,
    why: 'A comment begins with two slashes.',
  },
  {
    pattern: /^(\s*)--\s*([A-Za-z].*[^;{}])$/,
    mended: ([, space = '', rest = '']) => `${space}// ${rest}`,
    why: 'A comment begins with two slashes.',
  },
];

/** `#include <Servo.h>;`, `include <Servo.h>`, `define LAMP 13`, `# my lamp`: lines that no compiler takes. */
export const lineSlips = (source: string): readonly ProgramProblem[] =>
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
          `Line ${line}: “${found[0].trim().slice(0, 40)}” is not understood here. ${why}`,
          [`How does such a line look in an example?`, `Look at line ${line}. ${why}`, remedy],
          textRepair(remedy, { line, column: 1, length: found[0].length, by }),
        ),
      ];
    }
    return [];
  });
