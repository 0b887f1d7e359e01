import * as z from 'zod';
import { quantity } from '../findings/finding';
import type { PinChange } from '../rehearsal/trace';
import { seconds } from '../units';
import { sentence, type Slot } from '../words/sentence';
import { wordSlot } from '../words/slots';
import { WINDOW, windowed, windowSlots, type ExpectationDefinition } from './definition';
import { failedWith, movesIn, passed, windowOf } from './outcome';

const schema = z.strictObject({
  pin: z.string().regex(/^[A-Za-z0-9]+$/, 'write a pin as it is printed on the board, 13 or A0'),
  is: z.enum(['high', 'low']),
  ...windowed,
});
type PinLevel = z.infer<typeof schema>;

const pinSlot: Slot<string> = { write: String, pattern: '[A-Za-z0-9]+', read: (text) => text };

const modes: Readonly<Record<PinChange['drive']['mode'], string>> = {
  high: 'high',
  low: 'low',
  pwm: 'pulsing',
  input: 'an input',
  pullup: 'an input with its pull-up',
  pulldown: 'an input with its pull-down',
};

/** An output of the board is high, or low, all the time. */
export const pinLevel: ExpectationDefinition<PinLevel> = {
  keys: ['pin', 'is'],
  schema,
  sentence: sentence<PinLevel>(`pin {pin} {is}< all the time>${WINDOW}`, {
    pin: pinSlot,
    is: wordSlot({ high: ['is high', 'stays high', 'is on'], low: ['is low', 'stays low', 'is off'] }),
    ...windowSlots,
  }),
  example: 'pin 13 is high',
  parts: () => [],
  isThroughout: true,
  check: (expectation, { trace, builtPin }) => {
    const pin = builtPin(expectation.pin);
    const start: PinChange = { at: 0, drive: { mode: 'input' }, line: 0 };
    const all = movesIn([start, ...(trace.pins.get(pin) ?? [])], windowOf(expectation, trace));
    const found = all
      .slice(0, 4)
      .map(({ at, drive }) => `${modes[drive.mode]} from ${seconds(at)}`)
      .join(', ');
    const wrong = all.find(({ drive }) => drive.mode !== expectation.is);
    if (!wrong) return passed(found);
    const { at, drive, line } = wrong;
    const is = modes[drive.mode];
    const by = line > 0 ? ` Line ${line} makes it so.` : '';
    return failedWith(found, {
      code: drive.mode === 'high' ? 'stays-on' : drive.mode === 'low' ? 'stays-off' : 'timing-off',
      severity: 'fault',
      ...(line > 0 ? { line, column: 1 } : {}),
      message: `Pin ${pin} is ${is} at ${seconds(at)}; it should be ${expectation.is}.${by}`,
      hints: [
        `What does the program tell pin ${pin} at ${seconds(at)}?`,
        `At ${seconds(at)} pin ${pin} is ${is}.${by}`,
        `Make pin ${pin} an output that is ${expectation.is} in that time.`,
      ],
      evidence: { atS: quantity(at, 's') },
    });
  },
};
