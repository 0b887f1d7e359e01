import type { LegName } from '../../brand';
import type { JunctionModel } from '../../electrics/junction';
import { AT_REST, kindOf } from '../../parts';
import type { PlacedPart } from '../../wiring/wiring';
import { nodeAt, type RuleContext } from './context';
import type { Netlist, NodeId } from '../../wiring/netlist';

/** One light: a lamp, or one of several in a housing. */
export interface Light {
  readonly part: PlacedPart;
  /** As `BenchPoint.lamps` names it: `D1`, `D1.red`. */
  readonly name: string;
  readonly anode: LegName;
  readonly cathode: LegName;
  readonly anodeNode: NodeId;
  readonly cathodeNode: NodeId;
  readonly model: JunctionModel;
}

/** Several rules ask for the lights of one netlist; they are found once. */
const known = new WeakMap<Netlist, readonly Light[]>();

/** Every light of a wiring. */
export function lightsOf(context: Pick<RuleContext, 'wiring' | 'netlist'>): readonly Light[] {
  const before = known.get(context.netlist);
  if (before) return before;
  const lights = context.wiring.parts.flatMap((part) => lightsIn(context, part));
  known.set(context.netlist, lights);
  return lights;
}

function lightsIn(context: Pick<RuleContext, 'wiring' | 'netlist'>, part: PlacedPart): readonly Light[] {
  const kind = kindOf(part.kind);
  if (kind.observed !== 'light') return [];
  return kind.elements(part.value, AT_REST).flatMap((element): readonly Light[] =>
    element.type === 'junction' && element.lamp !== undefined
      ? [
          {
            part,
            name: element.lamp === '' ? part.ref : `${part.ref}.${element.lamp}`,
            anode: element.anode,
            cathode: element.cathode,
            anodeNode: nodeAt(context, part.ref, element.anode),
            cathodeNode: nodeAt(context, part.ref, element.cathode),
            model: element.model,
          },
        ]
      : [],
  );
}
