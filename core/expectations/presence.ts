import * as z from 'zod';
import { Circuit } from '../wiring/circuit';
import type { PlacedPart } from '../wiring/wiring';
import { partTextOf } from '../wiring/words';
import { sentence } from '../words/sentence';
import { nameSlot, wordSlot } from '../words/slots';
import { capital } from '../words/words';
import { refSchema, type ExpectationDefinition } from './definition';
import { absent, failedWith, passed } from './outcome';

const schema = z.strictObject({ part: refSchema, is: z.enum(['there', 'connected']) });
type Presence = z.infer<typeof schema>;

/** A part that the build must have, though nothing of the run may show it. */
export const presence: ExpectationDefinition<Presence> = {
  keys: ['part', 'is'],
  schema,
  sentence: sentence<Presence>('{part} {is}', {
    part: nameSlot,
    is: wordSlot({
      there: ['is in the build', 'is there', 'must be there'],
      connected: ['is connected', 'is in the circuit', 'must be connected'],
    }),
  }),
  example: 'C1 is connected',
  parts: ({ part }) => [part],
  check: ({ part: reference, is }, { wiring, builtRef }) => {
    const ref = builtRef(reference);
    const part = wiring.parts.find((one) => one.ref === ref);
    if (!ref || !part) return absent(reference);
    if (is === 'there' || isConnected(new Circuit(wiring), part)) return passed(`${ref} is ${is}`);
    const name = partTextOf(wiring, ref);
    return failedWith(`${ref} is not connected`, {
      code: 'leg-open',
      severity: 'fault',
      refs: [ref],
      message: `${capital(name)} is plugged in, but it is not part of the circuit: its legs do not lead to two different places.`,
      hints: [
        `Follow each leg of ${ref} to the next part. Where does it end?`,
        `The legs of ${ref} do not lead to two different places in the circuit.`,
        `Connect both sides of ${ref} as the drawing shows.`,
      ],
    });
  },
};

/** Whether a part lies between two different nodes that have something else on them. */
function isConnected(circuit: Circuit, part: PlacedPart): boolean {
  const reached = new Set(
    circuit.nodesOf(part).filter((node) => {
      const { pins } = circuit.node(node);
      return (
        pins.length > 0 ||
        circuit.side(node) !== undefined ||
        circuit.partsAt(node).some((other) => other !== part)
      );
    }),
  );
  return reached.size >= 2;
}
