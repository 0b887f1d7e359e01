import { isResistor, ohmsText, partKinds, type PartValue } from '../parts';
import type { Ref } from '../brand';
import { Circuit } from '../wiring/circuit';
import { withPart, type PlacedPart, type Wiring } from '../wiring/wiring';
import { circuitGraph, type Chain } from './graph';

/** A circuit in which resistors that act as one are one. */
export interface United {
  readonly circuit: Circuit;
  /** Of each resistor that others are united with: all of them, in the order of the wiring. */
  readonly members: ReadonlyMap<Ref, readonly Ref[]>;
}

/** Resistors that are united at most; what is more was not put together to make one value. */
const MOST = 12;

/**
 * The circuit with resistors in series, or side by side, as the one resistor that they come to; `undefined` where no
 * two act as one. Ohms add up in series, and their reciprocals side by side.
 */
export function united(circuit: Circuit): United | undefined {
  const members = new Map<Ref, readonly Ref[]>();
  let now = circuit;
  for (let round = 0; round < MOST; round += 1) {
    const { chains } = circuitGraph(now);
    const next = inSeries(now, chains) ?? sideBySide(now, chains);
    if (!next) break;
    const [kept, gone] = next.pair;
    members.set(kept, [...(members.get(kept) ?? [kept]), ...(members.get(gone) ?? [gone])]);
    members.delete(gone);
    now = new Circuit(next.wiring, circuit.board);
  }
  if (members.size === 0) return undefined;
  const inOrder = (refs: readonly Ref[]): readonly Ref[] =>
    circuit.parts.flatMap(({ ref }) => (refs.includes(ref) ? [ref] : []));
  return {
    circuit: now,
    members: new Map([...members].map(([kept, refs]) => [kept, inOrder(refs)])),
  };
}

const LEAD = partKinds.find(({ conductor }) => conductor)!;

interface Step {
  readonly wiring: Wiring;
  readonly pair: readonly [kept: Ref, gone: Ref];
}

const resistorsIn = (circuit: Circuit, { parts }: Chain): readonly PlacedPart[] =>
  parts
    .map((ref) => circuit.part(ref)!)
    .filter((part) => isResistor(part) && part.value.amount !== undefined);

function inSeries(circuit: Circuit, chains: readonly Chain[]): Step | undefined {
  for (const chain of chains) {
    const [one, other] = resistorsIn(circuit, chain);
    if (!one || !other) continue;
    const sum = one.value.amount! + other.value.amount!;
    // What was the second one lets the current through.
    const lead: PlacedPart = { ...other, kind: LEAD.kind, value: { text: '' } };
    return {
      wiring: withPart(withPart(circuit.wiring, { ...one, value: valued(sum) }), lead),
      pair: [one.ref, other.ref],
    };
  }
  return undefined;
}

function sideBySide(circuit: Circuit, chains: readonly Chain[]): Step | undefined {
  const alone = chains.flatMap((chain) => {
    const [resistor] = resistorsIn(circuit, chain);
    return resistor && chain.parts.length === 1 && chain.head !== chain.tail ? [{ chain, resistor }] : [];
  });
  for (const [index, { chain, resistor: one }] of alone.entries()) {
    const ends = [chain.head, chain.tail];
    const beside = alone
      .slice(index + 1)
      .find((other) => ends.includes(other.chain.head) && ends.includes(other.chain.tail));
    if (!beside) continue;
    const { resistor: other } = beside;
    const together = 1 / (1 / one.value.amount! + 1 / other.value.amount!);
    const { wiring } = circuit;
    return {
      wiring: withPart(
        { ...wiring, parts: wiring.parts.filter(({ ref }) => ref !== other.ref) },
        { ...one, value: valued(together) },
      ),
      pair: [one.ref, other.ref],
    };
  }
  return undefined;
}

const valued = (amount: number): PartValue => ({ text: ohmsText(Math.round(amount)), amount });
