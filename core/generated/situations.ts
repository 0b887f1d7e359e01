import { brought, definitionOf, endsOf, type Stimulus } from '../stimuli';
import { findKind, kindOf } from '../parts';
import type { Trace } from '../rehearsal/trace';
import type { Wiring } from '../wiring/wiring';

/** Something that may be done to a circuit while its program runs. */
export interface Situation {
  /** `S1 held`: what is done, as the name of a scenario. */
  readonly name: string;
  /** Whether an exercise rarely speaks of it, and users do it all the same. */
  readonly unscripted: boolean;
  readonly seconds: number;
  readonly stimuli: readonly Stimulus[];
}

/** Seconds before anything is done, so that what the program does by itself is seen first. */
const BEGIN = 1;
/** Seconds of a usual press, of a short one, and of a slow turn. */
const PRESS = 0.3;
const TAP = 0.08;
const TURN = 2;
/** Seconds that are watched after the last thing done. */
const AFTER = 2;
/** Seconds of a run in which nothing is done. */
export const UNTOUCHED_SECONDS = 10;
/** A pause that a press can fall into and be over before it ends, in seconds. */
const LONG_PAUSE = 0.2;

/**
 * Situations for a circuit: first those that an exercise teaches (nobody touches it, each part used once),
 * then unscripted use. `untouched` is a run in which nothing was done; its pauses tell when a press is missed.
 */
export function situationsOf(wiring: Wiring, untouched: Trace): readonly Situation[] {
  const touched = wiring.parts.flatMap(({ ref, kind }) => {
    const how = kindOf(kind).stimulus;
    return how ? [{ ref, how, slides: kindOf(kind).contact === 'latching' }] : [];
  });
  const buttons = touched.filter(({ how }) => how === 'press').map(({ ref }) => ref);
  const situation = (
    name: string,
    unscripted: boolean,
    stimuli: readonly Stimulus[],
    seconds = lastMoment(stimuli) + AFTER,
  ): Situation => ({ name, unscripted, seconds: rounded(seconds), stimuli });

  const taught = touched.map(({ ref, how, slides }) => {
    if (how === 'press')
      return situation(`${ref} pressed once`, false, [{ at: BEGIN, press: ref, for: PRESS }]);
    if (how === 'motion')
      return situation(`something moves before ${ref}`, false, [{ at: BEGIN, motion: ref, for: PRESS }]);
    const [low, high] = endsOf(how);
    return situation(`${ref} from one end to the other`, false, [
      brought(how, { part: ref, at: 0, to: low }),
      brought(how, { part: ref, at: BEGIN, to: high, over: slides ? undefined : TURN }),
    ]);
  });
  const unscripted: Situation[] = buttons.flatMap((ref) => [
    situation(`${ref} held`, true, [{ at: BEGIN, press: ref }], BEGIN + 2 * AFTER),
    situation(`${ref} held from the start`, true, [{ at: 0, press: ref }], 2 * AFTER),
    situation(`${ref} tapped twice`, true, [
      { at: BEGIN, press: ref, for: TAP },
      { at: BEGIN + 3 * TAP, press: ref, for: TAP },
    ]),
  ]);
  const pause = untouched.pauses.find(({ at, seconds }) => at >= BEGIN / 2 && seconds >= LONG_PAUSE);
  if (pause)
    unscripted.push(
      ...buttons.map((ref) =>
        situation(`${ref} pressed in the middle of a pause`, true, [
          {
            at: rounded(pause.at + pause.seconds / 4),
            press: ref,
            for: rounded(Math.min(PRESS, pause.seconds / 2)),
          },
        ]),
      ),
    );
  if (buttons.length > 1)
    unscripted.push(
      situation(
        `${buttons.join(' and ')} at once`,
        true,
        buttons.map((press) => ({ at: BEGIN, press, for: PRESS })),
      ),
    );
  for (const { ref, how, slides } of touched) {
    if (how === 'press' || how === 'motion' || slides) continue;
    endsOf(how).forEach((end, index) => {
      unscripted.push(
        situation(`${ref} at its ${index === 0 ? 'lower' : 'upper'} end`, true, [
          brought(how, { part: ref, at: 0, to: end }),
        ]),
      );
    });
  }
  return [situation('nobody touches it', false, [], UNTOUCHED_SECONDS), ...taught, ...unscripted];
}

/** What may be done to the first of these parts that anything can be done to, as an example. */
export function exampleStimulus(
  parts: readonly { readonly ref: string; readonly kind: string }[],
): Stimulus | undefined {
  for (const { ref, kind } of parts) {
    const how = findKind(kind)?.stimulus;
    if (how === 'press') return { at: BEGIN, press: ref, for: PRESS };
    if (how === 'motion') return { at: BEGIN, motion: ref, for: PRESS };
    if (how) return brought(how, { part: ref, at: BEGIN, to: endsOf(how)[1] });
  }
  return undefined;
}

const lastMoment = (stimuli: readonly Stimulus[]): number =>
  Math.max(0, ...stimuli.map((stimulus) => stimulus.at + (definitionOf(stimulus).lasts(stimulus) ?? 0)));

const rounded = (seconds: number): number => Math.round(seconds * 100) / 100;
