import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { canonicalReport } from '@/core/formats/report';
import { closePublication } from '../exercises/publications';
import { textHash } from '../people/secrets';
import { buildHarbour, type Harbour } from '../testing/harbour';
import { handIn, handInSchema, type HandIn } from './hand-in';
import { attemptsOf, findSubmission, learnersOf, submissionsOf } from './reports';

let harbour: Harbour;
beforeEach(async () => {
  harbour = await buildHarbour();
});
afterEach(() => harbour.drop());

const give = (more: Partial<HandIn> = {}) => handIn(harbour.db, harbour.learner, harbour.handedIn(more));
const attempts = () => attemptsOf(harbour.db, harbour.publicationId, harbour.learner.id);

describe('a hand-in', () => {
  test('is checked, kept once however often it comes, and given back as it was', async () => {
    const first = await give();
    const second = await give({ program: 'something else by now' });
    expect([first.status, second.status]).toEqual([201, 200]);
    expect('report' in first && first.report.verdict).toBe('as-drawn');
    expect('report' in second && 'report' in first && second.report).toEqual(
      'report' in first && first.report,
    );
    expect(await attempts()).toHaveLength(1);
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
    const [submission] = await attempts();
    expect(submission).toMatchObject({ sighting: 'dark', hintsTaken: 3, attempt: 1, learnerName: 'Anna' });
    expect(submission!.program.endsWith('// Ω “ü”\r\n')).toBe(true);
    expect(submission!.report.findings[0]!.code).toBe('bench-disagrees');
  });

  test('keeps its report as canonical text with its hash', async () => {
    await give();
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
    await give();
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
      expect('report' in result && result.report.verdict).not.toBe('as-drawn');
    }
  });

  test('that was a right one for a learner is none for another', async () => {
    await give();
    const other = await handIn(harbour.db, harbour.stranger, harbour.handedIn());
    expect(other.status).toBe(404);
  });
});

describe('a hand-in is refused', () => {
  test('to another class’s exercise as if there were none', async () => {
    expect(await handIn(harbour.db, harbour.stranger, harbour.handedIn())).toMatchObject({ status: 404 });
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
      message: expect.stringContaining('kept on this tablet'),
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
    expect((await handIn(harbour.db, harbour.stranger, harbour.handedIn())).status).toBe(404);
  });

  test.each<[what: string, more: Record<string, unknown>]>([
    ['a NUL in the program', { program: 'a\0b' }],
    ['a NUL in the wiring', { wiring: 'a\0b' }],
    ['a program that is too long', { program: 'x'.repeat(200_001) }],
    ['a wiring that is too long', { wiring: 'x'.repeat(200_001) }],
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
    expect((await submissionsOf(harbour.db, harbour.publicationId)).map(({ attempt }) => attempt)).toEqual([
      1, 2,
    ]);
    expect((await learnersOf(harbour.db, harbour.learner.classIds[0])).map(({ name }) => name)).toEqual([
      'Anna',
    ]);
  });
});
