import type { LegName } from '../../brand';
import type { JunctionModel } from '../../solver/junction';
import { AT_REST, kindOf } from '../../parts';
import type { PlacedPart } from '../../wiring/wiring';
import type { Built } from '../subject';
import type { Circuit } from '../../wiring/circuit';
import type { NodeId } from '../../wiring/netlist';

/** One light: an LED, or one of several in a housing. */
export interface Light {
  readonly part: PlacedPart;
  /** As `BenchPoint.leds` names it: `D1`, `D1.red`. */
  readonly name: string;
  readonly anode: LegName;
  readonly cathode: LegName;
  readonly anodeNode: NodeId;
  readonly cathodeNode: NodeId;
  readonly model: JunctionModel;
}

/** Several rules ask for the lights of one circuit; they are found once. */
const known = new WeakMap<Circuit, readonly Light[]>();

/** Every light of a wiring. */
export function lightsOf(built: Pick<Built, 'circuit'>): readonly Light[] {
  const before = known.get(built.circuit);
  if (before) return before;
  const lights = built.circuit.parts.flatMap((part) => lightsIn(built, part));
  known.set(built.circuit, lights);
  return lights;
}

function lightsIn(built: Pick<Built, 'circuit'>, part: PlacedPart): readonly Light[] {
  const kind = kindOf(part.kind);
  if (kind.observed !== 'light') return [];
  return kind.elements(part.value, AT_REST).flatMap((element): readonly Light[] =>
    element.type === 'junction' && element.led !== undefined
      ? [
          {
            part,
            name: element.led === '' ? part.ref : `${part.ref}.${element.led}`,
            anode: element.anode,
            cathode: element.cathode,
            anodeNode: built.circuit.nodeOf(part, element.anode),
            cathodeNode: built.circuit.nodeOf(part, element.cathode),
            model: element.model,
          },
        ]
      : [],
  );
}
