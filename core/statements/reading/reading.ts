import type { Offer, Option, Piece, Slot, Statement, StatementContext, Trouble } from '../statement';
import type { Token } from '../tokens';
import type { Found } from './phrases';

/** A statement while it is being read. */
export type Draft = { -readonly [Key in keyof Statement]?: Statement[Key] };

/** Columns of a line. */
export type Columns = Pick<Token, 'from' | 'to'>;

/** A line on its way to a statement: its words, how far they are read, and what was found so far. */
export class Reading {
  /** The next token. */
  at = 0;
  readonly draft: Draft = {};
  /** Whether a leg is told as one tells it to a beginner, `long leg on 5`, so that the others are where they always are. */
  isInPassing = false;
  readonly options = new Set<Option>();
  /** Pins that were named by what they are for. */
  readonly pinsByNeed = new Map<string, string>();
  readonly pieces: Piece[] = [];
  readonly troubles: Trouble[] = [];
  /** Words that no sign stands before and that are no value, with what passes as well; settled at the end. */
  readonly loose: (Token & { readonly passing: string | undefined })[] = [];
  readonly text: string;
  readonly tokens: readonly Token[];
  /** Phrases by the token at which they begin. */
  readonly found: readonly (Found | undefined)[];
  readonly context: StatementContext;

  constructor(
    text: string,
    tokens: readonly Token[],
    found: readonly (Found | undefined)[],
    context: StatementContext,
  ) {
    this.text = text;
    this.tokens = tokens;
    this.found = found;
    this.context = context;
  }

  /** Notes what a phrase was understood as, up to `end` where more words belong to it. */
  note(found: Found, slot: Slot, says: string, end?: Token): void {
    this.pieces.push({
      from: this.tokens[found.first]!.from,
      to: (end ?? this.tokens[found.first + found.count - 1]!).to,
      slot,
      says,
      guessed: found.guess !== undefined,
    });
  }

  /** Notes what a stretch of the line was understood as. */
  mark({ from, to }: Columns, slot: Slot, says: string): void {
    this.pieces.push({ from, to, slot, says, guessed: false });
  }

  stops(at: Columns, message: string, offers: readonly Offer[] = []): void {
    this.troubles.push({ weight: 'stops', message, from: at.from, to: at.to, offers });
  }

  /** Notes that more is to come: the line is read as far as it goes. */
  awaits(message: string): void {
    const { length } = this.text;
    this.troubles.push({ weight: 'unfinished', message, from: length, to: length, offers: [] });
  }

  /** The line with a stretch of it exchanged. */
  replaced(at: Columns, by: string): Offer {
    const line = `${this.text.slice(0, at.from)}${by}${this.text.slice(at.to)}`.replace(/\s+/g, ' ').trim();
    return { label: line, line };
  }

  typed = ({ from, to }: Columns): string => this.text.slice(from, to);
}
