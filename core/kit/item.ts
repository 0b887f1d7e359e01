import { shippedBoards } from '../boards';
import type { Brand } from '../brand';
import { breadboards } from '../breadboards';
import { findKind } from '../parts';
import { fail, ok, type Result } from '../result';

/** A sort of thing in the store: everything of one sort stands in for each other. */
export interface KitItem {
  /** A part kind, `board`, `breadboard`, or one of `looseKinds`. */
  readonly kind: string;
  /** As its kind writes it: `330`, `amber`, `learner-5v`. */
  readonly value: string;
  /** Of a wire, in mm. */
  readonly lengthMm?: number;
}

/** What tells one sort from another: `resistor 330`, `wire yellow 100`. */
export type KitKey = Brand<string, 'KitKey'>;

export const keyOf = ({ kind, value, lengthMm }: KitItem): KitKey =>
  [kind, value, ...(lengthMm === undefined ? [] : [lengthMm])].join(' ') as KitKey;

/** Things that are counted and are no part of a circuit; their value says what they are. */
export const looseKinds = ['fastener', 'tool', 'other'] as const;

const isLoose = (kind: string): boolean => (looseKinds as readonly string[]).includes(kind);

/** Longest name of a loose thing or a board of one's own, in characters, and longest wire in mm. */
const [LONGEST_VALUE, LONGEST_WIRE_MM] = [120, 5000];

/** Whether things of a kind differ by their length. */
const hasLength = (kind: string): boolean => findKind(kind)?.conductor === true;

/** Reads a sort of thing from the words that somebody typed for it; a refusal names the cell. */
export function readItem(given: {
  readonly kind: string;
  readonly value: string;
  readonly length?: string;
}): Result<KitItem> {
  const word = given.kind.trim().toLowerCase();
  const value = given.value.trim();
  if (word === '') return fail({ message: 'it has no kind, such as resistor or wire', path: 'kind' });
  if (value.length > LONGEST_VALUE)
    return fail({ message: `its value is longer than ${LONGEST_VALUE} characters`, path: 'value' });
  if (isLoose(word) || word === 'board')
    return value === ''
      ? fail({ message: `a ${word} needs its name as its value`, path: 'value' })
      : withLength({ kind: word, value: word === 'board' ? value.toLowerCase() : value }, given.length);
  if (word === 'breadboard') {
    const model = breadboards.get(value.toLowerCase());
    return model
      ? withLength({ kind: word, value: model.id }, given.length)
      : fail({
          message: `“${value}” is no known breadboard; known are ${[...breadboards.keys()].join(', ')}`,
          path: 'value',
          typed: value,
        });
  }
  const kind = findKind(word);
  if (!kind)
    return fail({
      message: `“${given.kind.trim()}” is no known kind`,
      path: 'kind',
      typed: given.kind.trim(),
    });
  const read = kind.readValue(value);
  if (!read.ok) return fail({ ...read.problems[0]!, path: 'value', typed: value });
  return withLength({ kind: kind.kind, value: read.value.text }, given.length);
}

function withLength(item: KitItem, typed = ''): Result<KitItem> {
  const text = typed.trim().replace(/\s*mm$/i, '');
  if (text === '') return ok(item);
  if (!hasLength(item.kind))
    return fail({ message: `only wires and clip leads have a length`, path: 'length', typed });
  const lengthMm = Number(text);
  return Number.isInteger(lengthMm) && lengthMm > 0 && lengthMm <= LONGEST_WIRE_MM
    ? ok({ ...item, lengthMm })
    : fail({
        message: `“${typed.trim()}” is no length in whole millimetres up to ${LONGEST_WIRE_MM}`,
        path: 'length',
        typed,
      });
}

/** What a sort is called: `330 Ω resistor`, `yellow wire, 100 mm`. Boards of one's own by their names in `boards`. */
export function titleOf(item: KitItem, boards: ReadonlyMap<string, string> = new Map()): string {
  const { kind, value, lengthMm } = item;
  const title = nameOf(kind, value, boards);
  return lengthMm === undefined ? title : `${title}, ${lengthMm} mm`;
}

function nameOf(kind: string, value: string, boards: ReadonlyMap<string, string>): string {
  if (kind === 'board') return shippedBoards.get(value)?.short ?? boards.get(value) ?? value;
  if (kind === 'breadboard') return breadboards.get(value)?.title ?? `${value} breadboard`;
  const known = findKind(kind);
  if (!known) return value;
  const read = known.readValue(value);
  return read.ok ? known.describe(read.value) : `${value} ${known.title}`;
}

/** Share of a sort that a class breaks or loses in one meeting, 0 to 1, where its own record says nothing. */
export const usualLoss = (kind: string): number => findKind(kind)?.usualLoss ?? (isLoose(kind) ? 0.05 : 0.01);
