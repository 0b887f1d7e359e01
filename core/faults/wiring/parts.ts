import { isContact, isResistor, isSingleLight, kindOf, ledColours } from '../../parts';
import { nameOf, type Hole, type PlacedPart } from '../../wiring/wiring';
import { isWire, SHORTS, type WiringSlip } from './slip';

/** The holes of a part that stands in holes with all its legs. */
function holesOf({ legs }: PlacedPart): readonly Hole[] | undefined {
  const holes = legs.flatMap(({ at }) => (at?.type === 'hole' ? [at] : []));
  return holes.length === legs.length ? holes : undefined;
}

/** Values that a hand takes for another: common ones, far apart. */
const CONFUSED = [
  { text: '10k', amount: 10_000 },
  { text: '1M', amount: 1_000_000 },
  { text: '33', amount: 33 },
  { text: '100', amount: 100 },
];
/** By how much a value must be outside the accepted ones to be another. */
const FAR = 3;

/** Slips with a whole part. */
export const partSlips: readonly WiringSlip[] = [
  {
    sort: 'a part left out',
    codes: ['part-missing', 'pull-missing', 'inductive-no-diode', 'no-series-resistor'],
    *made(bench) {
      for (const part of bench.parts) if (!isWire(part) && part.legs.length === 2) yield bench.without(part);
    },
  },
  {
    sort: 'a part the wrong way round',
    codes: ['polarity-reversed', ...SHORTS],
    *made(bench) {
      for (const part of bench.parts)
        if (!isWire(part) && part.legs.length === 2 && !kindOf(part.kind).symmetrical)
          yield bench.reseated(part, part.legs.map(({ at }) => at).reverse());
    },
  },
  {
    sort: 'a resistor of another value',
    codes: ['resistor-value', 'too-dim', 'too-bright', 'pull-missing'],
    *made(bench) {
      for (const part of bench.parts) {
        const accepted = isResistor(part) && bench.exercise.accepted.get(part.ref);
        if (!accepted) continue;
        const [low, high] = accepted;
        for (const value of CONFUSED)
          if (value.amount > high * FAR || value.amount < low / FAR) yield bench.valued(part, value);
      }
    },
  },
  {
    sort: 'an LED of another colour',
    codes: ['wrong-part', 'headroom'],
    *made(bench) {
      for (const part of bench.parts)
        if (isSingleLight(part))
          yield bench.valued(part, { text: ledColours.find((colour) => colour !== part.value.text)! });
    },
  },
  {
    // Turned by a quarter, the joined pairs stand where the contact was.
    sort: 'a button turned by a quarter',
    codes: ['button-always-closed', ...SHORTS],
    *made(bench) {
      for (const part of bench.parts) {
        const holes = holesOf(part);
        if (!isContact(part) || holes?.length !== 4) continue;
        const turns = [
          { order: [0, 2, 1, 3], side: 'right' },
          { order: [2, 0, 3, 1], side: 'left' },
        ];
        for (const { order, side } of turns)
          yield bench.reseated(
            part,
            order.map((index) => holes[index]!),
            `${part.ref} to the ${side}`,
          );
      }
    },
  },
  {
    sort: 'a part end for end',
    codes: ['polarity-reversed', 'divider-reversed', 'module-lines-swapped', 'wrong-pin', ...SHORTS],
    *made(bench) {
      for (const part of bench.parts) {
        const holes = holesOf(part);
        if (holes && holes.length > 2 && !isContact(part)) yield bench.reseated(part, holes.toReversed());
      }
    },
  },
  {
    sort: 'a whole part one row off',
    codes: ['off-by-one', 'part-bypassed', 'leg-open', 'no-return', ...SHORTS],
    *made(bench) {
      for (const part of bench.parts) {
        const holes = isWire(part) ? undefined : holesOf(part);
        const own = new Set(holes?.map(nameOf));
        for (const step of [-1, 1]) {
          const to = holes?.map((hole): Hole => ({ ...hole, row: hole.row + step }));
          if (to?.every((hole) => own.has(nameOf(hole)) || bench.isFree(hole)))
            yield bench.reseated(part, to, `${part.ref} by ${step}`);
        }
      }
    },
  },
];
