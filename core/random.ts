/** A repeatable sequence of numbers from 0 up to 1: xorshift of 32 bits (Marsaglia, 2003). */
export function randomFrom(seed: number): () => number {
  let x = (Math.imul(seed + 1, 2_654_435_761) ^ 0x9e37_79b9) >>> 0 || 1;
  return () => {
    x ^= x << 13;
    x >>>= 0;
    x ^= x >>> 17;
    x ^= x << 5;
    x >>>= 0;
    return x / 2 ** 32;
  };
}

/** Draws one of a list. */
export const pick = <T>(random: () => number, list: readonly T[]): T =>
  list[Math.floor(random() * list.length)]!;
