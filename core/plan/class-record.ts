import type { FindingCode } from '../findings/finding';
import { rowOf } from '../findings/table';
import { hasPassed, type Verdict } from '../formats/report';
import type { Marks } from './review-marks';

/** A cause of a hand-in, with its line of the program when it has one. */
export interface RecordedCause {
  readonly code: FindingCode;
  readonly line: number | null;
}

/** A hand-in as the record of a class reads it. */
export interface RecordedTry {
  readonly submissionId: string;
  readonly learnerId: string;
  readonly exerciseId: string;
  /** The first day of its week, like `2027-01-11`. */
  readonly week: string;
  /** `null` while it waits to be judged. */
  readonly verdict: Verdict | null;
  readonly causes: readonly RecordedCause[];
  readonly hintsTaken: number;
  /** Days that it was late. */
  readonly late: number;
  /** Seconds of work at the bench up to it, since the exercise was begun; `null` where that is not known. */
  readonly workedSeconds: number | null;
  readonly marks: Marks | undefined;
  /** Whether somebody has accepted it, whatever the verdict. */
  readonly isAccepted: boolean;
}

/** A try of somebody who has been erased: nobody’s, and counted all the same. */
export type PastTry = Pick<RecordedTry, 'exerciseId' | 'week' | 'verdict'> & {
  readonly causes: readonly FindingCode[];
};

/** How a learner stands with an exercise. */
export interface RecordCell {
  readonly tries: number;
  readonly hintsTaken: number;
  /** Minutes of work at the bench, up to the try that was right first, or to the last; `null` where that is not known. */
  readonly minutes: number | null;
  /** Days that the last try was late. */
  readonly late: number;
  /** Of the last try. */
  readonly verdict: Verdict | null;
  readonly isDone: boolean;
  readonly marks: Marks | undefined;
  readonly submissionId: string;
}

/** Whether a try does what was asked, or is taken for it. */
export const isDone = ({ verdict, isAccepted }: Pick<RecordedTry, 'verdict' | 'isAccepted'>): boolean =>
  isAccepted || (verdict !== null && hasPassed(verdict));

const minutesOf = ({ workedSeconds }: RecordedTry): number | null =>
  workedSeconds === null ? null : Math.max(1, Math.round(workedSeconds / 60));

/** How each learner stands with each exercise, by learner and exercise; the tries are first to last. */
export function recordCells(
  tries: readonly RecordedTry[],
): ReadonlyMap<string, ReadonlyMap<string, RecordCell>> {
  const cells = new Map<string, Map<string, RecordCell>>();
  for (const one of tries) {
    const own = cells.get(one.learnerId) ?? new Map<string, RecordCell>();
    const before = own.get(one.exerciseId);
    own.set(one.exerciseId, {
      tries: (before?.tries ?? 0) + 1,
      hintsTaken: (before?.hintsTaken ?? 0) + one.hintsTaken,
      minutes: before?.isDone ? before.minutes : (minutesOf(one) ?? before?.minutes ?? null),
      late: one.late,
      verdict: one.verdict,
      isDone: isDone(one),
      marks: one.marks ?? before?.marks,
      submissionId: one.submissionId,
    });
    cells.set(one.learnerId, own);
  }
  return cells;
}

/** Fewest that a figure rests on before it is shown: with fewer it would be about somebody. */
export const FEWEST = 3;
/** How long an exercise took those who have done it, beside what was planned. */
export interface TimeTaken {
  readonly exerciseId: string;
  /** Minutes that were planned; `null` when none were. */
  readonly planned: number | null;
  /** Minutes at the bench that half of the learners needed at most. */
  readonly median: number;
  /** Minutes of the fastest and of the slowest. */
  readonly range: readonly [number, number];
  /** Learners that these figures rest on. */
  readonly of: number;
}

/** How long exercises took, in their order; none of which fewer than three learners have done. */
export function timesTaken(
  exercises: readonly { readonly id: string; readonly minutes: number | null }[],
  cells: ReadonlyMap<string, ReadonlyMap<string, RecordCell>>,
): readonly TimeTaken[] {
  return exercises.flatMap(({ id, minutes: planned }) => {
    const taken = [...cells.values()]
      .flatMap((own) => {
        const cell = own.get(id);
        return cell?.isDone && cell.minutes !== null ? [cell.minutes] : [];
      })
      .sort((one, other) => one - other);
    if (taken.length < FEWEST) return [];
    return [
      {
        exerciseId: id,
        planned,
        median: taken[Math.ceil(taken.length / 2) - 1]!,
        range: [taken[0]!, taken.at(-1)!] as const,
        of: taken.length,
      },
    ];
  });
}

/** Kinds of trouble that are told apart over the weeks; the rest is one. */
const MOST_KINDS = 6;

/** How often a kind of trouble came up, week by week. */
export interface TroubleSeries {
  readonly title: string;
  /** Hand-ins, by week. */
  readonly counts: readonly number[];
  readonly total: number;
}

export interface TroubleByWeek {
  readonly weeks: readonly string[];
  /** The most frequent kinds first. */
  readonly kinds: readonly TroubleSeries[];
  /** Hand-ins that these figures rest on. */
  readonly of: number;
}

/** Kinds of trouble over the weeks, of those who are there and of those who were erased; a kind counts once a hand-in. */
export function troubleByWeek(tries: readonly RecordedTry[], past: readonly PastTry[]): TroubleByWeek {
  const all = [
    ...tries.map(({ week, verdict, causes }) => ({ week, verdict, codes: causes.map(({ code }) => code) })),
    ...past.map(({ week, verdict, causes }) => ({ week, verdict, codes: causes })),
  ].filter(({ verdict }) => verdict !== null);
  const weeks = [...new Set(all.map(({ week }) => week))].sort();
  const counts = new Map<FindingCode, number[]>();
  for (const { week, codes } of all)
    for (const code of new Set(codes)) {
      const own = counts.get(code) ?? weeks.map(() => 0);
      own[weeks.indexOf(week)]! += 1;
      counts.set(code, own);
    }
  const series = [...counts]
    .map(([code, own]) => ({
      title: rowOf(code).title,
      counts: own,
      total: own.reduce((sum, count) => sum + count, 0),
    }))
    .sort((one, other) => other.total - one.total || one.title.localeCompare(other.title, 'en'));
  const shown = series.filter(({ total }) => total >= FEWEST).slice(0, MOST_KINDS);
  const rest = series.filter((one) => !shown.includes(one));
  const together = weeks.map((_, week) => rest.reduce((sum, { counts: own }) => sum + own[week]!, 0));
  const total = together.reduce((sum, count) => sum + count, 0);
  return {
    weeks,
    kinds: total > 0 ? [...shown, { title: 'Anything else', counts: together, total }] : shown,
    of: all.length,
  };
}

/** A kind of trouble that is worth taking up with the class, with what speaks for it. */
export interface TeachAgain {
  readonly code: FindingCode;
  readonly title: string;
  /** Learners whose last try at some exercise still has it. */
  readonly still: readonly string[];
  /** Learners who had it and have got over it. */
  readonly over: readonly string[];
  /** Where it came up: the exercise, and the lines of the programs where it stood. */
  readonly where: readonly { readonly exerciseId: string; readonly lines: readonly number[] }[];
}

/** What to teach again, most urgent first: what at least three learners ran into, by how many still have it. */
export function teachAgain(tries: readonly RecordedTry[]): readonly TeachAgain[] {
  const last = new Map(tries.map((one) => [`${one.learnerId} ${one.exerciseId}`, one.submissionId]));
  const isLast = (one: RecordedTry): boolean =>
    last.get(`${one.learnerId} ${one.exerciseId}`) === one.submissionId;
  const byCode = new Map<FindingCode, { readonly one: RecordedTry; readonly line: number | null }[]>();
  for (const one of tries)
    for (const { code, line } of one.causes) byCode.set(code, [...(byCode.get(code) ?? []), { one, line }]);
  return [...byCode]
    .map(([code, found]): TeachAgain => {
      const learners = [...new Set(found.map(({ one }) => one.learnerId))];
      const still = learners.filter((id) =>
        found.some(({ one }) => one.learnerId === id && isLast(one) && !isDone(one)),
      );
      const exercises = [...new Set(found.map(({ one }) => one.exerciseId))];
      return {
        code,
        title: rowOf(code).title,
        still,
        over: learners.filter((id) => !still.includes(id)),
        where: exercises.map((exerciseId) => ({
          exerciseId,
          lines: [
            ...new Set(
              found.flatMap(({ one, line }) => (one.exerciseId === exerciseId && line !== null ? line : [])),
            ),
          ].sort((one, other) => one - other),
        })),
      };
    })
    .filter(({ still, over }) => still.length + over.length >= FEWEST)
    .sort(
      (one, other) =>
        other.still.length - one.still.length ||
        other.over.length - one.over.length ||
        one.title.localeCompare(other.title, 'en'),
    );
}
