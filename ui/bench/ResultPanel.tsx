'use client';

import { useState } from 'react';
import { beginningText } from '@/core/course/bench-work';
import type { Finding } from '@/core/findings/finding';
import { isToldAtOnce } from '@/core/findings/hints';
import { rowOf } from '@/core/findings/table';
import { hasPassed, type Report } from '@/core/formats/report';
import { capital, listText } from '@/core/words/words';
import { Button } from '../design/Button';
import { Cautions } from '../design/Cautions';
import { VerdictMark } from '../design/Verdict';
import { useBench } from './useBench';
import { useTold } from '../words/Words';

/** What the check says: what is seen first, then one hint after the other. */
export function ResultPanel() {
  const { result, isStale, cancelCheck, way, stage } = useBench();
  return (
    <section aria-label="What the check says" aria-live="polite" className="border-t border-ink px-5 py-4">
      {result.state === 'idle' && (
        <p className="text-bench">
          {stage
            ? `Run it, or check it: only ${listText(stage.refs)} and their wires are looked at, with ${stage.program === undefined ? 'your program' : 'the program under Program'}.`
            : beginningText({ screenOrBench: way })}
        </p>
      )}
      {result.state === 'checking' && (
        <p className="flex flex-wrap items-center gap-4 text-bench">
          Building it and running it …
          {result.seconds > 0 && <span className="mono text-soft">{result.seconds} s</span>}
          <Button onClick={cancelCheck}>Stop</Button>
        </p>
      )}
      {result.state === 'unusable' && (
        <p className="text-bench">
          <strong>This can’t be checked yet.</strong> {result.message}
        </p>
      )}
      {result.state === 'done' && (
        <div className={isStale ? 'opacity-60' : ''}>
          {isStale && (
            <p className="mb-2 text-note font-semibold">
              You have changed something since then. Check again.
            </p>
          )}
          <Outcome report={result.report} />
          <Foretold report={result.report} />
        </div>
      )}
    </section>
  );
}

/** What the learner said beforehand, beside what the run showed. */
function Foretold({ report: given }: { readonly report: Report }) {
  const { state, stage } = useBench();
  // What was said is of the whole.
  const foretold = stage ? '' : state.foretold;
  const report = useTold(given);
  const seen = report.scenarios[0]?.expectations.map(({ observed }) => observed) ?? [];
  if (foretold === '' || seen.length === 0 || report.verdict === 'cannot-tell') return null;
  return (
    <dl className="mt-3 ml-7 grid max-w-[44rem] grid-cols-[6.5rem_minmax(0,1fr)] gap-y-1 border-t border-rule pt-2 text-bench">
      <dt className="text-soft">You said</dt>
      <dd>“{foretold}”</dd>
      <dt className="text-soft">It did</dt>
      <dd className="font-semibold">{capital(seen.join('; '))}.</dd>
    </dl>
  );
}

function Outcome({ report: given }: { readonly report: Report }) {
  const { state, dispatch, path, task } = useBench();
  const report = useTold(given);
  const cautions = useTold(task.cautions);
  const causes = report.findings.filter((finding) => finding.cause);
  const [cause] = causes;
  if (hasPassed(report.verdict) || !cause) return <Passed report={report} />;
  const level = isToldAtOnce(cause) ? 3 : state.hintLevel;
  const edits = cause.repair?.edits ?? [];
  const canApply = edits.some((edit) => !('replace' in edit));
  return (
    <div className="grid grid-cols-[1.75rem_minmax(0,1fr)]">
      {level < 2 && report.right.length > 0 && (
        <p className="col-start-2 mb-2 text-bench text-soft">
          <span className="font-semibold">Right already:</span> {report.right.join(' ')}
        </p>
      )}
      <span className="col-start-1 pt-1">
        <VerdictMark verdict={report.verdict} size={20} />
      </span>
      <div className="grid gap-3">
        <h2 className="text-title">{headline(report, cause, level)}</h2>
        {level < 3 && seenText(report) && <p className="text-bench">{seenText(report)}</p>}
        {level === 3 && <p className="text-bench">{restOf(cause.message)}</p>}
        <ol className="grid gap-1.5 text-bench">
          {cause.hints.slice(Math.max(0, level - 1), level).map((hint) => (
            <li key={hint} className="grid grid-cols-[4.2rem_minmax(0,1fr)]">
              <span className="pt-0.5 text-note text-soft">hint {level}</span>
              <span className="font-semibold">{hint}</span>
            </li>
          ))}
        </ol>
        <Cautions texts={cautions.flatMap(({ when, text }) => (when === 'find-fault' ? text : []))} />
        <div className="flex flex-wrap items-center gap-2.5">
          {level < 3 && (
            <Button look="main" size="roomy" onClick={() => dispatch({ type: 'take hint' })}>
              {level === 0 ? 'Give me a hint' : 'One more hint'}
            </Button>
          )}
          {level === 3 && canApply && (
            <Button look="main" size="roomy" onClick={() => dispatch({ type: 'take repair', edits })}>
              I did that: change my record
            </Button>
          )}
          {path && (
            <Button size="roomy" onClick={() => dispatch({ type: 'follow', step: 0 })}>
              Follow the current
            </Button>
          )}
          {causes.length > 1 && (
            <span className="text-note text-soft">{causes.length} things to fix; start with this one.</span>
          )}
        </div>
      </div>
    </div>
  );
}

function headline(report: Report, cause: Finding, level: number): string {
  if (level === 3 || report.verdict === 'cannot-tell') return firstSentence(cause.message);
  return cause.line === undefined
    ? 'It doesn’t do its job yet.'
    : rowOf(cause.code).isRefused
      ? 'The board would not accept this program.'
      : 'It doesn’t do its job yet.';
}

/** A message says in its first sentence what is there, and in the rest what it does. */
const firstSentence = (message: string): string => /^.*?\.(?= |$)/.exec(message)?.[0] ?? message;
const restOf = (message: string): string => message.slice(firstSentence(message).length).trim();

/** What a watcher would see, from the first scenario that fails. */
function seenText(report: Report): string | undefined {
  const failed = report.scenarios
    .flatMap((scenario) => scenario.expectations)
    .find((expectation) => !expectation.passed);
  // Of what was not run, or lies in the bag, nothing is seen.
  if (!failed || report.verdict === 'cannot-tell' || failed.observed === 'it did not run') return undefined;
  return `Wanted: ${failed.expected}. Seen: ${failed.observed}.`;
}

function Passed({ report }: { readonly report: Report }) {
  const { dispatch, way, stage, tryStage } = useBench();
  const [isOpen, setOpen] = useState(false);
  const advice = report.findings.filter((finding) => finding.code !== 'bench-disagrees');
  const said = report.findings.find((finding) => finding.code === 'bench-disagrees');
  const seen = new Set(
    report.scenarios.flatMap(({ expectations }) => expectations.map(({ observed }) => capital(observed))),
  );
  return (
    <div className="grid grid-cols-[1.75rem_minmax(0,1fr)]">
      <span className="pt-1">
        <VerdictMark verdict={report.verdict} size={20} />
      </span>
      <div className="grid gap-2">
        <h2 className="text-title">
          {stage
            ? `It works so far: “${stage.name}” does what it should.`
            : report.verdict === 'as-drawn'
              ? 'It works, and it is the circuit from the exercise.'
              : 'It works, in your own way.'}
        </h2>
        <p className="text-bench">{[...seen].join('. ')}.</p>
        {said && <p className="text-bench font-semibold">{said.message}</p>}
        <div className="mt-1">
          {stage ? (
            <Button look="main" size="roomy" onClick={() => tryStage(undefined)}>
              Go on building
            </Button>
          ) : (
            <Button look="main" size="roomy" onClick={() => dispatch({ type: 'open', panel: 'hand-in' })}>
              {way === 'screen-only' ? 'Hand it in' : 'Say what you saw, and hand in'}
            </Button>
          )}
        </div>
        {advice.length > 0 && (
          <div>
            <Button look="quiet" onClick={() => setOpen((open) => !open)} aria-expanded={isOpen}>
              {advice.length === 1 ? 'One thing worth knowing' : `${advice.length} things worth knowing`}
            </Button>
            {isOpen && (
              <ul className="mt-1 grid gap-1.5 pl-3">
                {advice.map((finding) => (
                  <li key={finding.message}>{finding.message}</li>
                ))}
              </ul>
            )}
          </div>
        )}
      </div>
    </div>
  );
}
