import type { Knex } from 'knex';
import { titleOf } from '@/core/kit';
import { ladderOf } from '@/core/course/ladder';
import { draftsOf, type Draft } from '../exercises/drafts';
import type { Guard } from '../guard/processes';
import { log } from '../log';
import type { Viewer } from '../permissions';
import { comingMeetings, draftsFor, suggestionFor, type PlannedMeeting } from './meetings';
import { boardNames } from './kit-store';
import { lessonOf, outlook } from './planning';
import type { Suggestion } from '@/core/messages/meeting';
import type { Fit } from '@/core/meeting/fit';

/** The meeting that comes next, with what is to be thought of before it. */
export interface NextMeeting {
  readonly meeting: PlannedMeeting;
  readonly suggestion: Suggestion | undefined;
  readonly fit: Fit | undefined;
  /** Sorts to bring, and those of which the store has too few. */
  readonly sorts: number;
  readonly short: readonly string[];
  /** What is not ready, by exercise. */
  readonly lacks: readonly { readonly exerciseId: string; readonly title: string; readonly what: string }[];
}

/** What exercises lack, by exercise and version: looking takes a check of the reference. */
const known = new Map<string, readonly string[]>();
const MOST_KNOWN = 300;

async function lacksOf(guarded: Guard, { id, version, sheet }: Draft): Promise<readonly string[]> {
  const key = `${id} ${version}`;
  const before = known.get(key);
  if (before) return before;
  const outcome = await guarded.run('lacks', { exercise: sheet });
  if (!outcome.ended) {
    log.warn({ exercise: id, obstacle: outcome.obstacle }, 'what an exercise lacks cannot be told');
    return ['whether it is ready can’t be told'];
  }
  if (known.size >= MOST_KNOWN) known.delete(known.keys().next().value!);
  known.set(key, outcome.value);
  return outcome.value;
}

/** The next meeting of a viewer's classes, or the one that is on; `undefined` when none is planned. */
export async function nextMeeting(
  db: Knex,
  guarded: Guard,
  viewer: Viewer,
  now: Date,
): Promise<NextMeeting | undefined> {
  const [meeting] = await comingMeetings(db, viewer.classIds, now, 1);
  if (!meeting) return undefined;
  if (meeting.exercises.length === 0)
    return {
      meeting,
      suggestion: await suggestionFor(db, viewer, meeting),
      fit: undefined,
      sorts: 0,
      short: [],
      lacks: [],
    };
  const [lesson, drafts, store, boards] = await Promise.all([
    lessonOf(db, guarded, viewer, meeting),
    draftsFor(db, meeting),
    outlook(db, guarded, now),
    boardNames(db),
  ]);
  const supplies = store.meetings.find((one) => one.meeting.id === meeting.id)?.supplies ?? [];
  const [lacks, early] = await Promise.all([
    Promise.all(drafts.map(async (draft) => ({ draft, whats: await lacksOf(guarded, draft) }))),
    earlyConcepts(db, drafts),
  ]);
  return {
    meeting,
    suggestion: undefined,
    fit: lesson.fit,
    sorts: supplies.length,
    short: supplies
      .filter(({ short }) => short > 0)
      .map(({ need, short }) => `${short} × ${titleOf(need.item, boards)}`),
    lacks: [
      ...lacks.flatMap(({ draft, whats }) =>
        whats.map((what) => ({ exerciseId: draft.id, title: draft.sheet.title, what })),
      ),
      ...early,
    ],
  };
}

/** Concepts that an exercise uses before the course teaches them. */
async function earlyConcepts(db: Knex, drafts: readonly Draft[]): Promise<NextMeeting['lacks']> {
  const found: NextMeeting['lacks'][number][] = [];
  for (const courseId of new Set(drafts.map((draft) => draft.courseId))) {
    const all = await draftsOf(db, courseId);
    const rungs = ladderOf(all.map(({ sheet }) => sheet));
    for (const [index, { id, sheet }] of all.entries()) {
      if (!drafts.some((draft) => draft.id === id)) continue;
      for (const { concept, standing, taughtBy } of rungs[index]!.concepts)
        if (standing === 'early')
          found.push({
            exerciseId: id,
            title: sheet.title,
            what: `it uses “${concept.replaceAll('-', ' ')}”, which ${taughtBy === undefined ? 'no exercise teaches' : `${taughtBy} teaches later`}`,
          });
    }
  }
  return found;
}
