import type { LegName, Ref } from '../brand';
import { kindOf } from '../parts';
import { Circuit } from '../wiring/circuit';
import { findPart, shortNameOf, type PlacedPart, type Point, type Wiring } from '../wiring/wiring';

/** One leg of a placed part: its hole and what it meets there. */
export interface LegPlace {
  /** What the leg is called; empty when the part's legs are alike. */
  readonly title: string;
  /** `a5`, `13`; `undefined` when it hangs free. */
  readonly at: string | undefined;
  /** Pins, then other parts, on the same node. */
  readonly meets: readonly string[];
}

export interface PartPlace {
  readonly ref: string;
  readonly legs: readonly LegPlace[];
}

export interface WirePlace {
  readonly ref: string;
  readonly colour: string;
  readonly from: string;
  readonly to: string;
}

/** Where the parts of one line are, and the wires that lead to them. */
export interface LinePlace {
  readonly parts: readonly PartPlace[];
  readonly wires: readonly WirePlace[];
}

/**
 * Where these parts are in a layout: legs in the kind's order; wires that end on a strip of one of them, of
 * those on a rail only the one that feeds it.
 */
export function linePlaceOf(wiring: Wiring, refs: readonly Ref[]): LinePlace {
  const circuit = new Circuit(wiring);
  const placed = refs.flatMap((name) => findPart(wiring, name) ?? []);
  const stripsOf = (type: Point['type']): ReadonlySet<string> =>
    new Set(
      placed.flatMap((part) =>
        part.legs.flatMap(({ at }) => (at?.type === type ? [circuit.stripAt(at)!] : [])),
      ),
    );
  const [strips, rails] = [stripsOf('hole'), stripsOf('rail')];
  const leadsThere = ({ legs }: PlacedPart): boolean => {
    const isFeed = legs.some(({ at }) => at?.type === 'pin');
    return legs.some(({ at }) => {
      const strip = at ? circuit.stripAt(at)! : '';
      return strips.has(strip) || (isFeed && rails.has(strip));
    });
  };
  return {
    parts: placed.map((part) => ({
      ref: part.ref,
      legs: part.legs.map(({ leg, at }) => ({
        title: kindOf(part.kind).symmetrical
          ? ''
          : (kindOf(part.kind).legs.find(({ name }) => name === leg)?.title ?? leg),
        at: at ? shortNameOf(at) : undefined,
        meets: meetsAt(circuit, part, leg),
      })),
    })),
    wires: circuit.wires.filter(leadsThere).map((wire) => {
      const [from, to] = wire.legs.map(({ at }) => (at ? shortNameOf(at) : 'nothing'));
      return { ref: wire.ref, colour: wire.value.text, from: from!, to: to! };
    }),
  };
}

function meetsAt(circuit: Circuit, part: PlacedPart, leg: LegName): readonly string[] {
  const node = circuit.nodeOf(part, leg);
  return [
    ...circuit.node(node).pins,
    ...circuit.partsAt(node).flatMap(({ ref }) => (ref === part.ref ? [] : [ref as string])),
  ];
}
