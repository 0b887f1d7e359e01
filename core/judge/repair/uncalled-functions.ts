import type { TextEdit } from '../../findings/finding';
import type { Program } from '../../program';

/** A call that is put where the program repeats, with what is said of it. */
interface Call {
  readonly edit: TextEdit;
  readonly text: string;
}

/** The beginning of what a program repeats: up to the brace, or up to the line behind the colon. */
const REPEATED = {
  cpp: /\bvoid\s+loop\s*\(\s*(?:void\s*)?\)\s*\{/,
  python: /^while\s+(?:True|1)\s*:[^\n]*\n(?=([ \t]+))/m,
} as const;

/** For each function that is given nothing and that no line calls: a call of it, first thing in what is repeated. */
export function callsOfUncalled({ source, language, problems }: Program): readonly Call[] {
  const found = REPEATED[language].exec(source);
  if (!found) return [];
  const before = source.slice(0, found.index + found[0].length).split('\n');
  const place = { line: before.length, column: before.at(-1)!.length + 1, length: 0 };
  const lines = source.split('\n');
  return problems
    .filter(({ code, severity }) => code === 'no-effect' && severity === 'advice')
    .flatMap(({ line }) => {
      const [, name] = /(\w+)\s*\(\s*(?:void\s*)?\)/.exec(lines[line - 1] ?? '') ?? [];
      if (name === undefined) return [];
      const [by, call] =
        language === 'python' ? [`${found[1]}${name}()\n`, `${name}()`] : [` ${name}();`, `${name}();`];
      const where = language === 'python' ? `in the loop in line ${place.line - 1}` : 'in loop';
      return [{ edit: { ...place, by }, text: `Write ${call} ${where}.` }];
    });
}
