import { placesOf } from '../places';
import { legName, type LegName } from '../../brand';
import type { Rail } from '../../breadboards';
import { DARK_BELOW_MA } from '../../electrics/brightness';
import { quantity, type Observation } from '../../findings/finding';
import { isPowerSource, isSingleLight, kindOf, roleOfLeg } from '../../parts';
import { milliamps, volts } from '../../units';
import { inPlace, legText, partText, stripText, terminalText } from '../../wiring/words';
import { legPoint, nameOf, type PlacedPart, type Point } from '../../wiring/wiring';
import type { WiringRule, Built } from '../subject';
import { drivenPins } from './driven-pins';
import { capital } from '../../words/words';

/** Legs whose node reaches no other part and no pin, and wire ends on strips that hold nothing else. */
export const legOpen: WiringRule = (built) => {
  /** Whether a wire's end shares its strip with nothing; sockets and legs always lead somewhere. */
  const endIsAlone = (at: Point | null): boolean =>
    !at || (at.type !== 'pin' && at.type !== 'leg' && built.circuit.partsInStrip(at).length < 2);
  return built.circuit.wiring.parts.flatMap((part) =>
    part.legs.flatMap(({ leg, at }): readonly Observation[] => {
      const open = kindOf(part.kind).conductor ? endIsAlone(at) : legIsAlone(built, part, leg);
      if (!open) return [];
      const where = at ? stripText(at, built.circuit.wiring) : 'the air';
      const message = at
        ? `${capital(legText(part, leg))} is ${inPlace(at, built.circuit.wiring)}. Nothing else is in ${where}, so no current flows there.`
        : `${capital(legText(part, leg))} is not plugged in, so no current flows there.`;
      return [
        {
          code: 'leg-open',
          severity: 'fault',
          refs: [part.ref],
          at: [at ? nameOf(at) : legPoint(part.ref, leg)],
          message,
          hints: [
            `Follow ${partText(part)} with a finger to both ends. What does each end touch?`,
            `${capital(legText(part, leg))} is alone in ${where}.`,
            `Move ${legText(part, leg)} to the row of what it should connect to.`,
          ],
          evidence: { currentMa: quantity(0, 'mA') },
        },
      ];
    }),
  );
};

function legIsAlone({ circuit }: Built, part: PlacedPart, leg: LegName): boolean {
  // Of a part with many legs some may stay free; which, only the exercise knows.
  const role = roleOfLeg(part, leg);
  if (part.legs.length > 2 && role !== 'supply' && role !== 'ground') return false;
  return circuit.isAlone(part, leg);
}

/** A signal pin whose path never reaches ground, the supply, or another pin. */
export const noReturn: WiringRule = (built) => {
  const { circuit } = built;
  const { wiring } = circuit;
  const driven = drivenPins(built);
  const found: Observation[] = [];
  for (const node of circuit.nodes) {
    const pin = node.pins.find((name) => driven.has(name));
    if (pin === undefined || node.terminals.length === 0) continue;
    const reached = [...circuit.reach(node.id)].map((id) => circuit.node(id));
    if (reached.some((other) => other.pins.some((name) => name !== pin))) continue;
    // With a battery in it, what is missing is the joint of the grounds.
    if (reached.some(({ id }) => circuit.pole(id) !== undefined)) continue;
    const last = reached.at(-1)!;
    const end = last.terminals.at(-1) ?? node.terminals[0]!;
    found.push({
      code: 'no-return',
      severity: 'fault',
      refs: [...new Set(reached.flatMap((other) => other.terminals.map((terminal) => terminal.ref)))],
      at: [legPoint(end.ref, end.leg)],
      message: `The path from pin ${pin} ends at ${terminalText(wiring, end)} and never gets back to ground, so no current flows.`,
      hints: [
        `Trace the path from pin ${pin} with a finger. Does it get back to the board?`,
        `The path from pin ${pin} stops at ${terminalText(wiring, end)}.`,
        `See in the list of connections what ${terminalText(wiring, end)} goes to: the path has to lead back to GND.`,
      ],
      evidence: { currentMa: quantity(0, 'mA') },
    });
  }
  return found;
};

/** Rails that parts use and nothing feeds. */
export const railUnpowered: WiringRule = (built) => {
  const { circuit } = built;
  const found = new Map<string, Observation>();
  for (const part of circuit.wiring.parts)
    for (const { leg, at } of part.legs) {
      if (at?.type !== 'rail') continue;
      const node = circuit.nodeAt(at)!;
      const strip = circuit.stripAt(at)!;
      const isFed = node.pins.length > 0 || circuit.pole(node.id) !== undefined;
      if (isFed || found.has(strip) || node.terminals.length === 0) continue;
      const fed = fedRails(built, at.rail);
      const remedy =
        fed.length > 0
          ? `Use the ${fed[0]} instead; it is connected to the board.`
          : 'Compare with the list of connections: either that rail needs a wire to the board, or this end belongs in another one.';
      found.set(strip, {
        code: 'rail-unpowered',
        severity: 'fault',
        refs: [part.ref],
        at: [nameOf(at)],
        message: `${capital(legText(part, leg))} is ${inPlace(at, circuit.wiring)}. No wire connects that rail to the board${fed.length > 0 ? `; the ${fed[0]} is the one that is connected` : ''}.`,
        hints: [
          `Which rails have a wire to the board? Is the one you used among them?`,
          `${capital(stripText(at, circuit.wiring))} is not connected to the board.`,
          remedy,
        ],
        evidence: { currentMa: quantity(0, 'mA') },
      });
    }
  return [...found.values()];
};

/** A chip without a regulator whose supply pin no battery or bench supply reaches, in whatever state. */
export const boardUnpowered: WiringRule = ({ circuit, states }) => {
  const { board } = circuit.wiring;
  const input = board?.profile.supplies.find((socket) => socket.role === 'input' && socket.feedsLogic);
  if (!board || input?.role !== 'input') return [];
  const node = circuit.nodeOfPin(input.name);
  const [least] = input.volts.absolute;
  const most = node ? Math.max(0, ...states.map(({ point }) => point.volts[node.id] ?? 0)) : 0;
  if (most >= least) return [];
  const { short } = board.profile;
  const isFed = most > 0.1;
  const found = isFed
    ? `only ${volts(most)} reaches its ${input.name} pin`
    : `nothing feeds its ${input.name} pin`;
  return [
    {
      code: 'rail-unpowered',
      severity: 'fault',
      refs: [board.ref],
      at: [legPoint(board.ref, legName(input.name))],
      message: `The ${short} has no power: ${found}, so its program doesn’t run. It needs ${volts(least)} at least.`,
      hints: [
        `Where does the ${short} get its power from?`,
        `${capital(found.replace(/\bits\b/, `the ${short}’s`))}.`,
        `Connect plus of the battery to ${input.name} and minus to the ground of the ${short}.`,
      ],
      evidence: { volts: quantity(most, 'V') },
    },
  ];
};

/** Rails of the same sign that the board feeds with what the sign says. */
function fedRails({ circuit }: Built, rail: Rail): readonly string[] {
  const wanted = rail.endsWith('+') ? 'supply' : 'ground';
  const fed = new Set<string>();
  for (const part of circuit.wiring.parts)
    for (const { at } of part.legs)
      if (
        at?.type === 'rail' &&
        at.rail.at(-1) === rail.at(-1) &&
        circuit.side(circuit.nodeAt(at)!.id) === wanted
      )
        fed.add(stripText(at, circuit.wiring).replace(/^the /, ''));
  return [...fed];
}

/** Parts whose legs are both on one node, so that current goes round them. */
export const partBypassed: WiringRule = ({ circuit, states }) =>
  circuit.parts.flatMap((part): readonly Observation[] => {
    const nodes = circuit.nodesOf(part);
    const [first] = part.legs;
    if (part.legs.length < 2 || nodes.some((node) => node !== nodes[0]) || !first?.at) return [];
    // A battery whose poles meet is shorted, and told as that.
    if (isPowerSource(part)) return [];
    const others = circuit.parts.filter((other) => other.ref !== part.ref && isSingleLight(other));
    const currentMa = Math.max(
      0,
      ...states.flatMap(({ point }) => others.map((other) => point.parts.get(other.ref)?.currentMa ?? 0)),
    );
    const strips = new Set(part.legs.map(({ at }) => (at ? circuit.stripAt(at) : undefined)));
    const where = strips.size === 1 ? stripText(first.at, circuit.wiring) : 'rows that are connected';
    const effect = currentMa > DARK_BELOW_MA ? ` The LED then carries ${milliamps(currentMa)}.` : '';
    return [
      {
        code: 'part-bypassed',
        severity: 'fault',
        refs: [part.ref],
        at: placesOf(part),
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
