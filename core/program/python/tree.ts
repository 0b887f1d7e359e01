import type { Span } from '../syntax';
import type { Value } from './values';

/** Where a name keeps its value: among those of the program, of the running function, or of the library. */
export type Slot =
  | { readonly area: 'global' | 'local'; readonly index: number }
  /** Among those of a function around the running one, the nearest first. */
  | { readonly area: 'outer'; readonly depth: number; readonly index: number }
  | { readonly area: 'library'; readonly value: Value }
  /** A name that nothing is known of; using it raises an error. */
  | { readonly area: 'unknown' };

export type BinaryOperator = '+' | '-' | '*' | '/' | '//' | '%' | '**' | '<<' | '>>' | '&' | '|' | '^';
export type ComparisonOperator = '<' | '<=' | '>' | '>=' | '==' | '!=' | 'in' | 'not in' | 'is' | 'is not';

export type Expression = { readonly span: Span } & (
  | { readonly node: 'constant'; readonly value: Value }
  /** A text with values in it. */
  | { readonly node: 'joined'; readonly pieces: readonly (string | JoinedPiece)[] }
  | { readonly node: 'name'; readonly name: string; readonly slot: Slot }
  | { readonly node: 'attribute'; readonly owner: Expression; readonly name: string }
  | { readonly node: 'index'; readonly owner: Expression; readonly index: Expression }
  | {
      readonly node: 'slice';
      readonly owner: Expression;
      readonly bounds: readonly [Expression | undefined, Expression | undefined, Expression | undefined];
    }
  | {
      readonly node: 'call';
      readonly callee: Expression;
      readonly values: readonly Expression[];
      /** Places of `values` that hold many, `*items`. */
      readonly spread: ReadonlySet<number>;
      readonly named: readonly { readonly name: string; readonly value: Expression }[];
    }
  | {
      readonly node: 'binary';
      readonly operator: BinaryOperator;
      readonly left: Expression;
      readonly right: Expression;
    }
  | { readonly node: 'unary'; readonly operator: '-' | '+' | '~' | 'not'; readonly operand: Expression }
  | { readonly node: 'both' | 'either'; readonly left: Expression; readonly right: Expression }
  | {
      readonly node: 'compare';
      readonly first: Expression;
      readonly rest: readonly { readonly operator: ComparisonOperator; readonly value: Expression }[];
    }
  | {
      readonly node: 'choose';
      readonly condition: Expression;
      readonly yes: Expression;
      readonly no: Expression;
    }
  | { readonly node: 'list' | 'tuple' | 'set'; readonly items: readonly Expression[] }
  | { readonly node: 'dict'; readonly pairs: readonly (readonly [Expression, Expression])[] }
  /** A function without a name, with what it gives; or the class around a method, for one made from another. */
  | {
      readonly node: 'lambda';
      readonly index: number;
      readonly defaults: readonly (Expression | undefined)[];
    }
  /** What the class that a class is made from does for an object. */
  | { readonly node: 'super'; readonly base: Expression; readonly self: Expression }
  /** A name that gets a value on the way, `(level := pin.value)`. */
  | { readonly node: 'named'; readonly target: Target; readonly value: Expression }
  /** A list, set or dictionary made by going through something; of a dictionary, `item` is the value. */
  | {
      readonly node: 'comprehension';
      readonly makes: 'list' | 'set' | 'dict';
      readonly item: Expression;
      readonly key?: Expression;
      readonly target: Target;
      readonly source: Expression;
      readonly condition?: Expression;
    }
);

export interface JoinedPiece {
  readonly value: Expression;
  /** How it is shown: `.2f`, `>5`, `x`. */
  readonly format: string;
  readonly way: 'text' | 'repr';
}

/** What a value can be put into. */
export type Target = { readonly span: Span } & (
  | { readonly target: 'name'; readonly name: string; readonly slot: Slot }
  | { readonly target: 'attribute'; readonly owner: Expression; readonly name: string }
  | { readonly target: 'index'; readonly owner: Expression; readonly index: Expression }
  | {
      readonly target: 'several';
      readonly targets: readonly Target[];
      /** Place of the one that gets all that is left, `*rest`. */
      readonly rest?: number;
    }
);

export type Statement = { readonly span: Span } & (
  | { readonly node: 'expression'; readonly expression: Expression }
  | { readonly node: 'assign'; readonly targets: readonly Target[]; readonly value: Expression }
  | {
      readonly node: 'augment';
      readonly target: Target;
      readonly operator: BinaryOperator;
      readonly value: Expression;
    }
  | {
      readonly node: 'if';
      readonly condition: Expression;
      readonly yes: readonly Statement[];
      readonly no: readonly Statement[];
    }
  | {
      readonly node: 'while';
      readonly condition: Expression;
      readonly body: readonly Statement[];
      readonly otherwise: readonly Statement[];
    }
  | {
      readonly node: 'for';
      readonly target: Target;
      readonly source: Expression;
      readonly body: readonly Statement[];
      readonly otherwise: readonly Statement[];
    }
  | {
      readonly node: 'function';
      readonly index: number;
      readonly slot: Slot;
      readonly defaults: readonly (Expression | undefined)[];
    }
  /** A class: `index` is the function whose names become its members. */
  | {
      readonly node: 'class';
      readonly name: string;
      readonly index: number;
      readonly slot: Slot;
      readonly base?: Expression;
    }
  | {
      readonly node: 'with';
      readonly value: Expression;
      readonly target?: Target;
      readonly body: readonly Statement[];
    }
  | { readonly node: 'return'; readonly value?: Expression }
  | { readonly node: 'break' | 'continue' | 'pass' }
  | { readonly node: 'import'; readonly slot: Slot; readonly value: Value }
  | {
      readonly node: 'try';
      readonly body: readonly Statement[];
      readonly handlers: readonly Handler[];
      readonly otherwise: readonly Statement[];
      readonly last: readonly Statement[];
    }
  | { readonly node: 'raise'; readonly value?: Expression }
  | { readonly node: 'assert'; readonly condition: Expression; readonly message?: Expression }
  | { readonly node: 'delete'; readonly target: Target }
);

/** One `except`: the kinds it catches (all when none are named) and the name that the error gets. */
export interface Handler {
  readonly kinds: readonly Expression[];
  readonly slot?: Slot;
  readonly body: readonly Statement[];
}

export interface FunctionTree {
  readonly name: string;
  readonly parameters: readonly string[];
  /** How many of the parameters may be given by their place; the others by their name alone. */
  readonly byPlace: number;
  /** The name that gets all other values that are given, a parameter too. */
  readonly rest?: string;
  /** Names of its own, parameters first. */
  readonly locals: readonly string[];
  readonly body: readonly Statement[];
  readonly span: Span;
}

/** A whole program, its names resolved. */
export interface PythonTree {
  readonly globals: readonly string[];
  readonly functions: readonly FunctionTree[];
  readonly body: readonly Statement[];
}
