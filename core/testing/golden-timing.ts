import type { BoardProfile } from '../boards';
import { ref } from '../brand';
import { rehearse } from '../rehearsal/rehearse';
import { compileProgram, type Grammars } from '../program/index';

/** An edge of a pin: seconds, the pin's number, and its level. */
export type TimedEdge = readonly [atSeconds: number, pin: number, level: number];

/** Edges of programs as an emulated processor makes them, and how that was done. */
export interface TimedResults {
  readonly madeWith: string;
  readonly edges: Readonly<Record<string, readonly TimedEdge[]>>;
}

/** How far one program's edges are off, from the first edge on. */
export interface Deviation {
  readonly edges: number;
  /** Largest deviation of an edge, in seconds and as a share of its time since the first one. */
  readonly seconds: number;
  readonly share: number;
  /** Whether the edges are the same ones in the same order. */
  readonly isSameOrder: boolean;
}

/** Compares a program's edges here with those of the emulated processor; times count from the first edge. */
export function timingOf(
  source: string,
  emulated: readonly TimedEdge[],
  board: BoardProfile,
  grammars: Grammars,
): Deviation {
  const { compiled, problems } = compileProgram(source, board, grammars);
  if (!compiled) throw new Error(problems[0]?.message);
  const bare = { board: { ref: ref('U1'), profile: board }, breadboards: [], parts: [] };
  const seconds = (emulated.at(-1)?.[0] ?? 1) * 1.5 + 0.1;
  const trace = rehearse(compiled, bare, board, { seconds });
  const own = [...trace.pins]
    .flatMap(([pin, changes]) =>
      changes.flatMap(({ at, drive }): readonly TimedEdge[] =>
        drive.mode === 'high' || drive.mode === 'low'
          ? [[at, Number(pin), drive.mode === 'high' ? 1 : 0]]
          : [],
      ),
    )
    .sort((one, other) => one[0] - other[0]);
  const [here, there] = [changesOnly(own), changesOnly(emulated)];
  const count = Math.min(here.length, there.length);
  let [largest, share] = [0, 0];
  for (let at = 1; at < count; at += 1) {
    const [mine, theirs] = [here[at]![0] - here[0]![0], there[at]![0] - there[0]![0]];
    largest = Math.max(largest, Math.abs(mine - theirs));
    share = Math.max(share, Math.abs(mine - theirs) / theirs);
  }
  const isSameOrder = here
    .slice(0, count)
    .every(([, pin, level], at) => there[at]![1] === pin && there[at]![2] === level);
  return { edges: count, seconds: largest, share, isSameOrder };
}

/** Edges alone: a write of the level that a pin has already makes none, nor does the first low of an output. */
function changesOnly(edges: readonly TimedEdge[]): readonly TimedEdge[] {
  const levels = new Map<number, number>();
  return edges.filter(([, pin, level]) => {
    const before = levels.get(pin) ?? 0;
    levels.set(pin, level);
    return before !== level;
  });
}

/** Aims: programs with pauses within 1 % or 20 µs, busy ones within 25 %. */
export const isTimed = (name: string, { seconds, share, isSameOrder, edges }: Deviation): boolean =>
  isSameOrder && edges > 4 && (name.startsWith('busy') ? share <= 0.25 : seconds <= 20e-6 || share <= 0.01);
