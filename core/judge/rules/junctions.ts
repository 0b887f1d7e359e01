import type { LegName } from '../../brand';
import type { JunctionModel } from '../../electrics/junction';
import { AT_REST, kindOf } from '../../parts';
import type { PlacedPart } from '../../wiring/wiring';
import { nodeAt, type RuleContext } from './context';
import type { NodeId } from '../../wiring/netlist';

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

/** Every light of a wiring. */
export const lightsOf = (context: Pick<RuleContext, 'wiring' | 'netlist'>): readonly Light[] =>
  context.wiring.parts.flatMap((part) =>
    kindOf(part.kind)
      .elements(part.value, AT_REST)
      .flatMap((element): readonly Light[] =>
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
      ),
  );
