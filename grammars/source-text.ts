import type { SyntaxNode } from '@/core/program/syntax';

type Position = SyntaxNode['startPosition'];

/** A text with its lines, so that the place of a character is found without counting. */
export class SourceText {
  private known: readonly number[] | undefined;

  constructor(readonly text: string) {}

  /** The line and column, from 0, of the character at an index. */
  positionOf(index: number): Position {
    const { lineStarts } = this;
    let row = 0;
    for (let step = highestBit(lineStarts.length); step > 0; step >>= 1)
      if (row + step < lineStarts.length && lineStarts[row + step]! <= index) row += step;
    return { row, column: index - lineStarts[row]! };
  }

  private get lineStarts(): readonly number[] {
    if (!this.known) {
      const starts = [0];
      for (let at = this.text.indexOf('\n'); at >= 0; at = this.text.indexOf('\n', at + 1))
        starts.push(at + 1);
      this.known = starts;
    }
    return this.known;
  }
}

const highestBit = (count: number): number => 1 << (31 - Math.clz32(count));

/** What was exchanged in a text for another: the stretch of the one, and where it ends in the other. */
export interface Exchange {
  readonly from: number;
  readonly oldTo: number;
  readonly newTo: number;
}

/** The shortest single stretch in which two texts differ. */
export function exchangeBetween(old: string, next: string): Exchange {
  const most = Math.min(old.length, next.length);
  let from = 0;
  while (from < most && old.charCodeAt(from) === next.charCodeAt(from)) from += 1;
  let behind = 0;
  while (
    behind < most - from &&
    old.charCodeAt(old.length - 1 - behind) === next.charCodeAt(next.length - 1 - behind)
  )
    behind += 1;
  return { from, oldTo: old.length - behind, newTo: next.length - behind };
}
