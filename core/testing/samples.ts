/** Whether tests try all that they can make up, as `npm test -- thorough` asks for. */
const isThorough = process.env['DIDAKTOR_TESTS'] === 'thorough';

/** Every how many of them is tried when little time is given. */
const ONE_IN = 5;

/**
 * How many made-up inputs a test tries: `full` when it is to be thorough, a fifth otherwise. Each is made from its
 * own number, so the few are the first of the many.
 */
export const samples = (full: number): number => (isThorough ? full : Math.ceil(full / ONE_IN));

/** All of a list when tests are to be thorough, otherwise one in five, spread over the whole of it. */
export const sampled = <Item>(items: readonly Item[]): readonly Item[] =>
  isThorough ? items : items.filter((_, index) => index % ONE_IN === 0);
