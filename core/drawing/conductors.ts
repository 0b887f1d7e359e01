import { kindOf } from '../parts';
import type { PlacedPart, Point, Wiring } from '../wiring/wiring';

/** A wire, or the own lead of a part that stands beside the breadboard. */
export interface Conductor {
  /** By what it is told from all others: `W5`, `M1.signal`. */
  readonly key: string;
  /** The wire's name, or the part's. */
  readonly ref: string;
  readonly isLead: boolean;
  readonly from: Point;
  readonly to: Point;
  /** Colour of its insulation. */
  readonly colour: string;
  readonly isClip: boolean;
}

/** Whether a part stands beside the breadboard: it takes wires on pins, or has wires of its own. */
export function standsBeside(part: PlacedPart): boolean {
  const { footprint, conductor } = kindOf(part.kind);
  if (conductor) return false;
  if (footprint.type === 'plug') return true;
  const isPlugged = part.legs.some(({ at }) => at !== null && at.type !== 'leg');
  return footprint.type === 'leads' && footprint.reachMm === undefined && isPlugged;
}

/** Parts beside the breadboard from which on they stand below it, and what leads to them is drawn apart. */
const MANY_BESIDE = 6;

/** The parts that stand below the breadboards, since there are too many of them to stand beside. */
export function standingBelow(wiring: Wiring): readonly PlacedPart[] {
  const beside = wiring.parts.filter(standsBeside);
  return beside.length >= MANY_BESIDE ? beside : [];
}

/** Wires with both ends in place, and the leads of parts beside the breadboard. */
export const conductorsOf = (wiring: Wiring): readonly Conductor[] => [
  ...wiring.parts.flatMap((part): readonly Conductor[] => {
    const [one, other] = part.legs;
    return kindOf(part.kind).conductor && one?.at && other?.at
      ? [
          {
            key: part.ref,
            ref: part.ref,
            isLead: false,
            from: one.at,
            to: other.at,
            colour: part.value.text,
            isClip: part.kind === 'clip',
          },
        ]
      : [];
  }),
  ...wiring.parts.filter(standsBeside).flatMap((part) =>
    part.legs.flatMap(({ leg, at }): readonly Conductor[] =>
      at
        ? [
            {
              key: `${part.ref}.${leg}`,
              ref: part.ref,
              isLead: true,
              from: { type: 'leg', ref: part.ref, leg },
              to: at,
              colour: leg === 'plus' ? 'red' : leg === 'minus' ? 'black' : 'grey',
              isClip: false,
            },
          ]
        : [],
    ),
  ),
];
