import { describe, expect, test } from 'vitest';
import { applyTextEdit } from '../../program/problem';
import { piecesOf } from '../../program/pieces';
import type { Language } from '../../program';
import type { TextEdit } from '../../findings/finding';
import { languageOf } from '../../formats/exercise';
import { courseExercises } from '../../testing/course';
import { rightPrograms } from '../../testing/right-programs';
import { trialExercises } from '../../testing/trials/exercises';
import type { Candidate } from './candidate';
import { referenceCandidates } from './reference-edits';

const programs: readonly { readonly source: string; readonly language: Language }[] = [
  ...[...courseExercises, ...trialExercises].map(({ exercise }) => ({
    source: exercise.data.program,
    language: languageOf(exercise),
  })),
  ...rightPrograms,
].filter(({ source }) => source !== '');

/** The programs that the changes offered make of one. */
const offered = (own: string, asked: string, language: Language): readonly (readonly string[])[] => {
  const edits: TextEdit[] = [];
  referenceCandidates(own, asked, language, (edit) => {
    edits.push(edit);
    return {} as Candidate;
  });
  return edits.map((edit) => texts(applyTextEdit(own, edit), language));
};

const texts = (source: string, language: Language): readonly string[] =>
  piecesOf(source, language).map(({ text }) => text);

/** A line of code that is not too long to be one slip. */
const counts = (line: string, language: Language): boolean => {
  const pieces = piecesOf(line, language).length;
  return pieces > 0 && pieces <= 36 && !/^\s*(?:#|\/[/*]|[{}]+;?\s*$)/.test(line);
};

/** Lines after whose change no offer gives the program back, and how many were tried. */
function notGivenBack(change: (lines: readonly string[], index: number) => readonly string[]): {
  readonly tried: number;
  readonly lost: readonly string[];
} {
  const lines = programs.flatMap(({ source, language }) =>
    source.split('\n').map((line, index, all) => ({ source, language, line, index, all })),
  );
  const tried = lines.filter(({ line, language }) => counts(line, language));
  const lost = tried.filter(({ source, language, index, all }) => {
    const wanted = texts(source, language).join(' ');
    const own = change(all, index).join('\n');
    return !offered(own, source, language).some((made) => made.join(' ') === wanted);
  });
  return { tried: tried.length, lost: lost.map(({ line, source }) => `${line}\n  in\n${source}`) };
}

/** A program with each of its calls left out whose first argument stands in the same line, which stays. */
function* withoutACall(source: string): Iterable<string> {
  for (const call of source.matchAll(/(?<![\w.])[A-Za-z_][\w.]*\(/g)) {
    const from = call.index + call[0].length;
    let [depth, end, first] = [1, from, undefined as number | undefined];
    for (; depth > 0 && end < source.length && source[end] !== '\n'; end += 1) {
      depth += '([{'.includes(source[end]!) ? 1 : ')]}'.includes(source[end]!) ? -1 : 0;
      if (first === undefined && (depth === 0 || (depth === 1 && source[end] === ','))) first = end;
    }
    const isValue = /[=(,<>+*/-] *$|return $/.test(source.slice(0, call.index));
    if (depth === 0 && first! > from && isValue && end - call.index <= 60)
      yield source.slice(0, call.index) + source.slice(from, first) + source.slice(end);
  }
}

test('a call that is left out around what it is given is put back around it', () => {
  const all = programs.flatMap(({ source, language }) =>
    [...withoutACall(source)].map((own) => ({ own, source, language })),
  );
  const lost = all.filter(({ own, source, language }) => {
    const wanted = texts(source, language).join(' ');
    return !offered(own, source, language).some((made) => made.join(' ') === wanted);
  });
  expect(all.length).toBeGreaterThan(50);
  expect(lost.map(({ own }) => own)).toEqual([]);
});

describe('a line of an exercise’s own program', () => {
  test.each([
    ['left out', (lines: readonly string[], index: number) => lines.toSpliced(index, 1)],
    ['written twice', (lines: readonly string[], index: number) => lines.toSpliced(index, 0, lines[index]!)],
  ])('that is %s is mended by one change, wherever it is', (_, change) => {
    const { tried, lost } = notGivenBack(change);
    expect(tried).toBeGreaterThan(800);
    expect(lost, lost.join('\n\n')).toEqual([]);
  });
});

describe('a number with decimals', () => {
  test('is told as one, in both languages', () => {
    const changed = programs.flatMap(({ source, language }) =>
      piecesOf(source, language).flatMap(({ text: number, from: index }) => {
        if (!/^\d+\.\d+$/.test(number)) return [];
        const other = number.replace(/\d$/, (digit) => String((Number(digit) + 3) % 10));
        const own = source.slice(0, index) + other + source.slice(index + number.length);
        const texts: string[] = [];
        referenceCandidates(own, source, language, (_edit, _amount, text) => {
          texts.push(text);
          return {} as Candidate;
        });
        return [{ language, wanted: `Write ${number} instead of ${other} in line `, text: texts[0] ?? '' }];
      }),
    );
    for (const language of ['cpp', 'python'])
      expect(changed.filter((one) => one.language === language).length).toBeGreaterThan(1);
    expect(changed.filter(({ wanted, text }) => !text.startsWith(wanted))).toEqual([]);
  });
});

describe('what is written otherwise', () => {
  const said = (own: string, asked: string, language: Language): readonly string[] => {
    const found: string[] = [];
    referenceCandidates(own, asked, language, (_edit, _amount, text) => {
      found.push(text);
      return {} as Candidate;
    });
    return found;
  };

  test('is told without the parenthesis that both close it with', () => {
    const [own, asked] = ['for i in range(3):\n    print(i)\n', 'for i in range(len(keys)):\n    print(i)\n'];
    expect(said(own, asked, 'python')).toContain('Write len(keys) instead of 3 in line 1.');
    expect(said(asked, own, 'python')).toContain('Write 3 instead of len(keys) in line 1.');
  });

  test('is told with what its first piece belongs to, where it is a list', () => {
    const [own, asked] = [
      'pins = [board.D7, board.D6, board.D5]\n',
      'pins = [board.D4, board.D2, board.D3]\n',
    ];
    expect(said(own, asked, 'python').join()).toContain(
      'Write board.D4, board.D2, board.D3 instead of board.D7, board.D6, board.D5 in line 1.',
    );
    expect(said('led = board.D7\n', 'led = board.D4\n', 'python')).toContain(
      'Write D4 instead of D7 in line 1.',
    );
  });

  test('is a whole line where it stands behind a case', () => {
    const asked = 'case FULL:\n  digitalWrite(VALVE, LOW);\n  digitalWrite(READY, HIGH);\n';
    const own = asked.replace('  digitalWrite(VALVE, LOW);\n', '');
    expect(said(own, asked, 'cpp')).toContain('Add digitalWrite(VALVE, LOW); after line 1.');
  });

  test('is a row of a list with its brackets', () => {
    const asked = 'const byte ROWS[][2] = {\n  {1, 0},\n  {0, 1},\n  {1, 1},\n};\n';
    expect(said(asked.replace('  {0, 1},\n', ''), asked, 'cpp')).toEqual(['Add {0, 1}, after line 2.']);
    expect(said(asked.replace('  {1, 1},\n', '  {1, 1},\n  {1, 1},\n'), asked, 'cpp')).toEqual([
      'Remove {1, 1}, in line 5.',
    ]);
  });

  test('is told with the brackets that it cuts', () => {
    const asked = 'TONES = ((660, 0.3), (520, 0.5))\n';
    expect(said('TONES = ((520, 0.5), (660, 0.3))\n', asked, 'python')).toContain(
      'Write (660, 0.3), (520, 0.5) instead of (520, 0.5), (660, 0.3) in line 1.',
    );
  });
});
