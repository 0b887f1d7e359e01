import type { Observation } from '../../finding';
import { AT_REST, isContact, kindOf } from '../../parts';
import { circuitParts, type CircuitNode, type NodeId } from '../../wiring/netlist';
import type { PlacedPart } from '../../wiring/wiring';
import { isSupplyPin } from '../graph';
import { capital, partText } from '../words';
import { drivenPins, nodeAt, sideOfNode, type Rule, type RuleContext } from './context';

/** A wired pin that no state drives, with what is on its node. */
interface Input {
  readonly pin: string;
  readonly node: CircuitNode;
}

/** Wired pins that no state drives; none when nothing is there to be pressed. */
function inputsOf(context: RuleContext): readonly Input[] {
  if (!context.wiring.parts.some((part) => isContact(part))) return [];
  const driven = drivenPins(context);
  return context.netlist.nodes.flatMap((node) =>
    node.pins
      .filter((pin) => !isSupplyPin(context.board, pin) && !driven.has(pin) && node.terminals.length > 0)
      .map((pin) => ({ pin, node })),
  );
}

/** Buttons and switches with a leg on a node. */
const contactsAt = (context: RuleContext, node: CircuitNode): readonly PlacedPart[] =>
  circuitParts(context.wiring).filter(
    (part) => isContact(part) && node.terminals.some(({ ref }) => ref === part.ref),
  );

/** Nodes that a contact leads to from a node. */
const otherSides = (context: RuleContext, part: PlacedPart, node: NodeId): readonly NodeId[] =>
  [...new Set(part.legs.map(({ leg }) => nodeAt(context, part.ref, leg)))].filter((other) => other !== node);

/** Inputs behind a button or switch that nothing holds in some state. */
export const inputFloating: Rule = (context) =>
  inputsOf(context).flatMap(({ pin, node }): readonly Observation[] => {
    const contacts = contactsAt(context, node);
    const [contact] = contacts;
    // A contact that leads nowhere, or a pin held only by the program's choice, is another matter.
    if (
      !contact ||
      contacts.every((part) =>
        otherSides(context, part, node.id).every((other) => sideOfNode(context, other) === undefined),
      )
    )
      return [];
    // What the program has read decides; without a program, whether it could float.
    const floats = context.floatingPins
      ? context.floatingPins.has(pin)
      : context.states.some(
          ({ drives, point }) =>
            (drives.get(pin)?.mode ?? 'input') === 'input' && point.volts[node.id] === null,
        );
    if (!floats) return [];
    return [
      {
        code: 'input-floating',
        severity: 'fault',
        refs: [contact.ref],
        at: context.wiring.board ? [`${context.wiring.board.ref}.${pin}`] : [],
        message: `While ${partText(contact)} is open, nothing holds pin ${pin}: it reads high or low by chance.`,
        hints: [
          `What does pin ${pin} touch while the button is not pressed?`,
          `With ${contact.ref} open, no part leads from pin ${pin} to ground or to the supply.`,
          `Turn on the pull-up of pin ${pin} in the program, or add a resistor of 10 kΩ that holds it.`,
        ],
      },
    ];
  });

/** Resistors that pull an input to the same side as its button does. */
export const pullWrongWay: Rule = (context) =>
  inputsOf(context).flatMap(({ pin, node }): readonly Observation[] => {
    for (const contact of contactsAt(context, node)) {
      const sides = otherSides(context, contact, node.id).map((other) => sideOfNode(context, other));
      const pulls = pullsAt(context, node);
      const same = pulls.find(({ to }) => sides.includes(to));
      const opposite = pulls.some(({ to }) => !sides.includes(to));
      if (same && !opposite && sides.length === 1)
        return [wrongPull(context, pin, contact, partText(same.part), same.to, same.part.ref)];
      const isPulledUp = context.states.some(({ drives }) => drives.get(pin)?.mode === 'pullup');
      if (isPulledUp && pulls.length === 0 && sides.length === 1 && sides[0] === 'supply')
        return [wrongPull(context, pin, contact, `the pull-up inside pin ${pin}`, 'supply')];
    }
    return [];
  });

/** Resistors from a node to ground or supply. */
function pullsAt(
  context: RuleContext,
  node: CircuitNode,
): readonly { readonly part: PlacedPart; readonly to: 'ground' | 'supply' }[] {
  return circuitParts(context.wiring).flatMap((part) => {
    if (part.kind !== 'resistor') return [];
    const [one, other] = part.legs.map(({ leg }) => nodeAt(context, part.ref, leg));
    if (one !== node.id && other !== node.id) return [];
    const to = sideOfNode(context, one === node.id ? other! : one!);
    return to === undefined ? [] : [{ part, to }];
  });
}

function wrongPull(
  { wiring }: RuleContext,
  pin: string,
  contact: PlacedPart,
  what: string,
  to: 'ground' | 'supply',
  resistor?: string,
): Observation {
  const place = to === 'ground' ? 'ground' : 'the supply';
  return {
    code: 'pull-wrong-way',
    severity: 'fault',
    refs: [contact.ref, ...(resistor === undefined ? [] : [resistor])],
    at: wiring.board ? [`${wiring.board.ref}.${pin}`] : [],
    message: `${capital(what)} holds pin ${pin} at ${place}, and ${partText(contact)} joins it to ${place} too: pressing changes nothing.`,
    hints: [
      `Which level has pin ${pin} while the button is open, and which while it is pressed?`,
      `Both ${what} and ${contact.ref} lead from pin ${pin} to ${place}.`,
      to === 'ground'
        ? `Move the other side of ${contact.ref} to the supply, or let the resistor lead to the supply.`
        : `Move the other side of ${contact.ref} to ground.`,
    ],
  };
}

/** Kinds whose output is a voltage that only an analog pin can measure, and the leg that gives it. */
const analogLegs: Readonly<Record<string, string>> = { potentiometer: 'wiper', 'temperature-sensor': 'out' };
/** Parts that change their resistance by what they sense. */
const isSensing = (part: PlacedPart): boolean => ['light-sensor', 'thermistor'].includes(part.kind);

/** Sensors, knobs and bus lines on pins that cannot do what they need. */
export const pinLacksFunction: Rule = (context) => {
  if (!context.wiring.parts.some((part) => part.kind in analogLegs || isSensing(part))) return [];
  return context.netlist.nodes.flatMap((node): readonly Observation[] => {
    const signals = context.board.pins.filter((pin) => node.pins.includes(pin.name));
    const [pin] = signals;
    if (!pin) return [];
    const sensor = node.terminals
      .map(({ ref, leg }) => ({ part: context.wiring.parts.find((part) => part.ref === ref)!, leg }))
      .find(
        ({ part, leg }) =>
          analogLegs[part.kind] === leg || (isSensing(part) && dividesHere(context, part, node)),
      );
    if (!sensor || signals.some(({ functions }) => functions.includes('analog'))) return [];
    const able = context.board.pins
      .filter(({ functions }) => functions.includes('analog'))
      .map(({ name }) => name);
    return [
      {
        code: 'pin-lacks-function',
        severity: 'fault',
        refs: [sensor.part.ref],
        at: context.wiring.board ? [`${context.wiring.board.ref}.${pin.name}`] : [],
        message: `${capital(partText(sensor.part))} gives a voltage between low and high, but pin ${pin.name} only tells low from high. The pins that measure are ${able.join(', ')}.`,
        hints: [
          `Which pins of the board can measure a voltage?`,
          `Pin ${pin.name} has no analog input.`,
          `Move the wire from pin ${pin.name} to ${able[0] ?? 'an analog pin'}.`,
        ],
      },
    ];
  });
};

/** Whether a sensing part and another resistance meet at a node: a divider. */
const dividesHere = ({ wiring }: RuleContext, sensor: PlacedPart, node: CircuitNode): boolean =>
  node.terminals.some(({ ref }) => {
    if (ref === sensor.ref) return false;
    const part = wiring.parts.find((candidate) => candidate.ref === ref)!;
    return kindOf(part.kind)
      .elements(part.value, AT_REST)
      .some((element) => element.type === 'resistor' && !element.leak);
  });
