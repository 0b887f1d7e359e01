import { placesOf, socketsOf } from './places';
import type { LegName } from '../brand';
import { quantity, type Observation } from '../findings/finding';
import { isContact, isResistor, kindOf, roleOfLeg } from '../parts';
import type { Circuit } from '../wiring/circuit';
import type { NodeId } from '../wiring/netlist';
import { legPoint, nameOf, type PlacedPart } from '../wiring/wiring';
import type { Asked, ComparingRule } from './subject';
import { legText, partText } from '../wiring/words';
import { capital } from '../words/words';

/**
 * What a part's leg is joined to, as far as it can be named: a board socket, ground, a supply, or
 * nothing. Batteries count by their poles.
 */
const anchorOf = (circuit: Circuit, node: NodeId): string | undefined =>
  circuit.side(node) ?? circuit.signalsAt(node)[0] ?? circuit.pole(node);

/** Findings about single legs of parts with several, by comparing with the reference. */
export const comparedLegs: ComparingRule = (_, asked) =>
  asked.circuit.parts.flatMap((wanted): readonly Observation[] => {
    const { circuit } = asked.compared;
    const part = asked.pairs.get(wanted.ref);
    if (!part || part.kind !== wanted.kind) return [];
    const [before, now] = [anchorsOf(asked.circuit, wanted), anchorsOf(circuit, part)];
    return [
      ...openLegs(asked.circuit, circuit, wanted, part),
      ...reversedDivider(part, before, now),
      ...swappedLines(asked, part, before, now),
    ];
  });

type Anchors = ReadonlyMap<LegName, string | undefined>;

const anchorsOf = (circuit: Circuit, part: PlacedPart): Anchors =>
  new Map(part.legs.map(({ leg }) => [leg, anchorOf(circuit, circuit.nodeOf(part, leg))]));

/** Legs of parts with many that lead on in the reference and to nothing here. */
function openLegs(
  asked: Circuit,
  built: Circuit,
  wanted: PlacedPart,
  part: PlacedPart,
): readonly Observation[] {
  if (part.legs.length <= 2 || isContact(part)) return [];
  return part.legs.flatMap(({ leg, at }): readonly Observation[] => {
    const role = roleOfLeg(part, leg);
    if (role === 'supply' || role === 'ground') return [];
    if (asked.isAlone(wanted, leg) || !built.isAlone(part, leg)) return [];
    return [
      {
        code: 'leg-open',
        severity: 'fault',
        refs: [part.ref],
        at: [at ? nameOf(at) : legPoint(part.ref, leg)],
        message: `${capital(legText(part, leg))} is not connected to anything, but the exercise uses it.`,
        hints: [
          `Follow each leg of ${partText(part)}. Where does it lead?`,
          `${capital(legText(part, leg))} is not connected to anything.`,
          `Connect ${legText(part, leg)} as the list of connections says.`,
        ],
        evidence: { currentMa: quantity(0, 'mA') },
      },
    ];
  });
}

/** Potentiometers whose outer legs are interchanged, and sensors on the other side of their divider. */
function reversedDivider(part: PlacedPart, asked: Anchors, found: Anchors): readonly Observation[] {
  const { resistance, supplyLegs } = kindOf(part.kind);
  const sides = ['ground', 'supply'];
  let isReversed = false;
  const wiper = part.legs.find(({ leg }) => roleOfLeg(part, leg) === 'measured');
  if (wiper && !supplyLegs) {
    const [one, two] = part.legs.filter((leg) => leg !== wiper).map(({ leg }) => leg);
    isReversed =
      asked.get(one!) !== asked.get(two!) &&
      asked.get(one!) === found.get(two!) &&
      asked.get(two!) === found.get(one!) &&
      sides.includes(asked.get(one!) ?? '');
  } else if (resistance === 'sensed') {
    const sideOf = (anchors: Anchors): string | undefined =>
      [...anchors.values()].find((anchor) => anchor !== undefined && sides.includes(anchor));
    const [before, now] = [sideOf(asked), sideOf(found)];
    isReversed = before !== undefined && now !== undefined && before !== now;
  }
  if (!isReversed) return [];
  return [
    {
      code: 'divider-reversed',
      severity: 'fault',
      refs: [part.ref],
      at: placesOf(part),
      message: `${capital(partText(part))} has supply and ground swapped: when the reading should go up, it goes down.`,
      hints: [
        `Turn or shade ${part.ref} and watch the number. Does it change the way you expect?`,
        `The ends of ${part.ref} go to supply and ground the opposite way from the exercise.`,
        `Swap the two outer connections of ${part.ref}.`,
      ],
    },
  ];
}

/** Modules whose lines are all there and in another order. */
function swappedLines(
  { exercise, match }: Asked,
  part: PlacedPart,
  asked: Anchors,
  found: Anchors,
): readonly Observation[] {
  const kind = kindOf(part.kind);
  if (!kind.hasNamedLegs) return [];
  const isFree = (anchor: string): boolean =>
    exercise.pinFreedom.has(anchor) || exercise.pinFreedom.has(match.pins.get(anchor) ?? '');
  const moved = [...asked].filter(
    ([leg, anchor]) => anchor !== undefined && !isFree(anchor) && found.get(leg) !== anchor,
  );
  if (moved.length < 2) return [];
  // The same sockets in another order: each of them is on a leg that wants another.
  const wanted = moved.map(([, anchor]) => anchor).sort();
  const has = moved.map(([leg]) => found.get(leg)).sort();
  if (wanted.some((anchor, index) => anchor !== has[index])) return [];
  const names = moved.map(([leg]) => kind.legs.find(({ name }) => name === leg)!.title);
  return [
    {
      code: 'module-lines-swapped',
      severity: 'fault',
      refs: [part.ref],
      at: moved.flatMap(([leg]) =>
        part.legs.flatMap((placed) => (placed.leg === leg && placed.at ? [nameOf(placed.at)] : [])),
      ),
      message: `The wires of ${partText(part)} are swapped: ${moved.map(([leg, anchor], index) => `its ${names[index]} goes to ${nameOfAnchor(found.get(leg))} instead of ${nameOfAnchor(anchor)}`).join(', ')}.`,
      hints: [
        `Read the print beside each pin of ${part.ref}. Does each wire go where the list says?`,
        `${moved.length} wires of ${part.ref} are in each other’s place.`,
        `Swap the wires of its ${names.join(' and its ')}.`,
      ],
    },
  ];
}

const nameOfAnchor = (anchor: string | undefined): string =>
  anchor === undefined
    ? 'nothing'
    : anchor === 'ground' || anchor === 'supply'
      ? `the ${anchor}`
      : `pin ${anchor}`;

/** Loads that the exercise gives a pin each and that share one here. */
export const sharedPins: ComparingRule = ({ circuit }, asked) => {
  const { pairs } = asked;
  const loads = asked.circuit.parts.filter(
    (part) => kindOf(part.kind).observed !== undefined && part.legs.length === 2,
  );
  const found: Observation[] = [];
  loads.forEach((one, index) => {
    for (const other of loads.slice(index + 1)) {
      const [first, second] = [pairs.get(one.ref), pairs.get(other.ref)];
      if (!first || !second) continue;
      const [wanted, alsoWanted] = [one, other].map((load) => feedingPins(asked.circuit, load)) as [
        readonly string[],
        readonly string[],
      ];
      const alsoHas = feedingPins(circuit, second);
      const shared = feedingPins(circuit, first).find((pin) => alsoHas.includes(pin));
      if (
        wanted.some((pin) => alsoWanted.includes(pin)) ||
        wanted.length === 0 ||
        alsoWanted.length === 0 ||
        shared === undefined
      )
        continue;
      found.push({
        code: 'shared-pin',
        severity: 'fault',
        refs: [first.ref, second.ref],
        at: socketsOf(circuit, shared),
        message: `${capital(partText(first))} and ${partText(second)} are both on pin ${shared}, so they can only go on together, never one at a time.`,
        hints: [
          `Which pin switches ${first.ref}, and which one switches ${second.ref}?`,
          `Both are connected to pin ${shared}.`,
          `Move one of them to a pin of its own.`,
        ],
      });
    }
  });
  return found;
};

/** Signal pins that a load is joined to, straight or through resistors. */
const feedingPins = (circuit: Circuit, load: PlacedPart): readonly string[] =>
  circuit
    .nodesOf(load)
    .flatMap((node) => [
      ...circuit.reach(node, {
        through: isResistor,
        notBeyond: (next) => circuit.node(next).pins.length > 0,
      }),
    ])
    // A pin that is tied to a supply switches nothing.
    .filter((node) => circuit.side(node) === undefined)
    .flatMap((node) => circuit.node(node).pins);

/** Resistors that hold an input in the exercise and are not there, or hold nothing. */
export const missingPulls: ComparingRule = (_, { circuit: wanted, compared: built, match, pins }) =>
  pins.flatMap((pin): readonly Observation[] => {
    const asked = pullOf(wanted, pin);
    if (asked === undefined) return [];
    const here = match.pins.get(pin) ?? pin;
    const node = built.circuit.nodeOfPin(here);
    if (!node || node.terminals.length === 0 || pullOf(built.circuit, here) !== undefined) return [];
    return [
      {
        code: 'pull-missing',
        severity: 'fault',
        refs: [asked.ref],
        at: socketsOf(built.circuit, here),
        message: `Pin ${here} has no pull resistor. In the exercise ${asked.ref} pulls it to ${asked.to === 'ground' ? 'ground' : 'the supply'} while the button is open.`,
        hints: [
          `What keeps pin ${here} steady while nobody presses the button?`,
          `There is no resistor between pin ${here} and ${asked.to === 'ground' ? 'ground' : 'the supply'}.`,
          `Put a resistor of ${asked.text} Ω between pin ${here} and ${asked.to === 'ground' ? 'ground' : 'the supply'}.`,
        ],
      },
    ];
  });

/** The resistor that holds a pin behind a button, and where to. */
function pullOf(
  circuit: Circuit,
  pin: string,
): { readonly ref: string; readonly text: string; readonly to: 'ground' | 'supply' } | undefined {
  const node = circuit.nodeOfPin(pin);
  if (!node || !circuit.partsAt(node.id).some(isContact)) return undefined;
  for (const part of circuit.partsAt(node.id).filter(isResistor)) {
    const far = circuit.acrossFrom(part, node.id);
    const to = far === undefined ? undefined : circuit.side(far);
    if (to) return { ref: part.ref, text: part.value.text, to };
  }
  return undefined;
}
