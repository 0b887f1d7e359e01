import { kindOf } from '../../parts';
import type { Circuit } from '../../wiring/circuit';
import type { PlacedPart } from '../../wiring/wiring';

/** The slide switches of a build that are the other way round than the exercise has them: the same circuit either way. */
export const turnedSwitches = (
  asked: Circuit,
  built: Circuit,
  pairs: ReadonlyMap<string, PlacedPart>,
): readonly PlacedPart[] =>
  asked.parts.flatMap((part) => {
    const own = pairs.get(part.ref);
    const isSwitch = own !== undefined && kindOf(part.kind).contact === 'latching';
    return isSwitch && isTurned(asked, part, built, own) ? [own] : [];
  });

/** Whether the outer legs of a switch are joined to what the other one of them is joined to in the exercise. */
function isTurned(asked: Circuit, wanted: PlacedPart, built: Circuit, own: PlacedPart): boolean {
  const sides = (circuit: Circuit, part: PlacedPart): readonly string[] =>
    part.legs.map(({ leg }) =>
      circuit.isAlone(part, leg) ? 'nothing' : (circuit.side(circuit.nodeOf(part, leg)) ?? 'a part'),
    );
  const [first, here] = [sides(asked, wanted), sides(built, own)];
  return (
    first.some((side, index) => side !== here[index]) &&
    first.every((side, index) => side === here.at(-1 - index))
  );
}
