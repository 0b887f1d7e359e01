import type { Knex } from 'knex';
import { z } from 'zod';
import { canonicalReport, type Report } from '@/core/formats/report';
import { boardsOf, languageOf } from '@/core/formats/exercise';
import { check } from '@/core/judge/check';
import { compileProgram, PROGRAM_LIMIT } from '@/core/program';
import { problemText } from '@/core/result';
import { readWiring } from '@/core/wiring/read';
import { TABLE_LIMIT } from '@/core/wiring/table';
import { nodeGrammars } from '@/grammars/node';
import { findPublication } from '../exercises/publications';
import { secondsToWait } from '../people/rate-limits';
import { textHash } from '../people/secrets';
import type { Viewer } from '../permissions';

/** The body of a hand-in. NUL is refused at the door; the database cannot hold it. */
const noNul = (text: string): boolean => !text.includes('\0');
export const handInSchema = z.object({
  clientId: z.string().min(8).max(64),
  publicationId: z.string().max(64),
  wiring: z.string().max(TABLE_LIMIT).refine(noNul, 'the wiring holds a NUL character'),
  program: z.string().max(PROGRAM_LIMIT).refine(noNul, 'the program holds a NUL character'),
  sighting: z.enum(['right', 'dark', 'faint', 'other']).optional(),
  hintsTaken: z.int().min(0).max(1000).default(0),
});
export type HandIn = z.infer<typeof handInSchema>;

export type HandInResult =
  | { readonly status: 200 | 201; readonly submissionId: string; readonly report: Report }
  | { readonly status: 404 | 409 | 422 | 429; readonly message: string };

/**
 * Takes a hand-in: checks it again with the full exercise and records both. The same client id twice
 * is one hand-in; the second answer is the first one's.
 */
export async function handIn(
  db: Knex,
  viewer: Viewer & { readonly role: 'student' },
  given: HandIn,
): Promise<HandInResult> {
  const earlier = await earlierHandIn(db, viewer.id, given.clientId);
  if (earlier) return earlier;
  const wait = await secondsToWait(db, 'hand-in', viewer.id);
  if (wait > 0)
    return {
      status: 429,
      message: `You have handed in very often. Wait ${wait} seconds; your work is kept on this tablet.`,
    };
  const publication = await findPublication(db, viewer, given.publicationId);
  if (!publication) return { status: 404, message: 'This exercise is not open for your class.' };
  if (!publication.isOpen)
    return {
      status: 409,
      message:
        'This exercise has been closed. Your work is kept on this tablet; ask your instructor to open it again.',
    };
  const { exercise } = publication;
  const wiring = readWiring(given.wiring, { boards: boardsOf(exercise.data) });
  if (!wiring.ok)
    return { status: 422, message: `The wiring cannot be read: ${problemText(wiring.problems[0]!)}` };
  const grammars = await nodeGrammars();
  const build = {
    wiring: wiring.value,
    program: compileProgram(given.program, exercise.board, grammars, languageOf(exercise)),
  };
  const report = check(exercise, build, grammars, given.sighting ? { sighting: given.sighting } : {});
  const submissionId = await record(db, viewer.id, given, report);
  return submissionId === undefined
    ? (await earlierHandIn(db, viewer.id, given.clientId))!
    : { status: 201, submissionId, report };
}

async function earlierHandIn(
  db: Knex,
  learnerId: string,
  clientId: string,
): Promise<HandInResult | undefined> {
  const row = await db('submission')
    .join('report', 'report.submission_id', 'submission.id')
    .where({ learner_id: learnerId, client_id: clientId })
    .orderBy('report.made_at')
    .first<{ id: string; content: string } | undefined>('submission.id', 'report.content');
  return row && { status: 200, submissionId: row.id, report: JSON.parse(row.content) as Report };
}

/** Writes submission and report together; `undefined` when the same hand-in was written meanwhile. */
export async function record(
  db: Knex,
  learnerId: string,
  given: HandIn,
  report: Report,
  at?: Date,
): Promise<string | undefined> {
  return db.transaction(async (transaction) => {
    // One learner's attempts are numbered one by one, also from two tablets.
    await transaction('learner').where({ id: learnerId }).forUpdate().first('id');
    const [count] = await transaction('submission')
      .where({ learner_id: learnerId, publication_id: given.publicationId })
      .count<{ count: string }[]>('* as count');
    const [row] = await transaction('submission')
      .insert({
        publication_id: given.publicationId,
        learner_id: learnerId,
        client_id: given.clientId,
        attempt: Number(count?.count ?? 0) + 1,
        wiring: given.wiring,
        program: given.program,
        sighting: given.sighting ?? null,
        hints_taken: given.hintsTaken,
        ...(at ? { handed_in_at: at } : {}),
      })
      .onConflict(['learner_id', 'client_id'])
      .ignore()
      .returning<{ id: string }[]>('id');
    if (!row) return undefined;
    const content = canonicalReport(report);
    await transaction('report').insert({
      submission_id: row.id,
      content,
      content_hash: textHash(content),
      verdict: report.verdict,
      engine: report.engine,
      ...(at ? { made_at: at } : {}),
    });
    return row.id;
  });
}
