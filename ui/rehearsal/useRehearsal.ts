'use client';

import { useEffect, useEffectEvent, useMemo, useRef, useState } from 'react';
import { createStore, type StoreApi } from 'zustand';
import type { RunOfSubject, RunSubject } from '@/core/generated/live-runs';
import type { Shown } from '@/core/generated/shown';
import type { FirstDifference } from '@/core/judge/compared-runs';
import type { Recording } from '@/core/rehearsal/recording';
import { Replay } from '@/core/rehearsal/replay';
import { ReplayedProgram } from '@/core/rehearsal/replayed-program';
import type { SeenTrace } from '@/core/rehearsal/trace';
import type { Stimulus } from '@/core/stimuli';
import type { RunAnswer, KeepRequest, RunRequest } from '@/workers/web/messages';
import { rehearsalWorker } from '../connection/workers';
import { playAfter, playOf, type Play, type PlayAction, type Script } from './play';

/** A run that is there, ready to be looked at from any moment. */
export interface Run {
  readonly trace: SeenTrace;
  readonly replay: Replay;
  /** What is done to it, by its own names. */
  readonly stimuli: readonly Stimulus[];
  /** What is known of its program; nothing of a run of which only the outside is shown. */
  readonly inside?: {
    readonly recording: Recording;
    readonly program: ReplayedProgram;
    readonly explained: RunOfSubject['explained'];
  };
}

/** A run of which all is known. */
const runOf = ({ recording, stimuli, explained }: RunOfSubject, source: string): Run => ({
  trace: recording.trace,
  replay: new Replay(recording.trace),
  stimuli,
  inside: { recording, program: new ReplayedProgram(recording, source), explained },
});

/** Runs of the same hands: one, or the reference's and that of what is beside it. */
export interface Runs {
  readonly runs: readonly Run[];
  readonly first: FirstDifference | undefined;
  /** Seconds of the run that are worked out. */
  readonly known: number;
}

/** What a view of a rehearsal reads. */
export interface RehearsalState {
  readonly play: Play;
  readonly runs: Runs | undefined;
  /** Why nothing can be run. */
  readonly hindrance: string | undefined;
  /** Whether a run is being worked out. */
  readonly isWorking: boolean;
}

/** A play that can be looked at and acted on. */
export interface Playing extends StoreApi<RehearsalState> {
  readonly dispatch: (action: PlayAction) => void;
}

export interface Rehearsal extends Playing {
  /** What was done by hand up to now, as a scenario with all that came of it. */
  readonly keep: (name: string) => Promise<Shown | undefined>;
}

/** Longest step of the clock that is played: a page that was away does not catch up. */
const LONGEST_FRAME = 0.1;
const nothingKnown = (script: Script): RehearsalState => ({
  play: playOf(script),
  runs: undefined,
  hindrance: undefined,
  isWorking: true,
});

/** Runs circuits in a worker beside the page, and plays what comes of them by the clock of the page. */
export function useRehearsal(subjects: readonly RunSubject[], script: Script): Rehearsal {
  const [store] = useState(() => createStore<RehearsalState>(() => nothingKnown(script)));
  const worker = useRef<Worker>(undefined);
  const seq = useRef(0);
  const kept = useRef<(shown: Shown | undefined) => void>(undefined);

  const hear = useEffectEvent((answer: RunAnswer): void => {
    if (answer.type === 'kept') kept.current?.(answer.shown);
    else if (answer.seq !== seq.current) return;
    else if (answer.type === 'hindered')
      store.setState({ hindrance: answer.message, isWorking: false, runs: undefined });
    else
      store.setState({
        hindrance: undefined,
        isWorking: false,
        runs: {
          runs: answer.runs.map((run, index) => runOf(run, subjects[index]?.program ?? '')),
          first: answer.first,
          known: knownSeconds(answer.runs),
        },
      });
  });
  const ask = useEffectEvent((): void => {
    const { stimuli, seconds } = store.getState().play;
    seq.current += 1;
    store.setState({ isWorking: true });
    worker.current?.postMessage({
      type: 'run',
      seq: seq.current,
      subjects,
      stimuli,
      seconds,
    } satisfies RunRequest);
  });

  useEffect(() => {
    const made = rehearsalWorker();
    made.onmessage = ({ data }: MessageEvent<RunAnswer>) => hear(data);
    made.onerror = () => store.setState({ hindrance: STOPPED, isWorking: false });
    worker.current = made;
    return () => made.terminate();
  }, [store]);
  // Another circuit or another program is run anew under the same hands.
  const asked = JSON.stringify(subjects);
  useEffect(() => ask(), [asked]);
  useEffect(
    () =>
      store.subscribe(({ play }, { play: before }) => {
        if (play.stimuli !== before.stimuli || play.seconds !== before.seconds) ask();
      }),
    [store],
  );
  useClock(store);

  return useMemo(
    () => ({
      ...playingOf(store),
      keep: (name) =>
        new Promise((resolve) => {
          const { stimuli, at } = store.getState().play;
          kept.current = resolve;
          worker.current?.postMessage({
            type: 'keep',
            subject: subjects[0]!,
            name,
            stimuli,
            // With a second more, so that what comes of the last touch is seen to stay.
            seconds: Math.ceil(at) + 1,
          } satisfies KeepRequest);
        }),
    }),
    // The circuits are the same as long as they read the same.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [store, asked],
  );
}

const playingOf = (store: StoreApi<RehearsalState>): Playing => ({
  ...store,
  dispatch: (action) => store.setState(({ play }) => ({ play: playAfter(play, action) })),
});

/** Plays a run that is there already, of which nothing can be changed. */
export function useGivenRun(trace: SeenTrace, script: Script): Playing {
  const [playing] = useState(() => {
    const run: Run = { trace, replay: new Replay(trace), stimuli: script.stimuli };
    return playingOf(
      createStore<RehearsalState>(() => ({
        ...nothingKnown(script),
        isWorking: false,
        runs: { runs: [run], first: undefined, known: trace.seconds },
      })),
    );
  });
  useClock(playing);
  return playing;
}

const STOPPED = 'What runs the program has stopped. Load the page again; nothing is lost.';

/** How far all of the runs are worked out: one that was given up is known up to there. */
const knownSeconds = (runs: readonly RunOfSubject[]): number =>
  Math.min(
    ...runs.map(({ recording: { trace } }) =>
      trace.ended.reason === 'steps' || trace.ended.reason === 'changes' ? trace.ended.at : trace.seconds,
    ),
  );

/** Lets a play go on with the frames of the page. */
function useClock(store: StoreApi<RehearsalState>): void {
  useEffect(() => {
    let last: number | undefined;
    let frame = requestAnimationFrame(function next(now) {
      const { play, runs } = store.getState();
      if (play.going === 'on' && runs && last !== undefined) {
        const elapsed = Math.min(LONGEST_FRAME, (now - last) / 1000);
        const after = playAfter(play, { type: 'frame', elapsed, known: runs.known });
        if (after !== play) store.setState({ play: after });
      }
      last = now;
      frame = requestAnimationFrame(next);
    });
    return () => cancelAnimationFrame(frame);
  }, [store]);
}
