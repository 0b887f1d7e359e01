'use client';

import { useMemo, useState } from 'react';
import { traceOfWanted, type Wanted, type WantedRun as Run } from '@/core/generated/wanted';
import { refusalText } from '@/core/messages/refusal';
import { wantedSchema } from '@/core/messages/wanted';
import { kindOf } from '@/core/parts';
import { capital } from '@/core/words/words';
import { ask } from '../connection/ask';
import { Button } from '../design/Button';
import { Problem } from '../design/Problem';
import { LiveParts } from '../rehearsal/LiveParts';
import { Score } from '../rehearsal/Score';
import { Transport } from '../rehearsal/Transport';
import { useGivenRun } from '../rehearsal/useRehearsal';
import { useTold } from '../words/Words';
import { useBench } from './useBench';

type State =
  | { readonly state: 'closed' }
  | { readonly state: 'asking' }
  | { readonly state: 'there'; readonly wanted: Wanted }
  | { readonly state: 'problem'; readonly message: string };

/** What the exercise wants, to be seen: the parts as they do it, without how it is made. */
export function WantedRun() {
  const { publicationId, isPreview } = useBench();
  const [state, setState] = useState<State>({ state: 'closed' });
  const open = async (): Promise<void> => {
    setState({ state: 'asking' });
    try {
      const answer = await ask(`/api/wanted/${publicationId}`);
      const body: unknown = await answer.json();
      const read = wantedSchema.safeParse(body);
      if (answer.ok && read.success) setState({ state: 'there', wanted: read.data });
      else setState({ state: 'problem', message: refusalText(body) ?? 'It can’t be shown just now.' });
    } catch {
      setState({ state: 'problem', message: 'There is no connection. Try again when it is back.' });
    }
  };
  // Who tries an exercise as a learner has it on a page of its own.
  if (isPreview) return null;
  if (state.state === 'there')
    return <Runs wanted={state.wanted} onClose={() => setState({ state: 'closed' })} />;
  return (
    <div className="mt-3">
      <Button size="roomy" disabled={state.state === 'asking'} onClick={() => void open()}>
        {state.state === 'asking' ? 'Putting it together …' : 'See what it should do'}
      </Button>
      <Problem className="mt-1">{state.state === 'problem' ? state.message : undefined}</Problem>
    </div>
  );
}

interface RunsProps {
  readonly wanted: Wanted;
  readonly onClose: () => void;
}

function Runs({ wanted: { parts, runs: given }, onClose }: RunsProps) {
  const runs = useTold(given);
  const [shown, setShown] = useState(0);
  const run = given[shown];
  return (
    <section aria-label="What it should do" className="mt-3 border-y border-ink py-3">
      <div className="mb-2 flex flex-wrap items-center gap-2">
        {runs.length > 1 && (
          <div role="group" aria-label="What is shown" className="flex flex-wrap">
            {runs.map(({ name }, index) => (
              <Button
                key={name}
                look="choice"
                className="min-h-11"
                aria-pressed={index === shown}
                onClick={() => setShown(index)}
              >
                {capital(name)}
              </Button>
            ))}
          </div>
        )}
        <Button look="quiet" className="ml-auto min-h-11" onClick={onClose}>
          Close
        </Button>
      </div>
      {run ? (
        <Played key={run.name} run={run} parts={parts} />
      ) : (
        <p>What it does is for you to decide, so there is nothing to show.</p>
      )}
    </section>
  );
}

const NO_HANDS: readonly never[] = [];

function Played({ run, parts }: { readonly run: Run; readonly parts: Wanted['parts'] }) {
  const trace = useMemo(() => traceOfWanted(run), [run]);
  const playing = useGivenRun(trace, { scenario: run.name, seconds: run.seconds, stimuli: run.stimuli });
  const read = useMemo(
    () =>
      parts.flatMap(({ ref, kind, value }) => {
        const known = kindOf(kind).readValue(value);
        return known.ok ? [{ ref, kind, value: known.value }] : [];
      }),
    [parts],
  );
  return (
    <div className="grid gap-2">
      <LiveParts rehearsal={playing} index={0} parts={read} hands={NO_HANDS} />
      <Transport rehearsal={playing} showsProgram={false} keys="off" />
      <Score rehearsal={playing} titles={['What it should do']} />
    </div>
  );
}
