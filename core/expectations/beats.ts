import * as z from 'zod';
import { quantity, type FindingCode, type Observation } from '../findings/finding';
import { soundingPhases, type Phase } from '../rehearsal/phases';
import { observedSeconds, type SoundChange } from '../rehearsal/trace';
import { seconds, stretch } from '../units';
import { partTextOf } from '../wiring/words';
import { sentence } from '../words/sentence';
import { nameSlot } from '../words/slots';
import { capital } from '../words/words';
import { refSchema, WINDOW, windowed, windowSlots, type ExpectationDefinition } from './definition';
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
} from './in-rhythm';
import { absent, failedWith, passed, windowOf } from './outcome';

const schema = z.strictObject({ buzzer: refSchema, rhythm: rhythmSchema, ...windowed });
type Beats = z.infer<typeof schema>;

/** Times for which a buzzer sounds and is silent, over and over. */
export const beats: ExpectationDefinition<Beats> = {
  keys: ['buzzer', 'rhythm'],
  schema,
  sentence: sentence<Beats>(`{buzzer} {rhythm}<, over and over>${WINDOW}`, {
    buzzer: nameSlot,
    rhythm: timesSlot({
      on: 'sounds',
      off: 'silent',
      saidOn: 'sounds|beeps|on',
      saidOff: 'silent|quiet|off',
    }),
    ...windowSlots,
  }),
  example: 'Z1 sounds 0.2 s, silent 0.8 s',
  exampleOf: ['sound'],
  parts: ({ buzzer }) => [buzzer],
  pauses: ({ rhythm }) => rhythm.map((time) => Math.round(time * 1000)),
  check: (expectation, observed) => {
    const { rhythm, tolerance } = expectation;
    const ref = observed.builtRef(expectation.buzzer);
    const changes = ref && observed.trace.sounds.get(ref);
    if (ref === undefined || !changes) return absent(expectation.buzzer);
    const [from, to] = windowOf(expectation, observed.trace);
    const phases = heardBetween(changes, observedSeconds(observed.trace), from, to);
    const inner = phases.slice(1, -1);
    const summary = summaryOf(phases);
    const stop = stopOf(rhythm, phases);
    const late = lateOf(rhythm, phases);
    const passes = keepsRhythm(rhythm, inner, tolerance);
    const isLate = passes && late !== undefined && isByItself(late, observed);
    if (passes && !isLate && !(stop && isByItself(stop, observed))) return passed(summary);
    const name = capital(partTextOf(observed.wiring, ref));
    const saw = (
      code: FindingCode,
      what: string,
      remedy: string,
      evidence: Observation['evidence'] = {},
    ): Observation => ({
      code,
      severity: 'fault',
      refs: [ref],
      message: `${name} ${what}`,
      hints: [`When should ${ref} sound, and when is it silent?`, `${ref} ${what}`, remedy],
      evidence,
    });
    const [only, more] = phases;
    if (!only || !more) {
      const isOn = only?.on === true;
      const wanted = rhythmText(rhythm);
      return failedWith(
        summary,
        saw(
          isOn ? 'timing-off' : 'tone-off',
          `${isOn ? 'sounds' : 'is silent'} ${stretch(from, to)}. It should go ${wanted}, over and over.`,
          `Switch ${ref} on and off in turn: ${wanted}.`,
        ),
      );
    }
    if (stop && !isLate) {
      const { phase: last, usual } = stop;
      const state = last.on ? 'goes on sounding' : 'stays silent';
      const what =
        phases.length > 2
          ? `stops changing at ${seconds(last.from)} and ${state}; ${seconds(usual)} would be right.`
          : `${last.on ? 'sounds' : 'is silent'} from ${seconds(last.from)} on. It should go ${rhythmText(rhythm)}, over and over.`;
      return failedWith(
        summary,
        saw(
          'timing-off',
          what,
          `Look for a line that the program reaches at ${seconds(last.from)} and never leaves, or for lines that run only once and belong in what repeats.`,
          { sinceS: quantity(last.from, 's') },
        ),
      );
    }
    const { phase, wanted } = furthestOff(rhythm, isLate ? [late.phase] : phasesToBlame(rhythm, phases));
    const found = phase.to - phase.from;
    return failedWith(
      summary,
      saw(
        'timing-off',
        `${phase.on ? 'sounds' : 'is silent'} for ${seconds(found)} at ${seconds(phase.from)}; it should be ${seconds(wanted)}.`,
        `Make the time in which ${ref} ${phase.on ? 'sounds' : 'is silent'} ${found > wanted ? 'shorter' : 'longer'}: ${Math.round(wanted * 1000)} milliseconds.`,
        { foundS: quantity(found, 's'), wantedS: quantity(wanted, 's') },
      ),
    );
  },
  describe: ({ trace, seconds: whole, windows }) =>
    [...trace.sounds].flatMap(([buzzer, changes]) =>
      windows.flatMap(({ from, to }): readonly Beats[] => {
        const rhythm = rhythmIn(heardBetween(changes, whole, from, to));
        return rhythm ? [{ buzzer, rhythm, from, to }] : [];
      }),
    ),
};

/** When a buzzer sounds in a window, whatever its tones. */
function heardBetween(
  changes: readonly SoundChange[],
  whole: number,
  from: number,
  to: number,
): readonly Phase[] {
  const heard: Phase[] = [];
  for (const phase of soundingPhases(changes, whole)) {
    const cut = { ...phase, from: Math.max(from, phase.from), to: Math.min(to, phase.to) };
    if (cut.to - cut.from <= 1e-9) continue;
    const before = heard.at(-1);
    if (before?.on === cut.on) heard[heard.length - 1] = { ...before, to: cut.to };
    else heard.push(cut);
  }
  return heard;
}

const rhythmText = (rhythm: readonly number[]): string =>
  rhythm.map((time, index) => `${index % 2 === 0 ? 'sounding' : 'silent'} ${seconds(time)}`).join(', ');

/** Stretches of sound that are told. */
const MOST_TOLD = 4;

function summaryOf(phases: readonly Phase[]): string {
  if (phases.length < 2) return phases[0]?.on ? 'sounds all the time' : 'silent all the time';
  const inner = phases.length > 2 ? phases.slice(1, -1) : phases;
  const told = inner
    .slice(0, MOST_TOLD)
    .map(({ on, from, to }) => `${on ? 'sounds' : 'silent'} ${seconds(to - from)}`)
    .join(', ');
  return inner.length > MOST_TOLD ? `${told} and so on` : told;
}
