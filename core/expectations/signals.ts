import * as z from 'zod';
import { quantity, type FindingCode } from '../findings/finding';
import { soundingPhases } from '../rehearsal/phases';
import { observedSeconds } from '../rehearsal/trace';
import { seconds } from '../units';
import { partTextOf } from '../wiring/words';
import { sentence, type Slot } from '../words/sentence';
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
import { ledViewOf } from './led-view';
import { groupsOf, SIGNALS } from './morse';
import { absent, failedWith, passed, windowOf, type Observed } from './outcome';

const MOST_SIGNALS = 60;
/** How much longer than short ones long signals have to be so that people tell them apart. */
const CLEARLY_LONGER = 1.8;
/** How much longer a pause between letters has to be than one inside of a letter. */
const CLEARLY_APART = 1.4;
/** Signals and pauses that are named of what was seen. */
const MOST_SHOWN = 24;

const schema = z.strictObject({
  part: lightSchema,
  signals: z
    .string()
    .max(MOST_SIGNALS)
    .regex(new RegExp(`^(?:${SIGNALS})$`), 'write letters, like SOS, or signals, like ... --- ...'),
  ...windowed,
});
type Signals = z.infer<typeof schema>;

const signalsSlot: Slot<string> = {
  write: (text) => `“${text}”`,
  pattern: `[“"](?:${SIGNALS})[”"]`,
  read: (text) => text.slice(1, -1).toUpperCase(),
};

/** A light that is lit, or a sound: seconds. */
interface Signal {
  readonly from: number;
  readonly to: number;
}
const lengthOf = ({ from, to }: Signal): number => to - from;

/** A light or a sound that is short and long, as in Morse code. */
export const signals: ExpectationDefinition<Signals> = {
  keys: ['part', 'signals'],
  schema,
  sentence: sentence<Signals>(`{part} signals {signals}< in Morse>${WINDOW}`, {
    part: lightSlot,
    signals: signalsSlot,
    ...windowSlots,
  }),
  exampleOf: ['light', 'sound'],
  parts: ({ part }) => [partOfLight(part)],
  check: (expectation, observed) => {
    const seen = seenOf(expectation, observed);
    if (!seen) return absent(expectation.part);
    const groups = groupsOf(expectation.signals);
    const wanted = groups.join('');
    const found = seen.signals;
    const kinds = kindsOf(found.map(lengthOf), wanted);
    const shown = kinds === undefined ? timesOf(found) : shownAs(found, kinds);
    const asked = `“${groups.join(' ')}”`;
    const wrong = (code: FindingCode, message: string, hint: string, remedy: string) =>
      failedWith(shown === '' ? 'no signal' : shown, {
        code,
        severity: 'fault',
        refs: [seen.ref],
        message: `${capital(seen.name)} ${message}`,
        hints: [`Write down what ${seen.ref} signals, short and long. What should it be?`, hint, remedy],
        evidence: { found: quantity(found.length, ''), wanted: quantity(wanted.length, '') },
      });
    if (found.length === 0)
      return wrong(
        seen.isSound ? 'tone-off' : 'not-lit',
        `gives no signal ${seen.span}; it should signal ${asked}.`,
        `${seen.ref} is ${seen.isSound ? 'silent' : 'dark'} ${seen.span}.`,
        `Find what keeps ${seen.ref} ${seen.isSound ? 'silent' : 'dark'}.`,
      );
    if (kinds === undefined)
      return wrong(
        'timing-off',
        `gives signals of ${timesOf(found)}: short and long ones cannot be told apart. It should signal ${asked}.`,
        `The signals last ${timesOf(found)}.`,
        `Make the long signals three times as long as the short ones.`,
      );
    const first = wanted.repeat(Math.ceil(kinds.length / wanted.length)).slice(0, kinds.length);
    if (kinds.length < wanted.length || kinds !== first)
      return wrong(
        kinds.length % wanted.length === 0 && kinds.length > 0 ? 'order-wrong' : 'count-wrong',
        `signals “${shown}”; it should signal ${asked}.`,
        `You see “${shown}”.`,
        `Go through the program signal by signal: ${asked}, where a dot is short and a dash is long.`,
      );
    const run = runOn(found, groups);
    if (run)
      return wrong(
        'timing-off',
        `pauses for ${seconds(run.pause)} at ${seconds(run.at)}, between two letters, and for ${seconds(run.inside)} inside of a letter; nobody can tell where a letter ends.`,
        `Inside of a letter the pauses last up to ${seconds(run.inside)}, and the one at ${seconds(run.at)} lasts ${seconds(run.pause)}.`,
        `Make the pause after each letter three times as long as the pauses inside of a letter.`,
      );
    return passed(`“${shown}”`);
  },
};

/** The signals of a light or a buzzer in the window, without those that the window cuts. */
function seenOf(
  expectation: Signals,
  observed: Observed,
):
  | {
      readonly ref: string;
      readonly name: string;
      readonly isSound: boolean;
      readonly span: string;
      readonly signals: readonly Signal[];
    }
  | undefined {
  const [from, to] = windowOf(expectation, observed.trace);
  const isWhole = (signal: Signal): boolean =>
    (signal.from > from + 1e-9 || from === 0) && signal.to < to - 1e-9;
  const ref = observed.builtRef(expectation.part);
  const sounds = ref && observed.trace.sounds.get(ref);
  if (ref !== undefined && sounds)
    return {
      ref,
      name: partTextOf(observed.wiring, ref),
      isSound: true,
      span: `from ${seconds(from)} to ${seconds(to)}`,
      signals: soundingPhases(sounds, observedSeconds(observed.trace))
        .filter(({ on }) => on)
        .filter(isWhole)
        .filter((signal) => signal.from >= from - 1e-9),
    };
  const view = ledViewOf({ ...expectation, lamp: expectation.part }, observed);
  return (
    view && {
      ref: view.ref,
      name: view.name,
      isSound: false,
      span: view.span,
      signals: view.phases.filter(({ lit }) => lit).filter(isWhole),
    }
  );
}

/** Short and long, a sign for each length; `undefined` where they cannot be told apart, or are not as alike as they should be. */
function kindsOf(lengths: readonly number[], wanted: string): string | undefined {
  const sorted = [...lengths].sort((one, other) => one - other);
  const [shortest = 0, longest = 0] = [sorted[0], sorted.at(-1)];
  if (shortest <= 0) return '';
  const isOfOneKind = longest / shortest < CLEARLY_LONGER;
  if (isOfOneKind) {
    const [only] = wanted;
    return [...wanted].every((sign) => sign === only) ? only!.repeat(lengths.length) : undefined;
  }
  // The widest step between neighbours is what parts the short ones from the long ones.
  const steps = sorted.slice(1).map((length, index) => length / sorted[index]!);
  const widest = steps.indexOf(Math.max(...steps));
  if (steps[widest]! < CLEARLY_LONGER / 1.2) return undefined;
  const limit = sorted[widest]!;
  return lengths.map((length) => (length <= limit ? '.' : '-')).join('');
}

/** A pause between letters that is no longer than those inside of them. */
function runOn(
  found: readonly Signal[],
  groups: readonly string[],
): { readonly pause: number; readonly at: number; readonly inside: number } | undefined {
  if (groups.length < 2) return undefined;
  const pauses = found.slice(1).map((signal, index) => ({
    at: found[index]!.to,
    pause: signal.from - found[index]!.to,
  }));
  const ends = new Set<number>();
  let end = -1;
  for (let index = 0; end < pauses.length; index += 1) {
    end += groups[index % groups.length]!.length;
    ends.add(end);
  }
  const inside = Math.max(0, ...pauses.filter((_, index) => !ends.has(index)).map(({ pause }) => pause));
  const short = pauses.find(({ pause }, index) => ends.has(index) && pause < inside * CLEARLY_APART);
  return short && { ...short, inside };
}

/** `... --- ...`: what was seen, with a space where a pause is clearly longer than the shortest. */
function shownAs(found: readonly Signal[], kinds: string): string {
  const pauses = found.slice(1).map((signal, index) => signal.from - found[index]!.to);
  const shortest = Math.min(...pauses);
  const shown = [...kinds]
    .slice(0, MOST_SHOWN)
    .map((kind, index) => (pauses[index]! > shortest * CLEARLY_APART ? `${kind} ` : kind))
    .join('')
    .trim();
  return kinds.length > MOST_SHOWN ? `${shown} …` : shown;
}

const timesOf = (found: readonly Signal[]): string =>
  [...new Set(found.slice(0, 6).map((signal) => seconds(lengthOf(signal))))].join(', ');
