import { logicSupply } from '../../boards';
import { legName, type LegName } from '../../brand';
import { prepareBench } from '../../electrics/bench';
import { solveBench } from '../../electrics/bench-point';
import { quantity, type Observation } from '../../finding';
import { AT_REST, kindOf, type PartState } from '../../parts';
import { milliamps } from '../../units';
import { circuitParts, type NodeId } from '../../wiring/netlist';
import type { PlacedPart } from '../../wiring/wiring';
import { isSupplyPin } from '../graph';
import { capital, partText } from '../words';
import { nodeAt, sideOfNode, type Rule, type RuleContext } from './context';

const plus = legName('plus');
const minus = legName('minus');

/** The legs through which an actuator takes its power. */
function powerLegs(part: PlacedPart): { readonly plus: LegName; readonly minus: LegName } | undefined {
  if (part.kind === 'motor') return { plus, minus };
  return ['servo', 'relay'].includes(part.kind) ? kindOf(part.kind).supplyLegs : undefined;
}

/** Motors, servos and relays that a signal pin has to feed. */
export const actuatorFromPin: Rule = (context) =>
  circuitParts(context.wiring).flatMap((part): readonly Observation[] => {
    const legs = powerLegs(part);
    if (!legs) return [];
    const pin = [legs.plus, legs.minus]
      .flatMap((leg) => context.netlist.nodes[nodeAt(context, part.ref, leg)]!.pins)
      .find((name) => !isSupplyPin(context.board, name));
    if (pin === undefined) return [];
    const needs = Math.max(
      ...kindOf(part.kind)
        .elements(part.value, { ...AT_REST, starting: true, pulled: true })
        .map((element) =>
          element.type === 'resistor' && !element.leak ? ((part.value.amount ?? 5) / element.ohms) * 1e3 : 0,
        ),
    );
    return [
      {
        code: 'actuator-from-pin',
        severity: 'risk',
        refs: [part.ref],
        at: context.wiring.board ? [`${context.wiring.board.ref}.${pin}`] : [],
        message: `${capital(partText(part))} takes its power from pin ${pin}. It needs ${milliamps(needs)} when it starts; a pin gives ${context.board.drive.recommendedMa} mA.`,
        hints: [
          `How much current does ${partText(part)} take, and how much does a pin give?`,
          `${part.ref} is fed by pin ${pin}, which is made for signals.`,
          `Feed ${part.ref} from its own supply with the grounds joined, and switch it with a transistor.`,
        ],
        evidence: {
          currentMa: quantity(needs, 'mA'),
          limitMa: quantity(context.board.drive.recommendedMa, 'mA'),
        },
      },
    ];
  });

/** By how much a start may go beyond a supply's limit: fuses and ports take a moment. */
const SURGE = 1.25;

/** Motors and servos that pull the board's own supply down so far, when they start, that it resets. */
export const supplySag: Rule = (context) => {
  const { wiring, netlist, board, bench } = context;
  const supply = logicSupply(board);
  const starters = circuitParts(wiring).filter((part) => ['motor', 'servo'].includes(part.kind));
  if (!supply || starters.length === 0) return [];
  const states = new Map(starters.map(({ ref }) => [ref, { starting: true } satisfies Partial<PartState>]));
  const starting = prepareBench(wiring, netlist, { ...bench.options, states });
  let worst: { readonly volts: number; readonly currentMa: number } | undefined;
  for (const { drives } of context.states) {
    const point = solveBench(starting, drives);
    const volts = point.warm[starting.supplyNode]!;
    if (!worst || volts < worst.volts) worst = { volts, currentMa: point.supplies.get(supply.name) ?? 0 };
  }
  const limitMa = (supply.limitMa ?? Number.POSITIVE_INFINITY) * SURGE;
  if (!worst || (worst.volts >= board.resetsBelowVolts && worst.currentMa <= limitMa)) return [];
  const effect =
    worst.volts < board.resetsBelowVolts
      ? `the board’s ${supply.name} falls to ${worst.volts.toFixed(1)} V. Below ${board.resetsBelowVolts} V the board starts again from the beginning`
      : `the board’s ${supply.name} has to give ${milliamps(worst.currentMa)}. It gives ${supply.limitMa} mA; its fuse or the computer cuts it off, and the board starts again from the beginning`;
  return [
    {
      code: 'supply-sag',
      severity: 'risk',
      refs: starters.map(({ ref }) => ref as string),
      at: wiring.board ? [`${wiring.board.ref}.${supply.name}`] : [],
      message: `When ${starters.length === 1 ? partText(starters[0]!) : 'the motors'} start${starters.length === 1 ? 's' : ''}, ${effect}.`,
      hints: [
        `What happens to the board’s supply at the moment when the motor starts?`,
        `${milliamps(worst.currentMa)} flow from ${supply.name} at the start, and it falls to ${worst.volts.toFixed(1)} V.`,
        `Give ${starters.map(({ ref }) => ref).join(', ')} a supply of ${starters.length === 1 ? 'its' : 'their'} own and join only the grounds.`,
      ],
      evidence: {
        volts: quantity(worst.volts, 'V'),
        limitVolts: quantity(board.resetsBelowVolts, 'V'),
        currentMa: quantity(worst.currentMa, 'mA'),
      },
    },
  ];
};

/** Motors that are switched and have no diode across them. */
export const inductiveNoDiode: Rule = (context) =>
  circuitParts(context.wiring)
    .filter((part) => kindOf(part.kind).inductive && part.kind === 'motor')
    .flatMap((part): readonly Observation[] => {
      const [high, low] = [nodeAt(context, part.ref, plus), nodeAt(context, part.ref, minus)];
      const switched = [high, low].find((node) => isSwitched(context, node));
      if (switched === undefined || high === low || hasDiode(context, high, low)) return [];
      return [
        {
          code: 'inductive-no-diode',
          severity: 'risk',
          refs: [part.ref],
          at: [],
          message: `${capital(partText(part))} is switched, but no diode lies across it. When it is cut off, its coil makes a voltage that can destroy what switches it.`,
          hints: [
            `What becomes of the current in the coil at the moment when it is cut off?`,
            `Between the two leads of ${part.ref} there is no diode.`,
            `Put a diode across ${part.ref}, with its stripe on the side of the supply.`,
          ],
        },
      ];
    });

/** Whether a transistor, a contact or a pin switches what is on a node. */
const isSwitched = (context: RuleContext, node: NodeId): boolean =>
  context.netlist.nodes[node]!.pins.some((pin) => !isSupplyPin(context.board, pin)) ||
  circuitParts(context.wiring).some(
    (part) =>
      ['transistor', 'button', 'switch'].includes(kindOf(part.kind).sign) &&
      part.legs.some(({ leg }) => nodeAt(context, part.ref, leg) === node),
  );

/** Whether a diode lies across two nodes, blocking in normal use. */
const hasDiode = (context: RuleContext, high: NodeId, low: NodeId): boolean =>
  circuitParts(context.wiring).some((part) => {
    if (part.kind !== 'diode') return false;
    const [anode, cathode] = part.legs.map(({ leg }) => nodeAt(context, part.ref, leg));
    // With the motor's leads exchanged the diode lies the other way, and is right all the same.
    return (
      (anode === low && cathode === high) ||
      (anode === high && cathode === low && sideOfNode(context, low) === 'supply')
    );
  });
