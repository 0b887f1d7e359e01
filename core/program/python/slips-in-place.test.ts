import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { shippedBoards } from '../../boards';
import { grammars } from '../../testing/beacon';
import { rightPrograms } from '../../testing/right-programs';
import { sampled } from '../../testing/samples';
import { compileProgram } from '../index';
import { applyTextEdit, type ProgramProblem } from '../problem';
import { readWholePrograms } from '../golden/programs';
import { pythonLines } from './lines';

const board = shippedBoards.get('python-3v3')!;
const problems = (source: string): readonly ProgramProblem[] =>
  compileProgram(source, board, grammars, 'python').problems;
const isRefused = (source: string): boolean => problems(source).some(({ stopsCompiler }) => stopsCompiler);

const golden = readFileSync(new URL('../golden/python.txt', import.meta.url), 'utf8');
const sources = [
  ...rightPrograms.filter(({ language }) => language === 'python').map(({ source }) => source),
  ...readWholePrograms(golden).map(({ source }) => source),
].filter((source) => !isRefused(source));

/** A program with one of its tokens written otherwise, and the line of that. */
interface Slipped {
  readonly source: string;
  readonly line: number;
}

const slipped = (by: (text: string) => string | undefined): readonly Slipped[] =>
  sources.flatMap((source) =>
    pythonLines(source)
      .lines.flatMap(({ tokens }) => tokens)
      .flatMap(({ text, line, column, endColumn }): readonly Slipped[] => {
        const written = by(text);
        if (written === undefined) return [];
        return [
          { source: applyTextEdit(source, { line, column, length: endColumn - column, by: written }), line },
        ];
      }),
  );

const told = ({ source }: Slipped): string =>
  `${source}\n${problems(source)
    .map(({ line, message }) => `${line}: ${message}`)
    .join('\n')}`;

describe('in each of many right programs', () => {
  // Lines that go on, inside of brackets, in lines that are not set in.
  test.each([
    ['(', 500, 0],
    [')', 500, 1],
    [']', 100, 2],
  ])('a missing %s is told at its place', (sign, least, most) => {
    const all = slipped((text) => (text === sign ? '' : undefined));
    expect(all.length).toBeGreaterThan(least);
    const misplaced = sampled(all).filter(({ source, line }) => {
      const [first] = problems(source).filter(({ stopsCompiler }) => stopsCompiler);
      return first?.line !== line;
    });
    expect(misplaced.length, misplaced.map(told).join('\n\n')).toBeLessThanOrEqual(most);
  });

  const keywords =
    /^(?:if|elif|else|for|while|def|import|from|return|break|in|and|or|not|try|except|class|global|True|False|None)$/;
  const first = (text: string): string => text.charAt(0);
  const capital = (text: string): string =>
    (/[A-Z]/.test(first(text)) ? first(text).toLowerCase() : first(text).toUpperCase()) + text.slice(1);
  const exchanged = (text: string): string => text.charAt(1) + text.charAt(0) + text.slice(2);

  test.each([
    ['with another capital', capital],
    ['with its first letters exchanged', exchanged],
  ])('a word of the language %s is told with what is meant', (_, write) => {
    const all = slipped((text) => (keywords.test(text) ? write(text) : undefined));
    expect(all.length).toBeGreaterThan(300);
    const unknown = sampled(all).filter(({ source, line }) => {
      const found = problems(source).find((problem) => problem.line === line);
      if (!found?.repair) return true;
      // What is offered makes the program right again.
      const mended = found.repair.edits.reduce(
        (text, edit) => ('replace' in edit ? applyTextEdit(text, edit.replace) : text),
        source,
      );
      return isRefused(mended);
    });
    expect(unknown.map(told)).toEqual([]);
  });
});
