import { fail, ok, type Result } from '../result';

/** A part's value: canonical text for tables, and the amount in its SI unit when it is a number. */
export interface PartValue {
  readonly text: string;
  readonly amount?: number;
}

const multipliers: Readonly<Record<string, number>> = { '': 1, r: 1, k: 1e3, m: 1e6, g: 1e9 };

/**
 * Reads a resistance as people write it: `330`, `330R`, `330 Ω`, `4k7`, `4.7k`, `1M`, `1m` (which for
 * resistors means mega). Case and spaces do not matter. Returns ohms, from 0 up.
 */
export function readOhms(text: string): Result<number> {
  const compact = text
    .replace(/\s+/g, '')
    .replace(/(Ω|Ω|ω|ohms?)$/iu, '')
    .toLowerCase();
  const infix = /^(\d+)([rkmg])(\d+)$/.exec(compact);
  if (infix) return ok(Number(`${infix[1]}.${infix[3]}`) * multipliers[infix[2]!]!);
  const plain = /^(\d+(?:\.\d*)?|\.\d+)([rkmg]?)$/.exec(compact);
  if (plain) return ok(Number(plain[1]) * multipliers[plain[2]!]!);
  return fail({ message: `“${text}” is not a resistance; write it like 330, 4k7 or 1M`, typed: text });
}

/** Shortest usual writing of a resistance: `330`, `4.7k`, `1M`. */
export function ohmsText(ohms: number): string {
  if (ohms >= 1e6) return `${trim(ohms / 1e6)}M`;
  if (ohms >= 1e3) return `${trim(ohms / 1e3)}k`;
  return trim(ohms);
}

const trim = (amount: number): string => String(Number(amount.toPrecision(6)));
