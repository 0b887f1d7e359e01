import { daysLate } from '@/core/formats/rubric';
import type { Brought } from '@/core/messages/outside';
import type { AsideFile } from '@/core/outside/files';
import type { BroughtIn } from '@/core/outside/sort-out';
import type { Named } from '@/core/outside/whose';
import { capital, howMany } from '@/core/words/words';

/** A learner's try that is there already. */
export interface KnownTry {
  readonly learnerId: string;
  readonly publicationId: string;
  readonly attempt: number;
  /** Milliseconds since 1970. */
  readonly at: number;
}

/** An exercise that something can be brought in for; `id` is its publication's. */
export interface OpenExercise {
  readonly id: string;
  readonly name: string;
  readonly isOpen: boolean;
  /** Milliseconds since 1970; `null` when it is never due. */
  readonly dueAt: number | null;
}

/** What there is to bring hand-ins in to. */
export interface BringInProps {
  readonly classId: string;
  readonly learners: readonly Named[];
  readonly exercises: readonly OpenExercise[];
  readonly tries: readonly KnownTry[];
  /** The exercise that files are for which name none. */
  readonly usual: string | undefined;
  /** Most bytes of an archive. */
  readonly largestArchive: number;
}

/** A hand-in in the list, as it will be brought in. */
export interface Row extends BroughtIn {
  /** Whether it was known whose it is and what for, before anybody said so. */
  readonly wasClear: boolean;
  readonly isLeftOut: boolean;
  readonly outcome?: Brought;
}

export interface BringInState {
  readonly step: 'empty' | 'reading' | 'sorted' | 'sending' | 'done';
  readonly rows: readonly Row[];
  readonly aside: readonly AsideFile[];
  /** Why something was not done. */
  readonly problem: string | undefined;
}

export const EMPTY: BringInState = { step: 'empty', rows: [], aside: [], problem: undefined };

export type BringInAction =
  | { readonly type: 'reading' }
  | { readonly type: 'failed'; readonly message: string }
  | { readonly type: 'sorted'; readonly handIns: readonly BroughtIn[]; readonly aside: readonly AsideFile[] }
  | { readonly type: 'said'; readonly key: string; readonly whose?: string; readonly what?: string }
  | { readonly type: 'left out'; readonly key: string; readonly isLeftOut: boolean }
  | { readonly type: 'sending' }
  | { readonly type: 'came'; readonly outcomes: ReadonlyMap<string, Brought> }
  | { readonly type: 'stopped'; readonly message?: string }
  | { readonly type: 'done' }
  | { readonly type: 'begin anew' };

export function bringIn(state: BringInState, action: BringInAction): BringInState {
  switch (action.type) {
    case 'reading':
      return { ...EMPTY, step: 'reading' };
    case 'failed':
      return { ...EMPTY, problem: action.message };
    case 'sorted': {
      const rows = action.handIns.map((one): Row => {
        const wasClear = one.learnerId !== undefined && one.exerciseId !== undefined;
        return { ...one, wasClear, isLeftOut: false };
      });
      // What somebody has to look at first.
      const byNeed = rows.toSorted((one, other) => Number(one.wasClear) - Number(other.wasClear));
      return { step: 'sorted', rows: byNeed, aside: action.aside, problem: undefined };
    }
    case 'said':
      return withRow(state, action.key, (row) => ({
        ...row,
        ...(action.whose === undefined ? {} : { learnerId: action.whose }),
        ...(action.what === undefined ? {} : { exerciseId: action.what }),
      }));
    case 'left out':
      return withRow(state, action.key, (row) => ({ ...row, isLeftOut: action.isLeftOut }));
    case 'sending':
      return { ...state, step: 'sending', problem: undefined };
    case 'came':
      return {
        ...state,
        rows: state.rows.map((row) => {
          const outcome = action.outcomes.get(row.key);
          return outcome ? { ...row, outcome } : row;
        }),
      };
    case 'stopped':
      return { ...state, step: 'sorted', problem: action.message };
    case 'done':
      return { ...state, step: 'done' };
    case 'begin anew':
      return EMPTY;
  }
}

const withRow = (state: BringInState, key: string, change: (row: Row) => Row): BringInState => ({
  ...state,
  rows: state.rows.map((row) => (row.key === key ? change(row) : row)),
});

const isClear = ({ learnerId, exerciseId }: Row): boolean =>
  learnerId !== undefined && exerciseId !== undefined;

/** Rows that can be brought in and have not been. */
export const readyRows = ({ rows }: BringInState): readonly Row[] =>
  rows.filter(
    (row) => !row.isLeftOut && isClear(row) && (row.outcome === undefined || row.outcome.is === 'refused'),
  );

/** Rows of which it is not known whose they are, or what for. */
export const openRows = ({ rows }: BringInState): readonly Row[] =>
  rows.filter((row) => !row.isLeftOut && !isClear(row));

/** What is to be known of a hand-in before it is brought in, in short sentences. */
export function notesOn(
  row: Row,
  { rows }: Pick<BringInState, 'rows'>,
  exercises: readonly OpenExercise[],
  tries: readonly KnownTry[],
): readonly string[] {
  const notes = [
    ...(row.wiring ? [] : ['No wiring: only the program can be judged.']),
    ...(row.program ? [] : ['No program.']),
  ];
  const exercise = exercises.find(({ id }) => id === row.exerciseId);
  if (!exercise || row.learnerId === undefined) return notes;
  const last = tries
    .filter((one) => one.learnerId === row.learnerId && one.publicationId === exercise.id)
    .toSorted((one, other) => one.attempt - other.attempt)
    .at(-1);
  if (last)
    notes.push(
      row.changedAt !== undefined && row.changedAt < last.at
        ? `Older than try ${last.attempt}, and counts as try ${last.attempt + 1} all the same.`
        : `Takes the place of try ${last.attempt}.`,
    );
  if (exercise.dueAt !== null && row.changedAt !== undefined) {
    const days = daysLate(new Date(row.changedAt), new Date(exercise.dueAt));
    if (days > 0) notes.push(`${capital(howMany(days, 'day'))} late.`);
  }
  if (!exercise.isOpen) notes.push('The exercise is closed; it is taken all the same.');
  const isTwice = rows.some(
    (other) =>
      other.key !== row.key &&
      !other.isLeftOut &&
      other.learnerId === row.learnerId &&
      other.exerciseId === row.exerciseId,
  );
  if (isTwice) notes.push('There is another one for the same here; both are taken, as two tries.');
  return notes;
}

/** What came of it, in a sentence. */
export function outcomeWords(outcome: Brought): string {
  if (outcome.is === 'known') return `Handed in before, as try ${outcome.attempt}.`;
  if (outcome.is === 'refused') return outcome.message;
  return `Taken as try ${outcome.attempt}${outcome.late > 0 ? `, ${howMany(outcome.late, 'day')} late` : ''}.`;
}
