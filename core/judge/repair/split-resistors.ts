import { legName, ref } from '../../brand';
import type { Exercise } from '../../formats/exercise';
import { isResistor, type PartValue } from '../../parts';
import { findPart, withPart, type PlacedPart, type Wiring } from '../../wiring/wiring';
import { isAccepted } from '../compared-values';

/** The built part for each part of an exercise, by name. */
type Pairs = ReadonlyMap<string, PlacedPart>;

/** The circuit of an exercise with one of its resistors made of two, as a build has it. */
export interface Split {
  readonly asked: Wiring;
  readonly pairs: Pairs;
}

const [FIRST, SECOND] = [legName('1'), legName('2')];

/**
 * The circuits of an exercise in which a resistor is two that a build has for it, one behind the other: one that stands
 * for nothing else, and with the one that is there or another such comes to what is accepted.
 */
export function* splitResistors(
  exercise: Exercise,
  asked: Wiring,
  built: Wiring,
  pairs: Pairs,
): Generator<Split> {
  const used = new Set([...pairs.values()].map((part) => part.ref));
  const spare = built.parts.filter((part) => isResistor(part) && !used.has(part.ref));
  if (spare.length === 0) return;
  for (const wanted of asked.parts.filter(isResistor)) {
    const paired = pairs.get(wanted.ref);
    // The pair may be what several come to together: what counts is what was built.
    const own = paired && findPart(built, paired.ref);
    for (const first of own ? [own] : spare)
      for (const second of spare) {
        if (first.ref === second.ref) continue;
        const together: PartValue = {
          text: '',
          amount: (first.value.amount ?? 0) + (second.value.amount ?? 0),
        };
        if (isAccepted(exercise, wanted, { ...wanted, value: together }))
          yield madeOfTwo(asked, pairs, wanted, [first, second]);
      }
  }
}

function madeOfTwo(
  asked: Wiring,
  pairs: Pairs,
  wanted: PlacedPart,
  [first, second]: readonly [PlacedPart, PlacedPart],
): Split {
  const name = nameBeside(asked, wanted);
  const [from, to] = wanted.legs.map(({ at }) => at);
  const one: PlacedPart = {
    ...wanted,
    value: first.value,
    legs: [
      { leg: FIRST, at: from ?? null },
      { leg: SECOND, at: null },
    ],
  };
  const two: PlacedPart = {
    ...wanted,
    ref: name,
    value: second.value,
    legs: [
      { leg: FIRST, at: { type: 'leg', ref: wanted.ref, leg: SECOND } },
      { leg: SECOND, at: to ?? null },
    ],
  };
  const wiring = withPart(asked, one);
  return {
    asked: { ...wiring, parts: [...wiring.parts, two] },
    pairs: new Map([...pairs, [wanted.ref, first], [name, second]]),
  };
}

/** A name that no part of a wiring has. */
function nameBeside({ parts }: Wiring, { ref: own }: PlacedPart): PlacedPart['ref'] {
  let name = own;
  while (parts.some((part) => part.ref === name)) name = ref(`${name}0`);
  return name;
}
