import { afterEach, expect, test, vi } from 'vitest';
import { ParseGivenUp } from '@/core/program/syntax';
import { nodeGrammars } from './node';

const grammars = await nodeGrammars();
const PROGRAM = 'void setup() {\n  pinMode(13, OUTPUT);\n}\n\nvoid loop() {\n}\n'.repeat(20);
const READ_IN_MANY_WAYS = `int x = ${'a<'.repeat(2000)}b;`;

/** A clock on which each look is so many milliseconds after the one before, and the third one later by a stall. */
function clock({ step, stall }: { readonly step: number; readonly stall: number }): void {
  let looks = 0;
  vi.spyOn(performance, 'now').mockImplementation(() => {
    looks += 1;
    return looks * step + (looks >= 3 ? stall : 0);
  });
}

afterEach(() => void vi.restoreAllMocks());

test('a program is read on a machine that stood still meanwhile', () => {
  clock({ step: 0.5, stall: 60_000 });
  expect(grammars.cpp(PROGRAM, (root) => root.hasError)).toBe(false);
});

test('a text that keeps the parser at work is given up, and the next one is read', () => {
  clock({ step: 10, stall: 0 });
  expect(() => grammars.cpp(READ_IN_MANY_WAYS, () => true)).toThrow(ParseGivenUp);
  vi.restoreAllMocks();
  expect(grammars.cpp(PROGRAM, (root) => root.hasError)).toBe(false);
});
