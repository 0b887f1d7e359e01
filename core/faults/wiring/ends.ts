import { sideOf } from '../../breadboards';
import { roleOfSocket } from '../../boards';
import type { Hole, Point } from '../../wiring/wiring';
import { isBendable, isWire, OPEN, SHORTS, type Bench, type Seated, type WiringSlip } from './slip';

/** Each end that is in a hole and can be bent, in the rows beside its own. */
function* besideTheirRow(bench: Bench): Generator<{ seated: Seated; to: Hole; isBypassed: boolean }> {
  for (const seated of bench.seated) {
    const { part, placed, at } = seated;
    if (at.type !== 'hole' || !isBendable(part)) continue;
    for (const step of [-1, 1]) {
      const to = bench.freeInStripOf({ ...at, row: at.row + step });
      if (!to) continue;
      const other = part.legs.find((one) => one !== placed)?.at;
      const isBypassed =
        other?.type === 'hole' && other.row === to.row && sideOf(other.column) === sideOf(to.column);
      yield { seated, to, isBypassed };
    }
  }
}

/** Slips with one end of a wire or one leg of a part. */
export const endSlips: readonly WiringSlip[] = [
  {
    sort: 'an end one row off',
    codes: ['off-by-one', ...SHORTS],
    *made(bench) {
      for (const { seated, to, isBypassed } of besideTheirRow(bench))
        if (!isBypassed) yield bench.moved(seated, to);
    },
  },
  {
    sort: 'both legs in one row',
    codes: ['part-bypassed', 'off-by-one'],
    *made(bench) {
      for (const { seated, to, isBypassed } of besideTheirRow(bench))
        if (isBypassed) yield bench.moved(seated, to);
    },
  },
  {
    sort: 'an end across the centre gap',
    codes: ['gap-not-crossed', ...SHORTS],
    *made(bench) {
      for (const seated of bench.seated) {
        const { part, at } = seated;
        if (at.type !== 'hole' || !isWire(part)) continue;
        const to = bench.freeInStripOf({ ...at, column: sideOf(at.column) === 'a' ? 'f' : 'e' });
        if (to) yield bench.moved(seated, to);
      }
    },
  },
  {
    sort: 'an end in the other rail',
    codes: [
      'rail-unpowered',
      'rail-swapped',
      'polarity-reversed',
      'divider-reversed',
      'pull-wrong-way',
      'no-return',
      'wire-colour',
      'voltage-mismatch',
      'module-lines-swapped',
      'no-common-ground',
      ...SHORTS,
    ],
    *made(bench) {
      for (const seated of bench.seated) {
        const { at } = seated;
        if (at.type !== 'rail') continue;
        const rail = `${at.rail[0]}${at.rail[1] === '+' ? '-' : '+'}` as typeof at.rail;
        const to = [0, 1, -1]
          .map((step): Point => ({ ...at, rail, row: at.row + step }))
          .find((place) => bench.isFree(place));
        if (to) yield bench.moved(seated, to);
      }
    },
  },
  {
    sort: 'a wire in the socket beside',
    codes: ['wrong-pin', 'pin-disagrees', 'pin-lacks-function', 'shared-pin', 'pin-reserved'],
    *made(bench) {
      const pins = bench.exercise.board.pins.map(({ name }) => name);
      for (const seated of bench.seated) {
        const { part, at } = seated;
        if (at.type !== 'pin' || !isWire(part) || bench.isSupply(at.pin)) continue;
        for (const step of [1, -1]) {
          const pin = pins[pins.indexOf(at.pin) + step];
          const to = pin === undefined ? undefined : { ...at, pin };
          if (to && bench.isFree(to)) yield bench.moved(seated, to);
        }
      }
    },
  },
  {
    sort: 'a wire in another supply socket',
    codes: ['voltage-mismatch', 'wrong-pin', 'headroom', 'too-dim', 'too-bright', 'supply-overcurrent'],
    *made(bench) {
      const { board } = bench.exercise;
      for (const seated of bench.seated) {
        const { part, at } = seated;
        if (at.type !== 'pin' || !isWire(part) || roleOfSocket(board, at.pin) !== 'supply') continue;
        for (const { name: pin } of board.supplies) {
          const to = { ...at, pin };
          if (roleOfSocket(board, pin) === 'supply' && bench.isFree(to)) yield bench.moved(seated, to);
        }
      }
    },
  },
  {
    sort: 'a wire left out',
    codes: OPEN,
    *made(bench) {
      for (const part of bench.parts) if (isWire(part)) yield bench.without(part);
    },
  },
];
