import { describe, expect, test } from 'vitest';
import { applyTextEdit } from '../../program/problem';
import { randomFrom } from '../../random';
import type { Program } from '../../program';
import type { Build } from '../build';
import type { Candidate } from './candidate';
import { rebased, toldWithout, withAll } from './rebased';

const compile = (source: string): Program => ({ source }) as Program;
const buildOf = (source: string): Build => ({ program: compile(source) }) as Build;

function candidate(line: number, column: number, length: number, by: string): Candidate {
  const replace = { line, column, length, by };
  return {
    edits: [{ replace }],
    cost: 1,
    text: `Change line ${line}.`,
    domain: 'program',
    apply: (build) => ({ ...build, program: compile(applyTextEdit(build.program.source, replace)) }),
  };
}

describe('changes that were found one on top of the other', () => {
  test('make the same program told of the first one, in any order, and name its lines', () => {
    const random = randomFrom(4);
    const below = (most: number): number => Math.floor(random() * most);
    let told = 0;
    for (let turn = 0; turn < 400; turn += 1) {
      const source = Array.from({ length: 6 }, (_, index) => `line ${index + 1};`).join('\n');
      let text = source;
      const found = Array.from({ length: 3 }, (_, index) => {
        const lines = text.split('\n');
        const line = 1 + below(lines.length);
        const column = 1 + below(lines[line - 1]!.length);
        const length = Math.min(below(3), lines[line - 1]!.length + 1 - column);
        const one = candidate(line, column, length, ['', `+${index}`, `\nput ${index}\n`][below(3)]!);
        text = one.apply(buildOf(text))!.program.source;
        return one;
      });
      const again = rebased(found, source, compile);
      if (again === found) continue;
      told += 1;
      expect(withAll(again, buildOf(source))?.program.source).toBe(text);
      expect(withAll(again.toReversed(), buildOf(source))?.program.source).toBe(text);
      for (const { edits, text: says } of again)
        expect(says).toBe(`Change line ${(edits[0] as { replace: { line: number } }).replace.line}.`);
    }
    expect(told).toBeGreaterThan(200);
  });

  test('are seen in the lines of the program, and a line of a display is none of them', () => {
    const source = 'one;\ntwo;\nthree;';
    const first = candidate(1, 5, 0, '\nput in;');
    const others = rebased([first], source, compile);
    const text = withAll(others, buildOf(source))!.program.source;
    const seen = {
      code: 'text-off',
      severity: 'fault',
      line: 4,
      column: 1,
      message: 'Line 2 of the two-line LCD X1 reads “3”. Look at lines 3 and 4.',
      hints: ['What is in line 4?', 'Line 2 is put in.', 'Change line 1.'],
    } as const;
    expect(toldWithout({ ...seen, hints: [...seen.hints] }, others, { source, text })).toMatchObject({
      line: 3,
      message: 'Line 2 of the two-line LCD X1 reads “3”. Look at lines 2 and 3.',
      hints: ['What is in line 3?', 'Line 1 is put in.', 'Change line 1.'],
    });
  });

  test('stay as they are where one changes what another has put in', () => {
    const found = [candidate(1, 1, 0, 'first '), candidate(1, 3, 2, 'xx')];
    expect(rebased(found, 'line', compile)).toBe(found);
  });
});
