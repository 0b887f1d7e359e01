import * as z from 'zod';
import { quantity } from '../findings/finding';
import { seconds, times } from '../units';
import { sentence } from '../words/sentence';
import { lightSlot } from '../words/slots';
import { counted, countSchema, countsSlot, countText, isCount, OR_MORE, orMoreSlot } from './counted';
import {
  lightSchema,
  partOfLight,
  WINDOW,
  windowed,
  windowSlots,
  type ExpectationDefinition,
} from './definition';
import { nearestTo } from './figures';
import { failed, ledViewOf, neverLit, saw, summary } from './led-view';
import { absent, passed } from './outcome';

const schema = z.strictObject({ lamp: lightSchema, flashes: countSchema(), ...counted, ...windowed });
type Flashes = z.infer<typeof schema>;

/** How often an LED is lit. */
export const flashes: ExpectationDefinition<Flashes> = {
  keys: ['lamp', 'flashes'],
  schema,
  sentence: sentence<Flashes>(`{lamp} flash<es> {flashes}${OR_MORE}${WINDOW}`, {
    lamp: lightSlot,
    flashes: countsSlot,
    ...orMoreSlot,
    ...windowSlots,
  }),
  example: 'D1 flashes 3 times',
  exampleOf: ['light'],
  parts: ({ lamp: led }) => [partOfLight(led)],
  check: (expectation, observed) => {
    const view = ledViewOf(expectation, observed);
    if (!view) return absent(expectation.lamp);
    const wanted = expectation.flashes;
    const count = view.phases.filter((phase) => phase.lit).length;
    if (isCount(count, wanted, expectation)) return passed(summary(view));
    if (count === 0) return failed(view, [neverLit(view)]);
    return failed(view, [
      saw(
        view,
        'count-wrong',
        `flashes ${times(count)} in ${seconds(view.seconds)}; it should flash ${countText(wanted, expectation)}.`,
        [
          `Count the flashes of ${view.ref}. How many should there be?`,
          `It flashes ${times(count)} in ${seconds(view.seconds)} instead of ${countText(wanted, expectation)}.`,
          `Change the program so that ${view.ref} flashes ${countText(wanted, expectation)}.`,
        ],
        { found: quantity(count, ''), wanted: quantity(nearestTo(count, wanted), '') },
      ),
    ]);
  },
  describeLight: ({ lamp: led, seen, from, to }) => {
    const edges = [seen[0], seen.at(-1)];
    // An LED that is lit at an edge of the window was cut, or is not flashing at all.
    if (seen.some(({ glow }) => glow === 'faint') || edges.some((edge) => edge?.glow === 'lit'))
      return undefined;
    return { lamp: led, flashes: seen.filter(({ glow }) => glow === 'lit').length, from, to };
  },
};
