import type { Ref } from '../../brand';
import { isResistor, kindOf, roleOfLeg } from '../../parts';
import type { Circuit } from '../../wiring/circuit';
import type { NodeId } from '../../wiring/netlist';

/** What is reached from a node through resistors, and not beyond a pin. */
const near = (circuit: Circuit, node: NodeId): ReadonlySet<NodeId> =>
  circuit.reach(node, {
    through: isResistor,
    notBeyond: (next) => circuit.node(next).pins.length > 0,
  });

/** What people see or touch behind a pin, through resistors. */
export function partsBehind(circuit: Circuit, pin: string): readonly Ref[] {
  const node = circuit.nodeOfPin(pin);
  if (!node) return [];
  return [...near(circuit, node.id)].flatMap((one) =>
    circuit
      .partsAt(one)
      .filter(({ kind }) => kindOf(kind).observed !== undefined || kindOf(kind).stimulus !== undefined)
      .map(({ ref }) => ref),
  );
}

/** The signal pins that a part is led to, through resistors. */
export function pinsBehind(circuit: Circuit, ref: Ref): readonly string[] {
  const part = circuit.part(ref);
  if (!part) return [];
  return (
    part.legs
      // What goes over a bus is many levels, and none of them is the one that was seen.
      .filter(({ leg }) => roleOfLeg(part, leg) !== 'bus')
      .map(({ leg }) => circuit.nodeOf(part, leg))
      .flatMap((node) => [...near(circuit, node)])
      .flatMap((node) => circuit.signalsAt(node))
  );
}
