import type { Ref } from '../../brand';
import { kindOf } from '../../parts';
import type { Rail } from '../../breadboards';
import type { PlacementTask, TaskNet } from './task';

/**
 * Rails by what a net carries: first those on the side of the board, or those on the far side where most
 * of its ends stand beside the breadboard.
 */
export function railsFor(task: PlacementTask, net: TaskNet | undefined): readonly Rail[] {
  if (!net) return NO_RAILS;
  // Asked for every seat that is tried, and always with the same answer for a net.
  let rails = known.get(net);
  if (!rails) known.set(net, (rails = findRails(task, net)));
  return rails;
}

const NO_RAILS: readonly Rail[] = [];
const known = new WeakMap<TaskNet, readonly Rail[]>();

function findRails(task: PlacementTask, net: TaskNet): readonly Rail[] {
  if (net.role !== 'ground' && net.role !== 'supply') return [];
  const rails: readonly Rail[] = net.role === 'ground' ? ['a-', 'j-'] : ['a+', 'j+'];
  const beside = net.legs.filter(({ ref }) => standsBeside(task, ref)).length;
  return beside * 2 > net.legs.length ? [...rails].reverse() : rails;
}

/** Whether a part takes wires on its pins or has wires of its own. */
export function standsBeside(task: PlacementTask, ref: Ref): boolean {
  const { footprint } = kindOf(task.parts.find((part) => part.ref === ref)!.kind);
  return footprint.type === 'plug' || (footprint.type === 'leads' && footprint.reachMm === undefined);
}

/** Whether a net is led over a rail: a shared one is, and ground is from the first exercise on. */
export function usesRail(task: PlacementTask, net: TaskNet): boolean {
  if (railsFor(task, net).length === 0 || !task.breadboards.some(({ model }) => model.hasRails)) return false;
  const ends = net.legs.length;
  return net.role === 'ground' && task.rules.groundRail === 'always' ? ends >= 1 : ends >= 2;
}
