import { placesOf } from '../places';
import type { Observation } from '../../findings/finding';
import { kindOf } from '../../parts';
import { acrossPitches } from '../../breadboards';
import type { PlacedPart, Point } from '../../wiring/wiring';
import { partText } from '../../wiring/words';
import type { WiringRule, Built } from '../subject';
import { capital } from '../../words/words';

/**
 * Wires in a colour that says something else than what they carry. `redWires`: what the course has red wires for,
 * where it says so.
 */
export const wireColour = (built: Built, redWires: unknown): readonly Observation[] =>
  built.circuit.wiring.parts.flatMap((part): readonly Observation[] => {
    if (!kindOf(part.kind).conductor) return [];
    const carries = carriedBy(built, part);
    const misleads =
      (part.value.text === 'red' &&
        carries !== 'supply' &&
        !(carries === 'signal' && redWires === 'feeding-pins-too')) ||
      (part.value.text === 'black' && carries !== 'ground');
    if (!misleads || carries === undefined) return [];
    const says = part.value.text === 'red' ? 'supply' : 'ground';
    const what = { supply: 'the supply', ground: 'ground', signal: 'a signal' };
    return [
      {
        code: 'wire-colour',
        severity: 'advice',
        refs: [part.ref],
        at: placesOf(part),
        message: `${capital(partText(part))} carries ${what[carries]}, but ${part.value.text} wires are for ${what[says]}. It works, but it misleads the next person.`,
        hints: [
          `What do red and black wires stand for?`,
          `${part.ref} is ${part.value.text} and carries ${what[carries]}.`,
          `Use a wire of another colour for ${part.ref}.`,
        ],
      },
    ];
  });

/** What a wire carries; `undefined` when it leads nowhere. */
function carriedBy(built: Built, part: PlacedPart): 'supply' | 'ground' | 'signal' | undefined {
  const { circuit } = built;
  const node = circuit.nodeOf(part, part.legs[0]!.leg);
  const known = circuit.feed(node);
  if (known) return known;
  const { pins, terminals } = circuit.node(node);
  return pins.length + terminals.length > 1 ? 'signal' : undefined;
}

/** Bare legs that cross each other, so that a push makes them touch. */
export const leadsMayTouch: WiringRule = ({ circuit }) => {
  const leads = circuit.parts.flatMap((part) => {
    const { footprint } = kindOf(part.kind);
    if (footprint.type !== 'leads' || footprint.reachMm === undefined || part.legs.length !== 2) return [];
    const [from, to] = part.legs.map(({ at }) => placeOf(at));
    return from && to && from.board === to.board ? [{ part, from, to }] : [];
  });
  return leads.flatMap((one, index) =>
    leads.slice(index + 1).flatMap((other): readonly Observation[] => {
      if (one.from.board !== other.from.board || !cross(one, other)) return [];
      // Legs of one node may touch as they like.
      const others = circuit.nodesOf(other.part);
      if (circuit.nodesOf(one.part).every((node) => others.includes(node))) return [];
      return [
        {
          code: 'leads-may-touch',
          severity: 'advice',
          refs: [one.part.ref, other.part.ref],
          at: [one.part, other.part].flatMap((part) => placesOf(part)),
          message: `The bare legs of ${partText(one.part)} and ${partText(other.part)} cross. If they touch, current takes a path nobody planned.`,
          hints: [
            `Look along the breadboard from the side. Which bare legs lie over each other?`,
            `${one.part.ref} and ${other.part.ref} cross.`,
            `Move one of them by a row or a column, or trim its legs.`,
          ],
        },
      ];
    }),
  );
};

interface Place {
  readonly board: string;
  readonly x: number;
  readonly y: number;
}

const placeOf = (at: Point | null): Place | undefined =>
  at?.type === 'hole' || at?.type === 'rail'
    ? { board: at.ref, x: acrossPitches[at.type === 'hole' ? at.column : at.rail], y: at.row }
    : undefined;

/** Whether two stretches cross in their inside. */
function cross(one: { from: Place; to: Place }, other: { from: Place; to: Place }): boolean {
  // Most pairs lie in other rows altogether.
  if (
    Math.max(one.from.y, one.to.y) < Math.min(other.from.y, other.to.y) ||
    Math.max(other.from.y, other.to.y) < Math.min(one.from.y, one.to.y)
  )
    return false;
  const side = (a: Place, b: Place, c: Place): number =>
    Math.sign((b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x));
  return (
    side(one.from, one.to, other.from) * side(one.from, one.to, other.to) < 0 &&
    side(other.from, other.to, one.from) * side(other.from, other.to, one.to) < 0
  );
}
