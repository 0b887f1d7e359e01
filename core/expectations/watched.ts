import * as z from 'zod';
import { Circuit } from '../wiring/circuit';
import { sentence } from '../words/sentence';
import { nameSlot, wordSlot } from '../words/slots';
import { refSchema, type ExpectationDefinition } from './definition';
import { absent, failedWith, passed } from './outcome';

const schema = z.strictObject({ watched: refSchema, by: z.enum(['interrupt', 'polling']) });
type Watched = z.infer<typeof schema>;

/** How the program must notice what happens to a part: by an interrupt, or by looking again and again. */
export const watched: ExpectationDefinition<Watched> = {
  keys: ['watched'],
  schema,
  sentence: sentence<Watched>('{watched} is watched by {by}', {
    watched: nameSlot,
    by: wordSlot({ interrupt: ['an interrupt', 'interrupt'], polling: ['polling', 'the loop'] }),
  }),
  example: 'S1 is watched by an interrupt',
  parts: ({ watched: part }) => [part],
  check: ({ watched: reference, by }, { wiring, trace, builtRef }) => {
    const ref = builtRef(reference);
    const part = wiring.parts.find((one) => one.ref === ref);
    if (!ref || !part) return absent(reference);
    const circuit = new Circuit(wiring);
    const pins = circuit.nodesOf(part).flatMap((node) => circuit.signalsAt(node));
    const interrupting = pins.find((pin) => trace.interruptPins.has(pin));
    const reads = trace.reads.get(pins.find((pin) => trace.reads.has(pin)) ?? '');
    const found =
      interrupting !== undefined
        ? 'by an interrupt'
        : reads
          ? `by polling, in line ${reads.line}`
          : 'not watched at all';
    const how = interrupting !== undefined || reads ? `watched ${found}` : found;
    const isRight = by === 'interrupt' ? interrupting !== undefined : interrupting === undefined && reads;
    if (isRight) return passed(found);
    const wanted = by === 'interrupt' ? 'an interrupt' : 'polling, without an interrupt';
    const line = by === 'interrupt' ? reads?.line : trace.interruptPins.get(interrupting ?? '');
    return failedWith(found, {
      code: 'way-off',
      severity: 'fault',
      refs: [ref],
      ...(line === undefined ? {} : { line, column: 1 }),
      message: `The exercise wants ${ref} to be watched by ${wanted}; here it is ${how}.`,
      hints: [
        `How does the program notice that something happens to ${ref}?`,
        `${ref} is ${how}; ${wanted} is asked for.`,
        by === 'interrupt'
          ? `In setup, attach an interrupt to the pin of ${ref}, with a short routine that sets a variable.`
          : `Read the pin of ${ref} every time round the loop instead.`,
      ],
    });
  },
};
