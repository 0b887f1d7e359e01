import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { shippedBoards } from '../../boards';
import { grammars } from '../../testing/beacon';
import { rightPrograms } from '../../testing/right-programs';
import { sampled } from '../../testing/samples';
import { compileProgram } from '../index';
import { applyTextEdit, type ProgramProblem } from '../problem';
import { readGoldenPrograms } from '../golden/programs';
import { tokenize } from './tokens';

const board = shippedBoards.get('learner-5v')!;
const refusals = (source: string): readonly ProgramProblem[] =>
  compileProgram(source, board, grammars).problems.filter(({ stopsCompiler }) => stopsCompiler);

const golden = readFileSync(new URL('../golden/programs.txt', import.meta.url), 'utf8');
const sources = [
  ...rightPrograms.filter(({ language }) => language === 'cpp').map(({ source }) => source),
  ...readGoldenPrograms(golden).map(({ source }) => source),
].filter((source) => refusals(source).length === 0);

/** A program with one of its tokens written otherwise, and the lines that this touches. */
interface Slipped {
  readonly source: string;
  readonly line: number;
  readonly before: number;
}

/** Every program with each of its tokens that are so written otherwise, one at a time. */
const slipped = (by: (text: string) => string | undefined): readonly Slipped[] =>
  sources.flatMap((source) => {
    const { tokens } = tokenize(source);
    return tokens.flatMap(({ text, line, column, endColumn }, index): readonly Slipped[] => {
      const written = by(text);
      if (written === undefined) return [];
      return [
        {
          source: applyTextEdit(source, { line, column, length: endColumn - column, by: written }),
          line,
          before: tokens[index - 1]?.line ?? line,
        },
      ];
    });
  });

/** How many are told at another place than where they are, by what is said of them. */
const misplaced = (all: readonly Slipped[]): readonly string[] =>
  all.flatMap(({ source, line, before }) => {
    const [first] = refusals(source);
    return !first || first.line === line || first.line === before
      ? []
      : [`${source.split('\n')[line - 1]!} | ${first.message}`];
  });

describe('in each of many right programs', () => {
  // `using Sum = long` without its end, and a class whose end shows at its first method.
  test.each([
    [';', 2],
    [')', 0],
  ])('a missing %s is told at its place, but for %i of them', (sign, most) => {
    const all = slipped((text) => (text === sign ? '' : undefined));
    expect(all.length).toBeGreaterThan(1500);
    const told = misplaced(sampled(all));
    expect(told.length, told.join('\n')).toBeLessThanOrEqual(most);
  });

  const keywords = [
    'if',
    'else',
    'for',
    'while',
    'switch',
    'case',
    'break',
    'return',
    'const',
    'struct',
    'enum',
  ];
  const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
  const exchanged = (text: string): string => text.charAt(1) + text.charAt(0) + text.slice(2);

  test.each([
    ['with a capital', capital],
    ['with its first letters exchanged', exchanged],
  ])('a word of the language %s is told with what is meant', (_, write) => {
    const all = slipped((text) => (keywords.includes(text) ? write(text) : undefined));
    expect(all.length).toBeGreaterThan(300);
    const unknown = sampled(all).filter(({ source, line }) => {
      const [first] = refusals(source);
      if (!first?.repair || first.line !== line) return true;
      // What is offered makes the program right again.
      const mended = first.repair.edits.reduce(
        (text, edit) => ('replace' in edit ? applyTextEdit(text, edit.replace) : text),
        source,
      );
      return refusals(mended).length > 0;
    });
    expect(unknown.map(({ source, line }) => source.split('\n')[line - 1])).toEqual([]);
  });
});

describe('a label', () => {
  const program = (label: string): string =>
    `enum Mode { OFF, ON };\nMode mode = OFF;\nvoid setup() {}\nvoid loop() {\n  switch (mode) {\n    ${label}\n      mode = ON;\n      break;\n    default:\n      mode = OFF;\n  }\n}\n`;

  test.each([
    ['case OFF', 'Add : behind “OFF” in line 6.'],
    ['case OFF;', 'Add : behind “OFF” in line 6.'],
    ['case -1', 'Add : behind “1” in line 6.'],
  ])('without its colon: %s', (label, repair) => {
    const [first] = refusals(program(label));
    expect(first).toMatchObject({ line: 6, code: 'syntax-other' });
    expect(first!.message).toContain('a colon : is missing');
    expect(first!.repair?.text).toBe(repair);
  });
});

describe('a list of rows', () => {
  const rows = ['{255, 0, 0}', '{0, 255, 0}', '{0, 0, 255}'];
  const list = (broken: number): string =>
    `const byte COLOURS[][3] = {\n${rows
      .map((row, at) => `  ${at === broken ? row.replace('}', '') : row}`)
      .join(',\n')}\n};\nvoid setup() {}\nvoid loop() {}\n`;

  test.each([0, 1, 2])('with row %i left open is told in its line', (broken) => {
    const [problem] = refusals(list(broken));
    expect(problem).toMatchObject({ code: 'syntax-brace', line: broken + 2 });
    const { edits } = problem!.repair!;
    const mended = edits.reduce(
      (text, edit) => ('replace' in edit ? applyTextEdit(text, edit.replace) : text),
      list(broken),
    );
    expect(refusals(mended)).toEqual([]);
  });
});
