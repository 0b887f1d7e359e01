'use client';

import { Hand } from 'lucide-react';
import { useState, useTransition } from 'react';
import type { BoardBench } from '@/core/messages/room';
import { benchStates, type BenchState } from '@/core/plan/room';
import { Button } from '../design/Button';
import { Problem } from '../design/Problem';
import { Link } from '../shell/Link';
import { StateMark } from './StateMark';
import { useRoom } from './useRoom';

interface RoomBoardProps {
  readonly classId: string;
  readonly benches: readonly BoardBench[];
  /** Whether it hangs where everybody sees it. */
  readonly isForWall: boolean;
  readonly viewerName: string;
  readonly answerCall: (callId: string, how: 'take' | 'end') => Promise<boolean>;
}

const WORDS: Readonly<Record<BenchState, string>> = {
  help: 'asks for help',
  stuck: 'stuck',
  checking: 'has just checked',
  building: 'building',
  begins: 'begins',
  done: 'done',
  away: 'not here',
};

/** Every bench of a class as it stands now; calls for help first, in their order. */
export function RoomBoard({ classId, benches: first, isForWall, viewerName, answerCall }: RoomBoardProps) {
  const { benches, connection } = useRoom(classId, first, isForWall);
  const [problem, setProblem] = useState<string>();
  const [isBusy, begin] = useTransition();
  const answer = (callId: string, how: 'take' | 'end'): void =>
    begin(async () => {
      const done = await answerCall(callId, how);
      setProblem(done ? undefined : 'Somebody else has taken it, or it is over.');
    });
  if (benches.length === 0)
    return (
      <p className="p-8 text-lead">Nobody is in this class yet. Add learners on the page of the class.</p>
    );
  const calls = benches
    .filter(({ call }) => call !== null)
    .toSorted((one, other) => (other.forSeconds ?? 0) - (one.forSeconds ?? 0));
  const counts = benchStates
    .map((state) => ({ state, count: benches.filter((bench) => bench.state === state).length }))
    .filter(({ count }) => count > 0);
  const sorted = isForWall
    ? benches
    : benches.toSorted(
        (one, other) =>
          benchStates.indexOf(one.state) - benchStates.indexOf(other.state) ||
          (other.forSeconds ?? 0) - (one.forSeconds ?? 0),
      );
  const shown = isForWall ? sorted : sorted.filter(({ state }) => state !== 'away');
  const away = isForWall ? [] : benches.filter(({ state }) => state === 'away');
  return (
    <div className="px-5 py-4">
      <div className="flex flex-wrap items-center gap-x-5 gap-y-1">
        {counts.map(({ state, count }) => (
          <span key={state} className="inline-flex items-center gap-1.5">
            <StateMark state={state} size={15} />
            <strong className="mono">{count}</strong> {WORDS[state]}
          </span>
        ))}
        <span className="ml-auto text-note text-soft" role="status">
          {connection === 'live'
            ? 'live'
            : connection === 'opening'
              ? 'connecting …'
              : 'not live: connecting again …'}
        </span>
      </div>
      <Problem className="mt-2">{problem}</Problem>
      {!isForWall && calls.length > 0 && (
        <section aria-labelledby="calls-title" className="mt-4">
          <h2 id="calls-title" className="text-lead">
            Calls for help
          </h2>
          <ol className="border-t border-rule">
            {calls.map(({ learnerId, name, call, forSeconds, lookAt, exercise }, index) => (
              <li
                key={learnerId}
                className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule py-2"
              >
                <span className="mono w-6 text-right text-soft">{index + 1}</span>
                <Hand size={20} aria-hidden="true" className="text-risk" />
                <span className="min-w-0 flex-1 basis-60">
                  <strong className="text-bench">{name}</strong>{' '}
                  <span className="text-soft">
                    {exercise}, for {duration(forSeconds)}
                    {call!.takenBy !== null &&
                      ` · ${call!.takenBy === viewerName ? 'you are' : `${call!.takenBy} is`} going`}
                  </span>
                  {lookAt !== '' && <span className="block">{lookAt}</span>}
                </span>
                {call!.takenBy === null ? (
                  <Button
                    look="main"
                    size="roomy"
                    disabled={isBusy}
                    aria-label={`I go to ${name}`}
                    onClick={() => answer(call!.id, 'take')}
                  >
                    I’ll go
                  </Button>
                ) : (
                  <Button
                    size="roomy"
                    disabled={isBusy}
                    aria-label={`${name} has been helped`}
                    onClick={() => answer(call!.id, 'end')}
                  >
                    Helped
                  </Button>
                )}
              </li>
            ))}
          </ol>
        </section>
      )}
      <ul
        aria-label="Benches"
        className={`mt-4 grid gap-2.5 ${isForWall ? 'grid-cols-[repeat(auto-fill,minmax(9rem,1fr))]' : 'grid-cols-[repeat(auto-fill,minmax(15rem,1fr))]'}`}
      >
        {shown.map((bench) => (
          <Bench key={bench.learnerId} bench={bench} isForWall={isForWall} />
        ))}
      </ul>
      {away.length > 0 && (
        <p className="mt-4 max-w-[56ch] text-soft">
          <span className="font-semibold">Not here: </span>
          {away.map(({ name }) => name).join('  ·  ')}
        </p>
      )}
    </div>
  );
}

const FRAMES: Readonly<Record<BenchState, string>> = {
  help: 'border-risk border-2 bg-card',
  stuck: 'border-fault border-2 border-dashed bg-card',
  checking: 'border-ink bg-card',
  building: 'border-rule-strong bg-card',
  begins: 'border-rule-strong',
  done: 'border-good bg-card',
  away: 'border-rule border-dashed',
};

function Bench({ bench, isForWall }: { readonly bench: BoardBench; readonly isForWall: boolean }) {
  const { name, exercise, board, state, forSeconds, lookAt, submissionId, call } = bench;
  return (
    <li className={`min-w-0 border px-3 py-2.5 ${FRAMES[state]} ${state === 'away' ? 'text-soft' : ''}`}>
      <p className="flex items-baseline justify-between gap-2">
        <strong className={`min-w-0 break-words ${isForWall ? 'mono text-display' : 'text-bench'}`}>
          {name}
        </strong>
        <StateMark state={state} size={isForWall ? 26 : 18} />
      </p>
      <p>
        {WORDS[state]}
        {forSeconds !== null && (state === 'stuck' || state === 'help') && ` for ${duration(forSeconds)}`}
        {call !== null && call.takenBy !== null && ', somebody is going'}
      </p>
      {!isForWall && (
        <>
          <p className="text-note text-soft">{exercise}</p>
          {board !== '' && <p className="text-note">{board}</p>}
          {lookAt !== '' && <p className="mt-1 text-note">{lookAt}</p>}
          {submissionId !== null && (
            <Link
              href={`/reports/${submissionId}`}
              className="mt-1 inline-flex min-h-6 items-center text-note underline decoration-rule-strong underline-offset-3"
            >
              last hand-in
            </Link>
          )}
        </>
      )}
    </li>
  );
}

/** A time as one says it across a room: `less than a minute`, `3 minutes`. */
function duration(seconds: number | null): string {
  const minutes = Math.floor((seconds ?? 0) / 60);
  if (minutes < 1) return 'less than a minute';
  return minutes === 1 ? 'a minute' : `${minutes} minutes`;
}
