import type { Rail } from '../../breadboards';
import type { PlacementTask, TaskNet } from './task';

/** Rails by what a net carries, the side of the board first. */
export const railsFor = (net: TaskNet | undefined): readonly Rail[] =>
  net?.role === 'ground' ? ['a-', 'j-'] : net?.role === 'supply' ? ['a+', 'j+'] : [];

/** Whether a net is led over a rail: a shared one is, and ground is from the first exercise on. */
export function usesRail(task: PlacementTask, net: TaskNet): boolean {
  if (railsFor(net).length === 0 || !task.breadboards.some(({ model }) => model.hasRails)) return false;
  const ends = net.legs.length;
  return net.role === 'ground' && task.rules.groundRail === 'always' ? ends >= 1 : ends >= 2;
}
