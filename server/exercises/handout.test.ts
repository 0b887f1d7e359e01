import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { buildHarbour, type Harbour } from '../testing/harbour';
import { unpack } from '@/core/outside/unpack';
import { PACKAGE_LIMITS } from '@/core/package/archive';
import { draftsOf, findDraft } from './drafts';
import {
  handoutArchive,
  handoutContext,
  printBooklet,
  printHandout,
  type BookletNews,
  type HandoutPrint,
} from './handout';

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

describe('a handout as files', () => {
  test('is Markdown with every picture that it names beside it, as SVG and as PNG', async () => {
    const { db, guarded, teacher, exerciseId } = harbour;
    const draft = (await findDraft(db, exerciseId))!;
    const made = await handoutArchive(db, guarded, teacher, draft, usual);
    if ('message' in made) throw new Error(made.message);
    const read = await unpack(made.zip, PACKAGE_LIMITS);
    if (!read.ok) throw new Error(read.problems[0]!.message);
    const files = new Map(read.value.files.map(({ path, bytes }) => [path, Buffer.from(bytes)]));
    const text = files.get('beacon.md')!.toString();
    const named = [...text.matchAll(/\]\((pictures\/[^)]+)\)/g)].map(([, path]) => path!);
    expect(named.length).toBeGreaterThan(3);
    for (const path of named) {
      expect(files.get(path)!.toString()).toMatch(/^<svg /);
      expect(files.get(path.replace('.svg', '.png'))!.subarray(1, 4).toString()).toBe('PNG');
    }
  });
});

describe('a booklet', () => {
  const newsOf = async (signal: AbortSignal): Promise<readonly BookletNews[]> => {
    const { db, guarded, teacher } = harbour;
    const course = await db('course').first<{ id: string }>('id');
    const drafts = await draftsOf(db, course.id);
    const heard: BookletNews[] = [];
    for await (const news of printBooklet(db, guarded, teacher, drafts, usual, signal)) heard.push(news);
    return heard;
  };

  test('tells how far it is, exercise by exercise, and is one PDF', async () => {
    const heard = await newsOf(new AbortController().signal);
    expect(heard[0]).toEqual({ done: 1, of: 1, title: 'Beacon' });
    const last = heard.at(-1)!;
    expect('pdf' in last && Buffer.from(last.pdf, 'base64').subarray(0, 5).toString()).toBe('%PDF-');
  });

  test('ends when nobody waits for it any more', async () => {
    const gone = new AbortController();
    gone.abort();
    expect(await newsOf(gone.signal)).toEqual([]);
  });

  test('has the cards of the course in its own words, with the first exercise that uses them', async () => {
    const { db, teacher, exerciseId } = harbour;
    await db('course').update({
      cards: JSON.stringify({ pause: { word: '', means: '', like: 'Low tide.' } }),
    });
    const { cards, before } = await handoutContext(db, teacher, (await findDraft(db, exerciseId))!, '');
    expect(before).toBeUndefined();
    expect(cards.find(({ concept }) => concept === 'pause')).toMatchObject({
      word: 'pause',
      like: 'Low tide.',
    });
  });
});
