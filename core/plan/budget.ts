import type { BoardProfile } from '../boards';
import type { BenchPoint } from '../electrics/bench-point';
import type { LimitUse } from '../electrics/values/formulas';
import { limitUses } from '../electrics/values/limits';
import type { WorstCase } from '../electrics/worst-case';

/** One of the board's limits and how much of it the circuit uses with everything switched on. */
export interface BudgetLine extends LimitUse {
  /** The most that it can come to over the spread of the parts, in mA; `undefined` until worked out. */
  readonly worstMa: number | undefined;
  /** Whether it is a single pin, a port, all pins or a supply. */
  readonly scope: 'pin' | 'port' | 'board' | 'supply';
}

/** What is used of every limit of the board, the tightest first. */
export function budgetOf(
  board: BoardProfile,
  point: BenchPoint,
  worst: WorstCase | undefined,
): readonly BudgetLine[] {
  const highest = worst && limitUses(board, { ...point, ...atTheirHighest(point, worst) });
  return limitUses(board, point).map((use) => ({
    ...use,
    worstMa: highest?.find(({ what }) => what === use.what)?.currentMa,
    scope: scopeOf(use.what),
  }));
}

/** Every pin and supply at the end of its interval that is farther from zero. */
function atTheirHighest(point: BenchPoint, worst: WorstCase): Pick<BenchPoint, 'pins' | 'supplies'> {
  const far = ([lowest, highest]: readonly [number, number]): number =>
    Math.abs(lowest) > Math.abs(highest) ? lowest : highest;
  return {
    pins: new Map(
      [...point.pins].map(([pin, { volts, currentMa }]) => [
        pin,
        { volts, currentMa: far(worst.pins.get(pin) ?? [currentMa, currentMa]) },
      ]),
    ),
    supplies: new Map(
      [...point.supplies].map(([name, currentMa]) => [
        name,
        far(worst.supplies.get(name) ?? [currentMa, currentMa]),
      ]),
    ),
  };
}

const scopeOf = (what: string): BudgetLine['scope'] =>
  what.startsWith('pin ')
    ? 'pin'
    : what.startsWith('port ')
      ? 'port'
      : what.startsWith('supply ')
        ? 'supply'
        : 'board';
