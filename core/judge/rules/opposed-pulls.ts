import type { BoardProfile } from '../../boards';
import { prepareBench } from '../../electrics/bench';
import { solveBench } from '../../electrics/bench-point';
import { quantity, type Observation } from '../../findings/finding';
import { isContact, isResistor } from '../../parts';
import { volts } from '../../units';
import type { PinChange, Trace } from '../../rehearsal/trace';
import type { Circuit } from '../../wiring/circuit';
import type { PlacedPart } from '../../wiring/wiring';
import { partText } from '../../wiring/words';
import { socketsOf } from '../places';
import type { BuiltRunRule } from '../subject';

/** An input that the board pulls one way and a resistor the other. */
export interface OpposedPull {
  readonly pin: string;
  readonly inside: 'pullup' | 'pulldown';
  readonly resistor: PlacedPart;
  /** What that pin alone is told, by which line. */
  readonly drive: PinChange;
}

/** Inputs whose pull inside the board works against a resistor outside, in a run. */
export const opposedPulls = (circuit: Circuit, { pins }: Trace): readonly OpposedPull[] =>
  [...pins].flatMap(([pin, changes]): readonly OpposedPull[] => {
    const drive = changes.find(({ drive: { mode } }) => mode === 'pullup' || mode === 'pulldown');
    const node = circuit.nodeOfPin(pin);
    if (!drive || !node) return [];
    const inside = drive.drive.mode === 'pullup' ? 'pullup' : 'pulldown';
    const against = inside === 'pullup' ? 'ground' : 'supply';
    const resistor = circuit.partsAt(node.id).find((part) => {
      const far = isResistor(part) ? circuit.acrossFrom(part, node.id) : undefined;
      return far !== undefined && circuit.side(far) === against;
    });
    return resistor ? [{ pin, inside, resistor, drive }] : [];
  });

/** A pull inside the board and a resistor outside that meet at a level which is not certain, or the wrong one. */
export const opposedPull: BuiltRunRule = ({ trace }, _, { circuit, board }) =>
  opposedPulls(circuit, trace).map((opposed) => pullsWorkAgainst(opposed, circuit, board));

/** What is said of it: the voltage at both ends of the inside pull's range. Advice where the level is certain anyway. */
export function pullsWorkAgainst(
  { pin, inside, resistor, drive: { drive, line } }: OpposedPull,
  circuit: Circuit,
  board: BoardProfile,
): Observation {
  const { pullUpOhms, pullUpRangeOhms, lowBelowVolts, highAboveVolts } = board.input;
  const node = circuit.nodeOfPin(pin)!;
  const [least, most] = pullUpRangeOhms
    .map((ohms) => {
      const spread = [{ owner: 'pulls' as const, factor: ohms / pullUpOhms, forwardVolts: 0 }];
      return solveBench(prepareBench(circuit, { spread }), new Map([[pin, drive]])).volts[node.id] ?? 0;
    })
    .sort((one, other) => one - other) as [number, number];
  const held = inside === 'pullup' ? 'low' : 'high';
  const isCertain = held === 'low' ? most <= lowBelowVolts : least >= highAboveVolts;
  const isLost = held === 'low' ? least >= highAboveVolts : most <= lowBelowVolts;
  const opposite = held === 'low' ? 'high' : 'low';
  const comesOfIt = isCertain
    ? `It still reads ${held}, but one of the two is one too many.`
    : isLost
      ? `It reads ${opposite}, whatever ${resistor.ref} is there for.`
      : `Below ${volts(lowBelowVolts)} it surely reads low and above ${volts(highAboveVolts)} high; in between nobody knows.`;
  const contact = circuit.partsAt(node.id).find((part) => isContact(part));
  const when = contact ? ` while ${contact.ref} is open` : '';
  const [name, place] = inside === 'pullup' ? ['pull-up', 'ground'] : ['pull-down', 'the supply'];
  return {
    code: 'pull-wrong-way',
    // What nobody knows may go well on this board and not on the next.
    severity: isCertain ? 'advice' : isLost ? 'fault' : 'risk',
    refs: [resistor.ref, ...(contact ? [contact.ref] : [])],
    at: socketsOf(circuit, pin),
    ...(line > 0 ? { line, column: 1 } : {}),
    message: `The ${name} inside pin ${pin} and ${partText(resistor)} to ${place} pull against each other: the pin is at ${volts(least)} to ${volts(most)}${when}, depending on the board. ${comesOfIt}`,
    hints: [
      `Which two things hold pin ${pin}${when}, and in which direction does each pull?`,
      `Inside the board a ${name} is on at pin ${pin}, and ${resistor.ref} leads to ${place}.`,
      `${resistor.ref} holds pin ${pin} already: make the pin an input without its ${name}, or take ${resistor.ref} out and connect ${contact?.ref ?? 'the part'} to ${inside === 'pullup' ? 'ground' : 'the supply'}.`,
    ],
    evidence: { leastV: quantity(least, 'V'), mostV: quantity(most, 'V') },
  };
}
