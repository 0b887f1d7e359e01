import * as z from 'zod';
import type { Scenario } from '../formats/scenario';
import type { Sheet, SheetLine } from './sheet';

/** What an author sets as a whole; everything else of an exercise follows from it and from the lines. */
export const sheetFields = [
  'title',
  'aim',
  'concepts',
  'minutes',
  'board',
  'boardProfile',
  'language',
  'breadboards',
  'layout',
  'held',
  'program',
  'scenarios',
  'considered',
  'forms',
  'formName',
  'stages',
  'open',
  'rubric',
  'rules',
  'text',
  'cautions',
  'basedOn',
  'assemblies',
  'calibrations',
  'pictures',
] as const;
export type SheetField = (typeof sheetFields)[number];

/**
 * One change of a sheet, with what was there before: a field set, or a line written, put in or taken out
 * (`null` for a line that is not there).
 */
export const changeSchema = z.discriminatedUnion('type', [
  z.object({
    type: z.literal('field'),
    field: z.enum(sheetFields),
    was: z.unknown().optional(),
    is: z.unknown().optional(),
  }),
  z.object({
    type: z.literal('line'),
    id: z.string().min(1).max(40),
    was: z.string().max(400).nullable(),
    is: z.string().max(400).nullable(),
    /** The line that it stands behind; `null` at the top. Counts when it is put in. */
    after: z.string().nullable(),
  }),
]);
export type Change = z.infer<typeof changeSchema>;

/** The field's present value. */
export function fieldOf(sheet: Sheet, field: SheetField): unknown {
  if (field === 'breadboards')
    return sheet.parts.filter((part) => part.kind === 'breadboard').map((part) => part.value);
  return sheet[field];
}

/** The changes that set fields, to be made as one. */
export const fieldChanges = (
  sheet: Sheet,
  fields: Readonly<Partial<Record<SheetField, unknown>>>,
): readonly Change[] =>
  (Object.keys(fields) as SheetField[]).map((field) => ({
    type: 'field',
    field,
    was: fieldOf(sheet, field),
    is: fields[field],
  }));

/** What an author says of a scenario that was proposed. */
export type ProposalMark = 'right' | 'wrong' | 'free';

/** A proposal that is right becomes a scenario; any other mark is kept beside them, and none takes its mark away. */
export function markChanges(
  sheet: Sheet,
  scenario: Scenario,
  mark: ProposalMark | undefined,
): readonly Change[] {
  const others = (sheet.considered ?? []).filter((one) => one.scenario.name !== scenario.name);
  return fieldChanges(sheet, {
    considered: mark === 'wrong' || mark === 'free' ? [...others, { mark, scenario }] : others,
    ...(mark === 'right' ? { scenarios: [...sheet.scenarios, scenario] } : {}),
  });
}

/** The changes that put other lines in the place of all that are there; `prefix` tells them from any others. */
export function linesReplaced(sheet: Sheet, lines: readonly SheetLine[], prefix: string): readonly Change[] {
  const id = (index: number): string => `${prefix}${index + 1}-${sheet.lines.length}-${lines.length}`;
  return [
    ...sheet.lines.map((line): Change => ({
      type: 'line',
      id: line.id,
      was: line.text,
      is: null,
      after: null,
    })),
    ...lines.map(({ text }, index): Change => ({
      type: 'line',
      id: id(index),
      was: null,
      is: text,
      after: index === 0 ? null : id(index - 1),
    })),
  ];
}

/** What is there now of what a change is about. */
export const presentOf = (sheet: Sheet, change: Change): unknown =>
  change.type === 'line'
    ? (sheet.lines.find((line) => line.id === change.id)?.text ?? null)
    : fieldOf(sheet, change.field);

/** The sheet with a change made, whether or not it was as the change says. */
export function applyChange(sheet: Sheet, change: Change): Sheet {
  if (change.type === 'line') return withLine(sheet, change);
  if (change.field === 'breadboards') {
    const models = Array.isArray(change.is) ? change.is.map(String) : [];
    const parts = sheet.parts.filter((part) => part.kind !== 'breadboard');
    const boards = models.map((value, index) => ({ ref: `B${index + 1}`, kind: 'breadboard', value }));
    return { ...sheet, parts: [...parts, ...boards] };
  }
  return { ...sheet, [change.field]: change.is };
}

function withLine(sheet: Sheet, { id, is, after }: Extract<Change, { type: 'line' }>): Sheet {
  const at = sheet.lines.findIndex((line) => line.id === id);
  if (is === null) return { ...sheet, lines: sheet.lines.filter((line) => line.id !== id) };
  if (at >= 0)
    return { ...sheet, lines: sheet.lines.map((line) => (line.id === id ? { ...line, text: is } : line)) };
  const behind = after === null ? -1 : sheet.lines.findIndex((line) => line.id === after);
  const made: SheetLine = { id, text: is, refs: [] };
  // A line whose neighbour is gone goes to the end.
  const place = after !== null && behind < 0 ? sheet.lines.length : behind + 1;
  return { ...sheet, lines: [...sheet.lines.slice(0, place), made, ...sheet.lines.slice(place)] };
}

/** The change that takes a change back. */
export const inverseOf = (change: Change): Change =>
  ({ ...change, was: change.is, is: change.was }) as Change;

/** Whether what a change makes is there already. */
export const isMade = (sheet: Sheet, change: Change): boolean =>
  JSON.stringify(presentOf(sheet, change) ?? null) === JSON.stringify(change.is ?? null);

/** Fields where the newer of two values may replace the older without a word: they follow from the rest. */
const FOLLOWING: ReadonlySet<SheetField> = new Set(['layout', 'held']);

/**
 * Whether someone else has changed meanwhile what a change is about: what is there is neither what was
 * there nor what the change makes of it.
 */
export function isOvertaken(sheet: Sheet, change: Change): boolean {
  if (change.type === 'field' && FOLLOWING.has(change.field)) return false;
  return !isMade(sheet, change) && !isMade(sheet, inverseOf(change));
}

/** Whether two changes are about the same line, or the same field. */
export const isAboutTheSame = (one: Change, other: Change): boolean =>
  one.type === 'line'
    ? other.type === 'line' && one.id === other.id
    : other.type === 'field' && one.field === other.field;

/**
 * Changes made one after another, and those among them that someone else has overtaken, which are not made. Changes
 * whose answer was lost are sent again: one that a later one of them went on from is there already.
 */
export function applyChanges(
  sheet: Sheet,
  changes: readonly Change[],
): { readonly sheet: Sheet; readonly made: readonly Change[]; readonly overtaken: readonly Change[] } {
  const made: Change[] = [];
  const overtaken: Change[] = [];
  let present = sheet;
  for (const [index, change] of changes.entries()) {
    if (isOvertaken(present, change)) {
      const isEarlier = changes
        .slice(index + 1)
        .some((later) => isAboutTheSame(later, change) && isMade(present, later));
      if (isEarlier) continue;
      overtaken.push(change);
      continue;
    }
    present = applyChange(present, change);
    made.push(change);
  }
  return { sheet: present, made, overtaken };
}

/**
 * Joins a change to the one before it when both write at the same place, so that a word is undone as one
 * and not letter by letter; `undefined` when they are two.
 */
export function joinedWith(before: Change, next: Change): Change | undefined {
  if (before.type === 'line' && next.type === 'line' && before.id === next.id && before.is === next.was)
    return { ...before, is: next.is };
  if (before.type === 'field' && next.type === 'field' && before.field === next.field)
    return { ...before, is: next.is };
  return undefined;
}

/** What a change is about, in words: `the title`, `the line “potentiometer on A0”`. */
export function subjectOf(change: Change): string {
  if (change.type === 'field') return `the ${change.field}`;
  return `the line “${change.was ?? change.is ?? ''}”`;
}
