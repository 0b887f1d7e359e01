import type { LegName, Ref } from '../../brand';
import { DARK_BELOW_MA } from '../../electrics/brightness';
import { quantity, type Observation } from '../../finding';
import { isPowerSource, kindOf } from '../../parts';
import { milliamps } from '../../units';
import { circuitParts, nodeOfLeg, type NodeId } from '../../wiring/netlist';
import { capital, legText, partText, placeText, stripText, terminalText } from '../words';
import { legPoint, nameOf, type PlacedPart, type Point, type Wiring } from '../../wiring/wiring';
import { drivenPins, type Rule, type RuleContext } from './context';

/** Legs whose node reaches no other part and no pin, and wire ends on strips that hold nothing else. */
export const legOpen: Rule = (context) => {
  const inStrips = partsInStrips(context);
  /** Whether a wire's end shares its strip with nothing; sockets and legs always lead somewhere. */
  const endIsAlone = (at: Point | null): boolean =>
    !at ||
    (at.type !== 'pin' &&
      at.type !== 'leg' &&
      inStrips.get(context.netlist.stripAt.get(nameOf(at))!)!.size < 2);
  return context.wiring.parts.flatMap((part) =>
    part.legs.flatMap(({ leg, at }): readonly Observation[] => {
      const open = kindOf(part.kind).conductor ? endIsAlone(at) : legIsAlone(context, part, leg);
      if (!open) return [];
      const where = at ? stripText(at) : 'the air';
      const message = at
        ? `${capital(legText(part, leg))} is in ${placeText(at)}. Nothing else is in ${where}, so no current passes there.`
        : `${capital(legText(part, leg))} hangs free, so no current passes there.`;
      return [
        {
          code: 'leg-open',
          severity: 'fault',
          refs: [part.ref],
          at: [at ? nameOf(at) : legPoint(part.ref, leg)],
          message,
          hints: [
            `Follow ${partText(part)} with a finger to both ends. What does each end touch?`,
            `${capital(legText(part, leg))} shares ${where} with nothing.`,
            `Move ${legText(part, leg)} to the row of what it should meet.`,
          ],
          evidence: { currentMa: quantity(0, 'mA') },
        },
      ];
    }),
  );
};

function legIsAlone({ netlist }: RuleContext, part: PlacedPart, leg: LegName): boolean {
  // Of a part with many legs some may stay free; which, only the exercise knows.
  const { supplyLegs } = kindOf(part.kind);
  if (part.legs.length > 2 && leg !== supplyLegs?.plus && leg !== supplyLegs?.minus) return false;
  const node = netlist.nodes[nodeOfLeg(netlist, part.ref, leg)]!;
  return node.pins.length === 0 && node.terminals.length === 1;
}

/** Parts with a leg in each strip. */
function partsInStrips({ wiring, netlist }: RuleContext): ReadonlyMap<string, ReadonlySet<Ref>> {
  const parts = new Map<string, Set<Ref>>();
  for (const part of wiring.parts)
    for (const { at } of part.legs) {
      const strip = at && netlist.stripAt.get(nameOf(at));
      if (!strip) continue;
      const here = parts.get(strip);
      if (here) here.add(part.ref);
      else parts.set(strip, new Set([part.ref]));
    }
  return parts;
}

const isSource = (wiring: Wiring, ref: Ref): boolean =>
  wiring.parts.some((part) => part.ref === ref && isPowerSource(part));

/** Nodes that can be reached from a node through parts. */
function reach(context: RuleContext, from: NodeId): ReadonlySet<NodeId> {
  const seen = new Set([from]);
  const open = [from];
  const links = circuitParts(context.wiring).map((part) =>
    part.legs.map(({ leg }) => nodeOfLeg(context.netlist, part.ref, leg)),
  );
  for (let node = open.pop(); node !== undefined; node = open.pop())
    for (const ends of links)
      if (ends.includes(node))
        for (const end of ends)
          if (!seen.has(end)) {
            seen.add(end);
            open.push(end);
          }
  return seen;
}

/** A signal pin whose path never reaches ground, the supply, or another pin. */
export const noReturn: Rule = (context) => {
  const { netlist, wiring } = context;
  const driven = drivenPins(context);
  const found: Observation[] = [];
  for (const node of netlist.nodes) {
    const pin = node.pins.find((name) => driven.has(name));
    if (pin === undefined || node.terminals.length === 0) continue;
    const reached = [...reach(context, node.id)].map((id) => netlist.nodes[id]!);
    if (reached.some((other) => other.pins.some((name) => name !== pin))) continue;
    // With a battery in it, what is missing is the joint of the grounds.
    if (reached.some((other) => other.terminals.some(({ ref }) => isSource(wiring, ref)))) continue;
    const last = reached.at(-1)!;
    const end = last.terminals.at(-1) ?? node.terminals[0]!;
    found.push({
      code: 'no-return',
      severity: 'fault',
      refs: [...new Set(reached.flatMap((other) => other.terminals.map((terminal) => terminal.ref)))],
      at: [legPoint(end.ref, end.leg)],
      message: `The path from pin ${pin} ends at ${terminalText(wiring, end)} and never comes back to ground, so no current flows.`,
      hints: [
        `Trace the path from pin ${pin} with a finger. Does it come back to the board?`,
        `The path from pin ${pin} stops at ${terminalText(wiring, end)}.`,
        `Join ${terminalText(wiring, end)} to GND, directly or by the minus rail.`,
      ],
      evidence: { currentMa: quantity(0, 'mA') },
    });
  }
  return found;
};

/** Rails that parts use and nothing feeds. */
export const railUnpowered: Rule = (context) => {
  const { wiring, netlist } = context;
  const found = new Map<string, Observation>();
  for (const part of wiring.parts)
    for (const { leg, at } of part.legs) {
      if (at?.type !== 'rail') continue;
      const node = netlist.nodes[netlist.nodeAt.get(nameOf(at))!]!;
      const strip = netlist.stripAt.get(nameOf(at))!;
      const isFed = node.pins.length > 0 || node.terminals.some(({ ref }) => isSource(wiring, ref));
      if (isFed || found.has(strip) || node.terminals.length === 0) continue;
      const fed = fedRails(context);
      const remedy =
        fed.length > 0
          ? `Use the ${fed[0]} instead; it is joined to the board.`
          : 'Add a wire from GND to that rail.';
      found.set(strip, {
        code: 'rail-unpowered',
        severity: 'fault',
        refs: [part.ref],
        at: [nameOf(at)],
        message: `${capital(legText(part, leg))} is in ${placeText(at)}. No wire joins that rail to the board${fed.length > 0 ? `; the ${fed[0]} is the one that is joined` : ''}.`,
        hints: [
          `Which rails have a wire to the board? Is the one you used among them?`,
          `${capital(stripText(at))} is joined to nothing on the board.`,
          remedy,
        ],
        evidence: { currentMa: quantity(0, 'mA') },
      });
    }
  return [...found.values()];
};

function fedRails({ wiring, netlist }: RuleContext): readonly string[] {
  const fed = new Set<string>();
  for (const part of wiring.parts)
    for (const { at } of part.legs)
      if (at?.type === 'rail' && netlist.nodes[netlist.nodeAt.get(nameOf(at))!]!.pins.length > 0)
        fed.add(stripText(at).replace(/^the /, ''));
  return [...fed];
}

/** Parts whose legs are both on one node, so that current goes round them. */
export const partBypassed: Rule = ({ wiring, netlist, states }) =>
  circuitParts(wiring).flatMap((part): readonly Observation[] => {
    const nodes = part.legs.map(({ leg }) => nodeOfLeg(netlist, part.ref, leg));
    const [first] = part.legs;
    if (part.legs.length < 2 || nodes.some((node) => node !== nodes[0]) || !first?.at) return [];
    const others = circuitParts(wiring).filter((other) => other.ref !== part.ref && other.kind === 'led');
    const currentMa = Math.max(
      0,
      ...states.flatMap(({ point }) => others.map((other) => point.parts.get(other.ref)?.currentMa ?? 0)),
    );
    const strips = new Set(part.legs.map(({ at }) => (at ? netlist.stripAt.get(nameOf(at)) : undefined)));
    const where = strips.size === 1 ? stripText(first.at) : 'joined places';
    const effect = currentMa > DARK_BELOW_MA ? ` The lamp then takes ${milliamps(currentMa)}.` : '';
    return [
      {
        code: 'part-bypassed',
        severity: 'fault',
        refs: [part.ref],
        at: part.legs.flatMap(({ at }) => (at ? [nameOf(at)] : [])),
        message: `Both legs of ${partText(part)} are in ${where}, so the current goes round it.${effect}`,
        hints: [
          `Which holes of the breadboard belong together, and where are the legs of ${partText(part)}?`,
          `Both legs of ${partText(part)} are in ${where}.`,
          `Move one leg of ${partText(part)} to another row.`,
        ],
        evidence: { currentMa: quantity(currentMa, 'mA') },
      },
    ];
  });
