import { placesOf, socketsOf } from '../places';
import { stateOf, type PartStates } from '../../electrics/bench';
import type { BenchPoint } from '../../electrics/bench-point';
import { quantity, type Observation } from '../../findings/finding';
import { isContact, isPowerSource, kindOf } from '../../parts';
import { milliamps } from '../../units';
import type { CircuitNode, NodeId } from '../../wiring/netlist';
import { nameOf, type PlacedPart } from '../../wiring/wiring';
import { isSupplySocket } from '../../boards';
import { partText } from '../../wiring/words';
import type { WiringRule, Built } from '../subject';
import { drivenPins } from './driven-pins';
import { capital } from '../../words/words';

const wiresOf = (node: CircuitNode): string[] => [...new Set(node.wireEnds.map((end) => end.ref as string))];

/** Nodes that are one in a state: joined by the contacts of buttons and switches. */
function joinedNodes(built: Built, parts: PartStates): (node: NodeId) => NodeId {
  const parent = built.circuit.nodes.map(({ id }) => id);
  const find = (node: NodeId): NodeId => {
    let root = node;
    while (parent[root] !== root) root = parent[root]!;
    return root;
  };
  for (const part of built.circuit.parts)
    for (const element of kindOf(part.kind).elements(part.value, stateOf(part, parts)))
      if (element.type === 'contact')
        parent[find(built.circuit.nodeOf(part, element.to))] = find(built.circuit.nodeOf(part, element.from));
  return find;
}

/** Supply and ground on one node, or both ends of a battery. */
export const supplyShort: WiringRule = (built) => [
  ...built.circuit.nodes.flatMap((node) => boardShort(built, node)),
  ...built.circuit.parts.flatMap((part) => batteryShort(built, part)),
];

function batteryShort(built: Built, part: PlacedPart): readonly Observation[] {
  if (!isPowerSource(part)) return [];
  const [one, other] = built.circuit.nodesOf(part);
  if (one !== other) return [];
  const currentMa = Math.abs(built.states[0]?.point.parts.get(part.ref)?.currentMa ?? 0);
  const node = built.circuit.node(one!);
  return [
    {
      code: 'supply-short',
      severity: 'fault',
      refs: [part.ref, ...wiresOf(node)],
      at: [...new Set([...placesOf(part), ...node.points.map(nameOf)])],
      message: `Plus and minus of ${partText(part)} are connected directly. Disconnect it before anything else: ${milliamps(currentMa)} flows, and it gets hot.`,
      hints: [
        `Is the battery off? Then trace its plus lead: where does it end?`,
        `Both leads of ${part.ref} are connected together.`,
        `Disconnect ${part.ref} and move one of its leads.`,
      ],
      evidence: { currentMa: quantity(currentMa, 'mA') },
    },
  ];
}

function boardShort({ board }: Built, node: CircuitNode): readonly Observation[] {
  const supplies = board.supplies.filter((supply) => node.pins.includes(supply.name));
  const ground = supplies.find((supply) => supply.role === 'ground');
  const fed = supplies.find((supply) => supply.role === 'supply');
  if (!ground || !fed) return [];
  const wires = wiresOf(node);
  const currentMa = ((fed.volts ?? 0) / (fed.sourceOhms || 0.1)) * 1e3;
  return [
    {
      code: 'supply-short',
      severity: 'fault',
      refs: wires,
      at: node.points.map(nameOf),
      message: `Supply ${fed.name} and ground ${ground.name} are connected directly${wires.length > 0 ? ` by ${wires.join(' and ')}` : ''}. Unplug the board before anything else: the current would be as large as the supply can give.`,
      hints: [
        `Is the board unplugged? Then trace the wire from ${fed.name}: where does it end?`,
        `${fed.name} and ${ground.name} meet at ${node.points.slice(0, 3).map(nameOf).join(', ')}.`,
        `Unplug the board and remove the wire that connects ${fed.name} to ${ground.name}.`,
      ],
      evidence: { currentMa: quantity(currentMa, 'mA') },
    },
  ];
}

/** Whether a part joins two of its legs in a state. */
const closesContacts = (part: PlacedPart, parts: PartStates): boolean =>
  isContact(part) ||
  kindOf(part.kind)
    .elements(part.value, stateOf(part, parts))
    .some(({ type }) => type === 'contact');

/** A supply and a ground that must not meet, with what is said when they do. */
interface FeedPair {
  readonly node: NodeId;
  readonly ground: NodeId;
  readonly name: string;
  readonly groundName: string;
  readonly currentMa: (point: BenchPoint) => number;
  readonly whatThen: string;
  readonly remedy: (contact: string) => string;
}

function socketPairs({ circuit, board }: Built): readonly FeedPair[] {
  const ends = circuit.nodes.flatMap((node) =>
    node.pins.flatMap((pin) => {
      const socket = board.supplies.find(({ name }) => name === pin);
      return socket ? [{ node: node.id, socket }] : [];
    }),
  );
  const grounds = ends.filter(({ socket }) => socket.role === 'ground');
  return ends
    .filter(({ socket }) => socket.role !== 'ground')
    .flatMap(({ node, socket: { name } }) =>
      grounds.map((ground) => ({
        node,
        ground: ground.node,
        name,
        groundName: 'ground',
        currentMa: ({ supplies }) => supplies.get(name) ?? 0,
        whatThen: 'the board shuts down. Unplug the board first.',
        remedy: (contact) =>
          `Unplug the board. Take one side of ${contact} to its pin, and only the other to ${name} or ground.`,
      })),
    );
}

const polePairs = ({ circuit }: Built): readonly FeedPair[] =>
  circuit
    .partsWhere(({ poles }) => poles !== undefined)
    .map((source) => {
      const { plus, minus } = kindOf(source.kind).poles!;
      return {
        node: circuit.nodeOf(source, plus),
        ground: circuit.nodeOf(source, minus),
        name: `the plus of ${source.ref}`,
        groundName: 'its minus',
        currentMa: ({ parts }) => parts.get(source.ref)?.currentMa ?? 0,
        whatThen: 'it gets hot. Disconnect it first.',
        remedy: (contact) =>
          `Disconnect ${source.ref}. Put ${contact} into the path of what it switches, not beside it.`,
      };
    });

/** Buttons and switches that join supply and ground in some position. */
export const shortWhenPressed: WiringRule = (built) => {
  const { circuit } = built;
  const all = [...socketPairs(built), ...polePairs(built)];
  const reported = new Set<string>();
  return built.states.flatMap(({ parts, point }): readonly Observation[] => {
    const find = joinedNodes(built, parts);
    const pair = all.find(({ node, ground }) => node !== ground && find(node) === find(ground));
    if (!pair) return [];
    const contacts = circuit.parts
      .filter((part) => closesContacts(part, parts))
      .filter((part) => circuit.nodesOf(part).some((node) => find(node) === find(pair.node)))
      .filter((part) => parts.has(part.ref) || kindOf(part.kind).contact !== 'momentary');
    const [contact] = contacts;
    if (!contact || reported.has(contact.ref)) return [];
    reported.add(contact.ref);
    const currentMa = Math.abs(pair.currentMa(point));
    const deed =
      kindOf(contact.kind).contact === 'momentary'
        ? `Pressing ${partText(contact)}`
        : `${capital(partText(contact))}, in one position,`;
    return [
      {
        code: 'short-when-pressed',
        severity: 'fault',
        refs: [contact.ref],
        at: placesOf(contact),
        message: `${deed} connects ${pair.name} straight to ${pair.groundName}: ${milliamps(currentMa)} flows, and ${pair.whatThen}`,
        hints: [
          `Follow the current from ${pair.name} while ${contact.ref} is closed. What holds it back?`,
          `One side of ${contact.ref} goes to ${pair.name}, the other to ${pair.groundName}, with no part in between.`,
          pair.remedy(contact.ref),
        ],
        evidence: { currentMa: quantity(currentMa, 'mA') },
      },
    ];
  });
};

/** A driven signal pin that is tied to a supply, to ground, or to another driven pin. */
export const pinShort: WiringRule = (built) => {
  const { circuit, board } = built;
  const driven = drivenPins(built);
  const found: Observation[] = [];
  for (const node of circuit.nodes) {
    const signals = node.pins.filter((pin) => driven.has(pin));
    const [pin] = signals;
    if (pin === undefined) continue;
    if (node.pins.length < 2) {
      found.push(...pressedShort(built, node, pin));
      continue;
    }
    const other = node.pins.find((name) => name !== pin)!;
    const currentMa = largestCurrent(built, signals);
    if (currentMa <= board.drive.absoluteMa) continue;
    const wires = wiresOf(node);
    found.push({
      code: 'pin-short',
      severity: 'fault',
      refs: wires,
      at: node.points.filter(({ type }) => type === 'pin').map(nameOf),
      message: `Pin ${pin} is connected to ${isSupplySocket(board, other) ? other : `pin ${other}`} with no part in between. When the pin is switched, ${milliamps(currentMa)} flows; the pin can take ${board.drive.absoluteMa} mA.`,
      hints: [
        `Trace the path from pin ${pin} with a finger. Which part does the current pass before it is back at the board?`,
        `Pin ${pin} and ${other} are connected together${wires.length > 0 ? ` by ${wires.join(' and ')}` : ''}.`,
        `Unplug the board, then move the wire so that pin ${pin} only reaches the part it drives.`,
      ],
      evidence: { currentMa: quantity(currentMa, 'mA'), limitMa: quantity(board.drive.absoluteMa, 'mA') },
    });
  }
  return found;
};

/** A driven pin that a pressed button joins to a supply or to another pin's driver. */
function pressedShort(built: Built, node: CircuitNode, pin: string): readonly Observation[] {
  const { board, circuit } = built;
  for (const { drives, parts, point } of built.states) {
    const mode = drives.get(pin)?.mode;
    if (mode !== 'high' && mode !== 'low') continue;
    const find = joinedNodes(built, parts);
    const currentMa = Math.abs(point.pins.get(pin)?.currentMa ?? 0);
    const other = circuit.nodes.find(
      (candidate) =>
        candidate.id !== node.id && candidate.pins.length > 0 && find(candidate.id) === find(node.id),
    );
    if (!other || currentMa <= board.drive.absoluteMa) continue;
    const contact = circuit.partsAt(node.id).find((part) => isContact(part));
    if (!contact) continue;
    return [
      {
        code: 'pin-short',
        severity: 'fault',
        refs: [contact.ref],
        at: socketsOf(built.circuit, pin),
        message: `Pin ${pin} is an output, and ${partText(contact)} connects it straight to ${other.pins[0]}. When both happen at once, ${milliamps(currentMa)} flows; the pin can take ${board.drive.absoluteMa} mA.`,
        hints: [
          `What does pin ${pin} do in the program, and what is it connected to while ${contact.ref} is closed?`,
          `${contact.ref} leads from pin ${pin} to ${other.pins[0]}, with no part between.`,
          `Make pin ${pin} an input, or move the button to a pin that is one.`,
        ],
        evidence: { currentMa: quantity(currentMa, 'mA'), limitMa: quantity(board.drive.absoluteMa, 'mA') },
      },
    ];
  }
  return [];
}

const largestCurrent = ({ states }: Built, pins: readonly string[]): number =>
  Math.max(
    0,
    ...states.flatMap(({ point }) => pins.map((pin) => Math.abs(point.pins.get(pin)?.currentMa ?? 0))),
  );
