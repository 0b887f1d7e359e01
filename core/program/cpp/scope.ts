import type { Span } from '../syntax';
import type { ClockForm, Place } from './tree';
import { bytesOf, cellsOf, type CType, type TypeWidths } from './types';

/** Numbers that all variables together may be; every board has room for fewer. */
export const MOST_CELLS = 100_000;

/** A name that a program declares for a value. */
export interface Variable {
  readonly name: string;
  readonly type: CType;
  readonly constant: boolean;
  readonly place: Place;
  /** Its cell holds where the value is: a reference. */
  readonly refers?: boolean;
  /** Declared as one that may change by itself. */
  readonly isVolatile?: boolean;
  readonly span: Span;
  /** How it follows the clock, for a local that is set once; else `fixed` or `unfollowed`. */
  readonly clock: ClockForm;
  /** How many loops stand around its declaration within its function. */
  readonly loopDepth: number;
  /** A value known before the program runs, for `const` numbers. */
  readonly known?: number;
}

/** Names visible at one place, innermost first. */
export class Scope {
  private readonly names = new Map<string, Variable>();

  constructor(readonly parent?: Scope) {}

  find(name: string): Variable | undefined {
    return this.names.get(name) ?? this.parent?.find(name);
  }

  here(name: string): Variable | undefined {
    return this.names.get(name);
  }

  declare(variable: Variable): void {
    this.names.set(variable.name, variable);
  }

  visible(): readonly string[] {
    return [...this.names.keys(), ...(this.parent?.visible() ?? [])];
  }
}

/** Hands out cells of the flat memory and keeps count of the board's bytes. */
export class Layout {
  cells: number;
  bytes = 0;

  constructor(
    private readonly area: Place['area'],
    private readonly widths: TypeWidths,
  ) {
    // No variable lies at address zero: a pointer that is zero points to none.
    this.cells = area === 'global' ? 1 : 0;
  }

  take(name: string, type: CType): Place {
    const address = this.cells;
    this.cells += cellsOf(type);
    this.bytes += bytesOf(type, this.widths);
    return { area: this.area, address, name, steps: [] };
  }
}
