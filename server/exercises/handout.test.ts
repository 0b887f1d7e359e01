import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { buildHarbour, type Harbour } from '../testing/harbour';
import { findDraft } from './drafts';
import { printHandout, type HandoutPrint } from './handout';

let harbour: Harbour;
beforeEach(async () => {
  harbour = await buildHarbour();
});
afterEach(() => harbour.drop());

const usual: HandoutPrint = {
  form: 'student',
  paper: 'A4',
  columns: 1,
  extras: [],
  ownAddress: 'http://room.example',
};

describe('a handout', () => {
  test('is printed as the exercise stands, under guard', async () => {
    const { db, guarded, teacher, exerciseId } = harbour;
    const draft = (await findDraft(db, exerciseId))!;
    const printed = await printHandout(db, guarded, teacher, draft, usual);
    if ('message' in printed) throw new Error(printed.message);
    expect(printed.pdf.subarray(0, 5).toString()).toBe('%PDF-');
    const letter = await printHandout(db, guarded, teacher, draft, { ...usual, paper: 'Letter' });
    expect('pdf' in letter && letter.pdf.toString('latin1')).toContain('/MediaBox [0 0 612 792]');
  });

  test('of an exercise that cannot be read is refused, and nothing breaks', async () => {
    const { db, guarded, teacher, exerciseId } = harbour;
    const draft = (await findDraft(db, exerciseId))!;
    const broken = { ...draft, sheet: { ...draft.sheet, board: 'no-such-board' } };
    expect(await printHandout(db, guarded, teacher, broken, usual)).toEqual({
      message: expect.stringContaining('can’t be printed as the exercise stands'),
    });
  });
});
