import type { LegName } from '../brand';
import { quantity, type Observation } from '../finding';
import type { Exercise } from '../formats/exercise';
import { isContact, isPowerSource, kindOf } from '../parts';
import { circuitParts, netlistOf, nodeOfLeg, type Netlist, type NodeId } from '../wiring/netlist';
import { legPoint, nameOf, type PlacedPart, type Wiring } from '../wiring/wiring';
import { correspondence, referencePins, type Comparison } from './compare';
import { isSupplyPin } from './graph';
import { capital, legText, partText } from './words';

type Compared = Pick<Comparison, 'exercise' | 'wiring' | 'match'>;

/** A circuit with what its nodes lead to. */
interface Side {
  readonly wiring: Wiring;
  readonly netlist: Netlist;
}

/**
 * What a part's leg is joined to, as far as it can be named: a board socket, ground, a supply, or
 * nothing. Batteries count by their poles.
 */
function anchorOf({ wiring, netlist }: Side, exercise: Exercise, node: NodeId): string | undefined {
  const { pins, terminals } = netlist.nodes[node]!;
  const socket = pins
    .map((pin) => exercise.board.supplies.find((supply) => supply.name === pin))
    .find(Boolean);
  if (socket) return socket.role === 'ground' ? 'ground' : 'supply';
  const signal = pins.find((pin) => !isSupplyPin(exercise.board, pin));
  if (signal !== undefined) return signal;
  const pole = terminals.find(({ ref }) =>
    wiring.parts.some((part) => part.ref === ref && isPowerSource(part)),
  );
  if (pole) return (pole.leg as string) === 'minus' ? 'ground' : 'supply';
  return undefined;
}

/** Findings about single legs of parts with several, by comparing with the reference. */
export function comparedLegs(comparison: Compared): readonly Observation[] {
  const { exercise, wiring } = comparison;
  const reference: Side = { wiring: exercise.reference, netlist: netlistOf(exercise.reference) };
  const built: Side = { wiring, netlist: netlistOf(wiring) };
  const pairs = correspondence(comparison);
  return circuitParts(exercise.reference).flatMap((wanted): readonly Observation[] => {
    const part = pairs.get(wanted.ref);
    if (!part || part.kind !== wanted.kind) return [];
    const anchors = (side: Side, owner: PlacedPart): ReadonlyMap<LegName, string | undefined> =>
      new Map(
        owner.legs.map(({ leg }) => [leg, anchorOf(side, exercise, nodeOfLeg(side.netlist, owner.ref, leg))]),
      );
    const [asked, found] = [anchors(reference, wanted), anchors(built, part)];
    return [
      ...openLegs(reference, built, wanted, part),
      ...reversedDivider(part, asked, found),
      ...swappedLines(comparison, part, asked, found),
    ];
  });
}

/** Legs of parts with many that lead on in the reference and to nothing here. */
function openLegs(
  reference: Side,
  built: Side,
  wanted: PlacedPart,
  part: PlacedPart,
): readonly Observation[] {
  if (part.legs.length <= 2 || kindOf(part.kind).sign === 'button' || kindOf(part.kind).sign === 'switch')
    return [];
  const isAlone = ({ netlist }: Side, owner: PlacedPart, leg: LegName): boolean => {
    const { pins, terminals } = netlist.nodes[nodeOfLeg(netlist, owner.ref, leg)]!;
    return pins.length === 0 && terminals.length === 1;
  };
  const { supplyLegs } = kindOf(part.kind);
  return part.legs.flatMap(({ leg, at }): readonly Observation[] => {
    if (leg === supplyLegs?.plus || leg === supplyLegs?.minus) return [];
    if (isAlone(reference, wanted, leg) || !isAlone(built, part, leg)) return [];
    return [
      {
        code: 'leg-open',
        severity: 'fault',
        refs: [part.ref],
        at: [at ? nameOf(at) : legPoint(part.ref, leg)],
        message: `${capital(legText(part, leg))} reaches nothing, but the exercise uses it.`,
        hints: [
          `Follow each leg of ${partText(part)}. Where does it lead?`,
          `${capital(legText(part, leg))} is joined to nothing.`,
          `Join ${legText(part, leg)} as the list of connections says.`,
        ],
        evidence: { currentMa: quantity(0, 'mA') },
      },
    ];
  });
}

/** Knobs whose outer legs are interchanged, and sensors on the other side of their divider. */
function reversedDivider(
  part: PlacedPart,
  asked: ReadonlyMap<LegName, string | undefined>,
  found: ReadonlyMap<LegName, string | undefined>,
): readonly Observation[] {
  const sign = kindOf(part.kind).sign;
  const sides = ['ground', 'supply'];
  let isReversed = false;
  if (sign === 'knob') {
    const [one, , two] = part.legs.map(({ leg }) => leg);
    isReversed =
      asked.get(one!) !== asked.get(two!) &&
      asked.get(one!) === found.get(two!) &&
      asked.get(two!) === found.get(one!) &&
      sides.includes(asked.get(one!) ?? '');
  } else if (sign === 'light-sensor' || sign === 'thermistor') {
    const sideOf = (anchors: ReadonlyMap<LegName, string | undefined>): string | undefined =>
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
      at: part.legs.flatMap(({ at }) => (at ? [nameOf(at)] : [])),
      message: `${capital(partText(part))} has supply and ground interchanged: what should read more reads less.`,
      hints: [
        `Turn or shade ${part.ref} and watch the number. Does it go the way you expect?`,
        `The ends of ${part.ref} lead to supply and ground the other way round than in the exercise.`,
        `Exchange the two outer connections of ${part.ref}.`,
      ],
    },
  ];
}

/** Modules whose lines are all there and in another order. */
function swappedLines(
  { exercise, match }: Compared,
  part: PlacedPart,
  asked: ReadonlyMap<LegName, string | undefined>,
  found: ReadonlyMap<LegName, string | undefined>,
): readonly Observation[] {
  const kind = kindOf(part.kind);
  if (!kind.supplyLegs && !['rgb-led', 'seven-segment', 'transistor-npn'].includes(part.kind)) return [];
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
      message: `The lines of ${partText(part)} are interchanged: ${moved.map(([leg, anchor], index) => `its ${names[index]} is joined to ${nameOfAnchor(found.get(leg))} instead of ${nameOfAnchor(anchor)}`).join(', ')}.`,
      hints: [
        `Read the print beside each pin of ${part.ref}. Does each wire go where the list says?`,
        `${moved.length} lines of ${part.ref} are in each other’s place.`,
        `Exchange the wires of its ${names.join(' and its ')}.`,
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
export function sharedPins(comparison: Compared): readonly Observation[] {
  const { exercise, wiring } = comparison;
  const reference: Side = { wiring: exercise.reference, netlist: netlistOf(exercise.reference) };
  const built: Side = { wiring, netlist: netlistOf(wiring) };
  const pairs = correspondence(comparison);
  const loads = circuitParts(exercise.reference).filter(
    (part) => kindOf(part.kind).observed !== undefined && part.legs.length === 2,
  );
  const found: Observation[] = [];
  loads.forEach((one, index) => {
    for (const other of loads.slice(index + 1)) {
      const [first, second] = [pairs.get(one.ref), pairs.get(other.ref)];
      if (!first || !second) continue;
      const [asked, alsoAsked] = [
        feedingPins(reference, exercise, one),
        feedingPins(reference, exercise, other),
      ];
      const [has, alsoHas] = [feedingPins(built, exercise, first), feedingPins(built, exercise, second)];
      const shared = has.find((pin) => alsoHas.includes(pin));
      if (
        asked.some((pin) => alsoAsked.includes(pin)) ||
        asked.length === 0 ||
        alsoAsked.length === 0 ||
        shared === undefined
      )
        continue;
      found.push({
        code: 'shared-pin',
        severity: 'fault',
        refs: [first.ref, second.ref],
        at: wiring.board ? [`${wiring.board.ref}.${shared}`] : [],
        message: `${capital(partText(first))} and ${partText(second)} both hang on pin ${shared}: they can only be lit together, never in turn.`,
        hints: [
          `Which pin switches ${first.ref}, and which ${second.ref}?`,
          `Both are joined to pin ${shared}.`,
          `Give one of them a pin of its own.`,
        ],
      });
    }
  });
  return found;
}

/** Signal pins that a load is joined to, straight or through resistors. */
function feedingPins({ wiring, netlist }: Side, exercise: Exercise, load: PlacedPart): readonly string[] {
  const pins = new Set<string>();
  for (const { leg } of load.legs) {
    const open = [nodeOfLeg(netlist, load.ref, leg)];
    const seen = new Set(open);
    for (let node = open.pop(); node !== undefined; node = open.pop()) {
      // A pin that is tied to a supply switches nothing.
      if (netlist.nodes[node]!.pins.some((pin) => isSupplyPin(exercise.board, pin))) continue;
      for (const pin of netlist.nodes[node]!.pins) pins.add(pin);
      if (netlist.nodes[node]!.pins.length > 0) continue;
      for (const part of wiring.parts) {
        if (part.kind !== 'resistor') continue;
        const ends = part.legs.map((end) => nodeOfLeg(netlist, part.ref, end.leg));
        if (!ends.includes(node)) continue;
        for (const end of ends)
          if (!seen.has(end)) {
            seen.add(end);
            open.push(end);
          }
      }
    }
  }
  return [...pins];
}

/** Resistors that hold an input in the exercise and are not there, or hold nothing. */
export function missingPulls(comparison: Compared): readonly Observation[] {
  const { exercise, wiring } = comparison;
  const reference: Side = { wiring: exercise.reference, netlist: netlistOf(exercise.reference) };
  const built: Side = { wiring, netlist: netlistOf(wiring) };
  return referencePins(exercise).flatMap((pin): readonly Observation[] => {
    const asked = pullOf(reference, exercise, pin);
    if (asked === undefined) return [];
    const here = comparison.match.pins.get(pin) ?? pin;
    const node = built.netlist.nodes.find((candidate) => candidate.pins.includes(here));
    if (!node || node.terminals.length === 0 || pullOf(built, exercise, here) !== undefined) return [];
    return [
      {
        code: 'pull-missing',
        severity: 'fault',
        refs: [asked.ref],
        at: wiring.board ? [`${wiring.board.ref}.${here}`] : [],
        message: `No resistor holds pin ${here}. In the exercise ${asked.ref} pulls it to ${asked.to === 'ground' ? 'ground' : 'the supply'} while the button is open.`,
        hints: [
          `What holds pin ${here} while nobody presses?`,
          `Between pin ${here} and ${asked.to === 'ground' ? 'ground' : 'the supply'} there is no resistor.`,
          `Put a resistor of ${asked.text} Ω between pin ${here} and ${asked.to === 'ground' ? 'ground' : 'the supply'}.`,
        ],
      },
    ];
  });
}

/** The resistor that holds a pin behind a button, and where to. */
function pullOf(
  { wiring, netlist }: Side,
  exercise: Exercise,
  pin: string,
): { readonly ref: string; readonly text: string; readonly to: 'ground' | 'supply' } | undefined {
  const node = netlist.nodes.find((candidate) => candidate.pins.includes(pin));
  if (!node) return undefined;
  const hasContact = node.terminals.some(({ ref }) =>
    wiring.parts.some((part) => part.ref === ref && isContact(part)),
  );
  if (!hasContact) return undefined;
  for (const { ref } of node.terminals) {
    const part = wiring.parts.find((candidate) => candidate.ref === ref)!;
    if (part.kind !== 'resistor') continue;
    const far = part.legs.map(({ leg }) => nodeOfLeg(netlist, ref, leg)).find((end) => end !== node.id);
    const socket =
      far === undefined
        ? undefined
        : netlist.nodes[far]!.pins.map((name) =>
            exercise.board.supplies.find((supply) => supply.name === name),
          ).find(Boolean);
    if (socket) return { ref, text: part.value.text, to: socket.role === 'ground' ? 'ground' : 'supply' };
  }
  return undefined;
}
