import { columnsOf, sideOf, type Side } from '../breadboards';
import { overreachOf } from '../wiring/read';
import { nameOf, withLegAt, withPart, type Wiring, type Hole } from '../wiring/wiring';
import { askedWiring } from './repair/asked-wiring';
import { evidenceOfMove } from './repair/evidence-of-moves';
import { Target } from './repair/target';
import type { ComparingRule } from './subject';

/**
 * The one end that makes the whole circuit wrong by lying a row off or on the other side of the centre gap:
 * found by moving each end there and comparing with the exercise. Empty when no single slip explains it.
 */
export const singleSlip: ComparingRule = ({ circuit }, { exercise, match, pairs }) => {
  if (match.same) return [];
  const { wiring } = circuit;
  const asked = askedWiring(exercise, { circuit, match, pairs, traces: [] });
  const target = new Target(exercise, asked, wiring, pairs);
  if (target.missingFrom(wiring).length > 0) return [];
  const used = new Set(
    wiring.parts.flatMap((part) => part.legs.flatMap(({ at }) => (at ? [nameOf(at)] : []))),
  );
  for (const part of wiring.parts)
    for (const leg of part.legs) {
      if (leg.at?.type !== 'hole') continue;
      for (const to of slipTargets(wiring, leg.at, used)) {
        const moved = withLegAt(part, leg.leg, to);
        if (overreachOf(moved) || !target.look(withPart(wiring, moved)).isRight) continue;
        return [evidenceOfMove({ part, leg }, to, exercise.board, wiring).says()];
      }
    }
  return [];
};

/** A free hole in each strip that a slip may have missed: the rows beside, and across the centre gap. */
function slipTargets(wiring: Wiring, at: Hole, used: ReadonlySet<string>): readonly Hole[] {
  const rows = wiring.breadboards.find(({ ref }) => ref === at.ref)!.model.rows;
  const side = sideOf(at.column);
  const strips: readonly (readonly [row: number, side: Side])[] = [
    [at.row - 1, side],
    [at.row + 1, side],
    [at.row, side === 'a' ? 'f' : 'a'],
  ];
  return strips.flatMap(([row, to]) => {
    if (row < 1 || row > rows) return [];
    const order = to === side ? [at.column, ...columnsOf(to)] : columnsOf(to);
    const free = order
      .map((column): Hole => ({ ...at, column, row }))
      .find((hole) => !used.has(nameOf(hole)));
    return free ? [free] : [];
  });
}
