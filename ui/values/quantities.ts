import { readFarads, readOhms } from '@/core/parts';

/** What a field of the value bench holds: the text as typed, and the amount when it can be read. */
export interface Reading {
  readonly amount: number | undefined;
  readonly problem: string | undefined;
}

/** A number above zero, written with point or comma; with `-` in front it is refused, as is anything else. */
export function readPositive(text: string, what: string): Reading {
  const amount = Number(text.trim().replace(',', '.'));
  if (text.trim() === '' || !Number.isFinite(amount))
    return { amount: undefined, problem: `Write ${what} as a number.` };
  return amount > 0
    ? { amount, problem: undefined }
    : { amount: undefined, problem: `${what} must be above zero.` };
}

/** A whole number from zero to `most`. */
export function readCount(text: string, what: string, most: number): Reading {
  const amount = Number(text.trim());
  return Number.isInteger(amount) && text.trim() !== '' && amount >= 0 && amount <= most
    ? { amount, problem: undefined }
    : { amount: undefined, problem: `${what} is a whole number from 0 to ${most}.` };
}

export function readResistance(text: string): Reading {
  const read = readOhms(text);
  if (!read.ok) return { amount: undefined, problem: `${read.problems[0]!.message}.` };
  return read.value > 0
    ? { amount: read.value, problem: undefined }
    : { amount: undefined, problem: 'A resistor is more than 0 Ω.' };
}

export function readCapacitance(text: string): Reading {
  const read = readFarads(text);
  return read.ok
    ? { amount: read.value, problem: undefined }
    : { amount: undefined, problem: `${read.problems[0]!.message}.` };
}
