import { passageOf, type Network, type SolverNode } from './network';

/** What is joined to what by paths of current, whatever the voltages are. */
export interface Islands {
  /** Whether a node has no conducting path to any source. */
  readonly floating: readonly boolean[];
  /** One node of each group that has a source but no path to the reference; it is held there at 0 V. */
  readonly ties: readonly SolverNode[];
}

/**
 * Finds the nodes that nothing holds, and the groups of nodes with a battery of their own. Leaks and
 * capacitors are no paths; a chip's protection leads one way only.
 */
export function islandsOf({ nodeCount, elements }: Network): Islands {
  const onward: number[][] = Array.from({ length: nodeCount }, () => []);
  const either: number[][] = Array.from({ length: nodeCount }, () => []);
  const held: number[] = [0];
  const grounds: number[] = [];
  const join = (one: number, other: number): void => {
    onward[one]!.push(other);
    onward[other]!.push(one);
    either[one]!.push(other);
    either[other]!.push(one);
  };
  for (const element of elements) {
    const { from, to } = element;
    const passage = passageOf(element);
    if (passage === 'both') join(from, to);
    else if (passage === 'forward') {
      onward[from]!.push(to);
      either[from]!.push(to);
      either[to]!.push(from);
    }
    if (element.type === 'transistor') join(element.base, to);
    if (element.type === 'output') join(to, element.minus);
    if (element.type === 'source') {
      held.push(from, to);
      grounds.push(to);
    }
  }
  const reached = flood(onward, held);
  const grounded = flood(either, [0]);
  const ties: SolverNode[] = [];
  for (const ground of grounds) {
    if (grounded[ground]) continue;
    ties.push(ground);
    flood(either, [ground], grounded);
  }
  return { floating: reached.map((isReached) => !isReached), ties };
}

function flood(
  neighbours: readonly (readonly number[])[],
  starts: readonly number[],
  reached = new Array<boolean>(neighbours.length).fill(false),
): boolean[] {
  const open = starts.filter((node) => !reached[node]);
  for (const node of open) reached[node] = true;
  for (let node = open.pop(); node !== undefined; node = open.pop())
    for (const next of neighbours[node]!)
      if (!reached[next]) {
        reached[next] = true;
        open.push(next);
      }
  return reached;
}
