import fc, { type Arbitrary } from 'fast-check';

/** Names of parts as they may be. */
export const partName = fc
  .stringMatching(/^[A-Z]{1,4}\d{0,4}$/)
  .filter((name) => !/^(?:AND|OR|THEN)$/.test(name));

/** Decimal numbers as people write them, with up to six digits behind the point. */
export const decimal = (most: number): Arbitrary<number> =>
  fc.integer({ min: 0, max: most * 1e6 }).map((micros) => micros / 1e6);
export const positive = (most: number): Arbitrary<number> => decimal(most).map((amount) => amount + 1e-6);

export const sometimes = <Value>(value: Arbitrary<Value>): Arbitrary<Value | undefined> =>
  fc.option(value, { nil: undefined });

/** Records of these fields, without those that have no value. */
export const recordOf = <Made>(fields: Readonly<Record<string, Arbitrary<unknown>>>): Arbitrary<Made> =>
  fc
    .record(fields)
    .map((all) => Object.fromEntries(Object.entries(all).filter(([, value]) => value !== undefined)) as Made);
