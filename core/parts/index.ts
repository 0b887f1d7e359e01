import type { PartKind } from './kind';
import { led } from './led';
import { resistor } from './resistor';
import { clip, wire } from './wire';

export type { Leg, PartElement, PartKind } from './kind';
export type { PartValue } from './value';
export { lampColours } from './led';
export { ohmsText, readOhms } from './value';

/** Kinds in the order in which they are offered and listed. */
export const partKinds: readonly PartKind[] = [led, resistor, wire, clip];

const byWord: ReadonlyMap<string, PartKind> = new Map(
  partKinds.flatMap((kind) => [kind.kind, ...kind.alsoTyped].map((word) => [word, kind] as const)),
);

/** The kind that a word in the kind column means; `undefined` when there is none. */
export const findKind = (word: string): PartKind | undefined => byWord.get(word.trim().toLowerCase());

/** The kind of a part that has already been read; a missing one is a bug. */
export function kindOf(name: string): PartKind {
  const kind = byWord.get(name);
  if (!kind) throw new Error(`unknown part kind ${name}`);
  return kind;
}
