'use client';

import { listText } from '@/core/words/words';
import { Button } from '../design/Button';
import { useBench } from './useBench';

/** What came in from another tablet, and where the two differ; nothing when nothing did. */
export function JoinedNotice() {
  const { state, dispatch } = useBench();
  const { joined, draft } = state;
  const differing = joined?.differences.filter(({ what }) => what !== 'program') ?? [];
  const { aside } = draft;
  if (!joined && aside === undefined) return null;
  return (
    <section aria-label="From your other tablet" className="border-b border-rule bg-wash px-5 py-2">
      {joined && (
        <div className="flex items-start gap-3" role="status">
          <div className="min-w-0 flex-1">
            <p className="font-semibold">
              {joined.taken.length > 0
                ? `Changed on your other tablet: ${listText(joined.taken)}.`
                : 'You have been working on two tablets.'}
            </p>
            {differing.map(({ what, here, there }) => (
              <p key={what} className="text-note">
                {`The ${what} is ${here === '' ? 'free' : here} here and ${there === '' ? 'free' : there} there. It stays as it is here.`}
              </p>
            ))}
          </div>
          <Button onClick={() => dispatch({ type: 'read what joined' })}>Got it</Button>
        </div>
      )}
      {aside !== undefined && (
        <div className="mt-1 flex flex-wrap items-center gap-2">
          <p className="min-w-0 flex-1 basis-52">
            <span className="font-semibold">There are two programs.</span> They were written on two tablets at
            the same time.
          </p>
          <Button
            onClick={() => {
              dispatch({ type: 'exchange programs' });
              dispatch({ type: 'open', panel: 'program' });
            }}
          >
            Show the other one
          </Button>
          <Button onClick={() => dispatch({ type: 'drop other program' })}>Keep this one</Button>
        </div>
      )}
    </section>
  );
}
