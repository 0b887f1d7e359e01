import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { shippedBoards } from '../../boards';
import { grammars } from '../../testing/beacon';
import { rightPrograms } from '../../testing/right-programs';
import { readGoldenPrograms } from '../golden/programs';
import { compileProgram } from '../index';
import { keywordSlips } from './keyword-slips';
import { applyTextEdit } from '../problem';
import { lineSlips } from './line-slips';
import { TokenMap } from './token-map';
import { tokenSlips } from './token-slips';
import { tokenize } from './tokens';

const board = shippedBoards.get('learner-5v')!;
const golden = readFileSync(new URL('../golden/programs.txt', import.meta.url), 'utf8');
const sources = [
  ...rightPrograms.filter(({ language }) => language === 'cpp').map(({ source }) => source),
  ...readGoldenPrograms(golden).map(({ source }) => source),
].filter((source) =>
  compileProgram(source, board, grammars).problems.every(({ stopsCompiler }) => !stopsCompiler),
);

const told = (source: string): readonly string[] => {
  const { tokens } = tokenize(source);
  return [...lineSlips(source), ...keywordSlips(tokens), ...tokenSlips(new TokenMap(tokens))].map(
    ({ line, message }) => `${source.split('\n')[line - 1]!} | ${message}`,
  );
};

describe('one = where what is reckoned is asked for', () => {
  test.each(['i % 3 = 2', 'i + 1 = 3', 'now - last = 500', 'i = 3 && i % 2 = 0', '(i * 2) % 3 = 1'])(
    'is told with its remedy: if (%s)',
    (question) => {
      const source = `unsigned long now; unsigned long last; int i;\nvoid setup() {}\nvoid loop() {\n  if (${question}) { i = 2; }\n}\n`;
      const [first] = compileProgram(source, board, grammars).problems;
      expect(first).toMatchObject({ code: 'assign-in-condition', line: 4 });
      const edits = (first?.repair?.edits ?? []).flatMap((edit) => ('replace' in edit ? [edit.replace] : []));
      const mended = edits.reduce(applyTextEdit, source);
      expect(
        compileProgram(mended, board, grammars).problems.some(({ stopsCompiler }) => stopsCompiler),
      ).toBe(false);
    },
  );
});

describe('what no compiler takes', () => {
  test('is found nowhere in many right programs, however they are refused for something else', () => {
    expect(sources.length).toBeGreaterThan(200);
    expect(sources.flatMap(told)).toEqual([]);
  });

  test.each([
    [
      'a comma between two values',
      /(?<=\b(?:digitalWrite|pinMode|analogWrite)\(\w+), (?=\w+\))/,
      [' = ', '; ', '. ', ' : ', ' == '],
    ],
    [
      'the parentheses of what waits',
      /(?<=\bdelay)\((\d+)\)(?=;)/,
      [' = $1', ' $1', '{$1}', '[$1]', '($1ms)', '($1 ms)'],
    ],
    ['the sign of a first value', /(?<=^\s*int \w+) = (?=\d+;)/m, [' := ', ' ', ' == ', ' -> ']],
    ['the dot of Serial', /(?<=\bSerial)\.(?=print)/, [' ', ',', ':', '->']],
  ])('is told where it stands: %s', (_, pattern, others) => {
    const places = sources.flatMap((source) => {
      const found = pattern.exec(source);
      if (!found) return [];
      const line = source.slice(0, found.index).split('\n').length;
      return others.map((other) => ({ line, right: source, source: source.replace(pattern, other) }));
    });
    expect(places.length).toBeGreaterThan(20);
    for (const { line, right, source } of places) {
      const [first] = compileProgram(source, board, grammars).problems;
      expect(first?.line, source).toBe(line);
      const edits = (first!.repair?.edits ?? []).flatMap((edit) => ('replace' in edit ? [edit.replace] : []));
      expect(edits.length, first!.message).toBeGreaterThan(0);
      const { tokens } = tokenize(edits.reduce(applyTextEdit, source));
      expect(tokens.map(({ text }) => text)).toEqual(tokenize(right).tokens.map(({ text }) => text));
    }
  });
});

describe('what is refused besides', () => {
  const twoSlips = (first: string, second: string): readonly number[] =>
    compileProgram(
      `const int LAMP = 13;\nvoid setup() {\n  ${first}\n}\nvoid loop() {\n  ${second}\n}\n`,
      board,
      grammars,
    ).problems.flatMap(({ line, stopsCompiler }) => (stopsCompiler ? [line] : []));

  test.each([
    ['pinMode(LAMP);', 'delay(500ms);'],
    ['pinMod(LAMP, OUTPUT);', 'delay = 500;'],
    ['pinMode(LAMP, output);', 'digitalWrite(LAMP == HIGH);'],
    ['digitalWrite(LAMP == HIGH);', 'delay("soon");'],
  ])('is told too: %s and %s', (first, second) => expect(twoSlips(first, second)).toEqual([3, 6]));

  test('but for a name that the line would have declared', () =>
    expect(twoSlips('const wait = 5; delay(wait);', 'delay(wait);')).toEqual([3]));
});
