import * as z from 'zod';
import { quantity, type Observation } from '../findings/finding';
import { seconds, stretch } from '../units';
import { sentence } from '../words/sentence';
import { lightSlot, wordSlot } from '../words/slots';
import {
  lightSchema,
  partOfLight,
  WINDOW,
  windowed,
  windowSlots,
  type ExpectationDefinition,
} from './definition';
import { failed, ledViewOf, length, neverDark, neverLit, saw, summary, type LedView } from './led-view';
import { absent, passed, type Observed, type Outcome } from './outcome';
import { pulled } from './pulled';
import { sound } from './sound';
import { turning } from './turning';

const schema = z.strictObject({ lamp: lightSchema, is: z.enum(['on', 'off']), ...windowed });
type Steady = z.infer<typeof schema>;

/** What is said to be on and is no LED: a buzzer sounds, a relay has pulled in, a motor turns. */
function ofOtherParts({ lamp: name, is, ...window }: Steady, observed: Observed): Outcome | undefined {
  const ref = observed.builtRef(name);
  if (ref === undefined) return undefined;
  const { sounds, pulls, turns } = observed.trace;
  if (sounds.has(ref)) return sound.check({ buzzer: name, is, ...window }, observed);
  if (pulls.has(ref)) return pulled.check({ relay: name, is, ...window }, observed);
  if (turns.has(ref))
    return turning.check({ motor: name, turns: is === 'on' ? 'forwards' : 'no', ...window }, observed);
  return undefined;
}

/** An LED is lit all the time, or dark all the time. */
export const steady: ExpectationDefinition<Steady> = {
  keys: ['lamp', 'is'],
  schema,
  sentence: sentence<Steady>(`{lamp} {is}< all the time>${WINDOW}`, {
    lamp: lightSlot,
    is: wordSlot({
      on: ['is on', 'is lit', 'stays on', 'stays lit'],
      off: ['is off', 'is dark', 'stays off', 'stays dark'],
    }),
    ...windowSlots,
  }),
  example: 'D1 is on',
  exampleOf: ['light'],
  parts: ({ lamp: led }) => [partOfLight(led)],
  isThroughout: true,
  check: (expectation, observed) => {
    const view = ledViewOf(expectation, observed);
    if (!view) return ofOtherParts(expectation, observed) ?? absent(expectation.lamp);
    const isOn = expectation.is === 'on';
    const right = view.phases.every((phase) => phase.lit === isOn);
    const dark = isOn || view.intervals.every((interval) => interval.glow === 'dark');
    if (right && dark) return passed(summary(view));
    if (isOn)
      return failed(view, [view.phases.some((phase) => phase.lit) ? leaves(view, 'lit') : neverLit(view)]);
    return failed(view, [
      view.phases.some((phase) => !phase.lit) && !right ? leaves(view, 'dark') : neverDark(view),
    ]);
  },
  describeLight: ({ lamp: led, seen: [first, more], dims, from, to }) => {
    if (!first || more) return undefined;
    if (first.glow === 'dark') return { lamp: led, is: 'off', from, to };
    const plainlyLit = !dims && first.flickerHz === undefined && first.glow === 'lit';
    return plainlyLit ? { lamp: led, is: 'on', from, to } : undefined;
  },
};

function leaves(view: LedView, state: 'lit' | 'dark'): Observation {
  const other = view.phases.find((phase) => phase.lit !== (state === 'lit'))!;
  return saw(
    view,
    'timing-off',
    `should be ${state} all the time, but is ${state === 'lit' ? 'dark' : 'lit'} ${stretch(other.from, other.to)}.`,
    [
      `What happens to ${view.ref} at ${seconds(other.from)}?`,
      `${view.ref} changes at ${seconds(other.from)}, and it shouldn’t.`,
      `Find the line that switches ${view.ref} at ${seconds(other.from)} and remove it.`,
    ],
    { fromS: quantity(other.from, 's'), foundS: quantity(length(other), 's') },
  );
}
