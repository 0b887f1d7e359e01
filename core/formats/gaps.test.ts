import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { compileProgram } from '../program';
import { GAP } from '../program/gap';
import { grammars } from '../testing/beacon';
import { courseExercises } from '../testing/course';
import { gapPlaces, gapsAfterMarking, gapsOf, withGaps, withGapsOpen, type Gap } from './gaps';

const PROGRAM = `const int LED = 13;

void setup() {
  pinMode(LED, OUTPUT);
}

void loop() {
  digitalWrite(LED, HIGH);
  delay(500);
  digitalWrite(LED, LOW);
  delay(500);
}
`;

/** The gaps after a text of the program was marked, the nth one of it. */
const marking = (gaps: readonly Gap[], text: string, nth = 0, program = PROGRAM): readonly Gap[] => {
  let from = program.indexOf(text);
  for (let passed = 0; passed < nth; passed += 1) from = program.indexOf(text, from + 1);
  return gapsAfterMarking(program, gaps, { from, to: from + text.length });
};
const textsOf = (program: string, gaps: readonly Gap[]): readonly string[] =>
  gapPlaces(program, gaps).map(({ from, to }) => program.slice(from, to));

describe('a gap in a program', () => {
  test('is what was marked, without the space around it', () => {
    const gaps = marking([], ' 13');
    expect(textsOf(PROGRAM, gaps)).toEqual(['13']);
    expect(withGapsOpen(PROGRAM, gaps).split('\n')[0]).toBe(`const int LED = ${GAP};`);
  });

  test('over several lines is one in each, and none in an empty one', () => {
    const gaps = marking([], '13;\n\nvoid setup() {\n  pinMode(LED');
    expect(textsOf(PROGRAM, gaps)).toEqual(['13;', 'void setup() {', 'pinMode(LED']);
  });

  test('is the second of two equal lines where that was marked', () => {
    const gaps = marking([], '500', 1);
    expect(withGapsOpen(PROGRAM, gaps).split('\n').slice(8, 11)).toEqual([
      '  delay(500);',
      '  digitalWrite(LED, LOW);',
      `  delay(${GAP});`,
    ]);
  });

  test('is taken out by marking it, or a piece of it, again', () => {
    expect(marking(marking([], '500', 1), '500', 1)).toEqual([]);
    expect(marking(marking([], 'OUTPUT'), 'UTP')).toEqual([]);
  });

  test('grows by what is marked beside it', () => {
    const gaps = marking(marking([], 'LED, HIGH'), 'HIGH);');
    expect(textsOf(PROGRAM, gaps)).toEqual(['LED, HIGH);']);
  });

  test('is none where only space is marked', () => {
    const gaps = marking([], '500');
    expect(marking(gaps, '\n\n')).toBe(gaps);
  });

  test('stays with its line when that moves, and when what stands in it changes', () => {
    const gaps = marking(marking([], '13'), 'OUTPUT');
    const changed = `// the mast\n${PROGRAM.replace('= 13', '= 9').replace('  pinMode', '    pinMode')}`;
    expect(textsOf(changed, gaps)).toEqual(['9', 'OUTPUT']);
  });

  test('is nowhere when its line is gone, and back with it', () => {
    const gaps = marking([], 'OUTPUT');
    expect(gapPlaces(PROGRAM.replace('  pinMode(LED, OUTPUT);\n', ''), gaps)).toEqual([]);
    expect(textsOf(PROGRAM, gaps)).toEqual(['OUTPUT']);
  });

  test('is kept with the text of an exercise, and no nonsense is', () => {
    const gaps = marking([], '13');
    const text = withGaps({ build: 'Take care.' }, gaps);
    expect(text['build']).toBe('Take care.');
    expect(gapsOf({ text })).toEqual(gaps);
    expect(withGaps(text, [])).toEqual({ build: 'Take care.' });
    expect(gapsOf({ text: { gaps: [{ line: 'a', from: 3, to: 9 }] } })).toEqual([]);
    expect(gapsOf({ text: { gaps: 'none' } })).toEqual([]);
  });

  test('of any marks, one after the other, is read back where it is, and gone when all is marked twice', () => {
    const mark = fc
      .tuple(fc.nat(PROGRAM.length), fc.nat(40))
      .map(([from, length]) => ({ from, to: Math.min(PROGRAM.length, from + length) }));
    fc.assert(
      fc.property(fc.array(mark, { maxLength: 8 }), (marks) => {
        let gaps: readonly Gap[] = [];
        for (const one of marks) gaps = gapsAfterMarking(PROGRAM, gaps, one);
        const places = gapPlaces(PROGRAM, gaps);
        for (const [index, { from, to }] of places.entries()) {
          expect(PROGRAM.slice(from, to)).toBe(PROGRAM.slice(from, to).trim());
          expect(PROGRAM.slice(from, to)).not.toContain('\n');
          expect(from).toBeGreaterThanOrEqual(places[index - 1]?.to ?? 0);
        }
        expect(withGapsOpen(PROGRAM, gaps).split(GAP).length - 1).toBe(places.length);
        const all = { from: 0, to: PROGRAM.length };
        const whole = gapsAfterMarking(PROGRAM, gaps, all);
        expect(gapsAfterMarking(PROGRAM, whole, all)).toEqual([]);
      }),
    );
  });
});

describe('a program whose gaps are open', () => {
  test.each(courseExercises.filter(({ exercise }) => exercise.data.program.trim() !== ''))(
    'of $name is told of each gap and of nothing else, and is right again when they are filled in',
    ({ exercise: { data, board } }) => {
      const { program, language } = data;
      const words = [...program.matchAll(/\b(?:HIGH|LOW|True|False|\d+)\b/g)].slice(0, 4);
      let gaps: readonly Gap[] = [];
      for (const { index, 0: word } of words)
        gaps = gapsAfterMarking(program, gaps, { from: index, to: index + word.length });
      // What stands in a remark is no gap to the board.
      const open = withGapsOpen(program, gaps);
      const told = compileProgram(open, board, grammars, language).problems;
      const left = open
        .split('\n')
        .flatMap((line, index) => (line.replace(/(\/\/|#).*/, '').includes(GAP) ? [index + 1] : []));
      expect([...new Set(told.map(({ line }) => line))]).toEqual(left);
      expect(told.every(({ message }) => /has a gap that is not filled in yet\.$/.test(message))).toBe(true);
      let filled = open;
      for (const [word] of words) filled = filled.replace(GAP, word);
      expect(filled).toBe(program);
    },
  );

  test('is told so before anything that may come of it', () => {
    const { board } = courseExercises[0]!.exercise;
    const { problems } = compileProgram(
      `void setup() {\n  ${GAP}\n  pinMode(9 ${GAP});\n}\n`,
      board,
      grammars,
    );
    expect(problems.map(({ line, code }) => [line, code])).toEqual([
      [2, 'name-unknown'],
      [3, 'name-unknown'],
    ]);
  });
});
