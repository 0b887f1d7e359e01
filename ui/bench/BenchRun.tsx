'use client';

import { useEffect, useMemo, useState } from 'react';
import { useStore } from 'zustand';
import { expectationSentence } from '@/core/expectations';
import { describeRun } from '@/core/generated/describe-run';
import type { RunSubject } from '@/core/generated/live-runs';
import { capital } from '@/core/words/words';
import type { Wiring } from '@/core/wiring/wiring';
import { Button } from '../design/Button';
import { Problem } from '../design/Problem';
import { HandList } from '../rehearsal/HandList';
import { LiveBench } from '../rehearsal/LiveBench';
import { BY_HAND } from '../rehearsal/play';
import { RunningProgram } from '../rehearsal/RunningProgram';
import { Score } from '../rehearsal/Score';
import { SerialLine } from '../rehearsal/SerialLine';
import { Spoken } from '../rehearsal/Spoken';
import { Pace, Transport } from '../rehearsal/Transport';
import { useHandKeys, useHands } from '../rehearsal/useHands';
import { useRehearsal, type Playing } from '../rehearsal/useRehearsal';
import { useTold } from '../words/Words';
import { useBench } from './useBench';

/** What is recorded, seen running: what will be seen is asked for first, and compared afterwards. */
export function BenchRun() {
  const { exercise, state, recorded, way, stage, tried: program } = useBench();
  const { parts, prediction = '' } = state.draft;
  const [isAsked, setAsked] = useState(prediction.trim() !== '');
  const [shown, setShown] = useState<RunSubject>();
  const now = useMemo(
    (): RunSubject => ({ wiring: recorded.table, program, exercise }),
    [recorded.table, program, exercise],
  );
  const [problem] = Object.values(recorded.problems);
  if (problem !== undefined || !recorded.wiring)
    return <Message text={`This can’t run yet. ${problem ?? ''}`} />;
  const missing = parts.filter(
    ({ ref, at }) =>
      (stage ? stage.refs.includes(ref) : true) && Object.values(at).every((place) => place === ''),
  ).length;
  if (way === 'bench' && missing > 0)
    return (
      <Message
        text={`In this class it is built first, and then it runs here too. ${missing === 1 ? 'One part has' : `${missing} parts have`} no place in your record yet.`}
      />
    );
  if (!isAsked && !stage)
    return (
      <Foretell
        onRun={() => {
          setAsked(true);
          setShown(now);
        }}
      />
    );
  const run = shown ?? now;
  return (
    <>
      {(run.wiring !== now.wiring || run.program !== now.program) && (
        <p className="flex flex-wrap items-center gap-3 border-b border-rule bg-wash px-5 py-2">
          You have changed something since.
          <Button className="min-h-11" onClick={() => setShown(now)}>
            Run it as it is now
          </Button>
        </p>
      )}
      <Running
        key={`${run.wiring}${run.program}`}
        subject={run}
        wiring={recorded.wiring}
        onBegin={() => setShown(run)}
      />
    </>
  );
}

function Message({ text }: { readonly text: string }) {
  const { dispatch } = useBench();
  return (
    <div className="grid justify-items-start gap-3 px-5 py-5 text-bench" role="status">
      <p className="max-w-[48ch]">{text}</p>
      <Button
        look="main"
        size="roomy"
        onClick={() => {
          dispatch({ type: 'lay down' });
          dispatch({ type: 'open', panel: 'wiring' });
        }}
      >
        Record the wiring
      </Button>
    </div>
  );
}

/** What will be seen, said before it is. */
function Foretell({ onRun }: { readonly onRun: () => void }) {
  const { state, dispatch } = useBench();
  const { prediction = '' } = state.draft;
  return (
    <form
      className="grid gap-3 px-5 py-5 text-bench"
      onSubmit={(event) => {
        event.preventDefault();
        onRun();
      }}
    >
      <label className="grid max-w-[60ch] gap-2">
        <span className="text-lead font-semibold">Before it runs: what will be seen?</span>
        <textarea
          rows={3}
          maxLength={400}
          value={prediction}
          placeholder="The red LED goes on for two seconds, then …"
          onChange={({ target }) => dispatch({ type: 'predict', prediction: target.value })}
          className="w-full border border-rule-strong bg-card px-3 py-2 placeholder:text-soft"
        />
      </label>
      <div className="flex flex-wrap gap-3">
        <Button type="submit" look="main" size="roomy" disabled={prediction.trim() === ''}>
          Now run it
        </Button>
        <Button look="quiet" size="roomy" onClick={onRun}>
          Run it without a guess
        </Button>
      </div>
    </form>
  );
}

interface RunningProps {
  readonly subject: RunSubject;
  readonly wiring: Wiring;
  /** The run begins; what is recorded meanwhile is not run until it is asked for. */
  readonly onBegin: () => void;
}

function Running({ subject, wiring: recorded, onBegin }: RunningProps) {
  const subjects = useMemo(() => [subject], [subject]);
  const rehearsal = useRehearsal(subjects, BY_HAND);
  // The record as it was when this run began, without what lies in the bag.
  const [wiring] = useState(() => ({
    ...recorded,
    parts: recorded.parts.filter(({ legs }) => legs.some(({ at }) => at !== null)),
  }));
  const hands = useHands(rehearsal, wiring.parts);
  useHandKeys(hands);
  const hindrance = useStore(rehearsal, (state) => state.hindrance);
  const isReady = useStore(rehearsal, ({ runs }) => runs !== undefined);
  const { isZoomed } = useBench().state;
  const [isLineByLine, setLineByLine] = useState(false);
  useEffect(() => {
    if (!isReady) return undefined;
    const begin = setTimeout(() => {
      onBegin();
      rehearsal.dispatch({ type: 'go on' });
    });
    return () => clearTimeout(begin);
    // It begins by itself once.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [isReady]);
  return (
    <section aria-label="Your build, running" className="grid gap-3 px-4 py-3">
      <Problem>{hindrance && `This can’t run yet. ${hindrance}`}</Problem>
      {!isReady && hindrance === undefined && <p role="status">Putting it together …</p>}
      <LiveBench
        rehearsal={rehearsal}
        index={0}
        wiring={wiring}
        title="Your build, running"
        hands={hands}
        className="max-h-[44vh] w-full"
        isNear={isZoomed}
      />
      <Spoken rehearsal={rehearsal} index={0} />
      <HandList rehearsal={rehearsal} hands={hands} />
      <Foretold rehearsal={rehearsal} />
      <div className="flex flex-wrap items-center gap-2">
        <Transport rehearsal={rehearsal} showsProgram={isLineByLine} />
        <Pace rehearsal={rehearsal} />
        <Button
          className="min-h-11"
          aria-pressed={isLineByLine}
          onClick={() => setLineByLine((before) => !before)}
        >
          Line by line
        </Button>
      </div>
      {isLineByLine && (
        <RunningProgram
          rehearsal={rehearsal}
          index={0}
          source={subject.program}
          label="Your program, running"
        />
      )}
      <SerialLine rehearsal={rehearsal} index={0} />
      <Score rehearsal={rehearsal} titles={['Your build']} />
    </section>
  );
}

/** What was said beforehand, beside what is seen, when the run stands still. */
function Foretold({ rehearsal }: { readonly rehearsal: Playing }) {
  const { state, stage } = useBench();
  // What was said is of the whole.
  const prediction = stage ? '' : (state.draft.prediction ?? '');
  const isSeen = useStore(rehearsal, ({ play }) => play.going === 'off' && play.at > 0);
  const run = useStore(rehearsal, ({ runs }) => runs?.runs[0]);
  const shows = useTold(
    useMemo(
      () =>
        isSeen && run?.inside
          ? describeRun(run.inside.recording.trace, run.stimuli).map(expectationSentence)
          : NOTHING,
      [isSeen, run],
    ),
  );
  if (!isSeen || prediction.trim() === '' || shows.length === 0) return null;
  return (
    <dl className="grid max-w-[44rem] grid-cols-[6.5rem_minmax(0,1fr)] gap-y-1 border-t border-rule pt-2 text-bench">
      <dt className="text-soft">You said</dt>
      <dd>“{prediction.trim()}”</dd>
      <dt className="text-soft">It does</dt>
      <dd className="font-semibold">{capital(shows.join('; '))}.</dd>
    </dl>
  );
}

const NOTHING: readonly string[] = [];
