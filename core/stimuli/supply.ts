import * as z from 'zod';
import { sentence } from '../words/sentence';
import { numberSlot, wordSlot } from '../words/slots';
import { atSchema, type StimulusDefinition } from './definition';

const schema = z.strictObject({ at: atSchema, supply: z.enum(['on', 'off']) });
type Supply = z.infer<typeof schema>;

/** What feeds the board is switched. */
export const supply: StimulusDefinition<Supply> = {
  key: 'supply',
  schema,
  sentence: sentence<Supply>('supply {supply} at {at} s', {
    supply: wordSlot({ on: ['on'], off: ['off'] }),
    at: numberSlot,
  }),
  example: 'supply off at 6 s',
  boardChange: ({ supply: to }) => ({ kind: 'power', to }),
  lasts: () => undefined,
  label: ({ supply: to }) => `supply ${to}`,
};
