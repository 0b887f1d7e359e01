import * as z from 'zod';
import { sentence, type Slot } from '../words/sentence';
import { numberSlot, textSlot } from '../words/slots';
import { atSchema, type StimulusDefinition } from './definition';

const schema = z.strictObject({
  at: atSchema,
  serial: z.string().max(1000, 'at most 1000 characters at once'),
});
type Typed = z.infer<typeof schema>;

/** `“on” and return`: a line break at the end is the return key. */
const lineSlot: Slot<string> = {
  write: (text) =>
    text.endsWith('\n') ? `${textSlot.write(text.slice(0, -1))} and return` : textSlot.write(text),
  pattern: `(?:${textSlot.pattern})(?: +and +return)?`,
  read: (text) => {
    const line = /^(.*?) +and +return$/is.exec(text);
    return line ? `${textSlot.read(line[1]!)}\n` : textSlot.read(text);
  },
};

/** Something is typed on the computer and sent to the board. */
export const typed: StimulusDefinition<Typed> = {
  key: 'serial',
  schema,
  sentence: sentence<Typed>('type {serial} at {at} s', { serial: lineSlot, at: numberSlot }),
  example: 'type "on" and return at 3 s',
  boardChange: ({ serial }) => ({ kind: 'typed', text: serial }),
  lasts: () => undefined,
  label: ({ serial }) => `types “${serial.trim()}”`,
};
