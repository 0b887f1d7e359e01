import { placesOf, socketsOf } from '../places';
import { LIT_MA, forwardVoltsAt } from '../../solver/junction';
import { quantity, type Observation } from '../../findings/finding';
import { isContact, isPowerSource, isResistor, kindOf } from '../../parts';
import { milliamps, volts } from '../../units';
import { flood } from '../../wiring/circuit';
import type { NodeId } from '../../wiring/netlist';
import type { PlacedPart } from '../../wiring/wiring';
import { partText } from '../../wiring/words';
import type { WiringRule, Built } from '../subject';
import { lightsOf, type Light } from './junctions';
import { capital } from '../../words/words';

const placesOfLight = ({ part, anode, cathode }: Light): string[] => placesOf(part, [anode, cathode]);

const lightText = ({ part, name }: Light): string =>
  part.legs.length === 2
    ? partText(part)
    : `the light ${name.slice(name.indexOf('.') + 1)} of ${partText(part)}`;

const largestMa = ({ states }: Built, { name }: Light): number =>
  Math.max(0, ...states.map(({ point }) => Math.abs(point.leds.get(name) ?? 0)));

/** Lights with a path from a pin or supply to ground that passes nothing but lights. */
export const noSeriesResistor: WiringRule = (built) => {
  const lights = lightsOf(built);
  const seen = new Set<string>();
  return lights.flatMap((light): readonly Observation[] => {
    const { part } = light;
    if (seen.has(part.ref) || light.anodeNode === light.cathodeNode) return [];
    const [above, below] = [
      bareEnds(built, lights, light.anodeNode, 'up'),
      bareEnds(built, lights, light.cathodeNode, 'down'),
    ];
    if (above.length === 0 || below.length === 0) return [];
    const currentMa = largestMa(built, light);
    const ratedMa = kindOf(part.kind).ratings?.currentMa ?? Infinity;
    const limitMa = Math.min(ratedMa, built.board.drive.recommendedMa);
    if (currentMa <= limitMa) return [];
    seen.add(part.ref);
    return [
      {
        code: 'no-series-resistor',
        severity: 'risk',
        refs: [part.ref],
        at: placesOfLight(light),
        message: `Nothing limits the current through ${lightText(light)}: ${milliamps(currentMa)} flows. The LED is made for ${Number.isFinite(ratedMa) ? ratedMa : limitMa} mA${[...above, ...below].some((node) => built.circuit.signalsAt(node).length > 0) ? `, and a pin can take ${built.board.drive.absoluteMa} mA at most` : ''}.`,
        hints: [
          `What limits the current through ${lightText(light)}?`,
          `${milliamps(currentMa)} flows through ${light.name}; a resistor in its path is missing or bypassed.`,
          `${capital(unplug(built))} and put the resistor between ${part.ref} and what it is connected to.`,
        ],
        evidence: {
          currentMa: quantity(currentMa, 'mA'),
          limitMa: quantity(built.board.drive.absoluteMa, 'mA'),
        },
      },
    ];
  });
};

/**
 * Sockets of the board and poles of batteries that are reached from a node through lights, closed contacts and
 * potentiometers at their ends alone, against or with the current.
 */
function bareEnds(
  { circuit }: Built,
  lights: readonly Light[],
  from: NodeId,
  way: 'up' | 'down',
): readonly NodeId[] {
  const [here, next] =
    way === 'up' ? (['cathodeNode', 'anodeNode'] as const) : (['anodeNode', 'cathodeNode'] as const);
  const isEnd = (node: NodeId): boolean =>
    circuit.node(node).pins.length > 0 || circuit.pole(node) !== undefined;
  const reached = flood(from, (node) =>
    isEnd(node)
      ? []
      : [
          ...lights.filter((light) => light[here] === node).map((light) => light[next]),
          ...circuit
            .partsAt(node)
            .filter(lettingAllThrough)
            .flatMap((part) => circuit.nodesOf(part)),
        ],
  );
  return [...reached].filter(isEnd);
}

/** Whether a part limits nothing: a contact that is closed, a potentiometer that is turned to its end. */
const lettingAllThrough = (part: PlacedPart): boolean =>
  isContact(part) || kindOf(part.kind).stimulus === 'turn';

/** What is to be done before hands go into a circuit: `unplug the board`. */
const unplug = ({ circuit }: Built): string =>
  circuit.wiring.board ? 'unplug the board' : 'disconnect the battery';

/** Volts that must be left for the resistor of an LED, so that it limits anything. */
const LEFT_VOLTS = 0.7;

/** Chains of lights between a driven pin or a supply and ground that need more volts than there are. */
export const headroom: WiringRule = (built) => {
  const lights = lightsOf(built);
  const high = pinsSeenHigh(built);
  const found = new Map<string, Observation>();
  for (const node of built.circuit.nodes) {
    const supply = built.board.supplies.find(
      (socket) => socket.role === 'supply' && node.pins.includes(socket.name),
    );
    const pin = built.circuit.signalsAt(node.id).find((name) => high.has(name));
    const available =
      supply?.role === 'supply'
        ? supply.volts
        : pin === undefined
          ? batteryVolts(built, node.id)
          : built.board.logicVolts;
    if (available === undefined) continue;
    for (const chain of chainsFrom(built, lights, node.id)) {
      const needed = chain.reduce((sum, light) => sum + forwardVoltsAt(light.model, LIT_MA), 0);
      if (chain.length === 0 || available - needed >= LEFT_VOLTS) continue;
      if (chain.some((light) => largestMa(built, light) > LIT_MA)) continue;
      const refs = [...new Set(chain.map(({ part }) => part.ref as string))];
      const missing = Math.max(0, needed + LEFT_VOLTS - available);
      found.set(refs.join(), {
        code: 'headroom',
        severity: 'fault',
        refs,
        at: chain.flatMap(placesOfLight),
        message: `${capital(chain.map(lightText).join(' and '))} ${chain.length > 1 ? 'in series need' : 'needs'} ${volts(needed)}, and the resistor needs some too; there is only ${volts(available)}. That is ${volts(missing)} short.`,
        hints: [
          `How many volts does each LED need, and how many are there to share?`,
          `${refs.join(' and ')} use up ${volts(needed)} of ${volts(available)}.`,
          chain.length > 1
            ? `Give each LED its own resistor and its own path to ground.`
            : `Use an LED that needs less, such as red, or a higher supply.`,
        ],
        evidence: {
          neededVolts: quantity(needed, 'V'),
          availableVolts: quantity(available, 'V'),
          missingVolts: quantity(missing, 'V'),
        },
      });
    }
  }
  return [...found.values()];
};

/** Pins that some state has high: of one that no line switches on nothing shows whether it gives enough. */
const pinsSeenHigh = ({ states }: Built): ReadonlySet<string> =>
  new Set(
    states.flatMap(({ drives }) =>
      [...drives].flatMap(([pin, { mode }]) => (mode === 'high' || mode === 'pwm' ? [pin] : [])),
    ),
  );

/** Volts of the battery whose plus a node is. */
function batteryVolts({ circuit }: Built, node: NodeId): number | undefined {
  if (circuit.pole(node) !== 'supply') return undefined;
  return circuit.partsAt(node).find(isPowerSource)?.value.amount;
}

/** Ways from a node to ground through two-legged parts, as the lights that are passed. */
function chainsFrom(built: Built, lights: readonly Light[], from: NodeId): readonly (readonly Light[])[] {
  const found: (readonly Light[])[] = [];
  const walk = (node: NodeId, passed: readonly Light[], seen: ReadonlySet<NodeId>): void => {
    if (built.circuit.feed(node) === 'ground') {
      found.push(passed);
      return;
    }
    if (seen.size > 12 || found.length > 60 || (seen.size > 1 && built.circuit.node(node).pins.length > 0))
      return;
    for (const light of lights)
      if (light.anodeNode === node && !seen.has(light.cathodeNode))
        walk(light.cathodeNode, [...passed, light], new Set([...seen, light.cathodeNode]));
    for (const part of built.circuit.partsAt(node).filter(isResistor)) {
      const next = built.circuit.acrossFrom(part, node);
      if (next !== undefined && !seen.has(next)) walk(next, passed, new Set([...seen, next]));
    }
  };
  walk(from, [], new Set([from]));
  return found;
}

/** Lights that share one resistor, so that each one’s brightness depends on the others. */
export const sharedResistor: WiringRule = (built) => {
  const lights = lightsOf(built);
  const found: Observation[] = [];
  for (const node of built.circuit.nodes) {
    if (node.pins.length > 0 || built.circuit.pole(node.id) !== undefined) continue;
    const resistors = built.circuit.partsAt(node.id).filter(isResistor);
    const resistor = resistors[0]?.ref;
    if (!resistor || resistors.length > 1) continue;
    for (const end of ['anodeNode', 'cathodeNode'] as const) {
      const far = end === 'anodeNode' ? 'cathodeNode' : 'anodeNode';
      const sharing = lights.filter((light) => light[end] === node.id && !endsAlone(built, light[far]));
      if (sharing.length < 2) continue;
      const refs = [...new Set(sharing.map(({ part }) => part.ref as string))];
      const alone = Math.max(...sharing.map((light) => largestMa(built, light)));
      const independent = new Set(sharing.map((light) => light[far])).size > 1;
      found.push({
        code: 'shared-resistor',
        severity: independent ? 'fault' : 'advice',
        refs: [...refs, resistor],
        at: sharing.flatMap(placesOfLight),
        message: `${capital(sharing.map(lightText).join(' and '))} share the single resistor ${resistor}. Together each is dimmer than alone, and the one that needs the least voltage takes most of the current.`,
        hints: [
          `How many LEDs share the current through ${resistor}?`,
          `${sharing.length} LEDs meet at ${resistor}; up to ${milliamps(alone)} flows through one of them.`,
          `Give every LED a resistor of its own.`,
        ],
        evidence: { currentMa: quantity(alone, 'mA') },
      });
    }
  }
  return found;
};

/** Whether a light that ends there has a resistor of its own, and so shares none, or ends in nothing. */
function endsAlone({ circuit }: Built, end: NodeId): boolean {
  if (circuit.node(end).pins.length > 0 || circuit.pole(end) !== undefined) return false;
  const parts = circuit.partsAt(end);
  return parts.length < 2 || (parts.length === 2 && parts.some(isResistor));
}

/** Pins that must give more than they should. A short has a finding of its own. */
export const pinOvercurrent: WiringRule = (built) => {
  const { board, states, circuit } = built;
  const worst = new Map<string, number>();
  for (const { point } of states)
    for (const [pin, { currentMa }] of point.pins)
      worst.set(pin, Math.max(worst.get(pin) ?? 0, Math.abs(currentMa)));
  return [...worst].flatMap(([pin, currentMa]): readonly Observation[] => {
    const node = circuit.nodeOfPin(pin);
    if (currentMa <= board.drive.recommendedMa || !node || node.pins.length > 1) return [];
    const refs = circuit.partsAt(node.id).map(({ ref }) => ref as string);
    const limit =
      currentMa > board.drive.absoluteMa
        ? `more than ${board.drive.absoluteMa} mA destroys it`
        : `it should give ${board.drive.recommendedMa} mA at most`;
    return [
      {
        code: 'pin-overcurrent',
        severity: 'risk',
        refs,
        at: socketsOf(circuit, pin),
        message: `Pin ${pin} has to give ${milliamps(currentMa)}; ${limit}.`,
        hints: [
          `How much current does pin ${pin} give, and how much may it give?`,
          `${milliamps(currentMa)} flows from pin ${pin}; the resistance in its path is too small.`,
          `Unplug the board and use a larger resistor in the path from pin ${pin}.`,
        ],
        evidence: {
          currentMa: quantity(currentMa, 'mA'),
          limitMa: quantity(board.drive.recommendedMa, 'mA'),
        },
      },
    ];
  });
};
