import { socketsOf } from '../places';
import type { Observation } from '../../findings/finding';
import { AT_REST, isContact, isResistor, kindOf, roleOfLeg } from '../../parts';
import type { Circuit } from '../../wiring/circuit';
import type { CircuitNode, NodeId } from '../../wiring/netlist';
import type { PlacedPart } from '../../wiring/wiring';
import { partText } from '../../wiring/words';
import type { WiringRule, Built } from '../subject';
import { drivenPins } from './driven-pins';
import { capital } from '../../words/words';

/** A wired pin that no state drives, with what is on its node. */
interface Input {
  readonly pin: string;
  readonly node: CircuitNode;
}

/** Wired pins that no state drives; none when nothing is there to be pressed. */
function inputsOf(built: Built): readonly Input[] {
  if (!built.circuit.parts.some((part) => isContact(part))) return [];
  const driven = drivenPins(built);
  return built.circuit.nodes.flatMap((node) =>
    node.terminals.length === 0
      ? []
      : built.circuit
          .signalsAt(node.id)
          .filter((pin) => !driven.has(pin))
          .map((pin) => ({ pin, node })),
  );
}

/** Buttons and switches with a leg on a node. */
const contactsAt = (built: Built, node: CircuitNode): readonly PlacedPart[] =>
  built.circuit.partsAt(node.id).filter((part) => isContact(part));

/** Nodes that a contact leads to from a node. */
const otherSides = (built: Built, part: PlacedPart, node: NodeId): readonly NodeId[] =>
  [...new Set(built.circuit.nodesOf(part))].filter((other) => other !== node);

/** Inputs behind a button or switch that nothing holds in some state. */
export const inputFloating: WiringRule = (built) =>
  inputsOf(built).flatMap(({ pin, node }): readonly Observation[] => {
    const contacts = contactsAt(built, node);
    const [contact] = contacts;
    // A contact that leads nowhere, or a pin held only by the program's choice, is another matter.
    if (
      !contact ||
      contacts.every((part) =>
        otherSides(built, part, node.id).every((other) => built.circuit.side(other) === undefined),
      )
    )
      return [];
    // What the program has read decides; without a program, whether it could float.
    const floats = built.floatingPins
      ? built.floatingPins.has(pin)
      : built.states.some(
          ({ drives, point }) =>
            (drives.get(pin)?.mode ?? 'input') === 'input' && point.volts[node.id] === null,
        );
    if (!floats) return [];
    return [
      {
        code: 'input-floating',
        severity: 'fault',
        refs: [contact.ref],
        at: socketsOf(built.circuit, pin),
        message: `While ${partText(contact)} is open, pin ${pin} floats: it reads high or low at random.`,
        hints: [
          `What is pin ${pin} connected to while ${contact.ref} is open?`,
          `With ${contact.ref} open, no part leads from pin ${pin} to ground or to the supply.`,
          leadsToSupply(built.circuit, pin)
            ? `Add a 10 kΩ resistor from pin ${pin} to ground.`
            : `Turn on the pull-up of pin ${pin} in the program, or add a 10 kΩ resistor to hold it.`,
        ],
      },
    ];
  });

/** Whether a button or switch joins a pin to the supply, so that something has to hold it low. */
export function leadsToSupply(circuit: Circuit, pin: string): boolean {
  const node = circuit.nodeOfPin(pin);
  return (
    node !== undefined &&
    circuit
      .partsAt(node.id)
      .filter((part) => isContact(part))
      .some((part) =>
        circuit.nodesOf(part).some((other) => other !== node.id && circuit.side(other) === 'supply'),
      )
  );
}

/** Resistors that pull an input to the same side as its button does. */
export const pullWrongWay: WiringRule = (built) =>
  inputsOf(built).flatMap(({ pin, node }): readonly Observation[] => {
    for (const contact of contactsAt(built, node)) {
      // A side of a switch that leads nowhere holds nothing.
      const sides = otherSides(built, contact, node.id).flatMap((other) => built.circuit.side(other) ?? []);
      const pulls = pullsAt(built, node);
      const same = pulls.find(({ to }) => sides.includes(to));
      const opposite = pulls.some(({ to }) => !sides.includes(to));
      if (same && !opposite && sides.length === 1)
        return [wrongPull(built, pin, contact, partText(same.part), same.to, same.part.ref)];
      const isHeld = (mode: 'pullup' | 'pulldown'): boolean =>
        pulls.length === 0 &&
        sides.length === 1 &&
        built.states.some(({ drives }) => drives.get(pin)?.mode === mode);
      if (sides[0] === 'supply' && isHeld('pullup'))
        return [wrongPull(built, pin, contact, `the pull-up inside pin ${pin}`, 'supply')];
      if (sides[0] === 'ground' && isHeld('pulldown'))
        return [wrongPull(built, pin, contact, `the pull-down inside pin ${pin}`, 'ground')];
    }
    return [];
  });

/** Resistors from a node to ground or supply. */
function pullsAt(
  built: Built,
  node: CircuitNode,
): readonly { readonly part: PlacedPart; readonly to: 'ground' | 'supply' }[] {
  return built.circuit.partsAt(node.id).flatMap((part) => {
    const far = isResistor(part) ? built.circuit.acrossFrom(part, node.id) : undefined;
    const to = far === undefined ? undefined : built.circuit.side(far);
    return to === undefined ? [] : [{ part, to }];
  });
}

function wrongPull(
  { circuit }: Built,
  pin: string,
  contact: PlacedPart,
  what: string,
  to: 'ground' | 'supply',
  resistor?: string,
): Observation {
  const place = to === 'ground' ? 'ground' : 'the supply';
  const isPressed = kindOf(contact.kind).stimulus === 'press';
  return {
    code: 'pull-wrong-way',
    severity: 'fault',
    refs: [contact.ref, ...(resistor === undefined ? [] : [resistor])],
    at: socketsOf(circuit, pin),
    message: `${capital(what)} holds pin ${pin} at ${place}, and ${partText(contact)} connects it to ${place} too, so ${isPressed ? 'pressing' : 'switching'} changes nothing.`,
    hints: [
      `What level is pin ${pin} at while ${contact.ref} is open, and while it is ${isPressed ? 'pressed' : 'closed'}?`,
      `Both ${what} and ${contact.ref} lead from pin ${pin} to ${place}.`,
      to === 'ground'
        ? `Move the other side of ${contact.ref} to the supply, or ${resistor === undefined ? 'pull the pin up in the program' : 'take the resistor to the supply'}.`
        : `Move the other side of ${contact.ref} to ground.`,
    ],
  };
}

/** Sensors, potentiometers and bus lines on pins that cannot do what they need. */
export const pinLacksFunction: WiringRule = (built) => {
  return built.circuit.nodes.flatMap((node): readonly Observation[] => {
    const signals = built.board.pins.filter((pin) => node.pins.includes(pin.name));
    const [pin] = signals;
    if (!pin) return [];
    const sensor = built.circuit
      .legsAt(node.id)
      .find(({ part, leg }) => roleOfLeg(part, leg) === 'measured' || dividesHere(built, part, node));
    if (!sensor || signals.some(({ functions }) => functions.includes('analog'))) return [];
    const able = built.board.pins
      .filter(({ functions }) => functions.includes('analog'))
      .map(({ name }) => name);
    return [
      {
        code: 'pin-lacks-function',
        severity: 'fault',
        refs: [sensor.part.ref],
        at: socketsOf(built.circuit, pin.name),
        message: `${capital(partText(sensor.part))} gives a voltage anywhere between low and high, but pin ${pin.name} can only tell low from high. The pins that can measure are ${able.join(', ')}.`,
        hints: [
          `Which pins of the board can measure a voltage?`,
          `Pin ${pin.name} has no analog input.`,
          `Move the wire from pin ${pin.name} to ${able[0] ?? 'an analog pin'}.`,
        ],
      },
    ];
  });
};

/** Whether a part that senses by its resistance meets another resistance at a node: a divider. */
const dividesHere = ({ circuit }: Built, sensor: PlacedPart, node: CircuitNode): boolean =>
  kindOf(sensor.kind).resistance === 'sensed' &&
  circuit.partsAt(node.id).some(
    (part) =>
      part !== sensor &&
      kindOf(part.kind)
        .elements(part.value, AT_REST)
        .some((element) => element.type === 'resistor' && !element.leak),
  );
