import * as z from 'zod';
import { times } from '../units';
import type { Slot } from '../words/sentence';
import { countSlot, flagSlot } from '../words/slots';
import { figureSchema, type Figure } from './figures';

/** How often something happens, or how often at least and at most. */
export const countSchema = (most = Number.MAX_SAFE_INTEGER) => figureSchema(z.int().min(0).max(most));

/** Whether a count is the least that is wanted. */
export const counted = { 'or-more': z.literal(true).optional() };

interface Counted {
  readonly 'or-more'?: true | undefined;
  readonly tolerance?: number | undefined;
}

/** `3 times`, `5 to 7 times`, `at most twice`. */
export const countsSlot: Slot<Figure> = {
  write: (count) => written(count, countSlot.write),
  pattern: `(?:at most )?${countSlot.pattern}|\\d+ to \\d+ times`,
  read: (text) => {
    const [, least, most] = /^(\d+) to (\d+)/.exec(text) ?? [];
    if (least !== undefined) return [Number(least), Number(most)];
    const [, atMost, count = ''] = /^(at most )?(.*)$/i.exec(text) ?? [];
    const read = countSlot.read(count);
    return read === undefined || atMost === undefined ? read : [0, read];
  },
};

/** `or more`, behind a count. */
export const OR_MORE = '( {or-more}|)';
export const orMoreSlot = { 'or-more': flagSlot('or more', 'or (?:more|oftener)(?: times)?') };

/** Whether something has happened as often as wanted; `tolerance` is a share of the count. */
export function isCount(found: number, wanted: Figure, { tolerance = 0, ...how }: Counted): boolean {
  const [least, most] = typeof wanted === 'number' ? [wanted, wanted] : wanted;
  return how['or-more']
    ? found >= least
    : found >= least * (1 - tolerance) && found <= most * (1 + tolerance);
}

/** `3 times`, `at least twice`: what is wanted, to stand in a sentence. */
export const countText = (wanted: Figure, how: Counted): string =>
  `${how['or-more'] ? 'at least ' : ''}${written(wanted, times)}`;

function written(count: Figure, write: (one: number) => string): string {
  if (typeof count === 'number') return write(count);
  const [least, most] = count;
  return least === 0 ? `at most ${write(most)}` : `${least} to ${most} times`;
}
