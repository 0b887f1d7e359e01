'use client';

import { RadioGroup } from 'radix-ui';
import { useState } from 'react';
import { asksForProgram } from '@/core/formats/exercise';
import type { Sighting } from '@/core/formats/sighting';
import { Button } from '../design/Button';
import { Problem } from '../design/Problem';
import type { Queue } from '@/core/messages/hand-in';
import { queueText, useStanding } from '../report/useStanding';
import { Link } from '../shell/Link';
import { isBegun } from './bench-state';
import { useBench } from './useBench';

const choices: readonly { readonly sighting: Sighting; readonly label: string; readonly note: string }[] = [
  { sighting: 'right', label: 'It did what it should', note: 'just as the exercise says' },
  { sighting: 'dark', label: 'It stayed dark', note: 'nothing lit at all' },
  { sighting: 'faint', label: 'It only glowed faintly', note: 'so faint that you have to look closely' },
  { sighting: 'other', label: 'Something else', note: 'always on, wrong timing, on and off at random' },
];

/** What was really seen on the bench, and the hand-in. */
export function HandInPanel() {
  const { exercise, state: bench, handInState: state, obstacle, handIn, way, isPreview } = useBench();
  const { pending } = bench.draft;
  const missing = useMissing();
  /** What was missing when it was asked about; the same is not asked about again. */
  const [asked, setAsked] = useState<string>();
  const isAsking =
    missing !== undefined && asked === missing && pending === undefined && state.state === 'none';
  const press = (): void => {
    if (missing === undefined || asked === missing) handIn();
    else setAsked(missing);
  };
  return (
    <div className="px-5 py-5">
      {way === 'screen-only' ? (
        <p className="text-bench">
          This exercise is done on screen. Hand in your plan
          {asksForProgram({ data: exercise }) ? ' and your program' : ''}.
        </p>
      ) : (
        <Seen />
      )}
      <div className="mt-4">
        <Button
          look="main"
          size="roomy"
          onClick={press}
          disabled={isPreview || pending !== undefined || obstacle !== undefined}
        >
          {isAsking ? 'Hand in anyway' : 'Hand in'}
        </Button>
      </div>
      <div aria-live="polite" className="mt-3 text-bench">
        {isPreview && <p className="text-soft">This is a preview: a learner hands in here.</p>}
        {obstacle && <p className="font-semibold">{obstacle}</p>}
        {isAsking && <p className="font-semibold">{missing} Do you want to hand it in like this?</p>}
        {state.state === 'sending' && <p>Handing in …</p>}
        {state.state === 'waiting' && (
          <p className="font-semibold">
            {state.message ??
              'No connection. Your hand-in is saved on this tablet and will be sent as soon as there is one.'}
          </p>
        )}
        {state.state === 'refused' && <Problem>{state.message}</Problem>}
        {state.state === 'kept' && <Kept submissionId={state.submissionId} first={state.waiting} />}
      </div>
    </div>
  );
}

/** What a hand-in would come without, in words; `undefined` when it has all that is asked for. */
function useMissing(): string | undefined {
  const { exercise, state } = useBench();
  if (state.draft.parts.length > 0 && !isBegun(state.draft)) return 'Nothing is plugged in yet.';
  if (asksForProgram({ data: exercise }) && state.draft.program.trim() === '')
    return 'There is no program yet.';
  return undefined;
}

/** What was seen on the real bench. */
function Seen() {
  const { state, dispatch } = useBench();
  const { sighting } = state.draft;
  return (
    <>
      <h2 id="sighting-title" className="text-lead">
        What did you really see on your bench?
      </h2>
      <RadioGroup.Root
        aria-labelledby="sighting-title"
        value={sighting ?? ''}
        onValueChange={(value) => dispatch({ type: 'say what was seen', sighting: value as Sighting })}
        className="mt-3 border-t border-rule"
      >
        {choices.map(({ sighting: value, label, note }) => (
          <label
            key={value}
            className="flex min-h-14 items-center gap-3 border-b border-rule py-2 hover:bg-card"
          >
            <RadioGroup.Item
              value={value}
              aria-label={label}
              className="flex size-6 shrink-0 items-center justify-center rounded-full border-2 border-ink bg-card"
            >
              <RadioGroup.Indicator className="size-3 rounded-full bg-ink" />
            </RadioGroup.Item>
            <span>
              <span className="block text-bench font-semibold">{label}</span>
              <span className="text-note text-soft">{note}</span>
            </span>
          </label>
        ))}
      </RadioGroup.Root>
      <p className="mt-4 text-note text-soft">
        Not built yet? Hand in without an answer, and it counts as a plan.
      </p>
    </>
  );
}

/** What has become of a hand-in that the server has. */
function Kept({ submissionId, first }: { readonly submissionId: string; readonly first: Queue | undefined }) {
  const standing = useStanding(submissionId, first);
  return (
    <p className="font-semibold text-good">
      Handed in.{' '}
      {standing?.verdict ? (
        <Link href={`/reports/${submissionId}`} className="underline">
          See the report
        </Link>
      ) : (
        queueText(standing?.waiting)
      )}
    </p>
  );
}
