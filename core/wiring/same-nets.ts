import type { Circuit } from './circuit';

/** Whether two wirings of the same parts join the same legs and sockets, by whatever strips, rails and wires. */
export function hasSameNets(one: Circuit, other: Circuit): boolean {
  const [nets, others] = [netsOf(one), netsOf(other)];
  return nets.length === others.length && nets.every((net, index) => net === others[index]);
}

/** What each node joins, as sorted texts; a node with nothing but one end on it joins nothing. */
function netsOf({ nodes }: Circuit): readonly string[] {
  return nodes
    .map(({ terminals, pins }) => [...terminals.map(({ ref, leg }) => `${ref}.${leg}`), ...pins])
    .filter((ends) => ends.length > 1)
    .map((ends) => ends.sort().join(' '))
    .sort();
}
