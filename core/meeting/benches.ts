import { benchCount } from '../kit';

/** A bench with those who share it. */
export interface Bench {
  readonly number: number;
  readonly names: readonly string[];
}

/** Who sits at which bench, in the order of the list: as many as `benchCount` says, those at the end with one more. */
export function benchesOf(names: readonly string[], perBench: number): readonly Bench[] {
  const count = benchCount(names.length, perBench);
  const [base, more] = count === 0 ? [0, 0] : [Math.floor(names.length / count), names.length % count];
  let at = 0;
  return Array.from({ length: count }, (_, index) => {
    const size = base + (index >= count - more ? 1 : 0);
    at += size;
    return { number: index + 1, names: names.slice(at - size, at) };
  });
}
