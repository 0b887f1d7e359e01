import * as z from 'zod';
import { ref } from '../brand';
import { sentence } from '../words/sentence';
import { nameSlot, numberSlot } from '../words/slots';
import { atSchema, lastingSchema, refSchema, type StimulusDefinition } from './definition';

const schema = z.strictObject({ at: atSchema, motion: refSchema, for: lastingSchema });
type Motion = z.infer<typeof schema>;

/** Something moves before a motion sensor. */
export const motion: StimulusDefinition<Motion> = {
  key: 'motion',
  schema,
  sentence: sentence<Motion>('something moves before {motion} at {at} s( for {for} s|)', {
    motion: nameSlot,
    at: numberSlot,
    for: numberSlot,
  }),
  example: 'something moves before X1 at 1 s for 2 s',
  touches: 'motion',
  partChanges: (stimulus) => {
    const name = ref(stimulus.motion);
    const begin = { at: stimulus.at, ref: name, state: { moving: true } };
    return stimulus.for === undefined
      ? [begin]
      : [begin, { at: stimulus.at + stimulus.for, ref: name, state: { moving: false } }];
  },
  lasts: (stimulus) => stimulus.for,
};
