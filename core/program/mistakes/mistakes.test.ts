import { describe, expect, test } from 'vitest';
import { shippedBoards } from '../../boards';
import { grammars } from '../../testing/beacon';
import { hardToRead } from '../../testing/plain-words';
import { compileProgram, type Language } from '../index';
import { applyTextEdit } from '../problem';
import { cppMistakes } from './cpp';
import { marked, mistakesIn } from './marked';
import { pythonMistakes } from './python';

const boards: Readonly<Record<Language, string>> = { cpp: 'learner-5v', python: 'python-3v3' };
const problems = (source: string, language: Language) =>
  compileProgram(source, shippedBoards.get(boards[language])!, grammars).problems;
const cases = [
  ...mistakesIn(cppMistakes).map(([code, text]) => ['cpp', code, text] as const),
  ...mistakesIn(pythonMistakes).map(([code, text]) => ['python', code, text] as const),
];

describe('a beginner’s mistake is told at the place where it was made', () => {
  test.each(cases)('%s, %s: %j', (language, code, text) => {
    const { source, line, column } = marked(text);
    const first = problems(source, language).find(({ severity }) => severity === 'fault');
    expect({ code: first?.code, line: first?.line, column: first?.column }).toEqual({ code, line, column });
    expect(first!.message).not.toMatch(/undefined|NaN/);
    expect(hardToRead(first!)).toEqual([]);
    // One thing is told once, without a tail of what follows from it.
    expect(
      problems(source, language).filter(({ stopsCompiler }) => stopsCompiler).length,
    ).toBeLessThanOrEqual(2);
  });

  test('in at least a hundred and twenty cases, and in ten places for each code of syntax', () => {
    expect(cases.length).toBeGreaterThanOrEqual(120);
    for (const code of ['syntax-paren', 'syntax-brace', 'syntax-quote', 'syntax-other'] as const)
      for (const table of [cppMistakes, pythonMistakes])
        expect(table[code]!.length, code).toBeGreaterThanOrEqual(10);
    expect(cppMistakes['syntax-semicolon']!.length).toBeGreaterThanOrEqual(10);
    expect(pythonMistakes.indentation!.length).toBeGreaterThanOrEqual(10);
    expect(pythonMistakes['colon-missing']!.length).toBeGreaterThanOrEqual(10);
  });
});

describe('a repair of a mistake', () => {
  test.each(cases)('takes it away and brings no other: %s, %s, %j', (language, _, text) => {
    const { source } = marked(text);
    const before = problems(source, language);
    const first = before.find(({ severity }) => severity === 'fault');
    const edits = (first?.repair?.edits ?? []).flatMap((edit) => ('replace' in edit ? [edit.replace] : []));
    if (edits.length === 0) return;
    const mended = problems(edits.reduce(applyTextEdit, source), language);
    expect(
      mended.filter(
        (problem) =>
          problem.code === first!.code && problem.line === first!.line && problem.column === first!.column,
      ),
    ).toEqual([]);
    // What only a program that compiles can show is another matter.
    const refused = mended.filter(({ stopsCompiler }) => stopsCompiler);
    expect(refused.length).toBeLessThanOrEqual(before.length);
  });
});
