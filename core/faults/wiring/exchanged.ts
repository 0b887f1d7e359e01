import { nameOf, withLegAt, withPart } from '../../wiring/wiring';
import { isWire, SHORTS, type Bench, type Slipped, type WiringSlip } from './slip';

const CODES: WiringSlip['codes'] = [
  'wrong-pin',
  'pin-disagrees',
  'module-lines-swapped',
  'rail-swapped',
  'shared-pin',
  'pin-lacks-function',
  'voltage-mismatch',
  ...SHORTS,
];

/** The ends of two wires exchanged at the board, `supplies` of which are in sockets of the supply. */
function* exchanged(bench: Bench, supplies: number): Generator<Slipped> {
  const { pinFreedom } = bench.exercise;
  const ends = bench.seated.flatMap(({ part, placed, at }) =>
    isWire(part) && at.type === 'pin' ? [{ part, placed, at }] : [],
  );
  for (const [index, one] of ends.entries())
    for (const two of ends.slice(index + 1)) {
      if (one.at.pin === two.at.pin) continue;
      if (pinFreedom.has(one.at.pin) && pinFreedom.has(two.at.pin)) continue;
      if ([one, two].filter(({ at }) => bench.isSupply(at.pin)).length !== supplies) continue;
      yield {
        what: `${one.part.ref} and ${two.part.ref}: ${nameOf(one.at)} and ${nameOf(two.at)}`,
        wiring: withPart(
          withPart(bench.wiring, withLegAt(one.part, one.placed.leg, two.at)),
          withLegAt(two.part, two.placed.leg, one.at),
        ),
        refs: [one.part.ref, two.part.ref],
      };
    }
}

/** Slips with two wires. */
export const exchangeSlips: readonly WiringSlip[] = [
  { sort: 'two signals exchanged', codes: CODES, made: (bench) => exchanged(bench, 0) },
  { sort: 'a signal and a supply exchanged', codes: CODES, made: (bench) => exchanged(bench, 1) },
  { sort: 'supply and ground exchanged', codes: CODES, made: (bench) => exchanged(bench, 2) },
];
