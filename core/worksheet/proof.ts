import type { ScenarioResult } from '../formats/report';
import type { LineExplanation } from '../generated/explain';
import type { NumberQuestion } from '../generated/questions';
import { definitionOf, touchedBy, type Stimulus } from '../stimuli';
import { type Scenario } from '../formats/scenario';
import { heardIntervals } from '../rehearsal/heard';
import { seenIntervals } from '../rehearsal/seen';
import { lightsOf, observedSeconds, type Trace } from '../rehearsal/trace';

/** A stretch of a row in which something is so; seconds from the start. */
export interface TimelineMark {
  readonly from: number;
  readonly to: number;
  readonly strength: 'full' | 'faint';
  /** What it is, where that is not plain: `2300 Hz`, `90°`, `0.5`. */
  readonly label?: string;
}

/** What is done to one part, or what it is seen or heard to do. */
export interface TimelineRow {
  readonly name: string;
  readonly sort: 'done' | 'seen' | 'heard' | 'turned';
  readonly marks: readonly TimelineMark[];
}

export interface ScenarioTimeline {
  readonly scenario: string;
  readonly seconds: number;
  readonly rows: readonly TimelineRow[];
}

/** What the reference itself does: what is seen, and what its own check says. */
export interface Proof {
  /** The program that all this is about. */
  readonly program: string;
  readonly timelines: readonly ScenarioTimeline[];
  readonly scenarios: readonly ScenarioResult[];
  /** For each expectation of each scenario, whether it would be met without any program. */
  readonly withoutProgram: readonly (readonly boolean[])[];
  /** Numbers to change, with what is then seen. */
  readonly questions: readonly NumberQuestion[];
  /** What each line of the program does. */
  readonly explanation: readonly LineExplanation[];
  /** Names of scenarios that the author has marked as wrong and the program still does. */
  readonly stillWrong: readonly string[];
}

/** A run of a scenario as rows over time: first what is done, then what comes of it. */
export function timelineOf({ name, for: seconds, stimuli }: Scenario, trace: Trace): ScenarioTimeline {
  const until = observedSeconds(trace);
  const leds = [...lightsOf(trace)].map(([led, changes]): TimelineRow => ({
    name: led,
    sort: 'seen',
    marks: seenIntervals(changes, until).flatMap(({ from, to, glow }) =>
      glow === 'dark' ? [] : [{ from, to, strength: glow === 'lit' ? 'full' : 'faint' }],
    ),
  }));
  const sounds = [...trace.sounds].map(([ref, changes]): TimelineRow => ({
    name: ref,
    sort: 'heard',
    marks: heardIntervals(changes, until).flatMap(({ from, to, hertz }) =>
      hertz === 0 ? [] : [{ from, to, strength: 'full', label: `${hertz} Hz` }],
    ),
  }));
  const angles = [...trace.angles].map(([ref, changes]): TimelineRow => ({
    name: ref,
    sort: 'turned',
    marks: lasting(changes, until).map(({ at, to, degrees }) => ({
      from: at,
      to,
      strength: 'faint',
      label: `${Math.round(degrees)}°`,
    })),
  }));
  const turns = [...trace.turns].map(([ref, changes]): TimelineRow => ({
    name: ref,
    sort: 'turned',
    marks: lasting(changes, until).flatMap(({ at, to, speed }) =>
      speed === 0
        ? []
        : [
            {
              from: at,
              to,
              strength: 'full',
              label: `${speed < 0 ? '−' : ''}${Math.round(Math.abs(speed) * 100)} %`,
            },
          ],
    ),
  }));
  const pulls = [...trace.pulls].map(([ref, changes]): TimelineRow => ({
    name: ref,
    sort: 'turned',
    marks: lasting(changes, until).flatMap(({ at, to, isPulled }) =>
      isPulled ? [{ from: at, to, strength: 'full', label: 'pulled in' }] : [],
    ),
  }));
  const seen = [...leds, ...sounds, ...angles, ...turns, ...pulls];
  return { scenario: name, seconds, rows: [...doneRows(stimuli, until), ...seen] };
}

/** Changes with the moment at which the next one comes. */
function lasting<Change extends { readonly at: number }>(
  changes: readonly Change[],
  until: number,
): readonly (Change & { readonly to: number })[] {
  return changes
    .map((change, index) => ({ ...change, to: changes[index + 1]?.at ?? until }))
    .filter(({ at, to }) => to - at > 0.001);
}

function doneRows(stimuli: readonly Stimulus[], until: number): readonly TimelineRow[] {
  const names = [...new Set(stimuli.map((stimulus) => touchedBy(stimulus)?.name ?? 'board'))];
  return names.map((name) => {
    const own = stimuli
      .filter((stimulus) => (touchedBy(stimulus)?.name ?? 'board') === name)
      .sort((one, other) => one.at - other.at);
    return {
      name,
      sort: 'done',
      marks: own.map((stimulus, index) => markOf(stimulus, own[index + 1]?.at ?? until)),
    };
  });
}

function markOf(stimulus: Stimulus, next: number): TimelineMark {
  const { lasts, label } = definitionOf(stimulus);
  const from = stimulus.at;
  if (label) return { from, to: next, strength: 'faint', label: label(stimulus) };
  const length = lasts(stimulus);
  return { from, to: length === undefined ? next : from + length, strength: 'full' };
}
