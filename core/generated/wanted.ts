import type { Ref } from '../brand';
import type { Exercise } from '../formats/exercise';
import { programFor } from '../judge/build';
import { referenceOf } from '../judge/reference';
import { kindOf } from '../parts';
import type { Grammars } from '../program';
import { seenIntervals } from '../rehearsal/seen';
import { observedSeconds, type CurrentChange, type SeenTrace, type Trace } from '../rehearsal/trace';
import type { Stimulus } from '../stimuli';
import { ReferenceRuns } from './reference-runs';

/** Changes that are told of one part: what flickers faster than that looks steady long before. */
const MOST_CHANGES = 2000;

type Told<Change, Name extends string = string> = readonly (readonly [
  name: Name,
  changes: readonly Change[],
])[];
type ChangesOf<Track> = Track extends ReadonlyMap<Ref, readonly (infer Change)[]> ? Change : never;

/** What is seen and heard of a run, as plain data; nothing of pins, lines and wires. */
export interface WantedRun {
  readonly name: string;
  readonly seconds: number;
  readonly stimuli: readonly Stimulus[];
  readonly lights: Told<CurrentChange>;
  readonly ownLights: Told<CurrentChange>;
  readonly sounds: Told<ChangesOf<Trace['sounds']>, Ref>;
  readonly angles: Told<ChangesOf<Trace['angles']>, Ref>;
  readonly turns: Told<ChangesOf<Trace['turns']>, Ref>;
  readonly pulls: Told<ChangesOf<Trace['pulls']>, Ref>;
  readonly pictures: Told<ChangesOf<Trace['pictures']>, Ref>;
  readonly texts: Told<ChangesOf<Trace['texts']>, Ref>;
  readonly serial: Trace['serial'];
}

/** What an exercise wants, to be seen before it is built. */
export interface Wanted {
  /** The parts on which something is seen or heard, or to which something is done. */
  readonly parts: readonly { readonly ref: Ref; readonly kind: string; readonly value: string }[];
  readonly runs: readonly WantedRun[];
}

/**
 * The runs of an exercise's own program on its own circuit, as somebody sees them who only looks at the parts. None
 * for a program that does not compile.
 */
export function wantedOf(exercise: Exercise, grammars: Grammars): Wanted {
  const { data, reference } = exercise;
  const program = programFor(exercise, data.program, grammars);
  // An open task has no run that is wanted: what it does is each learner's own.
  const runner =
    !data.open && program.compiled && new ReferenceRuns(referenceOf(exercise, grammars), program);
  const parts = reference.parts.flatMap(({ ref, kind, value }) => {
    const { observed, stimulus } = kindOf(kind);
    return observed || stimulus ? [{ ref, kind, value: value.text }] : [];
  });
  return {
    parts,
    runs: runner
      ? data.scenarios.map(({ name, for: seconds, stimuli }) => ({
          name,
          seconds,
          stimuli,
          ...seenOf(runner.traceOf({ for: seconds, stimuli })),
        }))
      : [],
  };
}

function seenOf(trace: Trace): Omit<WantedRun, 'name' | 'seconds' | 'stimuli'> {
  const until = observedSeconds(trace);
  const lights = (tracks: Trace['leds']): Told<CurrentChange> =>
    [...tracks].map(([name, changes]) => [name, looksOf(changes, until)]);
  const told = <Change>(tracks: ReadonlyMap<Ref, readonly Change[]>): Told<Change, Ref> =>
    [...tracks].map(([name, changes]) => [name, changes.slice(0, MOST_CHANGES)]);
  return {
    lights: lights(trace.leds),
    ownLights: lights(trace.ownLights),
    sounds: told(trace.sounds),
    angles: told(trace.angles),
    turns: told(trace.turns),
    pulls: told(trace.pulls),
    pictures: told(trace.pictures),
    texts: told(trace.texts),
    serial: trace.serial.slice(0, MOST_CHANGES),
  };
}

/** How an LED looks, stretch by stretch, each with its mean current in mA. */
const looksOf = (changes: readonly CurrentChange[], until: number): readonly CurrentChange[] =>
  seenIntervals(changes, until)
    .slice(0, MOST_CHANGES)
    .map(({ from, currentMa }) => ({ at: from, currentMa: Math.round(currentMa * 10) / 10 }));

/** The run as it is seen again. */
export const traceOfWanted = (run: WantedRun): SeenTrace => ({
  seconds: run.seconds,
  leds: new Map(run.lights),
  ownLights: new Map(run.ownLights),
  sounds: new Map(run.sounds),
  angles: new Map(run.angles),
  turns: new Map(run.turns),
  pulls: new Map(run.pulls),
  pictures: new Map(run.pictures),
  texts: new Map(run.texts),
  pins: new Map(),
  serial: run.serial,
  ended: { reason: 'time', at: run.seconds, line: 0 },
});
