import type { CurrentPath } from '@/core/electrics/paths';
import { roleOfNode } from '@/core/plan/worksheet';
import type { Circuit } from '@/core/wiring/circuit';
import type { Point } from '@/core/wiring/wiring';

/** A node to show on the drawings, by a point on it, and what it is for. */
export type Thread = { readonly point: Point; readonly role: 'supply' | 'ground' | 'signal' | 'sense' };

interface ThreadWish {
  readonly path: CurrentPath | undefined;
  readonly step: number | undefined;
  readonly traced: Point | undefined;
}

/** The nodes to show: those of a followed current up to where it is, or a traced one; else none. */
export function threadsFor(
  circuit: Circuit | undefined,
  { path, step, traced }: ThreadWish,
): readonly Thread[] {
  if (!circuit) return [];
  const thread = (point: Point): readonly Thread[] => {
    const node = circuit.nodeAt(point);
    return node ? [{ point, role: roleOfNode(circuit, node.id) }] : [];
  };
  if (path)
    return path.steps
      .slice(0, (step ?? 0) + 1)
      .flatMap((one) =>
        'at' in one ? (one.at ? [one.at] : []) : [one.from, one.to].filter((point) => point !== null),
      )
      .flatMap(thread);
  return traced ? thread(traced) : [];
}
