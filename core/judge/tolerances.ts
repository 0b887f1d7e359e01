import type { Ref } from '../brand';
import { prepareBench, type Spread } from '../electrics/bench';
import { solveBench } from '../electrics/bench-point';
import { FORWARD_SPREAD_VOLTS, RESISTOR_TOLERANCE } from '../electrics/worst-case';
import type { Observation } from '../findings/finding';
import { isResistor, kindOf } from '../parts';
import type { Trace } from '../rehearsal/trace';
import type { Circuit } from '../wiring/circuit';
import { partText } from '../wiring/words';
import { capital } from '../words/words';
import { opposedPulls, pullsWorkAgainst } from './rules/opposed-pulls';

/** Shares by which a sensor, or what it measures in the room, may differ from the scenario's. */
const ROOM_MARGINS = [0.1, 0.2];
/** Change of a measured share of the supply that no converter tells. */
const SAME_SHARE = 0.0005;

/** What is not exact of a circuit, taken to one of its ends, with what is said when that makes a difference. */
export interface Deviation {
  readonly spread: Spread;
  readonly tell: (observed: string) => Observation;
}

/** Everything inexact that may change what a run reads, what is nearest to the pin first. */
export function deviationsIn(trace: Trace, circuit: Circuit): readonly Deviation[] {
  const measured = [...trace.reads].filter(([, { how }]) => how === 'analog');
  return [
    ...pullDeviations(trace, circuit),
    ...measured.flatMap(([pin, { line }]) => [
      ...resistorsAt(pin, line, circuit),
      ...lightsAt(pin, line, circuit),
      ...supplyOf(pin, line, circuit),
    ]),
  ];
}

/** The same of the sensors that a run measures: a room, or a piece, that is not quite that of the scenario. */
export function roomDeviationsIn(trace: Trace, circuit: Circuit): readonly Deviation[] {
  return ROOM_MARGINS.flatMap((margin) =>
    [...trace.reads].flatMap(([pin, { line }]) =>
      partsAt(pin, circuit)
        .filter(({ kind }) => kindOf(kind).resistance === 'sensed')
        .flatMap((part) =>
          ends(part.ref, margin).map((spread): Deviation => {
            const percent = `${Math.round(margin * 100)}\u00a0%`;
            const way = spread.factor < 1 ? 'less' : 'more';
            return {
              spread,
              tell: (observed) => ({
                code: 'unsteady',
                severity: 'advice',
                refs: [part.ref],
                line,
                column: 1,
                message: `What line ${line} reads at pin ${pin} lies close to where the program decides: with ${percent} ${way} resistance in ${partText(part)}, as in another room or with another piece, ${observed}.`,
                hints: [
                  `What does line ${line} read in your room, and with which number is it compared?`,
                  `A change of ${percent} in ${part.ref} is enough to change what happens.`,
                  `Print what line ${line} reads in both cases, and compare with a number halfway between.`,
                ],
              }),
            };
          }),
        ),
    ),
  );
}

const partsAt = (pin: string, circuit: Circuit): Circuit['parts'] => {
  const node = circuit.nodeOfPin(pin);
  return node ? circuit.partsAt(node.id) : [];
};

/** A resistance at both ends of how far it may be off. */
const ends = (owner: Ref, share: number): readonly Spread[] =>
  [1 - share, 1 + share].map((factor) => ({ owner, factor, forwardVolts: 0 }));

const resistorsAt = (pin: string, line: number, circuit: Circuit): readonly Deviation[] =>
  partsAt(pin, circuit)
    .filter(isResistor)
    .flatMap((part) =>
      ends(part.ref, RESISTOR_TOLERANCE).map((spread): Deviation => {
        const off = `${Math.round(RESISTOR_TOLERANCE * 100)}\u00a0% ${spread.factor < 1 ? 'smaller' : 'larger'}`;
        return {
          spread,
          tell: (observed) =>
            tooClose(line, [part.ref], {
              message: `${capital(partText(part))} may be ${off} than it says; what line ${line} measures at pin ${pin} lies so close to where the program decides that it makes a difference: then ${observed}.`,
              question: `How exact is the value of ${part.ref}?`,
              pointer: `With ${part.ref} ${off}, line ${line} measures something else: ${observed}.`,
            }),
        };
      }),
    );

/** LEDs whose forward voltage is part of what is measured. */
const lightsAt = (pin: string, line: number, circuit: Circuit): readonly Deviation[] =>
  partsAt(pin, circuit)
    .filter(({ kind }) => kindOf(kind).observed === 'light')
    .flatMap((part) =>
      [-FORWARD_SPREAD_VOLTS, FORWARD_SPREAD_VOLTS].map((forwardVolts): Deviation => {
        const off = `${FORWARD_SPREAD_VOLTS}\u00a0V ${forwardVolts < 0 ? 'less' : 'more'}`;
        return {
          spread: { owner: part.ref, factor: 1, forwardVolts },
          tell: (observed) =>
            tooClose(line, [part.ref], {
              message: `${capital(partText(part))} may take ${off} than the usual one; what line ${line} measures at pin ${pin} lies so close to where the program decides that it makes a difference: then ${observed}.`,
              question: `Does every LED of one colour take the same voltage?`,
              pointer: `With ${off} across ${part.ref}, line ${line} measures something else: ${observed}.`,
            }),
        };
      }),
    );

/** The board's supply, where what is measured is not a share of it: a converter that measures against it sees more or less. */
function supplyOf(pin: string, line: number, circuit: Circuit): readonly Deviation[] {
  const board = circuit.wiring.board?.profile;
  const supply = board?.supplies.find((one) => one.role === 'supply' && one.volts === board.logicVolts);
  const node = circuit.nodeOfPin(pin);
  if (supply?.role !== 'supply' || !node) return [];
  const share = (factor: number): number => {
    const spread: Spread = { owner: 'supplies', factor, forwardVolts: 0 };
    return (solveBench(prepareBench(circuit, { spread: [spread] }), new Map()).volts[node.id] ?? 0) / factor;
  };
  const { toleranceFraction } = supply;
  if (Math.abs(share(1 + toleranceFraction) / supply.volts - share(1) / supply.volts) < SAME_SHARE) return [];
  return [1 - toleranceFraction, 1 + toleranceFraction].map((factor): Deviation => {
    const volts = `${Number((supply.volts * factor).toPrecision(3))}\u00a0V`;
    return {
      spread: { owner: 'supplies', factor, forwardVolts: 0 },
      tell: (observed) =>
        tooClose(line, [], {
          message: `The board’s supply may be ${volts} instead of ${supply.volts}\u00a0V, and line ${line} measures against it. That is so close to where the program decides that it makes a difference: then ${observed}.`,
          question: `Does every USB plug give exactly ${supply.volts}\u00a0V?`,
          pointer: `At ${volts} line ${line} measures something else: ${observed}.`,
        }),
    };
  });
}

const tooClose = (
  line: number,
  refs: string[],
  {
    message,
    question,
    pointer,
  }: { readonly message: string; readonly question: string; readonly pointer: string },
): Observation => ({
  code: 'unsteady',
  severity: 'fault',
  refs,
  line,
  column: 1,
  message,
  hints: [
    question,
    pointer,
    `Move the number that line ${line} is compared with farther away from what is measured.`,
  ],
});

/** The pulls inside the board at both their ends, where a resistor works against one of them. */
function pullDeviations(trace: Trace, circuit: Circuit): readonly Deviation[] {
  const board = circuit.wiring.board?.profile;
  if (!board) return [];
  const [opposed] = opposedPulls(circuit, trace);
  if (!opposed) return [];
  const { pullUpOhms, pullUpRangeOhms } = board.input;
  return pullUpRangeOhms.map((ohms): Deviation => ({
    spread: { owner: 'pulls', factor: ohms / pullUpOhms, forwardVolts: 0 },
    tell: () => pullsWorkAgainst(opposed, circuit, board),
  }));
}
