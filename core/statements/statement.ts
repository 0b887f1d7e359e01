import type { BoardProfile } from '../boards';
import type { LegName, Ref } from '../brand';
import type { PartKind } from '../parts';
import type { Kit } from './kit';
import type { WordChoice } from '../words/words';

/** Conventions of the course that fill in what a line does not say. */
export interface StatementRules {
  /** How a button's line is held while nobody presses. */
  readonly buttonInput: 'pull-up-inside' | 'pull-down' | 'pull-up';
  /** On which side of an LED its resistor is drawn. */
  readonly resistorSide: 'cathode' | 'anode';
  /** How bright LEDs are meant to be. */
  readonly resistorValue: 'lowest-safe' | 'mid' | 'frugal';
  /** Which words lines are written in; they are read in either. */
  readonly words: WordChoice;
}

export const DEFAULT_STATEMENT_RULES: StatementRules = {
  words: 'technical',
  buttonInput: 'pull-up-inside',
  resistorSide: 'cathode',
  resistorValue: 'mid',
};

/** What a line is read against. */
export interface StatementContext {
  readonly board: BoardProfile;
  readonly rules: StatementRules;
  readonly kit: Kit;
  /** The only chip of the sheet whose outputs parts can hang on, so that a line may leave out its name. */
  readonly chip?: Ref;
}

/** Ways to connect a part that a line can ask for by a word. */
export type Option =
  | 'pull-up'
  | 'pull-down'
  | 'anode-side'
  | 'cathode-side'
  | 'lit-by-low'
  | 'no-resistor'
  | 'dimmed'
  | 'own-supply'
  | 'transistor'
  | 'both-ends'
  | 'left-free';

/** Something that a leg can be joined to. */
export type Target =
  | { readonly type: 'pin'; readonly pin: string }
  | { readonly type: 'ground' }
  | { readonly type: 'supply' }
  | { readonly type: 'leg'; readonly ref: Ref; readonly leg: LegName }
  /** A part as a whole: what is across it, or takes its power from it. */
  | { readonly type: 'part'; readonly ref: Ref };

/** A value with the values that pass as well; the ends as they were typed. */
export interface Accepting {
  readonly value: string;
  readonly accept?: { readonly from: string; readonly to: string };
}

/** A part line, read. */
export interface Statement {
  readonly count: number;
  readonly kind: PartKind;
  /** What stands in the value column; empty for the usual one. */
  readonly value: string;
  /** Values of the parts one by one, where the line names more than one. */
  readonly values?: readonly string[];
  readonly acceptValue?: Accepting['accept'];
  /** How many of them hang one on the other, as one path, where the line says so. */
  readonly inSeries?: number;
  /** Names given by `as`. */
  readonly names: readonly Ref[];
  readonly pins: readonly string[];
  /** Pins that may stand for each of these, as a range. */
  readonly freePins?: string;
  readonly resistor?: Accepting;
  /** Where the resistor's other end goes, where the line says so right behind its value. */
  readonly resistorTo?: Target;
  readonly farads?: string;
  readonly currentMa?: number;
  readonly options: ReadonlySet<Option>;
  /** Where it takes its power from. */
  readonly source?: Target;
  readonly to?: Target;
  readonly across?: Target;
  readonly after?: Ref;
  /** Legs joined one by one; the usual way of connecting the kind is then not used. */
  readonly joins: readonly { readonly leg: LegName; readonly to: Target }[];
}

/** Whether a line says itself where each leg goes, rather than leaving it to the usual way. */
export const isLegByLeg = ({ joins, options }: Pick<Statement, 'joins' | 'options'>): boolean =>
  joins.length > 0 || options.has('left-free');

/** Which part of a line's meaning a piece of its text gives. */
export type Slot = 'count' | 'kind' | 'value' | 'pins' | 'resistor' | 'current' | 'option' | 'join' | 'name';

/** A piece of a line and what it was understood as. */
export interface Piece {
  /** Columns in the line, from 0; the end is not included. */
  readonly from: number;
  readonly to: number;
  readonly slot: Slot;
  readonly says: string;
  /** Whether the word was not typed so, but is the nearest known one. */
  readonly guessed: boolean;
}

/** Something that a line does not say and that was filled in. */
export interface Assumption {
  readonly slot: Slot;
  readonly says: string;
  /** Why this and not something else. */
  readonly because: string;
  /** What would say it in the line; nothing does where it is missing. */
  readonly words?: string;
}

/** Another line that would do. */
export interface Offer {
  readonly label: string;
  readonly line: string;
}

/** What is wrong with a line, where, and what is possible instead. */
export interface Trouble {
  /** `stops`: nothing can be made of the line. `unfinished`: not yet. `warns`: it is made as it says. */
  readonly weight: 'stops' | 'unfinished' | 'warns';
  readonly message: string;
  readonly from: number;
  readonly to: number;
  readonly offers: readonly Offer[];
}

/** A line with what was made of it. */
export interface ReadLine {
  readonly text: string;
  /** `undefined` for a line that says nothing yet or cannot be understood. */
  readonly statement: Statement | undefined;
  readonly pieces: readonly Piece[];
  readonly troubles: readonly Trouble[];
}
