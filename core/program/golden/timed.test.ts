import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { shippedBoards } from '../../boards';
import { grammars } from '../../testing/beacon';
import { readWholePrograms } from './programs';
import { isTimed, timingOf, type TimedResults } from '../../testing/golden-timing';

const here = (file: string): string => readFileSync(new URL(file, import.meta.url), 'utf8');
const programs = readWholePrograms(here('./timed.txt'));
const { edges } = JSON.parse(here('./timed-results.json')) as TimedResults;
const board = shippedBoards.get('learner-5v')!;

describe('the edges of an emulated processor', () => {
  test('are known of at least twelve programs', () => {
    expect(programs.length).toBeGreaterThanOrEqual(12);
    expect(Object.keys(edges)).toEqual(programs.map(({ name }) => name));
  });

  test.each(programs.map(({ name, source }) => [name, source] as const))(
    'come at the same times here: %s',
    (name, source) => {
      const deviation = timingOf(source, edges[name]!, board, grammars);
      expect(isTimed(name, deviation), JSON.stringify(deviation)).toBe(true);
    },
  );
});
