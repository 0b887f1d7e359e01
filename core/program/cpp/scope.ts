import type { Span } from '../syntax';
import type { ClockForm, Place } from './tree';
import type { CType, TypeWidths } from './types';

/** A name that a program declares for a value. */
export interface Variable {
  readonly name: string;
  readonly type: CType;
  readonly constant: boolean;
  readonly place: Omit<Place, 'element'>;
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

/** Bytes that a value of the type takes in the board's memory. */
export function bytesOf(type: CType, widths: TypeWidths): number {
  switch (type.kind) {
    case 'void':
      return 0;
    case 'bool':
      return 1;
    case 'integer':
      return type.bits / 8;
    case 'float':
      return 4;
    case 'text':
      return widths.intBits / 8;
    case 'array':
      return type.length * bytesOf(type.of, widths);
  }
}

/** Hands out cells of the flat memory and keeps count of the board's bytes. */
export class Layout {
  cells = 0;
  bytes = 0;

  constructor(
    private readonly area: Place['area'],
    private readonly widths: TypeWidths,
  ) {}

  take(name: string, type: CType): Omit<Place, 'element'> {
    const address = this.cells;
    this.cells += type.kind === 'array' ? type.length : 1;
    this.bytes += bytesOf(type, this.widths);
    return { area: this.area, address, name };
  }
}
