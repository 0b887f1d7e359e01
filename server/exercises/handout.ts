import type { Knex } from 'knex';
import { rulesWith } from '@/core/course/house-rules';
import {
  cardOf,
  cardsSchema,
  cardsToPrint,
  type ConceptCard,
  type CourseCards,
} from '@/core/course/concepts';
import type { FindingCode } from '@/core/findings/finding';
import type { Handout, HandoutForm } from '@/core/handout/document';
import { FEWEST } from '@/core/plan/class-record';
import type { Paper } from '@/core/handout/papers';
import { zipOf } from '@/core/package/zip';
import { pngOf } from '@/print/png';
import type { Guard } from '../guard/processes';
import { log } from '../log';
import type { Viewer } from '../permissions';
import { draftsOf, type Draft } from './drafts';
import { picturesOf } from './pictures';

/** How a handout is wanted. */
export interface HandoutPrint {
  readonly form: HandoutForm;
  readonly paper: Paper;
  readonly columns: 1 | 2;
  readonly extras: readonly ('tour' | 'bands')[];
  /** Where this server is reached. */
  readonly ownAddress: string;
}

export type Printed = { readonly pdf: Buffer } | { readonly message: string };

/** What a handout takes from its course and its classes. */
export interface HandoutContext {
  readonly place: string;
  readonly seen: readonly FindingCode[];
  readonly address: string | undefined;
  /** The exercise before it in the course. */
  readonly before: Draft['sheet'] | undefined;
  /** Cards of the concepts that no exercise before it has. */
  readonly cards: readonly ConceptCard[];
}

/** What all handouts of a course share. */
interface InCourse {
  readonly drafts: readonly Draft[];
  readonly cards: CourseCards;
}

async function inCourse(db: Knex, courseId: string): Promise<InCourse> {
  const [drafts, cards] = await Promise.all([draftsOf(db, courseId), courseCards(db, courseId)]);
  return { drafts, cards };
}

export async function handoutContext(
  db: Knex,
  viewer: Viewer,
  { id, courseId, courseTitle, position }: Draft,
  ownAddress: string,
  course?: InCourse,
): Promise<HandoutContext> {
  const [seen, publicationId, { drafts, cards }] = await Promise.all([
    commonCauses(db, viewer, id),
    openFor(db, viewer, id),
    course ?? inCourse(db, courseId),
  ]);
  const at = drafts.findIndex((draft) => draft.id === id);
  const concepts = cardsToPrint(drafts.map(({ sheet }) => sheet))[at] ?? [];
  return {
    place: `${courseTitle}, exercise ${position}`,
    seen,
    address: publicationId === undefined ? undefined : `${ownAddress}/bench/${publicationId}`,
    before: drafts[at - 1]?.sheet,
    cards: concepts.map((concept) => cardOf(concept, cards)),
  };
}

/** The cards of a course in its own words. */
export async function courseCards(db: Knex, courseId: string): Promise<CourseCards> {
  const row = await db('course').where({ id: courseId }).first<{ cards: unknown } | undefined>('cards');
  return cardsSchema.safeParse(row?.cards ?? {}).data ?? {};
}

const UNPRINTABLE =
  'The handout can’t be printed as the exercise stands. Look at the marks in the worksheet, then try again.';

/** The handout of an exercise as it stands in its worksheet; says why when there is none. */
export async function printHandout(
  db: Knex,
  guarded: Guard,
  viewer: Viewer,
  draft: Draft,
  { paper, columns, ownAddress, ...how }: HandoutPrint,
): Promise<Printed> {
  const outcome = await guarded.run('handout', {
    ...(await printInput(db, viewer, draft, ownAddress, how)),
    paper,
    columns,
  });
  if (outcome.ended) return { pdf: Buffer.from(outcome.value, 'base64') };
  log.error({ obstacle: outcome.obstacle, detail: outcome.detail }, 'a handout could not be printed');
  return { message: UNPRINTABLE };
}

/**
 * The handout of an exercise as files: Markdown, and every picture as SVG and as PNG beside it, in an archive; says why
 * when there is none.
 */
export async function handoutArchive(
  db: Knex,
  guarded: Guard,
  viewer: Viewer,
  draft: Draft,
  { ownAddress, ...how }: Pick<HandoutPrint, 'form' | 'extras' | 'ownAddress'>,
): Promise<{ readonly zip: Uint8Array } | { readonly message: string }> {
  const outcome = await guarded.run('handoutFiles', await printInput(db, viewer, draft, ownAddress, how));
  if (!outcome.ended) {
    log.error({ obstacle: outcome.obstacle, detail: outcome.detail }, 'a handout could not be written');
    return { message: UNPRINTABLE };
  }
  const { text, pictures } = outcome.value;
  const files: [string, string | Uint8Array][] = [[`${draft.sheet.id}.md`, text]];
  for (const { name, content } of pictures) {
    files.push([`pictures/${name}`, content]);
    if (typeof content === 'string')
      files.push([`pictures/${name.replace(/\.svg$/, '.png')}`, await pngOf(content)]);
  }
  return { zip: await zipOf(files) };
}

async function printInput(
  db: Knex,
  viewer: Viewer,
  draft: Draft,
  ownAddress: string,
  how: Pick<HandoutPrint, 'form' | 'extras'>,
  course?: InCourse,
) {
  const own = rulesWith(draft.courseRules, draft.sheet.rules);
  const [{ before, ...context }, photos] = await Promise.all([
    handoutContext(db, viewer, draft, ownAddress, course),
    picturesOf(db, draft.id),
  ]);
  return {
    exercise: draft.sheet,
    before,
    wish: { ...how, ...context, rules: own.ok ? own.value : draft.courseRules, photos },
  };
}

/** What is told while a booklet is made, a line each. */
export type BookletNews =
  | { readonly done: number; readonly of: number; readonly title: string }
  | { readonly pdf: string }
  | { readonly message: string };

/**
 * All handouts of a course in one PDF with its contents, exercise by exercise, so that one hears how far it is and can
 * end it. Exercises that cannot be printed are left out, and named on its first page.
 */
export async function* printBooklet(
  db: Knex,
  guarded: Guard,
  viewer: Viewer,
  drafts: readonly Draft[],
  { paper, columns, ownAddress, ...how }: HandoutPrint,
  signal: AbortSignal,
): AsyncGenerator<BookletNews> {
  const handouts: Handout[] = [];
  const [first] = drafts;
  const course = first && { drafts, cards: await courseCards(db, first.courseId) };
  const waiting = drafts.map(async (draft) => {
    const input = await printInput(db, viewer, draft, ownAddress, how, course);
    return signal.aborted ? undefined : guarded.run('handoutOf', input);
  });
  for (const [index, one] of waiting.entries()) {
    const outcome = await one;
    if (signal.aborted || outcome === undefined) return;
    if (outcome.ended) handouts.push(outcome.value);
    else
      log.error(
        { obstacle: outcome.obstacle, detail: outcome.detail },
        'a handout of a booklet was left out',
      );
    yield { done: index + 1, of: drafts.length, title: drafts[index]!.sheet.title };
  }
  if (handouts.length === 0) {
    yield { message: 'None of its exercises can be printed as they stand.' };
    return;
  }
  const printed = await guarded.run('printHandouts', { handouts, paper, columns });
  if (signal.aborted) return;
  yield printed.ended ? { pdf: printed.value } : { message: 'The booklet could not be made. Try again.' };
}

/** What the viewer's classes have run into in an exercise, the most frequent first; nothing that fewer than three have. */
async function commonCauses(db: Knex, viewer: Viewer, exerciseId: string): Promise<readonly FindingCode[]> {
  const rows = await db('submission')
    .join('publication', 'publication.id', 'submission.publication_id')
    .join('revision', 'revision.id', 'publication.revision_id')
    .join('report', 'report.key', 'submission.judging_key')
    .joinRaw('cross join unnest(report.causes) as cause')
    .where('revision.exercise_id', exerciseId)
    .whereIn('publication.class_id', [...viewer.classIds])
    .groupBy('cause')
    .havingRaw('count(distinct submission.learner_id) >= ?', [FEWEST])
    .orderByRaw('count(*) desc, cause')
    .select<{ cause: FindingCode }[]>('cause');
  return rows.map(({ cause }) => cause);
}

/** Where the exercise was opened last for a class of the viewer's. */
const openFor = (db: Knex, viewer: Viewer, exerciseId: string): Promise<string | undefined> =>
  db('publication')
    .join('revision', 'revision.id', 'publication.revision_id')
    .where('revision.exercise_id', exerciseId)
    .whereIn('publication.class_id', [...viewer.classIds])
    .whereNull('publication.closed_at')
    .orderBy('publication.opened_at', 'desc')
    .first<{ id: string } | undefined>('publication.id')
    .then((row) => row?.id);
