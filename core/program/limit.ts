import type { Span } from './syntax';

/** A number that something is compared with: `reading > 500`. */
export interface Limit {
  /** What is compared, the same text for the same thing. */
  readonly subject: string;
  readonly operator: string;
  readonly value: number;
  readonly line: number;
  readonly column: number;
  /** As it is written. */
  readonly text: string;
  readonly span: Span;
}

const MIRRORED: Readonly<Record<string, string>> = { '<': '>', '<=': '>=', '>': '<', '>=': '<=' };

/** The same question with its sides exchanged: `500 < reading` as `reading > 500`. */
export const mirrored = (operator: string): string => MIRRORED[operator] ?? operator;

/** Whether a number meets a limit. */
export function meets(amount: number, { operator, value }: Limit): boolean {
  switch (operator) {
    case '<':
      return amount < value;
    case '<=':
      return amount <= value;
    case '>':
      return amount > value;
    case '>=':
      return amount >= value;
    case '==':
      return amount === value;
    default:
      return amount !== value;
  }
}
