import { EYE_SECONDS } from '../rehearsal/seen';
import { within, type Observed } from './outcome';

/** A stretch of a run in which the same ones of several lights are lit; seconds. */
export interface LitStretch {
  readonly from: number;
  readonly to: number;
  readonly lit: readonly string[];
}

/** Which of some lights are lit when, within a window, without what no eye would see; `undefined` where one is not there. */
export function litStretches(
  lights: readonly string[],
  observed: Observed,
  [from, to]: readonly [number, number],
): readonly LitStretch[] | undefined {
  const spells: { readonly light: string; readonly from: number; readonly to: number }[] = [];
  for (const light of lights) {
    const seen = observed.seen(light);
    if (!seen) return undefined;
    for (const one of within(seen, from, to))
      if (one.glow === 'lit') spells.push({ light, from: one.from, to: one.to });
  }
  const moments = [...new Set([from, to, ...spells.flatMap((spell) => [spell.from, spell.to])])].sort(
    (one, other) => one - other,
  );
  return moments
    .slice(0, -1)
    .map((begin, index): LitStretch => {
      const end = moments[index + 1]!;
      const lit = spells.filter((spell) => spell.from <= begin && spell.to >= end).map(({ light }) => light);
      return { from: begin, to: end, lit };
    })
    .filter((stretch) => stretch.to - stretch.from >= EYE_SECONDS);
}
