import { pointName, ref as makeRef, type PointName, type Ref } from '../../brand';
import { effort } from '../../effort';
import type { Exercise } from '../../formats/exercise';
import { kindOf, turnsOf } from '../../parts';
import { Circuit } from '../../wiring/circuit';
import { netlistOf, type Netlist, type NodeId } from '../../wiring/netlist';
import { findPart, legPoint, type PlacedPart, type Wiring } from '../../wiring/wiring';
import { circuitGraph } from '../graph';
import { isAccepted } from '../compared-values';
import { Homes, joined, type Net, type Nets, type Root, type Way } from './homes';

/** A leg of a part or a socket of the board, by its name: `D1.anode`, `U1.13`. */
type Member = PointName;

/** A part of the exercise, and the one that stands for it in a build. */
interface Pair {
  readonly asked: PlacedPart;
  /** Its name in the build; that under which it would be put in, when it is missing. */
  readonly name: Ref;
}

/** What effort one look at how far a wiring is off takes for each of its legs. */
const EFFORT_OF_A_LEG = 700;
/** Orders of the parts of one series that are looked at: of three parts at most. */
const MOST_IN_SERIES = 3;

/**
 * The circuit that an exercise asks for, said of the parts of one build: which legs and sockets belong together. What
 * the exercise leaves free is taken as the build has it: the order in a series, the way round of what may be turned,
 * and the pins.
 */
export class Target {
  private readonly pairs: readonly Pair[];
  private readonly nets = new Map<Ref, Nets>();
  private readonly sockets = new Map<string, Net>();
  private readonly boardRef: Ref | undefined;
  private readonly ways: readonly (readonly Way[])[];
  private readonly names: ReadonlySet<Ref>;

  /**
   * `asked`: the wiring of the exercise, with the pins that are wanted in this build; `pairs`: the built part for each
   * part of the exercise.
   */
  constructor(
    private readonly exercise: Exercise,
    asked: Wiring,
    built: Wiring,
    pairs: ReadonlyMap<string, PlacedPart>,
  ) {
    const circuit = new Circuit(asked, exercise.board);
    this.boardRef = built.board?.ref;
    const taken = new Set(built.parts.map(({ ref }) => ref));
    this.pairs = circuit.parts.map((part): Pair => {
      const name = pairs.get(part.ref)?.ref ?? freeName(part, taken);
      taken.add(name);
      return { asked: part, name };
    });
    this.names = new Set(this.pairs.map(({ name }) => name));
    for (const { asked: part, name } of this.pairs) this.nets.set(name, circuit.nodesOf(part));
    for (const node of circuit.nodes) for (const pin of node.pins) this.sockets.set(pin, node.id);
    this.ways = this.waysOf(circuit);
  }

  /** The part of the exercise that a built part stands for. */
  askedFor(name: Ref): PlacedPart | undefined {
    return this.pairs.find((pair) => pair.name === name)?.asked;
  }

  /** Parts of the exercise that a wiring lacks, under the names that they would have in it. */
  missingFrom(wiring: Wiring): readonly PlacedPart[] {
    const there = new Set(wiring.parts.map(({ ref }) => ref));
    return this.pairs
      .filter(({ name }) => !there.has(name))
      .map(({ asked, name }) => ({ ...asked, ref: name }));
  }

  /** The nets of a part's legs, in their order. */
  netsOf(name: Ref): readonly Net[] {
    return this.nets.get(name) ?? [];
  }

  /** Parts that share a net with a part, by the names that they have in the build. */
  neighboursOf(name: Ref): readonly Ref[] {
    const own = new Set(this.netsOf(name));
    return [...this.nets].flatMap(([other, nets]) =>
      other !== name && nets.some((net) => own.has(net)) ? [other] : [],
    );
  }

  /** Sockets of the board that belong to a net. */
  socketsOf(net: Net): readonly string[] {
    return [...this.sockets].flatMap(([pin, own]) => (own === net ? [pin] : []));
  }

  /** Parts of a wiring that stand for nothing in the exercise; wires are not counted. */
  strayIn(wiring: Wiring): readonly PlacedPart[] {
    return wiring.parts.filter(({ ref, kind }) => !kindOf(kind).conductor && !this.names.has(ref));
  }

  /** Parts whose value is none that the exercise accepts, with the part that it asks for. */
  otherValuesIn(wiring: Wiring): readonly { readonly part: PlacedPart; readonly asked: PlacedPart }[] {
    return this.pairs.flatMap(({ asked, name }) => {
      const part = findPart(wiring, name);
      return part && part.value.text !== asked.value.text && !isAccepted(this.exercise, asked, part)
        ? [{ part, asked }]
        : [];
    });
  }

  /**
   * How far a wiring is from the circuit: the pieces that its nets are in beyond one each, the nets that are joined
   * beyond one each, parts that are missing, too many, or of another value. 0 for the circuit itself.
   */
  distance(wiring: Wiring): number {
    const { pieces, mixed } = this.look(wiring);
    return (
      pieces +
      mixed +
      2 * this.missingFrom(wiring).length +
      this.strayIn(wiring).length +
      this.otherValuesIn(wiring).length
    );
  }

  /** What each node of a wiring has of the nets, by the root of its strips. */
  look(wiring: Wiring): Look {
    effort(wiring.parts.length * EFFORT_OF_A_LEG * 3);
    const strips = new Strips(wiring, this.boardRef);
    const { nets, ways } = this.assigned(wiring, strips);
    return new Look(strips, nets, ways);
  }

  /** The net of every member, and of each part's legs, with what may be turned or exchanged the way that suits the wiring. */
  private assigned(
    wiring: Wiring,
    strips: Strips,
  ): { readonly nets: ReadonlyMap<Member, Net>; readonly ways: Way } {
    const nets = new Map<Member, Net>();
    const chosen = new Map<Ref, Nets>();
    const homes = new Homes();
    for (const [pin, net] of this.sockets) {
      if (!this.boardRef) break;
      const member = pointName(`${this.boardRef}.${pin}`);
      nets.set(member, net);
      homes.count(net, strips.of(member), 1);
    }
    const built = new Map(wiring.parts.map((part) => [part.ref, part]));
    const legsOf = (name: Ref): readonly PointName[] =>
      built.get(name)?.legs.map(({ leg }) => legPoint(name, leg)) ?? [];
    const leave = (ways: readonly Way[]): void => {
      for (const name of ways[0]!.keys())
        for (const member of legsOf(name)) {
          const net = nets.get(member);
          if (net !== undefined) homes.count(net, strips.of(member), -1);
        }
    };
    const give = (way: Way): void => {
      for (const [name, own] of way) {
        chosen.set(name, own);
        for (const [index, member] of legsOf(name).entries()) {
          nets.set(member, own[index]!);
          homes.count(own[index]!, strips.of(member), 1);
        }
      }
    };
    for (const ways of this.ways) if (ways.length === 1) give(ways[0]!);
    // Twice, since what is between two others that may be turned is known only when those are.
    for (let round = 0; round < 2; round += 1)
      for (const ways of this.ways) {
        if (ways.length === 1) continue;
        // What a part itself was taken for says nothing of what it is.
        leave(ways);
        const score = (way: Way): number => joined(way, built, (member) => strips.of(member), homes);
        give(ways.reduce((best, way) => (score(way) > score(best) ? way : best)));
      }
    return { nets, ways: chosen };
  }

  /** The ways in which each part or series of parts may go, that of the exercise first. */
  private waysOf(asked: Circuit): readonly (readonly Way[])[] {
    const nameOf = new Map(this.pairs.map(({ asked: part, name }) => [part.ref, name]));
    const inSeries = new Set<Ref>();
    const ways: (readonly Way[])[] = [];
    for (const { parts, head, tail } of circuitGraph(asked).chains) {
      if (parts.length < 2 || parts.length > MOST_IN_SERIES) continue;
      const links = linksOf(
        asked,
        parts.map((ref) => asked.part(ref)!),
        head,
      );
      if (!links) continue;
      for (const ref of parts) inSeries.add(ref);
      const between = links.slice(1).map(({ from }) => from);
      ways.push(
        [...ordersOf(links)].flatMap((order) =>
          turnedWays(
            order.map(({ part, isForward }, index) => {
              const ends = [between[index - 1] ?? head, between[index] ?? tail];
              const own = isForward ? ends : ends.toReversed();
              return [nameOf.get(part.ref)!, waysOf(part, own)];
            }),
          ),
        ),
      );
    }
    for (const part of asked.parts)
      if (!inSeries.has(part.ref))
        ways.push(turnedWays([[nameOf.get(part.ref)!, waysOf(part, asked.nodesOf(part))]]));
    return ways;
  }
}

/** What is where: the nets that are on each node of a wiring. */
export class Look {
  /** Nodes that each net is on, as the roots of their strips. */
  private readonly rootsOf = new Map<Net, Set<Root>>();
  private readonly netsOf = new Map<Root, Set<Net>>();
  /** Pieces of nets beyond one each. */
  readonly pieces: number;
  /** Nets on one node beyond one each. */
  readonly mixed: number;

  constructor(
    private readonly strips: Strips,
    private readonly nets: ReadonlyMap<Member, Net>,
    private readonly ways: Way,
  ) {
    for (const [member, net] of nets) this.note(strips.of(member), net);
    // A socket that the exercise does not use must be joined to nothing.
    let stray = -1;
    for (const socket of strips.sockets) if (!nets.has(socket)) this.note(strips.of(socket), stray--);
    this.pieces = sum([...this.rootsOf.values()].map(({ size }) => size - 1));
    this.mixed = sum([...this.netsOf.values()].map(({ size }) => size - 1));
  }

  private note(root: Root, net: Net): void {
    (this.rootsOf.get(net) ?? this.rootsOf.set(net, new Set()).get(net)!).add(root);
    (this.netsOf.get(root) ?? this.netsOf.set(root, new Set()).get(root)!).add(net);
  }

  /** The net that a leg or a socket belongs to. */
  netOf(member: Member): Net | undefined {
    return this.nets.get(member);
  }

  /** The nets of a part's legs in their order, of one that is missing too: where it goes in the series that is there. */
  legNetsOf(name: Ref): readonly Net[] {
    return this.ways.get(name) ?? [];
  }

  /** The node of a leg, a socket or a place. */
  rootOf(point: PointName): Root {
    return this.strips.of(point);
  }

  /** Nets on a node. */
  netsAt(root: Root): ReadonlySet<Net> {
    return this.netsOf.get(root) ?? new Set();
  }

  /** Nodes that a net is on. */
  rootsWith(net: Net): ReadonlySet<Root> {
    return this.rootsOf.get(net) ?? new Set();
  }

  /** Whether a node joins what does not belong together, or is only a piece of what does. */
  isWrong(root: Root): boolean {
    const nets = this.netsAt(root);
    return nets.size > 1 || [...nets].some((net) => this.rootsWith(net).size > 1);
  }

  /** Whether every net is in one piece and joined to no other. */
  get isRight(): boolean {
    return this.pieces === 0 && this.mixed === 0;
  }

  /** Nets that are in several pieces. */
  get split(): readonly Net[] {
    return [...this.rootsOf].filter(([, roots]) => roots.size > 1).map(([net]) => net);
  }
}

/** The strips of a wiring with what joins them. */
class Strips {
  private readonly netlist: Netlist;

  constructor(
    wiring: Wiring,
    private readonly board: Ref | undefined,
  ) {
    this.netlist = netlistOf(wiring);
  }

  /** The node of a leg, a socket or a place as a text; its own name when nothing is plugged there. */
  of(point: PointName): Root {
    const id = this.netlist.nodeAt.get(point);
    return id === undefined ? point : String(id);
  }

  /** Sockets of the board that something is plugged into. */
  get sockets(): readonly Member[] {
    return this.netlist.nodes.flatMap(({ pins }) => pins.map((pin) => pointName(`${this.board}.${pin}`)));
  }
}

const sum = (numbers: readonly number[]): number => numbers.reduce((total, one) => total + one, 0);

/** The nets of a part's legs as they are, and with each of its turns. */
function waysOf(part: PlacedPart, own: Nets): readonly Nets[] {
  const legs = part.legs.map(({ leg }) => leg);
  return [own, ...turnsOf(part).map((turn) => turn.map((leg) => own[legs.indexOf(leg)]!))];
}

/** Every choice of one turn for each of some parts. */
const turnedWays = (parts: readonly (readonly [Ref, readonly Nets[]])[]): readonly Way[] =>
  parts.reduce<readonly Way[]>(
    (ways, [name, turns]) => ways.flatMap((way) => turns.map((nets): Way => new Map([...way, [name, nets]]))),
    [new Map()],
  );

interface SeriesLink {
  readonly part: PlacedPart;
  readonly from: NodeId;
  /** Whether the first leg is the one that is met first. */
  readonly isForward: boolean;
}

/** The parts of a series in their order from its head; `undefined` when they are no plain series. */
function linksOf(
  circuit: Circuit,
  parts: readonly PlacedPart[],
  head: NodeId,
): readonly SeriesLink[] | undefined {
  const links: SeriesLink[] = [];
  let at = head;
  for (const part of parts) {
    const [first, second] = circuit.nodesOf(part) as [NodeId, NodeId];
    if (first !== at && second !== at) return undefined;
    links.push({ part, from: at, isForward: first === at });
    at = first === at ? second : first;
  }
  return links;
}

function* ordersOf<Item>(items: readonly Item[]): Generator<readonly Item[]> {
  if (items.length <= 1) yield items;
  for (const [index, item] of items.entries())
    if (items.length > 1) for (const rest of ordersOf(items.toSpliced(index, 1))) yield [item, ...rest];
}

/** The name of a part, or the next one like it that nothing has. */
function freeName({ ref, kind }: PlacedPart, taken: ReadonlySet<Ref>): Ref {
  if (!taken.has(ref)) return ref;
  for (let number = 1; ; number += 1) {
    const name = makeRef(`${kindOf(kind).prefix}${number}`);
    if (!taken.has(name)) return name;
  }
}
