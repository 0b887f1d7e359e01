import * as z from 'zod';
import type { Ref } from '../brand';
import { quantity, type FindingCode, type Observation } from '../findings/finding';
import { kindOf } from '../parts';
import { heardIntervals, type HeardInterval } from '../rehearsal/heard';
import { observedSeconds } from '../rehearsal/trace';
import { figure, stretch, times } from '../units';
import { findPart } from '../wiring/wiring';
import { partTextOf } from '../wiring/words';
import { sentence } from '../words/sentence';
import { nameSlot, numberSlot, wordSlot } from '../words/slots';
import { capital, listText } from '../words/words';
import {
  refSchema,
  WINDOW,
  windowed,
  windowSlots,
  type ExpectationDefinition,
  type RunView,
} from './definition';
import { boundsOf, figureSchema, figureSlot, figureText } from './figures';
import { absent, failedWith, passed, windowOf, type Observed, type Outcome } from './outcome';

/** Stretches of sound that are told. */
const MOST_TOLD = 2;
/** Hertz of the tones that are spoken of. */
const ENDS = [0, 20_000] as const;
/** Share by which a tone may be off unnoticed. */
const TONE_TOLERANCE = 0.03;

const toneSchema = z.strictObject({
  buzzer: refSchema,
  tone: figureSchema(z.number().positive('a tone has more than 0 Hz'), z.number().min(0)),
  ...windowed,
});
const soundSchema = z.strictObject({ buzzer: refSchema, is: z.enum(['on', 'off']), ...windowed });
type Tone = z.infer<typeof toneSchema>;
type Sound = z.infer<typeof soundSchema>;

/** A buzzer sounds with a tone. */
export const tone: ExpectationDefinition<Tone> = {
  keys: ['buzzer', 'tone'],
  schema: toneSchema,
  sentence: sentence<Tone>(`{buzzer} sounds {tone}${WINDOW}`, {
    buzzer: nameSlot,
    tone: figureSlot(numberSlot, ENDS, ' Hz', ' ?hz'),
    ...windowSlots,
  }),
  parts: ({ buzzer }) => [buzzer],
  check: (expectation, observed) => {
    const heard = heardIn(expectation, observed);
    if (!heard) return absent(expectation.buzzer);
    const { sounding, summary } = heard;
    const off = offTone(expectation, sounding);
    if (off === undefined) return passed(summary);
    const wanted = figureText(expectation.tone, ENDS, (hertz) => `${figure(hertz)} Hz`);
    const part = findPart(observed.wiring, heard.ref);
    if (part && sounding.length > 0 && kindOf(part.kind).spokenTo?.(part.value) !== 'tone')
      return failedWith(summary, {
        code: 'tone-off',
        severity: 'fault',
        refs: [heard.ref],
        message: `${heard.name} has a tone of its own, ${figure(off)} Hz, whatever it is sent. It can’t sound ${wanted}.`,
        hints: [
          `Who chooses the tone: the program, or ${heard.ref} itself?`,
          `${heard.ref} sounds at ${figure(off)} Hz whenever there is power on it.`,
          `Use one that is given its tone instead: a passive one.`,
        ],
        evidence: { tone: quantity(off, 'Hz') },
      });
    return missed(heard, `sound ${wanted}`, 'tone-off', {
      remedy: `Give ${heard.ref} a tone ${wanted.replace(/^at/, 'of')} in that time.`,
      evidence: { tone: quantity(off, 'Hz') },
    });
  },
  describe: (run) =>
    steadyIn(run, ({ buzzer, hertz, from, to }) => (hertz > 0 ? [{ buzzer, tone: hertz, from, to }] : [])),
};

/** A buzzer sounds all the time, or not at all. */
export const sound: ExpectationDefinition<Sound> = {
  keys: ['buzzer', 'is'],
  schema: soundSchema,
  sentence: sentence<Sound>(`{buzzer} {is}< all the time>${WINDOW}`, {
    buzzer: nameSlot,
    is: wordSlot({ on: ['sounds'], off: ['is silent', 'keeps silent', 'stays silent'] }),
    ...windowSlots,
  }),
  example: 'Z1 sounds',
  exampleOf: ['sound'],
  parts: ({ buzzer }) => [buzzer],
  isThroughout: true,
  check: (expectation, observed) => {
    const heard = heardIn(expectation, observed);
    if (!heard) return absent(expectation.buzzer);
    const { sounding, all, summary } = heard;
    const isOn = expectation.is === 'on';
    const right = isOn ? sounding.length === all.length && all.length > 0 : sounding.length === 0;
    if (right) return passed(summary);
    return missed(
      heard,
      isOn ? 'sound all that time' : 'be silent',
      sounding.length === 0 ? 'tone-off' : 'timing-off',
      {
        remedy: `Switch ${heard.ref} ${expectation.is} in that time.`,
        evidence: {},
      },
    );
  },
  describe: (run) =>
    steadyIn(run, ({ buzzer, hertz, from, to }) => (hertz > 0 ? [] : [{ buzzer, is: 'off', from, to }])),
};

/** What is heard of a buzzer in a window. */
interface Heard {
  readonly ref: Ref;
  readonly name: string;
  readonly from: number;
  readonly to: number;
  readonly all: readonly HeardInterval[];
  readonly sounding: readonly HeardInterval[];
  readonly summary: string;
  /** What it does, to stand behind its name. */
  readonly heard: string;
}

function heardIn(expectation: Omit<Sound, 'is'>, observed: Observed): Heard | undefined {
  const ref = observed.builtRef(expectation.buzzer);
  const changes = ref && observed.trace.sounds.get(ref);
  if (ref === undefined || !changes) return undefined;
  const [from, to] = windowOf(expectation, observed.trace);
  const all = heardIntervals(changes, observedSeconds(observed.trace)).filter(
    (interval) => interval.to > from + 0.02 && interval.from < to - 0.02,
  );
  const sounding = all.filter(({ hertz }) => hertz > 0);
  const tones = [...new Set(sounding.map(({ hertz }) => `${figure(hertz)} Hz`))];
  const [only, other] = tones;
  const pieces = sounding.slice(0, MOST_TOLD).map((one) => {
    const when = stretch(Math.max(from, one.from), Math.min(to, one.to));
    return other === undefined ? when : `at ${figure(one.hertz)} Hz ${when}`;
  });
  const alone = other === undefined ? `at ${only} ` : '';
  const more = sounding.length > MOST_TOLD ? `, and ${times(sounding.length - MOST_TOLD)} more` : '';
  const summary =
    sounding.length === 0
      ? 'silent all the time'
      : sounding.length === all.length
        ? `sounds all the time, ${tones.join(', ')}`
        : `sounds ${alone}${pieces.join(', ')}${more}`;
  const heard =
    sounding.length === 0
      ? `is silent ${stretch(from, to)}`
      : sounding.length === all.length
        ? `sounds ${stretch(from, to)}, at ${listText(tones.slice(0, MOST_TOLD))}`
        : `sounds ${alone}only ${listText(pieces)}${more}`;
  return { ref, name: capital(partTextOf(observed.wiring, ref)), from, to, all, sounding, summary, heard };
}

function missed(
  { ref, name, from, to, heard, summary }: Heard,
  wanted: string,
  code: FindingCode,
  { remedy, evidence }: { readonly remedy: string; readonly evidence: Observation['evidence'] },
): Outcome {
  return failedWith(summary, {
    code,
    severity: 'fault',
    refs: [ref],
    message: `${name} ${heard}. It should ${wanted}.`,
    hints: [
      `What should be heard from ${ref} ${stretch(from, to)}?`,
      `${ref} ${heard}. It should ${wanted}.`,
      remedy,
    ],
    evidence,
  });
}

/** The first tone that is not the wanted one, 0 for none at all; `undefined` when all are right. */
function offTone(
  { tone: wanted, tolerance }: Tone,
  sounding: readonly { readonly hertz: number }[],
): number | undefined {
  if (sounding.length === 0) return 0;
  const [least, most] = boundsOf(wanted, { usual: TONE_TOLERANCE, said: tolerance, of: (hertz) => hertz });
  return sounding.find(({ hertz }) => hertz < least || hertz > most)?.hertz;
}

/** What is said of each buzzer that is heard alike through a window in which nothing is done. */
const steadyIn = <Claim>(
  { trace, seconds: length, windows }: RunView,
  say: (steady: { buzzer: string; hertz: number; from: number; to: number }) => readonly Claim[],
): readonly Claim[] =>
  [...trace.sounds].flatMap(([buzzer, changes]) =>
    windows.flatMap(({ from, to }) => {
      const heard = heardIntervals(changes, length).filter((one) => one.to > from && one.from < to);
      const [only, more] = heard;
      return !only || more ? [] : say({ buzzer, hertz: only.hertz, from, to });
    }),
  );
