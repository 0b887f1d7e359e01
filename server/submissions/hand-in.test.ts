import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { canonicalReport } from '@/core/formats/report';
import { closePublication, publish } from '../exercises/publishing';
import { textHash } from '../people/secrets';
import { buildHarbour, type Harbour } from '../testing/harbour';
import { handInSchema, type HandIn } from '@/core/messages/hand-in';
import { handIn, type HandInResult } from './hand-in';
import { findSubmission, learnersOf, linesOf } from './reports';

let harbour: Harbour;
beforeEach(async () => {
  harbour = await buildHarbour();
});
afterEach(() => harbour.drop());

const give = (more: Partial<HandIn> = {}) =>
  handIn(harbour.db, harbour.guarded, harbour.learner, harbour.handedIn(more));
const attempts = () => linesOf(harbour.db, [harbour.publicationId], harbour.learner.id);
/** A hand-in once it has been judged, as its learner sees it. */
const judged = async (result: HandInResult) => {
  await harbour.judgeAll();
  return (await findSubmission(
    harbour.db,
    harbour.learner,
    'submissionId' in result ? result.submissionId : '',
  ))!;
};

describe('a hand-in', () => {
  test('is kept at once and once, however often it comes, and judged afterwards', async () => {
    const first = await give();
    const second = await give({ program: 'something else by now' });
    expect([first.status, second.status]).toEqual([201, 200]);
    expect(first).toMatchObject({ waiting: { before: 0, isStarted: false } });
    expect((await attempts()).map(({ verdict }) => verdict)).toEqual([null]);
    const submission = await judged(second);
    expect(submission).toMatchObject({ verdict: 'as-drawn', causes: [], waiting: undefined });
    expect(submission.program).toBe(harbour.handedIn().program);
    expect((await attempts()).map(({ verdict }) => verdict)).toEqual(['as-drawn']);
  });

  test('to an open exercise says what it does, and is judged by that', async () => {
    const { db, teacher, guarded, exerciseId } = harbour;
    const open = { asks: 'What does your light tell?', least: 1, example: [] };
    await db('exercise')
      .where({ id: exerciseId })
      .update({ draft: db.raw(`draft || jsonb_build_object('open', ?::jsonb)`, [JSON.stringify(open)]) });
    const published = await publish(db, guarded, teacher, exerciseId, teacher.classIds[0]!);
    const publicationId = 'publicationId' in published ? published.publicationId : '';
    const stated = (said: HandIn['stated']) => ({
      publicationId,
      clientId: `client-${JSON.stringify(said ?? null).length}-1`,
      ...(said ? { stated: said } : {}),
    });
    const rhythm = (times: number[]) => [
      { name: 'mine', for: 12, stimuli: [], expect: [{ lamp: 'D1', rhythm: times }] },
    ];
    expect(await give(stated(undefined))).toMatchObject({ status: 422 });
    const dark = [
      { name: 'mine', for: 1, stimuli: [], expect: [{ lamp: 'D1', is: 'off' as const, from: 0.6 }] },
    ];
    expect(await give(stated(dark))).toMatchObject({
      status: 422,
      message: expect.stringContaining('without a program'),
    });
    expect(await judged(await give(stated(rhythm([0.5, 2.5]))))).toMatchObject({ verdict: 'as-drawn' });
    expect(await judged(await give(stated(rhythm([1.25, 2.25]))))).toMatchObject({
      verdict: 'does-not-work',
    });
    // Both are reports of their own, though wiring and program are the same.
    expect(await db('report')).toHaveLength(2);
  });

  test('says how many are to be judged before it', async () => {
    const results: unknown[] = [];
    for (const text of ['a', 'b', 'c'])
      results.push(await give({ clientId: `client-${text}-1`, program: text }));
    expect(results.map((result) => (result as { waiting: { before: number } }).waiting.before)).toEqual([
      0, 1, 2,
    ]);
  });

  test('that was judged before is not judged again', async () => {
    await judged(await give());
    const again = await give({
      clientId: 'client-0002',
      wiring: harbour.handedIn().wiring.replaceAll(',', ';'),
    });
    expect(again).toMatchObject({ status: 201, waiting: undefined });
    expect(await harbour.db('judging')).toEqual([]);
    expect(await harbour.db('report')).toHaveLength(1);
    expect((await attempts()).map(({ verdict }) => verdict)).toEqual(['as-drawn', 'as-drawn']);
  });

  test('sent several times at the same moment is one', async () => {
    const results = await Promise.all([1, 2, 3, 4].map(() => give()));
    expect(new Set(results.map((result) => ('submissionId' in result ? result.submissionId : ''))).size).toBe(
      1,
    );
    expect(await attempts()).toHaveLength(1);
  });

  test('from two tablets at once is two tries, numbered one after the other', async () => {
    await Promise.all(['tablet-one', 'tablet-two', 'tablet-three'].map((clientId) => give({ clientId })));
    expect((await attempts()).map(({ attempt }) => attempt)).toEqual([1, 2, 3]);
  });

  test('keeps what was handed in to the letter, with what was seen and the hints that were taken', async () => {
    await give({ sighting: 'dark', hintsTaken: 3, program: `${harbour.handedIn().program}// Ω “ü”\r\n` });
    const [line] = await attempts();
    await harbour.judgeAll();
    const submission = await findSubmission(harbour.db, harbour.learner, line!.id);
    expect(submission).toMatchObject({ sighting: 'dark', hintsTaken: 3, attempt: 1, learnerName: 'Anna' });
    expect(submission!.program.endsWith('// Ω “ü”\r\n')).toBe(true);
    expect(submission!.report!.findings[0]!.code).toBe('bench-disagrees');
  });

  test('keeps its report as canonical text with its hash', async () => {
    await judged(await give());
    const row = await harbour
      .db('report')
      .first<{ content: string; content_hash: string; verdict: string }>(
        'content',
        'content_hash',
        'verdict',
      );
    expect(row.content_hash).toBe(textHash(row.content));
    expect(canonicalReport(JSON.parse(row.content))).toBe(row.content);
    expect(row.verdict).toBe('as-drawn');
  });

  test('cannot be changed or deleted afterwards', async () => {
    await judged(await give());
    await expect(harbour.db('submission').update({ program: '' })).rejects.toThrow('append-only');
    await expect(harbour.db('report').update({ verdict: 'as-drawn' })).rejects.toThrow('append-only');
    await expect(harbour.db('submission').delete()).rejects.toThrow('append-only');
    await expect(harbour.db('report').delete()).rejects.toThrow('append-only');
  });

  test('of a program that prints or counts without end is judged within its budget', async () => {
    for (const [index, loop] of [
      'Serial.println(1);',
      'volatile long x = 0; while (1) { x++; }',
      'digitalWrite(13, HIGH); digitalWrite(13, LOW);',
    ].entries()) {
      const result = await give({
        clientId: `client-endless-${index}`,
        program: `void setup() { Serial.begin(115200); pinMode(13, OUTPUT); }\nvoid loop() { ${loop} }\n`,
      });
      expect((await judged(result)).verdict).toBe('does-not-work');
    }
  });

  test('that was a right one for a learner is none for another', async () => {
    await give();
    const other = await handIn(harbour.db, harbour.guarded, harbour.stranger, harbour.handedIn());
    expect(other.status).toBe(404);
  });
});

describe('a hand-in is refused', () => {
  test('to another class’s exercise as if there were none', async () => {
    expect(await handIn(harbour.db, harbour.guarded, harbour.stranger, harbour.handedIn())).toMatchObject({
      status: 404,
    });
  });

  test.each(['', 'nonsense', "x' or 1=1 --"])('to the address “%s”', async (publicationId) => {
    expect(await give({ publicationId })).toMatchObject({ status: 404 });
  });

  test('to an exercise that was never published', async () => {
    expect(await give({ publicationId: harbour.exerciseId })).toMatchObject({ status: 404 });
  });

  test('to a closed exercise, and taken again once it is open', async () => {
    await closePublication(harbour.db, harbour.teacher, harbour.publicationId);
    expect(await give()).toMatchObject({
      status: 409,
      message: expect.stringContaining('saved on this tablet'),
    });
    await harbour.db('publication').update({ closed_at: null });
    expect(await give()).toMatchObject({ status: 201 });
  });

  test('with a wiring that cannot be read, with its line', async () => {
    const result = await give({
      wiring: 'ref,kind,value,leg,at\nU1,board,learner-5v,,\nW1,wire,red,1,U1.99\n',
    });
    expect(result).toMatchObject({ status: 422, message: expect.stringContaining('line 3') });
    expect(await attempts()).toEqual([]);
  });

  test('when one learner hands in far too often', async () => {
    const results: number[] = [];
    for (let index = 0; index < 42; index += 1)
      results.push((await give({ clientId: `client-${index}-of-many`, publicationId: 'none' })).status);
    expect(results.filter((status) => status === 429).length).toBe(2);
    expect((await handIn(harbour.db, harbour.guarded, harbour.stranger, harbour.handedIn())).status).toBe(
      404,
    );
  });

  test.each<[what: string, more: Record<string, unknown>]>([
    ['a NUL in the program', { program: 'a\0b' }],
    ['a NUL in the wiring', { wiring: 'a\0b' }],
    ['a program that is too long', { program: 'x'.repeat(20_001) }],
    ['a wiring that is too long', { wiring: 'x'.repeat(200_001) }],
    ['half a letter in the program', { program: 'a\ud800b' }],
    ['an id that is too short', { clientId: 'short' }],
    ['an id that is too long', { clientId: 'x'.repeat(65) }],
    ['a sighting that is none', { sighting: 'blinking' }],
    ['hints below zero', { hintsTaken: -1 }],
    ['a number for a program', { program: 5 }],
  ])('at the door for %s', (_, more) => {
    expect(handInSchema.safeParse({ ...harbour.handedIn(), ...more }).success).toBe(false);
  });
});

describe('a submission', () => {
  test('is seen by its learner and their teacher, and by nobody else', async () => {
    const given = await give();
    const id = 'submissionId' in given ? given.submissionId : '';
    expect(await findSubmission(harbour.db, harbour.learner, id)).toMatchObject({ id, learnerName: 'Anna' });
    expect(await findSubmission(harbour.db, harbour.teacher, id)).toMatchObject({ id });
    expect(await findSubmission(harbour.db, harbour.stranger, id)).toBeUndefined();
    expect(await findSubmission(harbour.db, harbour.otherTeacher, id)).toBeUndefined();
    expect(await findSubmission(harbour.db, harbour.teacher, 'not-an-id')).toBeUndefined();
  });

  test('stands in the list of its publication, first to last', async () => {
    for (const clientId of ['client-one', 'client-two']) await give({ clientId });
    expect((await linesOf(harbour.db, [harbour.publicationId])).map(({ attempt }) => attempt)).toEqual([
      1, 2,
    ]);
    expect((await learnersOf(harbour.db, harbour.learner.classIds[0])).map(({ name }) => name)).toEqual([
      'Anna',
    ]);
  });
});
