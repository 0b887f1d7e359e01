import { isSupplySocket, type BoardProfile } from '../boards';
import type { Ref } from '../brand';
import { effort } from '../effort';
import type { Exercise, PinFreedom } from '../formats/exercise';
import type { Circuit } from '../wiring/circuit';
import type { NodeId } from '../wiring/netlist';
import { circuitGraph, type Chain, type CircuitGraph } from './graph';
import { united, type United } from './united';

/** How two circuits correspond, and how far they are apart. */
export interface Match {
  /** Whether they are the same circuit within what the exercise leaves free; values are not compared. */
  readonly same: boolean;
  /** Reference part to built part. */
  readonly parts: ReadonlyMap<Ref, Ref>;
  /** Reference pin to built pin, for the signal pins of matched chains. */
  readonly pins: ReadonlyMap<string, string>;
  /** Chains and pins that have no counterpart, of either side. 0 when the same. */
  readonly distance: number;
}

/** A circuit reduced to what is compared of it. */
export const reduced = (circuit: Circuit): Reduced => ({ circuit, graph: circuitGraph(circuit) });

/** How a build compares with the reference. */
export interface Comparison {
  readonly match: Match;
  /** The build as it is compared: with resistors that act as one as one, where that is nearer. */
  readonly compared: Pick<United, 'circuit'> & Partial<Pick<United, 'members'>>;
}

/** Compares a build with the reference; resistors that act as one count as one where it is nearer for it. */
export function comparison(
  asked: Reduced,
  circuit: Circuit,
  { board, pinFreedom }: Pick<Exercise, 'board' | 'pinFreedom'>,
): Comparison {
  const match = matchCircuits(asked, reduced(circuit), board, pinFreedom);
  const one = match.same ? undefined : united(circuit);
  const ofOne = one && matchCircuits(asked, reduced(one.circuit), board, pinFreedom);
  return ofOne && ofOne.distance < match.distance
    ? { match: ofOne, compared: one }
    : { match, compared: { circuit } };
}

/** What a look at one chain takes, and each candidate for it. */
const [LOOK_EFFORT, CANDIDATE_EFFORT] = [2000, 1000];
/** Looks after which the best correspondence so far is taken. */
const BUDGET = 20_000;

/** A circuit with what of it is compared. */
export interface Reduced {
  readonly circuit: Circuit;
  readonly graph: CircuitGraph;
}

/**
 * Finds the correspondence between the reference and a build by backtracking over chains, always the one that can
 * stand for the fewest. Equal values are tried first, so that of two equal LEDs the right colours pair.
 */
export function matchCircuits(
  reference: Reduced,
  built: Reduced,
  board: BoardProfile,
  freedom: PinFreedom,
): Match {
  const search = new MatchSearch(reference, built, board, freedom);
  return search.run();
}

/** A built chain that one of the reference may stand for, and which of its ends is which. */
interface Way {
  readonly built: Chain;
  readonly head: NodeId;
  readonly tail: NodeId;
  /** How far it is from being the very one: other looks count more than other pins. */
  readonly strain: number;
}

/** A chain of the reference with what it may still stand for. */
interface Open {
  readonly chain: Chain;
  readonly ways: readonly Way[];
}

/** What can stand for the fewest comes first; of those that can stand for as many, what is most itself. */
const comesBefore = (one: Open, other: Open): boolean =>
  one.ways.length < other.ways.length ||
  (one.ways.length === other.ways.length && one.ways[0]!.strain < other.ways[0]!.strain);

class MatchSearch {
  private best:
    { chains: number; parts: Map<Ref, Ref>; pins: Map<string, string>; distance: number } | undefined;
  private steps = 0;
  /** What can be seen of each chain. */
  private readonly looks = new Map<Chain, string>();
  private readonly nodes = new Map<NodeId, NodeId>();
  private readonly taken = new Map<NodeId, NodeId>();
  private readonly pairs: { reference: Chain; built: Chain }[] = [];
  private readonly order: readonly Chain[];
  /** For each chain of the reference, the built ones that it may stand for, equal values first. */
  private readonly candidates: ReadonlyMap<Chain, readonly Chain[]>;
  private readonly used = new Set<Chain>();

  constructor(
    private readonly reference: Reduced,
    private readonly built: Reduced,
    private readonly board: BoardProfile,
    private readonly freedom: PinFreedom,
  ) {
    const rank = (chain: Chain): number =>
      -[chain.head, chain.tail].filter((node) => this.reference.graph.pins.get(node)?.length).length;
    this.order = [...reference.graph.chains].sort((a, b) => rank(a) - rank(b));
    this.candidates = this.candidatesOf();
  }

  run(): Match {
    this.assign(this.order);
    const { parts, pins, distance } = this.best!;
    return { same: distance === 0, parts, pins, distance };
  }

  /** Goes on with the chain that can stand for the fewest: what is bound already tells the most of it. */
  private assign(open: readonly Chain[]): void {
    // What has no counterpart any more will have none: bindings only grow.
    const left = open.flatMap((chain) => {
      const ways = this.waysOf(chain);
      return ways.length > 0 ? [{ chain, ways }] : [];
    });
    const [first, ...others] = left;
    if (!first) {
      this.keepIfBetter();
      return;
    }
    if (this.isHopeless(left.length)) return;
    const next = others.reduce((least, one) => (comesBefore(one, least) ? one : least), first);
    const rest = left.flatMap(({ chain }) => (chain === next.chain ? [] : [chain]));
    const { chain } = next;
    for (const { built, head, tail } of next.ways) {
      if (this.steps > BUDGET || this.best?.distance === 0) return;
      const begun = this.bind(chain.head, head);
      const ended = begun && this.bind(chain.tail, tail);
      if (begun && ended) {
        this.pairs.push({ reference: chain, built });
        this.used.add(built);
        this.assign(rest);
        this.used.delete(built);
        this.pairs.pop();
      }
      if (ended) this.release(ended);
      if (begun) this.release(begun);
    }
    if (this.best?.distance !== 0 && this.steps <= BUDGET) this.assign(rest);
  }

  /** The built chains that a chain may still stand for, each in the directions in which it may. */
  private waysOf(chain: Chain): readonly Way[] {
    const candidates = this.candidates.get(chain)!;
    this.steps += 1;
    effort(LOOK_EFFORT + candidates.length * CANDIDATE_EFFORT);
    const ways: Way[] = [];
    for (const built of candidates) {
      if (this.used.has(built)) continue;
      if (built.fromHead === chain.fromHead && this.fits(chain, built.head, built.tail))
        ways.push(this.way(chain, built, built.head, built.tail));
      if (built.fromTail === chain.fromHead && this.fits(chain, built.tail, built.head))
        ways.push(this.way(chain, built, built.tail, built.head));
    }
    return ways.length < 2 ? ways : ways.sort((a, b) => a.strain - b.strain);
  }

  private way(chain: Chain, built: Chain, head: NodeId, tail: NodeId): Way {
    const looks = this.looksOf(this.reference, chain) === this.looksOf(this.built, built) ? 0 : 2;
    const pins = this.reference.graph.pins.get(chain.head) ?? [];
    const isOnThem = pins.every((pin) => this.built.graph.pins.get(head)?.includes(pin) === true);
    return { built, head, tail, strain: looks + (isOnThem ? 0 : 1) };
  }

  private looksOf({ circuit }: Reduced, chain: Chain): string {
    const known = this.looks.get(chain) ?? looksOf(circuit, chain);
    this.looks.set(chain, known);
    return known;
  }

  private fits(chain: Chain, head: NodeId, tail: NodeId): boolean {
    return this.canBind(chain.head, head) && this.canBind(chain.tail, tail);
  }

  private canBind(mine: NodeId, theirs: NodeId): boolean {
    const bound = this.nodes.get(mine);
    return bound === undefined ? !this.taken.has(theirs) && this.pinsFit(mine, theirs) : bound === theirs;
  }

  /** Whether as many chains as are `left` cannot make the correspondence better than the best one. */
  private isHopeless(left: number): boolean {
    if (!this.best) return false;
    const [mine, theirs] = [this.order.length, this.built.graph.chains.length];
    const most = Math.min(this.pairs.length + left, theirs);
    return mine - most + (theirs - most) >= this.best.distance;
  }

  private candidatesOf(): ReadonlyMap<Chain, readonly Chain[]> {
    const built = this.built.graph.chains.map((chain) => ({
      chain,
      values: valuesOf(this.built.circuit, chain),
      looks: looksOf(this.built.circuit, chain),
    }));
    return new Map(
      this.order.map((chain) => {
        const values = valuesOf(this.reference.circuit, chain);
        const looks = looksOf(this.reference.circuit, chain);
        const ofItsSort = built.filter(
          ({ chain: { fromHead, fromTail } }) => fromHead === chain.fromHead || fromTail === chain.fromHead,
        );
        // Where the red LED is there, the green one does not stand for it.
        const alikeInLooks = ofItsSort.filter((candidate) => candidate.looks === looks);
        const alike = alikeInLooks.length > 0 ? alikeInLooks : ofItsSort;
        const [equal, other] = [true, false].map((wanted) =>
          alike.filter((candidate) => (candidate.values === values) === wanted),
        );
        return [chain, [...equal!, ...other!].map((candidate) => candidate.chain)];
      }),
    );
  }

  /** Lets two nodes correspond; returns what must be undone, or `undefined` when they cannot. */
  private bind(mine: NodeId, theirs: NodeId): { readonly mine?: NodeId } | undefined {
    if (!this.canBind(mine, theirs)) return undefined;
    if (this.nodes.has(mine)) return {};
    this.nodes.set(mine, theirs);
    this.taken.set(theirs, mine);
    return { mine };
  }

  private release({ mine }: { readonly mine?: NodeId }): void {
    if (mine === undefined) return;
    this.taken.delete(this.nodes.get(mine)!);
    this.nodes.delete(mine);
  }

  private pinsFit(mine: NodeId, theirs: NodeId): boolean {
    return (
      pairPins(
        this.reference.graph.pins.get(mine) ?? [],
        this.built.graph.pins.get(theirs) ?? [],
        this.board,
        this.freedom,
      ) !== undefined
    );
  }

  private keepIfBetter(): void {
    const matched = this.pairs.length;
    const chains = this.reference.graph.chains.length - matched + (this.built.graph.chains.length - matched);
    const strayPins = [...this.built.graph.pins].filter(
      ([node, pins]) => pins.length > 1 && !this.taken.has(node),
    ).length;
    const distance = chains + strayPins;
    if (this.best && this.best.distance <= distance) return;
    const parts = new Map<Ref, Ref>();
    for (const pair of this.pairs)
      for (const [from, to] of this.pairParts(pair.reference, pair.built)) parts.set(from, to);
    const pins = new Map<string, string>();
    for (const [mine, theirs] of this.nodes)
      for (const [from, to] of pairPins(
        this.reference.graph.pins.get(mine) ?? [],
        this.built.graph.pins.get(theirs) ?? [],
        this.board,
        this.freedom,
      ) ?? [])
        pins.set(from, to);
    this.best = { chains: matched, parts, pins, distance };
  }

  /** Pairs the parts of two equal chains: by kind, equal values first. */
  private pairParts(reference: Chain, built: Chain): readonly (readonly [Ref, Ref])[] {
    const left = new Set(built.parts);
    const pairs: (readonly [Ref, Ref])[] = [];
    for (const ref of reference.parts) {
      const part = this.reference.circuit.part(ref)!;
      const same = [...left].filter((candidate) => this.built.circuit.part(candidate)!.kind === part.kind);
      const choice =
        same.find((candidate) => this.built.circuit.part(candidate)!.value.text === part.value.text) ??
        same[0];
      if (choice === undefined) continue;
      left.delete(choice);
      pairs.push([ref, choice]);
    }
    return pairs;
  }
}

/** The values of a chain's parts as a text. */
const valuesOf = (circuit: Circuit, chain: Chain): string =>
  chain.parts
    .map((ref) => circuit.part(ref)!.value.text)
    .sort()
    .join();

/** What can be told of a chain's parts by looking at them, as a text: the colours of LEDs, and not an amount. */
const looksOf = (circuit: Circuit, chain: Chain): string =>
  chain.parts
    .map((ref) => circuit.part(ref)!.value)
    .flatMap(({ text, amount }) => (amount === undefined ? [text] : []))
    .sort()
    .join();

/**
 * Pairs the sockets of two nodes: supplies and fixed pins by name, free pins with any pin of their
 * range. `undefined` when one is left over on either side.
 */
export function pairPins(
  reference: readonly string[],
  built: readonly string[],
  board: BoardProfile,
  freedom: PinFreedom,
): readonly (readonly [string, string])[] | undefined {
  if (reference.length !== built.length) return undefined;
  const left = new Set(built);
  const pairs: (readonly [string, string])[] = [];
  const isFree = (pin: string): boolean => !isSupplySocket(board, pin) && freedom.has(pin);
  for (const pin of [...reference].sort((a, b) => Number(isFree(a)) - Number(isFree(b)))) {
    const choice = isFree(pin)
      ? [...left].find((candidate) => freedom.get(pin)!.includes(candidate))
      : left.has(pin)
        ? pin
        : undefined;
    if (choice === undefined) return undefined;
    left.delete(choice);
    pairs.push([pin, choice]);
  }
  return pairs;
}
