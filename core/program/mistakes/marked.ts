import type { FindingCode } from '../../findings/finding';

/**
 * Programs with one mistake each, by the code that has to be found first. A place marked by `|` is where
 * something is missing, a stretch in `[[…]]` is what is wrong: there the problem must stand.
 */
export type MistakeTable = Readonly<Partial<Record<FindingCode, readonly string[]>>>;

export interface Marked {
  readonly source: string;
  /** Place of the mistake, from 1. */
  readonly line: number;
  readonly column: number;
}

/** A program without its marks, and where they stood. */
export function marked(text: string): Marked {
  const at = text.includes('[[') ? text.indexOf('[[') : text.indexOf('|');
  const before = text.slice(0, at);
  const source = text.includes('[[')
    ? text.replace(/\[\[|\]\]/, '').replace(/\]\]/, '')
    : text.replace('|', '');
  return { source, line: before.split('\n').length, column: at - before.lastIndexOf('\n') };
}

/** The mistakes of a table one by one. */
export const mistakesIn = (table: MistakeTable): readonly (readonly [FindingCode, string])[] =>
  Object.entries(table).flatMap(([code, texts]) => texts.map((text) => [code as FindingCode, text] as const));
