import type { Edit } from '@/core/findings/finding';
import { boardOf, boardsOf, type ExerciseData } from '@/core/formats/exercise';
import type { Draft, DraftPart } from '@/core/messages/bench-draft';
import { findKind, kindOf } from '@/core/parts';
import { readTable, type TableRow } from '@/core/wiring/table';
import { wiringFromRows } from '@/core/wiring/read';
import type { Wiring } from '@/core/wiring/wiring';
import { nextFreeName } from './merge';

/** The parts and wires of the exercise, none of them plugged in yet, and the program that is given. */
export function emptyDraft(exercise: ExerciseData, program = ''): Draft {
  const rows = readTable(exercise.layout ?? '');
  const drawn = rows.ok ? rows.value : [];
  const wires = [
    ...new Map(drawn.filter((row) => findKind(row.kind)?.conductor).map((row) => [row.ref, row])).values(),
  ];
  const parts = exercise.parts.filter((part) => findKind(part.kind));
  return {
    version: 1,
    parts: [...wires, ...parts].map(({ ref, kind, value }) => ({ ref, kind, value, at: {} })),
    program,
    hintsTaken: 0,
  };
}

/** A fresh part of a kind, with the next free name. */
export const newPart = (draft: Draft, kind: string, value: string): DraftPart => ({
  ref: nextFreeName(draft.parts, kind),
  kind,
  value,
  at: {},
});

/** What cannot be read, by part and leg. */
export type LegProblems = Readonly<Record<string, string>>;

export interface Recorded {
  /** The wiring as far as it can be read; what cannot is left out. */
  readonly wiring: Wiring | undefined;
  readonly problems: LegProblems;
  /** The wiring table as it would be handed in. */
  readonly table: string;
}

/** Reads a draft: the wiring for the drawing, and for each leg that does not fit, why. */
export function recordedIn(draft: Draft, exercise: ExerciseData): Recorded {
  const fixed = exercise.parts
    .filter((part) => !findKind(part.kind))
    .map(({ ref, kind, value }) => ({ ref, kind, value, leg: '', at: '' }));
  const legs = draft.parts.flatMap((part) =>
    kindOf(part.kind).legs.map(({ name }) => ({
      ref: part.ref,
      kind: part.kind,
      value: part.value,
      leg: name as string,
      at: fullPlace(part.at[name] ?? '', exercise),
    })),
  );
  const all = [...fixed, ...legs];
  const table = `ref,kind,value,leg,at\n${all.map((row) => [row.ref, row.kind, row.value, row.leg, row.at].map(cell).join(',')).join('\n')}\n`;
  const boards = boardsOf(exercise);
  let rows: TableRow[] = all.map((row, index) => ({ ...row, line: index + 1 }));
  const problems: Record<string, string> = {};
  // Every row can be wrong at most once, so this ends.
  for (let round = 0; round <= rows.length; round += 1) {
    const read = wiringFromRows(rows, { boards });
    if (read.ok) return { wiring: read.value, problems, table };
    const [problem] = read.problems;
    const row = rows.find((candidate) => candidate.line === problem?.line);
    if (!problem || !row) break;
    problems[`${row.ref}.${row.leg}`] = problem.message;
    rows =
      row.at === ''
        ? rows.filter((candidate) => candidate.ref !== row.ref)
        : rows.map((candidate) => (candidate === row ? { ...row, at: '' } : candidate));
  }
  return { wiring: undefined, problems, table };
}

const cell = (text: string): string => (/[",\n]/.test(text) ? `"${text.replace(/"/g, '""')}"` : text);

/** The draft with the wiring edits of a repair made; edits of the program are the learner's to type. */
export function withEdits(draft: Draft, edits: readonly Edit[]): Draft {
  return edits.reduce(withEdit, draft);
}

function withEdit(draft: Draft, edit: Edit): Draft {
  const change = (ref: string, next: (part: DraftPart) => DraftPart): Draft => ({
    ...draft,
    parts: draft.parts.map((part) => (part.ref === ref ? next(part) : part)),
  });
  if ('move' in edit) {
    const [ref, leg] = edit.move.split('.') as [string, string];
    return change(ref, (part) => ({ ...part, at: { ...part.at, [leg]: shortPlace(edit.to) } }));
  }
  if ('flip' in edit)
    return change(edit.flip, (part) => {
      const [one, other] = kindOf(part.kind).legs.map((leg) => leg.name as string);
      return { ...part, at: { ...part.at, [one!]: part.at[other!] ?? '', [other!]: part.at[one!] ?? '' } };
    });
  if ('value' in edit) return change(edit.value, (part) => ({ ...part, value: edit.to }));
  if ('remove' in edit) return { ...draft, parts: draft.parts.filter((part) => part.ref !== edit.remove) };
  if ('add' in edit) {
    const rows = readTable(`ref,kind,value,leg,at\n${edit.add}`);
    const [first] = rows.ok ? rows.value : [];
    if (!rows.ok || !first) return draft;
    const at = Object.fromEntries(rows.value.map((row) => [row.leg, shortPlace(row.at)]));
    return {
      ...draft,
      parts: [...draft.parts, { ref: first.ref, kind: first.kind, value: first.value, at }],
    };
  }
  return draft;
}

/** A place as a learner writes it, where there is one board and one breadboard: `D13` is a pin, `d13` a hole. */
export const shortPlace = (point: string): string =>
  /^[BU]\d*\./.test(point) ? point.slice(point.indexOf('.') + 1) : point;

/** The same place so that nobody takes a pin for a hole: some boards call their pins as a breadboard its holes. */
function fullPlace(typed: string, exercise: ExerciseData): string {
  const place = typed.trim();
  const board = boardOf(exercise);
  const ref = exercise.parts.find(({ kind }) => kind === 'board')?.ref;
  const isPin = /^[A-J]\d+$/.test(place) && board?.pins.some(({ name }) => name === place);
  return isPin && ref !== undefined ? `${ref}.${place}` : typed;
}
