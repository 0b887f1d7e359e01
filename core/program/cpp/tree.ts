import type { ComparisonOperator } from './clock-turn';
import type { ProgramMemory } from './machine';
import type { Span } from '../syntax';
import type { LibraryFunction } from './library';
import type { CType, ScalarType } from './types';

/**
 * How an expression's value depends on the clock within one pass of the loop around it: not at all,
 * as the clock's count plus something fixed, or in a way that is not followed.
 */
export type ClockForm = 'fixed' | 'millis' | 'micros' | 'unfollowed';

/**
 * Where a value lives: a cell of the flat memory, absolute, within the function's frame, or counted from
 * where a pointer points.
 */
export interface Place {
  readonly area: 'global' | 'frame';
  readonly address: number;
  /** The pointer that it is counted from, instead of the area's beginning. */
  readonly through?: Expression;
  /** Elements of arrays on the way to it. */
  readonly steps: readonly IndexStep[];
  readonly name: string;
}

export interface IndexStep {
  readonly index: Expression;
  /** How many elements there are; `undefined` behind a pointer, which does not know. */
  readonly length: number | undefined;
  /** Cells of one element. */
  readonly cells: number;
}

interface Typed {
  readonly type: CType;
  readonly span: Span;
  readonly clock: ClockForm;
}

export type BinaryOperator = '+' | '-' | '*' | '/' | '%' | '<<' | '>>' | '&' | '|' | '^';

export type Expression = Typed &
  (
    | { readonly node: 'constant'; readonly value: number }
    | { readonly node: 'text'; readonly value: string }
    /** `outside`: around how many loops a local got the clock that it holds; in them it stands still. */
    | { readonly node: 'load'; readonly place: Place; readonly outside?: number }
    | { readonly node: 'store'; readonly place: Place; readonly value: Expression }
    /** Where a value lies, as a pointer. */
    | { readonly node: 'address'; readonly place: Place }
    /** A struct put into another place whole. */
    | { readonly node: 'copy'; readonly from: Expression; readonly to: Place; readonly cells: number }
    | {
        readonly node: 'update';
        readonly place: Place;
        readonly operator: BinaryOperator;
        /** The type in which the operation is done before it is stored. */
        readonly operationType: ScalarType;
        readonly value: Expression;
        readonly result: 'before' | 'after';
      }
    | { readonly node: 'negate' | 'complement' | 'not'; readonly operand: Expression }
    | {
        readonly node: 'binary';
        readonly operator: BinaryOperator;
        readonly left: Expression;
        readonly right: Expression;
      }
    | {
        readonly node: 'compare';
        readonly operator: ComparisonOperator;
        readonly operandType: ScalarType;
        readonly left: Expression;
        readonly right: Expression;
      }
    | { readonly node: 'both' | 'either'; readonly left: Expression; readonly right: Expression }
    | {
        readonly node: 'choose';
        readonly condition: Expression;
        readonly yes: Expression;
        readonly no: Expression;
      }
    /** `checked`: a value that does not fit is noted. */
    | { readonly node: 'convert'; readonly value: Expression; readonly checked?: true }
    | { readonly node: 'call'; readonly target: number; readonly arguments: readonly Expression[] }
    | {
        readonly node: 'builtin';
        readonly name: string;
        readonly builtin: LibraryFunction;
        readonly arguments: readonly Expression[];
      }
    | { readonly node: 'sequence'; readonly first: Expression; readonly second: Expression }
  );

export type Statement = { readonly span: Span } & (
  | { readonly node: 'expression'; readonly expression: Expression }
  /** Sets a variable to its first value; for an array, element by element. */
  | { readonly node: 'initialize'; readonly stores: readonly Expression[] }
  /** Runs when it is reached for the first time: a local that remembers gets its first value. */
  | { readonly node: 'once'; readonly flag: number; readonly stores: readonly Expression[] }
  | { readonly node: 'block'; readonly statements: readonly Statement[] }
  | { readonly node: 'if'; readonly condition: Expression; readonly yes: Statement; readonly no?: Statement }
  | {
      readonly node: 'loop';
      readonly kind: 'for' | 'while' | 'do';
      readonly start?: Statement;
      readonly condition?: Expression;
      readonly step?: Expression;
      readonly body: Statement;
    }
  | {
      readonly node: 'switch';
      readonly subject: Expression;
      readonly cases: readonly { readonly value?: number; readonly statements: readonly Statement[] }[];
    }
  | { readonly node: 'return'; readonly value?: Expression }
  | { readonly node: 'break' | 'continue' }
  | { readonly node: 'empty' }
);

/** A variable as whoever watches a run finds it. */
export interface NamedPlace {
  readonly name: string;
  readonly type: CType;
  readonly area: Place['area'];
  readonly address: number;
}

export interface FunctionTree {
  readonly name: string;
  readonly result: CType;
  readonly parameters: readonly {
    readonly name: string;
    readonly type: CType;
    readonly address: number;
  }[];
  /** Cells of its frame, parameters first. */
  readonly frameCells: number;
  /** Bytes of stack that one call takes on the board. */
  readonly frameBytes: number;
  readonly body: Statement;
  readonly span: Span;
  /** Its first and last line. */
  readonly lines: readonly [first: number, last: number];
  /** Its variables, those that remember included. */
  readonly names: readonly NamedPlace[];
}

/** A whole program, names resolved and types known. */
export interface ProgramTree {
  readonly functions: readonly FunctionTree[];
  readonly setup: number;
  readonly loop: number;
  readonly memory: ProgramMemory;
  /** First values of globals, run before set-up. */
  readonly globals: readonly Statement[];
  /** Variables of the whole program. */
  readonly names: readonly NamedPlace[];
}
