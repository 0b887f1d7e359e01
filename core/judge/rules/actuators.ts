import { socketsOf } from '../places';
import { isBoard, logicSupply } from '../../boards';
import { prepareBench } from '../../electrics/bench';
import { solveBench } from '../../electrics/bench-point';
import { quantity, type Observation } from '../../findings/finding';
import { AT_REST, isContact, kindOf, roleOfLeg, type PartState } from '../../parts';
import { milliamps } from '../../units';
import type { NodeId } from '../../wiring/netlist';
import { partText } from '../../wiring/words';
import type { WiringRule, Built } from '../subject';
import { capital } from '../../words/words';

/** Motors, servos and relays that a signal pin has to feed. */
export const actuatorFromPin: WiringRule = (built) =>
  built.circuit.parts.flatMap((part): readonly Observation[] => {
    const legs = kindOf(part.kind).powerLegs;
    if (!legs) return [];
    const [pin] = [legs.plus, legs.minus].flatMap((leg) =>
      built.circuit.signalsAt(built.circuit.nodeOf(part, leg)),
    );
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
        at: socketsOf(built.circuit, pin),
        message: `${capital(partText(part))} takes its power from pin ${pin}. It needs ${milliamps(needs)} when it starts; a pin gives ${built.board.drive.recommendedMa} mA.`,
        hints: [
          `How much current does ${partText(part)} need, and how much can a pin give?`,
          `${part.ref} gets its power from pin ${pin}, which is only meant for signals.`,
          `Feed ${part.ref} from its own supply with the grounds joined, and switch it with a transistor.`,
        ],
        evidence: {
          currentMa: quantity(needs, 'mA'),
          limitMa: quantity(built.board.drive.recommendedMa, 'mA'),
        },
      },
    ];
  });

/** By how much a start may go beyond a supply's limit: fuses and ports take a moment. */
const SURGE = 1.25;

/** Motors and servos that pull the board's own supply down so far, when they start, that it resets. */
export const supplySag: WiringRule = (built) => {
  const { circuit, board, bench } = built;
  const supply = logicSupply(board);
  const starters = circuit.partsWhere(({ surges }) => surges);
  if (!supply || starters.length === 0) return [];
  const states = new Map(starters.map(({ ref }) => [ref, { starting: true } satisfies Partial<PartState>]));
  const starting = prepareBench(circuit, { ...bench.options, states });
  let worst: { readonly volts: number; readonly currentMa: number } | undefined;
  for (const { drives } of built.states) {
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
      at: socketsOf(circuit, supply.name),
      message: `When ${starters.length === 1 ? partText(starters[0]!) : 'the motors'} start${starters.length === 1 ? 's' : ''}, ${effect}.`,
      hints: [
        `What happens to the board’s supply at the moment the motor starts?`,
        `${milliamps(worst.currentMa)} flow from ${supply.name} at the start, and it falls to ${worst.volts.toFixed(1)} V.`,
        `Give ${starters.map(({ ref }) => ref).join(', ')} a supply of ${starters.length === 1 ? 'its' : 'their'} own, and connect only the grounds.`,
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
export const inductiveNoDiode: WiringRule = (built) =>
  built.circuit
    .partsWhere(({ inductive }) => inductive)
    .flatMap((part): readonly Observation[] => {
      const [high, low] = built.circuit.nodesOf(part) as [NodeId, NodeId];
      const switched = [high, low].find((node) => isSwitched(built, node));
      if (switched === undefined || high === low || hasDiode(built, high, low)) return [];
      return [
        {
          code: 'inductive-no-diode',
          severity: 'risk',
          refs: [part.ref],
          at: [],
          message: `${capital(partText(part))} is switched, but there is no diode across it. When it is switched off, its coil makes a voltage that can destroy whatever switches it.`,
          hints: [
            `Where does the current in the coil go at the moment it is switched off?`,
            `There is no diode between the two leads of ${part.ref}.`,
            `Put a diode across ${part.ref}, with its stripe towards the supply.`,
          ],
        },
      ];
    });

/** Whether a transistor, a pin, or a contact whose sparks reach something that they destroy, switches a node. */
const isSwitched = (built: Built, node: NodeId): boolean =>
  built.circuit.signalsAt(node).length > 0 ||
  built.circuit
    .partsAt(node)
    .some(
      (part) =>
        (isContact(part) && hasSemiconductor(built)) ||
        part.legs.some(({ leg }) => roleOfLeg(part, leg) === 'control'),
    );

/** Whether there is a junction or a chip that a coil's voltage can reach: a bare contact only sparks. */
const hasSemiconductor = ({ board, circuit }: Built): boolean =>
  isBoard(board) ||
  circuit.parts.some(({ kind, value }) =>
    kindOf(kind)
      .elements(value, AT_REST)
      .some(({ type }) => type === 'junction' || type === 'transistor' || type === 'output'),
  );

/** Whether a diode lies across two nodes, blocking in normal use. */
const hasDiode = (built: Built, high: NodeId, low: NodeId): boolean =>
  built.circuit.parts.some((part) => {
    const [element, ...others] = kindOf(part.kind).elements(part.value, AT_REST);
    if (element?.type !== 'junction' || element.led !== undefined || others.length > 0) return false;
    const [anode, cathode] = [element.anode, element.cathode].map((leg) => built.circuit.nodeOf(part, leg));
    // With the motor's leads exchanged the diode lies the other way, and is right all the same.
    return (
      (anode === low && cathode === high) ||
      (anode === high && cathode === low && built.circuit.side(low) === 'supply')
    );
  });
