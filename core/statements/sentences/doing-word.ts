import type { Named } from './plain';

type Says = (found: readonly string[], parts: readonly Named[], usual: number) => string | undefined;
/** A way to say what is done, and the way in which it is read; `undefined` where it means nothing. */
export type DoingWords = readonly [pattern: RegExp, says: Says];

export const words = (pattern: string, says: Says): DoingWords => [new RegExp(pattern, 'i'), says];

/** Whoever moves before a sensor. */
export const SOMEBODY = '(?:some(?:thing|body|one)|an? (?:person|visitor|hand|cat|dog)|you|we)';
/** Whatever stands before a sensor. */
export const THING =
  '(?:some(?:thing|body|one)|(?:the |an? |your )?(?:hand|book|box|finger|object|obstacle|train|car|boat))';
