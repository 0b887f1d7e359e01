import { columnsOf, sideOf } from '../../breadboards';
import type { Ref } from '../../brand';
import { isSupplySocket } from '../../boards';
import type { FindingCode } from '../../findings/finding';
import type { Exercise } from '../../formats/exercise';
import { isContact, isResistor, isSingleLight, kindOf, ledColours } from '../../parts';
import { readWiring } from '../../wiring/read';
import { writeTable } from '../../wiring/table';
import {
  nameOf,
  withLegAt,
  withPart,
  type PlacedLeg,
  type PlacedPart,
  type Point,
  type Wiring,
  type Hole,
} from '../../wiring/wiring';
import type { Mistake } from './mistake';

const OPEN: readonly FindingCode[] = [
  'rail-unpowered',
  'no-return',
  'leg-open',
  'part-missing',
  'input-floating',
  'pull-missing',
  'no-common-ground',
  'button-never-closes',
  'module-lines-swapped',
];
const SHORTS: readonly FindingCode[] = ['supply-short', 'pin-short', 'short-when-pressed', 'rail-swapped'];

/** Slips of a hand at the breadboard, one at a time, made in an exercise's own layout. */
export function* wiringMistakes({
  reference,
  data,
  board,
  accepted,
  pinFreedom,
}: Exercise): Generator<Mistake> {
  const used = new Set(
    reference.parts.flatMap(({ legs }) => legs.flatMap(({ at }) => (at ? [nameOf(at)] : []))),
  );
  const rows = reference.breadboards[0]?.model.rows ?? 0;
  const make = (
    sort: string,
    what: string,
    wiring: Wiring,
    codes: readonly FindingCode[],
    refs: readonly Ref[],
  ): Mistake[] =>
    // What a hand can't do is no slip: two legs in one hole, a leg that does not reach.
    readWiring(writeTable(wiring)).ok ? [{ sort, what, wiring, program: data.program, codes, refs }] : [];
  const freeIn = (hole: Hole): Hole | undefined =>
    [hole.column, ...columnsOf(sideOf(hole.column))]
      .map((column): Hole => ({ ...hole, column }))
      .find((one) => !used.has(nameOf(one)));
  const moved = (part: PlacedPart, { leg }: PlacedLeg, to: Point): Wiring =>
    withPart(reference, withLegAt(part, leg, to));
  const isBendable = (part: PlacedPart): boolean =>
    kindOf(part.kind).footprint.type === 'leads' && part.legs.length === 2;

  for (const part of reference.parts) {
    const { ref, legs } = part;
    const kind = kindOf(part.kind);
    for (const placed of legs) {
      const { at, leg } = placed;
      if (!at) continue;
      if (at.type === 'hole' && isBendable(part)) {
        for (const step of [-1, 1]) {
          const to =
            at.row + step < 1 || at.row + step > rows ? undefined : freeIn({ ...at, row: at.row + step });
          if (to) {
            const other = legs.find((one) => one !== placed)?.at;
            const isBypassed =
              other?.type === 'hole' && other.row === to.row && sideOf(other.column) === sideOf(to.column);
            yield* make(
              isBypassed ? 'both legs in one row' : 'an end one row off',
              `${ref}.${leg} in ${nameOf(to)}`,
              moved(part, placed, to),
              isBypassed ? ['part-bypassed', 'off-by-one'] : ['off-by-one', ...SHORTS],
              [ref],
            );
          }
        }
        const across = freeIn({ ...at, column: sideOf(at.column) === 'a' ? 'f' : 'e' });
        if (across && kind.conductor)
          yield* make(
            'an end across the centre gap',
            `${ref}.${leg} in ${nameOf(across)}`,
            moved(part, placed, across),
            ['gap-not-crossed', ...SHORTS],
            [ref],
          );
      }
      if (at.type === 'rail') {
        const rail = `${at.rail[0]}${at.rail[1] === '+' ? '-' : '+'}` as typeof at.rail;
        for (const row of [at.row, at.row + 1, at.row - 1]) {
          const to: Point = { ...at, rail, row };
          if (row < 1 || row > rows || used.has(nameOf(to))) continue;
          yield* make(
            'an end in the other rail',
            `${ref}.${leg} in ${nameOf(to)}`,
            moved(part, placed, to),
            [
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
            [ref],
          );
          break;
        }
      }
      if (at.type === 'pin' && kind.conductor && !isSupplySocket(board, at.pin)) {
        const pins = board.pins.map(({ name }) => name);
        const beside = [1, -1]
          .map((step) => pins[pins.indexOf(at.pin) + step])
          .filter((pin) => pin !== undefined);
        for (const pin of beside) {
          const to: Point = { ...at, pin };
          if (used.has(nameOf(to))) continue;
          yield* make(
            'a wire in the socket beside',
            `${ref}.${leg} in ${nameOf(to)}`,
            moved(part, placed, to),
            ['wrong-pin', 'pin-disagrees', 'pin-lacks-function', 'shared-pin', 'pin-reserved'],
            [ref],
          );
        }
      }
    }
    const without: Wiring = { ...reference, parts: reference.parts.filter((other) => other !== part) };
    if (kind.conductor) yield* make('a wire left out', ref, without, OPEN, [ref]);
    else if (legs.length === 2) {
      yield* make(
        'a part left out',
        ref,
        without,
        ['part-missing', 'pull-missing', 'inductive-no-diode', 'no-series-resistor'],
        [ref],
      );
      if (!kind.symmetrical) {
        const [one, two] = legs as [PlacedLeg, PlacedLeg];
        yield* make(
          'a part the wrong way round',
          ref,
          withPart(reference, {
            ...part,
            legs: [
              { ...one, at: two.at },
              { ...two, at: one.at },
            ],
          }),
          ['polarity-reversed', ...SHORTS],
          [ref],
        );
      }
    }
    if (isResistor(part) && accepted.has(ref)) {
      const [low, high] = accepted.get(ref)!;
      for (const [text, ohms] of [
        ['10k', 10_000],
        ['1M', 1e6],
        ['33', 33],
        ['100', 100],
      ] as const)
        if (ohms > high * 3 || ohms < low / 3)
          yield* make(
            'a resistor of another value',
            `${ref} = ${text}`,
            withPart(reference, { ...part, value: { text, amount: ohms } }),
            ['resistor-value', 'too-dim', 'too-bright', 'pull-missing'],
            [ref],
          );
    }
    if (isSingleLight(part)) {
      const other = ledColours.find((colour) => colour !== part.value.text)!;
      yield* make(
        'an LED of another colour',
        `${ref} = ${other}`,
        withPart(reference, { ...part, value: { text: other } }),
        ['wrong-part', 'headroom'],
        [ref],
      );
    }
    if (isContact(part) && legs.length === 4 && legs.every(({ at }) => at?.type === 'hole')) {
      // Turned by a quarter, the joined pairs stand where the contact was.
      const at = legs.map((placed) => placed.at);
      const turned = [at[0]!, at[2]!, at[1]!, at[3]!];
      yield* make(
        'a button turned by a quarter',
        ref,
        withPart(reference, {
          ...part,
          legs: legs.map((placed, index) => ({ ...placed, at: turned[index]! })),
        }),
        ['button-always-closed', ...SHORTS],
        [ref],
      );
    }
    if (legs.length > 2 && !isContact(part) && legs.every(({ at }) => at?.type === 'hole')) {
      const at = legs.map((placed) => placed.at).reverse();
      yield* make(
        'a part end for end',
        ref,
        withPart(reference, { ...part, legs: legs.map((placed, index) => ({ ...placed, at: at[index]! })) }),
        ['polarity-reversed', 'divider-reversed', 'module-lines-swapped', 'wrong-pin', ...SHORTS],
        [ref],
      );
    }
    if (!kind.conductor && legs.every(({ at }) => at?.type === 'hole')) {
      for (const step of [-1, 1]) {
        const own = new Set(legs.map(({ at }) => nameOf(at!)));
        const to = legs.map(({ at }): Hole => ({ ...(at as Hole), row: (at as Hole).row + step }));
        const free = to.every(
          (hole) => hole.row >= 1 && hole.row <= rows && (!used.has(nameOf(hole)) || own.has(nameOf(hole))),
        );
        if (free)
          yield* make(
            'a whole part one row off',
            `${ref} by ${step}`,
            withPart(reference, {
              ...part,
              legs: legs.map((placed, index) => ({ ...placed, at: to[index]! })),
            }),
            ['off-by-one', 'part-bypassed', 'leg-open', 'no-return', ...SHORTS],
            [ref],
          );
      }
    }
  }
  // Two wires exchanged at the board.
  const ends = reference.parts.flatMap((part) =>
    kindOf(part.kind).conductor
      ? part.legs.flatMap((placed) => (placed.at?.type === 'pin' ? [{ part, placed, at: placed.at }] : []))
      : [],
  );
  for (const [index, one] of ends.entries())
    for (const two of ends.slice(index + 1)) {
      if (one.at.pin === two.at.pin) continue;
      if (pinFreedom.has(one.at.pin) && pinFreedom.has(two.at.pin)) continue;
      const supplies = [one, two].filter(({ at }) => isSupplySocket(board, at.pin)).length;
      const wiring = withPart(
        withPart(reference, withLegAt(one.part, one.placed.leg, two.at)),
        withLegAt(two.part, two.placed.leg, one.at),
      );
      yield* make(
        supplies === 2
          ? 'supply and ground exchanged'
          : supplies === 1
            ? 'a signal and a supply exchanged'
            : 'two signals exchanged',
        `${one.part.ref} and ${two.part.ref}: ${one.at.pin} and ${two.at.pin}`,
        wiring,
        [
          'wrong-pin',
          'pin-disagrees',
          'module-lines-swapped',
          'rail-swapped',
          'shared-pin',
          'pin-lacks-function',
          'voltage-mismatch',
          ...SHORTS,
        ],
        [one.part.ref, two.part.ref],
      );
    }
}
