import { describe, expect, test } from 'vitest';
import type { BroughtIn } from '@/core/outside/sort-out';
import {
  bringIn,
  EMPTY,
  notesOn,
  openRows,
  outcomeWords,
  readyRows,
  type BringInState,
  type Row,
} from './bring-in-state';

const file = (path: string) => ({ path, text: 'x' });
const found = (key: string, more: Partial<BroughtIn> = {}): BroughtIn => ({
  key,
  wiring: file(`${key}.csv`),
  program: file(`${key}.ino`),
  learnerId: 'adda',
  exerciseId: 'beacon',
  couldBe: [],
  ...more,
});
const nobodys: BroughtIn = { key: 'x17', program: file('x17.ino'), exerciseId: 'beacon', couldBe: [] };
const sorted = (...handIns: readonly BroughtIn[]): BringInState =>
  bringIn(EMPTY, { type: 'sorted', handIns, aside: [] });
const keys = (rows: readonly Row[]): readonly string[] => rows.map(({ key }) => key);

describe('hand-ins on their way in', () => {
  test('have those first of which something must be said, which stay where they are when it is', () => {
    const state = sorted(found('a'), nobodys);
    expect(keys(state.rows)).toEqual(['x17', 'a']);
    expect([keys(openRows(state)), keys(readyRows(state))]).toEqual([['x17'], ['a']]);
    const said = bringIn(state, { type: 'said', key: 'x17', whose: 'ben' });
    expect(keys(said.rows)).toEqual(['x17', 'a']);
    expect([keys(openRows(said)), keys(readyRows(said))]).toEqual([[], ['x17', 'a']]);
  });

  test('that are left out are neither open nor ready', () => {
    const state = bringIn(sorted(found('a'), nobodys), { type: 'left out', key: 'x17', isLeftOut: true });
    expect([openRows(state), keys(readyRows(state))]).toEqual([[], ['a']]);
  });

  test('that were taken are not sent again when the connection breaks; those that were refused are', () => {
    const sending = bringIn(sorted(found('a'), found('b'), found('c')), { type: 'sending' });
    const came = bringIn(sending, {
      type: 'came',
      outcomes: new Map([
        ['a', { is: 'taken', attempt: 1, late: 0 }],
        ['b', { is: 'refused', message: 'no' }],
      ] as const),
    });
    const stopped = bringIn(came, { type: 'stopped', message: 'The connection broke.' });
    expect(stopped).toMatchObject({ step: 'sorted', problem: 'The connection broke.' });
    expect(keys(readyRows(stopped))).toEqual(['b', 'c']);
  });

  const exercises = [{ id: 'beacon', name: 'Beacon', isOpen: true, dueAt: 1000 }];
  const tries = [{ learnerId: 'adda', publicationId: 'beacon', attempt: 2, at: 500 }];
  const notes = (...handIns: readonly BroughtIn[]) => {
    const state = sorted(...handIns);
    return notesOn(state.rows[0]!, state, exercises, tries);
  };
  test.each([
    ['replace an earlier try', found('a', { changedAt: 800 }), ['Takes the place of try 2.']],
    [
      'are older than the last try',
      found('a', { changedAt: 100 }),
      ['Older than try 2, and counts as try 3 all the same.'],
    ],
    ['are late', found('a', { changedAt: 2000, learnerId: 'ben' }), ['One day late.']],
    ['have no time', found('a', { learnerId: 'ben' }), []],
    ['are of nobody yet', nobodys, ['No wiring: only the program can be judged.']],
  ])('that %s say so', (_, handIn, expected) => {
    expect(notes(handIn)).toEqual(expected);
  });

  test('that are two of one learner for one exercise say so', () => {
    expect(notes(found('a', { learnerId: 'ben' }), found('b', { learnerId: 'ben' }))).toEqual([
      expect.stringContaining('both are taken'),
    ]);
  });

  test('say in the end what came of them', () => {
    expect(outcomeWords({ is: 'taken', attempt: 3, late: 2 })).toBe('Taken as try 3, 2 days late.');
    expect(outcomeWords({ is: 'known', attempt: 1 })).toBe('Handed in before, as try 1.');
  });
});
