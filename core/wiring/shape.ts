import { isEitherWay, kindOf } from '../parts';
import type { Circuit } from './circuit';

/** Rounds of looking at the neighbours: more than the longest way through a bench's circuit is around. */
const ROUNDS = 12;

/**
 * A circuit as a text that is the same for wirings of the same circuit, whatever the holes, the names of the parts and
 * the order in which they are listed: parts by kind and value, and what they share with sockets and with each other.
 * Two circuits that differ have different texts, but for rare ones that are alike from every part of them.
 */
export function shapeOf(circuit: Circuit): string {
  const parts = circuit.parts.map((part) => {
    const { kind } = kindOf(part.kind);
    const hasNoEnds = isEitherWay(part);
    const ends = part.legs.map(({ leg }) => ({
      leg: hasNoEnds ? '' : (leg as string),
      node: circuit.nodeOf(part, leg),
    }));
    return { what: `${kind} ${part.value.text.trim().toLowerCase()}`, ends };
  });
  const pins = circuit.nodes.map((node) => [...node.pins].sort().join(' '));
  let nodeRanks = ranked(pins);
  let partRanks = ranked(parts.map(({ what }) => what));
  for (let round = 0; round < ROUNDS; round += 1) {
    const ofParts = parts.map(({ ends }, index) =>
      [partRanks[index]!, ...ends.map(({ leg, node }) => `${leg}>${nodeRanks[node]!}`).sort()].join(' '),
    );
    const around: string[][] = pins.map(() => []);
    parts.forEach(({ ends }, index) => {
      for (const { leg, node } of ends) around[node]!.push(`${leg}<${partRanks[index]!}`);
    });
    const ofNodes = around.map((ends, node) => [nodeRanks[node]!, ...ends.sort()].join(' '));
    [partRanks, nodeRanks] = [ranked(ofParts), ranked(ofNodes)];
  }
  const lines = parts.map(({ what, ends }, index) => {
    const joined = ends.map(({ leg, node }) => `${leg}=${nodeRanks[node]!}[${pins[node]!}]`).sort();
    return `${partRanks[index]!} ${what}: ${joined.join(' ')}`;
  });
  return lines.sort().join('\n');
}

/** The place of each text among the different ones, in their order. */
function ranked(texts: readonly string[]): readonly number[] {
  const places = new Map([...new Set(texts)].sort().map((text, index) => [text, index]));
  return texts.map((text) => places.get(text)!);
}
