import * as z from 'zod';
import { ref } from '../brand';
import { sentence } from '../words/sentence';
import { nameSlot, numberSlot } from '../words/slots';
import { atSchema, lastingSchema, refSchema, type StimulusDefinition } from './definition';

const schema = z.strictObject({ at: atSchema, press: refSchema, for: lastingSchema });
export type Press = z.infer<typeof schema>;

/** Seconds of a press that nobody says the length of: as long as a finger takes. */
export const USUAL_PRESS_S = 0.3;

const slots = { press: nameSlot, at: numberSlot, for: numberSlot };
const pressed = sentence<Press>('press {press} at {at} s( for {for} s|)', slots);
const held = sentence<{ press: string; from: number; to?: number }>(
  'hold {press} from {from} s( to {to} s|)',
  {
    press: nameSlot,
    from: numberSlot,
    to: numberSlot,
  },
);

/** A button is pressed, and let go after a while or never. */
export const press: StimulusDefinition<Press> = {
  key: 'press',
  schema,
  // Who writes “press S1 at 2 s” does not mean a button that is never let go.
  sentence: {
    say: (stimulus) =>
      stimulus.for === undefined
        ? held.say({ press: stimulus.press, from: stimulus.at })
        : pressed.say(stimulus),
    read: (text) => {
      const read = pressed.read(text);
      return read && { for: USUAL_PRESS_S, ...read };
    },
  },
  alsoRead: (text) => {
    const read = held.read(text);
    if (read?.from === undefined) return undefined;
    const { from: at, to } = read;
    // Without the rest of a difference of decimal numbers.
    return { press: read.press!, at, ...(to === undefined ? {} : { for: Number((to - at).toFixed(6)) }) };
  },
  example: 'press S1 at 2 s for 0.3 s',
  touches: 'press',
  partChanges: (stimulus, _, bounced) => {
    const name = ref(stimulus.press);
    const turn = (at: number, pressed: boolean) =>
      bounced(at).map((moment, index) => ({
        at: moment,
        ref: name,
        state: { pressed: index % 2 === 0 ? pressed : !pressed },
      }));
    return [
      ...turn(stimulus.at, true),
      ...(stimulus.for === undefined ? [] : turn(stimulus.at + stimulus.for, false)),
    ];
  },
  lasts: (stimulus) => stimulus.for,
};

/** Whether a button is pressed. */
export const isPress = (stimulus: { readonly at: number }): stimulus is Press => 'press' in stimulus;
