import type { Named } from './plain';

type Found = readonly string[];
/** One way to say it in another order or in other words; what it is understood as, or `undefined` where it is not. */
export type Order = readonly [
  pattern: RegExp,
  says: (found: Found, parts: readonly Named[]) => string | undefined,
];

export const order = (pattern: string, says: Order[1]): Order => [new RegExp(pattern, 'i'), says];

/** A sentence of which each order was tried once, from the first to the last, on what the ones before it have made. */
export const reordered = (plain: string, orders: readonly Order[], parts: readonly Named[]): string =>
  orders.reduce((said, [pattern, says]) => {
    const found = pattern.exec(said);
    const other = found && says(found.slice(1), parts);
    return other === null || other === undefined ? said : said.replace(pattern, () => other);
  }, plain);
