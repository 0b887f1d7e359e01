import type { BoardProfile } from '../../boards';
import type { BenchPoint } from '../bench-point';
import { tightestFirst, type LimitUse } from './formulas';

/** How much of each of the board's limits a state uses: each pin, each port, all pins, each supply. */
export function limitUses(board: BoardProfile, point: BenchPoint): readonly LimitUse[] {
  const flow = (pin: string): number => point.pins.get(pin)?.currentMa ?? 0;
  const sum = (pins: readonly string[], sign: 1 | -1): number =>
    pins.reduce((total, pin) => total + Math.max(0, sign * flow(pin)), 0);
  const names = board.pins.map((pin) => pin.name);
  const ports = [...new Set(board.pins.flatMap(({ port }) => (port === undefined ? [] : [port])))];
  const { drive } = board;
  return tightestFirst(
    [
      ...[...point.pins.keys()].map((pin) => ({
        what: `pin ${pin}`,
        currentMa: Math.abs(flow(pin)),
        limitMa: drive.recommendedMa,
      })),
      ...ports.flatMap((port) => {
        const pins = board.pins.filter((pin) => pin.port === port).map((pin) => pin.name);
        return [
          { what: `port ${port}, given`, currentMa: sum(pins, 1), limitMa: drive.portSourceMa ?? Infinity },
          { what: `port ${port}, taken`, currentMa: sum(pins, -1), limitMa: drive.portSinkMa ?? Infinity },
        ];
      }),
      { what: 'all pins', currentMa: sum(names, 1), limitMa: drive.totalMa },
      ...board.supplies.flatMap((supply) =>
        supply.role === 'supply' && supply.limitMa !== undefined
          ? [
              {
                what: `supply ${supply.name}`,
                currentMa: point.supplies.get(supply.name) ?? 0,
                limitMa: supply.limitMa,
              },
            ]
          : [],
      ),
    ].filter(({ currentMa, limitMa }) => currentMa > 0.001 && Number.isFinite(limitMa)),
  );
}
