import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { lineWordsIn, lineWordsOf, withLineWords } from './line-words';

const PROGRAM =
  'void loop() {\n  digitalWrite(13, HIGH);\n  delay(500);\n  digitalWrite(13, LOW);\n  delay(500);\n}\n';
const said = (program: string, text: Readonly<Record<string, unknown>>) =>
  [...lineWordsIn(program, lineWordsOf({ text }))].map(([line, { says }]) => `${line} ${says}`);

describe('words for a line', () => {
  const text = withLineWords({ text: {}, program: PROGRAM }, 5, 'And dark again for half a second.');

  test('are those of one line, also where another reads the same', () => {
    expect(said(PROGRAM, text)).toEqual(['5 And dark again for half a second.']);
  });

  test('stay with their line when it moves', () => {
    expect(said(`// A remark\nint a;\n${PROGRAM}`, text)).toEqual(['7 And dark again for half a second.']);
  });

  test('stay with their line when it is changed a little, and go with it', () => {
    const on = withLineWords({ text: {}, program: PROGRAM }, 2, 'Lit.');
    expect(said(PROGRAM.replace('13, HIGH', '12, HIGH'), on)).toEqual(['2 Lit.']);
    expect(said(PROGRAM.replace('  digitalWrite(13, HIGH);\n', ''), on)).toEqual([]);
  });

  test('of a definition go with no other', () => {
    const source = '#define LAMP 13\n#define BELL 8\n// nothing\n';
    const own = withLineWords({ text: {}, program: source }, 1, 'The lamp’s pin.');
    expect(said(source.replace('LAMP 13', 'LAMP 12'), own)).toEqual(['1 The lamp’s pin.']);
    expect(said('#define BELL 8\n\n# nothing\n', own)).toEqual([]);
  });

  test('take the place of those before, and are taken out again', () => {
    const other = withLineWords({ text, program: PROGRAM }, 5, 'Dark.');
    expect(said(PROGRAM, other)).toEqual(['5 Dark.']);
    expect(withLineWords({ text: { ...other, build: 'x' }, program: PROGRAM }, 5, '  ')).toEqual({
      build: 'x',
    });
  });

  test('that cannot be read are none', () => {
    expect(lineWordsOf({ text: { lines: 'x' } })).toEqual([]);
    expect(lineWordsOf({ text: { lines: [{ line: 1 }] } })).toEqual([]);
  });

  test('are on as many lines as they were given for, whatever is put before them', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 1, max: 6 })),
        fc.array(fc.constantFrom('int x = 0;', '// remark', ''), { maxLength: 5 }),
        (lines, above) => {
          const all = lines.reduce<Readonly<Record<string, unknown>>>(
            (words, line) => withLineWords({ text: words, program: PROGRAM }, line, `line ${line}`),
            {},
          );
          const moved = `${above.map((line) => `${line}\n`).join('')}${PROGRAM}`;
          expect(said(moved, all).toSorted()).toEqual(
            lines.map((line) => `${line + above.length} line ${line}`).toSorted(),
          );
        },
      ),
    );
  });
});
