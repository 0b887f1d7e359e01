import { effort } from '../../effort';
import { circuitParts, type Netlist } from '../../wiring/netlist';
import { legPoint, type Wiring } from '../../wiring/wiring';
import type { Build } from '../examine';

/** A build as a text: the same for builds whose circuit and program are the same. */
export const buildKey = ({ wiring, program }: Build, netlist: Netlist): string =>
  `${netlistKey(wiring, netlist)}\n${program.source}`;

/** The circuit as text: the same for all wirings that are electrically one. */
function netlistKey(wiring: Wiring, netlist: Netlist): string {
  effort(netlist.nodes.length * 6000);
  const counted = new Set(
    circuitParts(wiring).flatMap((part) => part.legs.map(({ leg }) => legPoint(part.ref, leg) as string)),
  );
  const nodes = netlist.nodes
    .map((node) =>
      [
        ...node.pins,
        ...node.terminals
          .map(({ ref, leg }) => legPoint(ref, leg) as string)
          .filter((name) => counted.has(name)),
      ]
        .sort()
        .join('='),
    )
    .filter((text) => text !== '');
  const values = circuitParts(wiring).map((part) => `${part.ref}:${part.value.text}`);
  return [...nodes.sort(), ...values.sort()].join(' ');
}
