import { quantity, type Observation } from '../../findings/finding';
import { kindOf } from '../../parts';
import type { Circuit } from '../../wiring/circuit';
import type { NodeId } from '../../wiring/netlist';
import { legPoint, type PlacedPart } from '../../wiring/wiring';
import { legText, partText } from '../../wiring/words';
import { capital } from '../../words/words';
import type { WiringRule } from '../subject';

type Side = 'supply' | 'ground';

/**
 * Modules with a supply or ground leg that is connected to something, and through it to no supply or ground. Such a
 * one may run all the same, on what leaks in through its other pins.
 */
export const moduleUnfed: WiringRule = ({ circuit }) =>
  circuit.parts.flatMap((part): readonly Observation[] => {
    const legs = kindOf(part.kind).supplyLegs;
    if (!legs) return [];
    const sides: readonly Side[] = ['supply', 'ground'];
    return sides.flatMap((side): readonly Observation[] => {
      const leg = side === 'supply' ? legs.plus : legs.minus;
      // A leg that touches nothing, and a rail that nothing feeds, are told as that.
      if (circuit.isAlone(part, leg) || isOnRail(circuit, circuit.nodeOf(part, leg))) return [];
      if (isFed(circuit, part, circuit.nodeOf(part, leg), side)) return [];
      const name = legText(part, leg);
      const lacks = side === 'supply' ? 'is not connected to a supply' : 'does not reach ground';
      return [
        {
          code: side === 'supply' ? 'leg-open' : 'no-return',
          severity: 'fault',
          refs: [part.ref],
          at: [legPoint(part.ref, leg)],
          message: `${capital(name)} ${lacks}. What ${partText(part)} does then is down to chance: it can run on what comes in through its other pins.`,
          hints: [
            `Where does ${partText(part)} get its power from, and how does the current get back?`,
            `${capital(name)} ${lacks}.`,
            `Connect ${name} to ${side === 'supply' ? 'the supply' : 'ground'}.`,
          ],
          evidence: { connected: quantity(0, '') },
        },
      ];
    });
  });

const isOnRail = (circuit: Circuit, node: NodeId): boolean =>
  circuit.node(node).points.some(({ type }) => type === 'rail');

/** Whether a node is on a side, or gets to it through what may switch or protect a supply; a pin may feed it too. */
function isFed(circuit: Circuit, module: PlacedPart, from: NodeId, side: Side): boolean {
  const passes = (part: PlacedPart): boolean => {
    const { supplyLegs, observed } = kindOf(part.kind);
    // A relay may switch it, whatever feeds the relay.
    const isSwitch = observed === 'click';
    return part.ref !== module.ref && (isSwitch || (supplyLegs === undefined && observed !== 'light'));
  };
  const reached = circuit.reach(from, { through: passes });
  return [...reached].some((node) => circuit.feed(node) === side || circuit.signalsAt(node).length > 0);
}
