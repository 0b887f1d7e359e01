import * as z from 'zod';
import { times } from '../units';
import { flagSlot } from '../words/slots';

/** Whether a count is the least that is wanted. */
export const counted = { 'or-more': z.literal(true).optional() };

interface Counted {
  readonly 'or-more'?: true | undefined;
  readonly tolerance?: number | undefined;
}

/** `or more`, behind a count. */
export const OR_MORE = '( {or-more}|)';
export const orMoreSlot = { 'or-more': flagSlot('or more', 'or (?:more|oftener)(?: times)?') };

/** Whether something has happened as often as wanted; `tolerance` is a share of the count. */
export const isCount = (found: number, wanted: number, { tolerance = 0, ...how }: Counted): boolean =>
  how['or-more'] ? found >= wanted : Math.abs(found - wanted) <= wanted * tolerance;

/** `3 times`, `at least twice`: what is wanted, to stand in a sentence. */
export const countText = (wanted: number, how: Counted): string =>
  `${how['or-more'] ? 'at least ' : ''}${times(wanted)}`;
