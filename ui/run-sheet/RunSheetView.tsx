'use client';

import { howMany } from '@/core/words/words';
import { useOffline } from '../connection/offline';
import { Button } from '../design/Button';
import { ClockSpan } from '../design/Clock';
import { useRoom } from '../room/useRoom';
import { Link } from '../shell/Link';
import { Benches } from './Benches';
import { Fitting } from './Fitting';
import { Lists } from './Lists';
import { LivePanel } from './LivePanel';
import type { RunSheetProps } from './meeting';
import { Timeline } from './Timeline';
import { useRunning } from './useRunning';
import { Wanted } from './Wanted';

/** A run sheet has all that it needs when it is there. */
const nothingMore = (): void => undefined;

/** A meeting by the minute: what is done, whether it fits, what to have ready; and, when it is on, where it stands. */
export function RunSheetView(props: RunSheetProps) {
  const { meeting, sheet, run, short } = props;
  const live = useRunning(meeting.id, sheet, run);
  const offline = useOffline(nothingMore, sheet);
  const { running } = live;
  const isPlanned = meeting.exercises.length > 0;
  return (
    <>
      {running && <LivePanel sheet={sheet} live={live} endsAt={Date.parse(meeting.endsAt)} />}
      <div className="grid grid-cols-1 md:grid-cols-[minmax(0,1fr)_21rem]">
        <div className="px-6 py-5">
          {!running && (
            <div className="mb-4 flex flex-wrap items-center gap-3">
              <p className="flex-1 text-lead">
                <ClockSpan from={meeting.startsAt} to={meeting.endsAt} />
                {offline === 'kept' && <span className="text-note text-soft"> · opens offline</span>}
              </p>
              <Button look="main" size="roomy" disabled={!isPlanned} onClick={live.start}>
                Start the meeting
              </Button>
            </div>
          )}
          {running && <Behind classId={meeting.classId} />}
          {isPlanned ? (
            <Timeline
              sheet={sheet}
              current={running?.stepId}
              startsAt={running?.startedAt}
              {...(running ? { onGo: (stepId: string) => live.press({ type: 'go', stepId }) } : {})}
            />
          ) : (
            <p className="max-w-[52ch] text-lead">
              Nothing is planned yet. Choose at the right what this meeting is for; its minutes, its lists and
              what it needs from the store follow.
            </p>
          )}
        </div>
        <aside className="border-ink px-5 py-5 md:border-l">
          <Wanted {...props} />
          {short > 0 && (
            <p className="mt-4 border-l-4 border-fault bg-fault-wash px-3 py-1.5">
              The store is {howMany(short, 'kind')} of part short for it.{' '}
              <Link
                href={`/kit?meeting=${meeting.id}`}
                className="font-semibold underline underline-offset-4"
              >
                See what else would do
              </Link>
            </p>
          )}
          <Fitting {...props} />
          {isPlanned && <Lists {...props} />}
          <Benches {...props} />
        </aside>
      </div>
    </>
  );
}

/** Benches that are stuck or ask for help, while the meeting runs. */
function Behind({ classId }: { readonly classId: string }) {
  const { benches } = useRoom(classId, [], false);
  const behind = benches.filter(({ state }) => state === 'help' || state === 'stuck');
  if (behind.length === 0) return null;
  return (
    <section aria-labelledby="behind-title" className="mb-4 border-l-4 border-risk bg-risk-wash px-4 py-2">
      <h2 id="behind-title" className="text-lead">
        Benches behind
      </h2>
      <ul>
        {behind.map(({ learnerId, name, state, lookAt }) => (
          <li key={learnerId}>
            <strong>{name}</strong> {state === 'help' ? 'asks for help' : 'is stuck'}
            {lookAt && <span className="text-soft">: {lookAt}</span>}
          </li>
        ))}
      </ul>
    </section>
  );
}
