import type { PointName, Ref } from '../../brand';
import { legPoint, type PlacedPart } from '../../wiring/wiring';

/** Number of a net that is wanted. */
export type Net = number;
/** A node of a wiring: its number, or the name of a member that nothing is joined to. */
export type Root = string;
/** Where each leg of a part goes: the net of each of its legs in their order. */
export type Nets = readonly Net[];
/** The nets of some parts, taken together: those of a series go one by one only in their order. */
export type Way = ReadonlyMap<Ref, Nets>;

/** How many members of each net are on which node. */
export class Homes {
  private readonly counts = new Map<Net, Map<Root, number>>();

  count(net: Net, root: Root, members: 1 | -1): void {
    const own = this.counts.get(net) ?? this.counts.set(net, new Map()).get(net)!;
    own.set(root, (own.get(root) ?? 0) + members);
  }

  /** The node that most members of a net are on. */
  homeOf(net: Net): Root | undefined {
    let home: Root | undefined;
    let most = 0;
    for (const [root, members] of this.counts.get(net) ?? [])
      if (members > most) [home, most] = [root, members];
    return home;
  }
}

/** How many legs of a way are where the rest of their net is: at its home, or with each other. */
export function joined(
  way: Way,
  built: ReadonlyMap<Ref, PlacedPart>,
  rootOf: (member: PointName) => Root,
  homes: Homes,
): number {
  let score = 0;
  const met = new Map<Net, Root>();
  for (const [name, nets] of way)
    built.get(name)?.legs.forEach(({ leg }, index) => {
      const net = nets[index]!;
      const root = rootOf(legPoint(name, leg));
      if (homes.homeOf(net) === root || met.get(net) === root) score += 1;
      met.set(net, root);
    });
  return score;
}
