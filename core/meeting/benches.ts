/** A bench with those who share it. */
export interface Bench {
  readonly number: number;
  readonly names: readonly string[];
}

/**
 * Who sits at which bench, in the order of the list: so many at each, and where that does not come out evenly one more
 * at the last benches rather than somebody alone.
 */
export function benchesOf(names: readonly string[], perBench: number): readonly Bench[] {
  const share = Math.max(1, perBench);
  const count =
    share === 1 ? names.length : Math.max(names.length > 0 ? 1 : 0, Math.floor(names.length / share));
  const [base, more] = count === 0 ? [0, 0] : [Math.floor(names.length / count), names.length % count];
  let at = 0;
  return Array.from({ length: count }, (_, index) => {
    const size = base + (index >= count - more ? 1 : 0);
    at += size;
    return { number: index + 1, names: names.slice(at - size, at) };
  });
}
