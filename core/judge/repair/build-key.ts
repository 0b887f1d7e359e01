import { effort } from '../../effort';
import type { Circuit } from '../../wiring/circuit';
import { legPoint } from '../../wiring/wiring';
import type { Build } from '../build';

/** A build as a text: the same for builds whose circuit and program are the same. */
export const buildKey = ({ program }: Build, circuit: Circuit): string =>
  `${circuitKey(circuit)}\n${program.source}`;

/** The circuit as text: the same for all wirings that are electrically one. */
function circuitKey({ nodes, parts }: Circuit): string {
  effort(nodes.length * 6000);
  const joined = nodes
    .map(({ pins, terminals }) =>
      [...pins, ...terminals.map(({ ref, leg }) => legPoint(ref, leg) as string)].sort().join('='),
    )
    .filter((text) => text !== '');
  const values = parts.map((part) => `${part.ref}:${part.value.text}`);
  return [...joined.sort(), ...values.sort()].join(' ');
}
