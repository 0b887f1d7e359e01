import * as z from 'zod';
import { quantity, type Observation } from '../findings/finding';
import { litPhases, type Phase } from '../rehearsal/phases';
import { seconds } from '../units';
import { sentence } from '../words/sentence';
import { lightSlot } from '../words/slots';
import { capital } from '../words/words';
import {
  lightSchema,
  partOfLight,
  WINDOW,
  windowed,
  windowSlots,
  type ExpectationDefinition,
} from './definition';
import { failed, ledViewOf, neverDark, neverLit, saw, summary, type LedView } from './led-view';
import { isByItself } from './going-on';
import {
  furthestOff,
  keepsRhythm,
  lateOf,
  phasesToBlame,
  rhythmIn,
  rhythmSchema,
  stopOf,
  timesSlot,
  type Standstill,
} from './in-rhythm';
import { absent, passed, type Outcome } from './outcome';

const schema = z.strictObject({
  lamp: lightSchema,
  rhythm: rhythmSchema,
  ...windowed,
});
type Rhythm = z.infer<typeof schema>;

/** Times lit and dark in turn, lit first; read from either. */
const rhythmSlot = timesSlot({ on: 'lit', off: 'dark', saidOn: 'lit|on|flash(?:es)?', saidOff: 'dark|off' });

/** Times for which an LED is lit and dark, over and over. */
export const rhythm: ExpectationDefinition<Rhythm> = {
  keys: ['lamp', 'rhythm'],
  schema,
  sentence: sentence<Rhythm>(`{lamp} {rhythm}<, over and over>${WINDOW}`, {
    lamp: lightSlot,
    rhythm: rhythmSlot,
    ...windowSlots,
  }),
  example: 'D1 lit 0.5 s, dark 2.5 s',
  exampleOf: ['light'],
  parts: ({ lamp: led }) => [partOfLight(led)],
  pauses: (expectation) => expectation.rhythm.map((time) => Math.round(time * 1000)),
  check: (expectation, observed) => {
    const view = ledViewOf(expectation, observed);
    if (!view) return absent(expectation.lamp);
    return checkRhythm(expectation, view, (still) => isByItself(still, observed));
  },
  describeLight: ({ lamp: led, seen, from, to }) => {
    if (seen.some(({ glow }) => glow === 'faint')) return undefined;
    const found = rhythmIn(litPhases(seen));
    return found && { lamp: led, rhythm: found, from, to };
  },
};

/** What the window cuts off is not judged; but a light that has stopped by itself was not cut off. */
function checkRhythm(
  { rhythm, tolerance }: Rhythm,
  view: LedView,
  isAlone: (still: Standstill) => boolean,
): Outcome {
  const phases = view.phases.map(({ from, to, lit }): Phase => ({ from, to, on: lit }));
  if (!phases.some(({ on }) => on)) return failed(view, [neverLit(view)]);
  if (!phases.some(({ on }) => !on)) return failed(view, [neverDark(view)]);
  const inner = phases.slice(1, -1);
  const passes = keepsRhythm(rhythm, inner, tolerance);
  const stop = stopOf(rhythm, phases);
  const late = lateOf(rhythm, phases);
  const isLate = late !== undefined && isAlone(late);
  if (passes && !isLate && !(stop && isAlone(stop))) return passed(summary(view));
  if (passes && isLate) return failed(view, [timingOff(rhythm, [late.phase], view)]);
  if (stop) return failed(view, [stopped(stop, view)]);
  return failed(view, [timingOff(rhythm, phasesToBlame(rhythm, phases), view)]);
}

/** That an LED has stopped. */
function stopped({ phase: last, usual }: Standstill, view: LedView): Observation {
  const state = last.on ? 'lit' : 'dark';
  return saw(
    view,
    last.on ? 'stays-on' : 'stays-off',
    `stops changing at ${seconds(last.from)} and stays ${state}.`,
    [
      `After ${seconds(last.from)} nothing changes any more. What does the program do from then on?`,
      `${view.ref} is ${state} from ${seconds(last.from)} to the end; ${seconds(usual)} would be right.`,
      `Look for a line that the program reaches at ${seconds(last.from)} and never leaves, or for lines that run only once and belong in what repeats.`,
    ],
    { sinceS: quantity(last.from, 's'), lastedS: quantity(last.to - last.from, 's') },
  );
}

/** Of a rhythm of more times than these, nobody reads all. */
const MOST_TIMES_TOLD = 6;
const rhythmText = (rhythm: readonly number[]): string =>
  rhythm.map((time, index) => `${index % 2 === 0 ? 'lit' : 'dark'} ${seconds(time)}`).join(', ');

function timingOff(rhythm: readonly number[], phases: readonly Phase[], view: LedView): Observation {
  const off = furthestOff(rhythm, phases);
  const at = rhythm.length > 2 ? ` at ${seconds(off.phase.from)}` : '';
  const among =
    rhythm.length > 2 && rhythm.length <= MOST_TIMES_TOLD ? `, in the rhythm ${rhythmText(rhythm)}` : '';
  const state = off.phase.on ? 'lit' : 'dark';
  const found = off.phase.to - off.phase.from;
  const direction = found > off.wanted ? 'longer' : 'shorter';
  return saw(
    view,
    'timing-off',
    `is ${state} for ${seconds(found)}${at}; it should be ${seconds(off.wanted)}${among}.`,
    [
      `How long is ${view.ref} ${state}, and how long should it be?`,
      `${capital(state)} for ${seconds(found)} instead of ${seconds(off.wanted)}: look at the delay after the pin goes ${off.phase.on ? 'on' : 'off'}.`,
      `Make that delay ${direction === 'longer' ? 'shorter' : 'longer'}, so that ${view.ref} is ${state} for ${seconds(off.wanted)}: ${Math.round(off.wanted * 1000)} milliseconds.`,
    ],
    { foundS: quantity(found, 's'), wantedS: quantity(off.wanted, 's') },
  );
}
