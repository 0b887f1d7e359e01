import * as z from 'zod';
import { brightnessAt } from '../electrics/brightness';
import { quantity } from '../findings/finding';
import { milliamps } from '../units';
import { sentence, type Slot } from '../words/sentence';
import { lightSlot, percentSlot } from '../words/slots';
import {
  lightSchema,
  partOfLight,
  rounded,
  WINDOW,
  windowed,
  windowSlots,
  type ExpectationDefinition,
} from './definition';
import { rangeSchema } from './figures';
import { brightest, ledViewOf, saw } from './led-view';
import { absent, passed } from './outcome';

/** Share by which a brightness may differ and be called the same. */
const SAME_BRIGHTNESS = 0.15;

const share = z.number().min(0).max(1, 'an LED is at most 100 % bright');
const schema = z.strictObject({ lamp: lightSchema, brightness: rangeSchema(share), ...windowed });
type Bright = z.infer<typeof schema>;

const rangeSlot: Slot<[number, number]> = {
  write: ([low, high]) => `${percentSlot.write(low)} and ${percentSlot.write(high)}`,
  pattern: `${percentSlot.pattern} ?%? +and +${percentSlot.pattern}`,
  read: (text) => {
    const [low, high] = text.split(/ ?%? +and +/i).map((one) => percentSlot.read(one));
    return low === undefined || high === undefined ? undefined : [low, high];
  },
  closed: true,
};

/** An LED is as bright as this, from 0 to 1 as an eye sees it. */
export const brightness: ExpectationDefinition<Bright> = {
  keys: ['lamp', 'brightness'],
  schema,
  sentence: sentence<Bright>(`{lamp}< is> between {brightness} % bright${WINDOW}`, {
    lamp: lightSlot,
    brightness: rangeSlot,
    ...windowSlots,
  }),
  parts: ({ lamp: led }) => [partOfLight(led)],
  check: (expectation, observed) => {
    const view = ledViewOf(expectation, observed);
    if (!view) return absent(expectation.lamp);
    const [low, high] = expectation.brightness;
    const [least, most] = [Math.min(...view.brightness), Math.max(...view.brightness)];
    const summary = `${Math.round(least * 100)} to ${Math.round(most * 100)} % bright`;
    if (least >= low && most <= high) return passed(summary);
    const dim = least < low;
    const found = dim ? least : most;
    const currentMa = brightest(view);
    return {
      passed: false,
      observed: summary,
      failures: [
        saw(
          view,
          dim ? 'too-dim' : 'too-bright',
          `is ${dim ? 'too dim' : 'too bright'}: ${Math.round(found * 100)} % at ${milliamps(currentMa)}; it should be ${Math.round(low * 100)} to ${Math.round(high * 100)} %.`,
          [
            `Is ${view.ref} as bright as the example?`,
            `${milliamps(currentMa)} flows through ${view.ref}: ${dim ? 'too little' : 'too much'}.`,
            `Use a ${dim ? 'smaller' : 'larger'} resistor, or change the number in the program.`,
          ],
          { currentMa: quantity(currentMa, 'mA'), brightness: quantity(found, '') },
        ),
      ],
    };
  },
  describeLight: ({ lamp: led, seen: [first, more], from, to }) => {
    if (!first || more) return undefined;
    const found = brightnessAt(first.currentMa);
    const [low, high] = [found - SAME_BRIGHTNESS, found + SAME_BRIGHTNESS].map((end) =>
      rounded(Math.min(1, Math.max(0, end))),
    );
    return { lamp: led, brightness: [low!, high!], from, to };
  },
};
