import { ref } from '../../brand';
import { breadboards } from '../../breadboards';
import { isResistor, kindOf } from '../../parts';
import type { PlacementTask, TaskPart } from './task';
import { plural, withArticle } from '../../words/words';

/**
 * Why a circuit does not fit, how much of it would, and what to do. `fits` tries a smaller task; it is
 * asked some ten times.
 */
export function roomMessage(task: PlacementTask, fits: (task: PlacementTask) => boolean): string {
  const [kind, parts] = mostNumerous(task);
  const title = kindOf(kind).title;
  const where =
    task.breadboards.map(({ model }) => withArticle(model.title)).join(' and ') || 'no breadboard';
  const count = largest(parts.length, (amount) => fits(without(task, parts.slice(amount))));
  const bigger = [...breadboards.values()].find(
    (model) =>
      task.breadboards.every((board) => model.rows > board.model.rows) &&
      fits({ ...task, breadboards: [{ ref: task.breadboards[0]?.ref ?? ref('B1'), model }] }),
  );
  const fewer = `put the others on a second breadboard`;
  const remedy = bigger ? `take a ${bigger.title}, where all of it fits` : fewer;
  return `the circuit does not fit on ${where}: ${count === 0 ? `no ${title}` : `${count} of its ${parts.length} ${plural(title)}`} can be placed with what belongs to ${count === 1 ? 'it' : 'them'}; ${remedy}`;
}

/** The kind of which there are most among those that are not mere companions of others. */
function mostNumerous(task: PlacementTask): readonly [string, readonly TaskPart[]] {
  const groups = new Map<string, TaskPart[]>();
  for (const part of task.parts) groups.set(part.kind, [...(groups.get(part.kind) ?? []), part]);
  const sorted = [...groups].sort(
    ([one, a], [other, b]) =>
      b.length - a.length || Number(isResistor({ kind: one })) - Number(isResistor({ kind: other })),
  );
  return sorted[0] ?? ['resistor', []];
}

/** The task without some parts, and without what only served them. */
function without(task: PlacementTask, gone: readonly TaskPart[]): PlacementTask {
  const refs = new Set(gone.map((part) => part.ref as string));
  // What hangs on an inner net of a part that goes has no use any more: its resistor.
  for (const net of task.nets)
    if (net.role === 'inner' && net.legs.some(({ ref }) => refs.has(ref)))
      for (const { ref } of net.legs) refs.add(ref);
  return {
    ...task,
    parts: task.parts.filter((part) => !refs.has(part.ref)),
    nets: task.nets.flatMap((net) => {
      const legs = net.legs.filter(({ ref }) => !refs.has(ref));
      return legs.length === 0 ? [] : [{ ...net, legs }];
    }),
  };
}

/** Largest amount below `most` for which something holds, which holds for all smaller ones. */
function largest(most: number, holds: (amount: number) => boolean): number {
  let [good, bad] = [0, most];
  while (bad - good > 1) {
    const middle = (good + bad) >> 1;
    if (holds(middle)) good = middle;
    else bad = middle;
  }
  return good;
}
