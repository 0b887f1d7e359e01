/** What makes a variable of a function remember. */
export const STATIC = 'static ';

/** What ends a case. */
export const BREAK = ' break;';

/** Milliseconds of a second. */
export const THOUSAND = 1000;

/** A time that a variable holds in the other language's unit: in milliseconds for seconds, or the other way round. */
export const inOtherUnits = (name: string, isOfSeconds: boolean): string =>
  `${name} ${isOfSeconds ? '/' : '*'} ${THOUSAND}`;
