import * as z from 'zod';
import { sentence } from '../words/sentence';
import { numberSlot } from '../words/slots';
import { atSchema, type StimulusDefinition } from './definition';

const schema = z.strictObject({ at: atSchema, reset: z.literal(true) });
type Reset = z.infer<typeof schema>;

/** The board's own button is pressed: the program begins again. */
export const reset: StimulusDefinition<Reset> = {
  key: 'reset',
  schema,
  sentence: sentence<Reset>("press the board's reset at {at} s", { at: numberSlot }),
  fixed: { reset: true },
  example: "press the board's reset at 5 s",
  boardChange: () => ({ kind: 'reset' }),
  lasts: () => undefined,
  label: () => 'reset',
};
