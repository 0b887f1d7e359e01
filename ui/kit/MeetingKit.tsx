'use client';

import { useState } from 'react';
import { howMany } from '@/core/words/words';
import { Button } from '../design/Button';
import { Clock } from '../design/Clock';
import { Link } from '../shell/Link';
import { CountIn } from './CountIn';
import { PickList } from './PickList';
import { ShortLines } from './ShortLines';
import type { KitActions, StoreMeeting } from './store';

interface MeetingKitProps {
  readonly meetings: readonly StoreMeeting[];
  readonly firstMeeting: string | undefined;
  readonly actions: KitActions;
}

/** What each meeting that is planned needs, beginning with what is short. */
export function MeetingKit({ meetings, firstMeeting, actions }: MeetingKitProps) {
  const [chosen, setChosen] = useState(firstMeeting);
  const meeting = meetings.find(({ id }) => id === chosen) ?? meetings[0];
  if (!meeting)
    return (
      <p className="max-w-[60ch] p-8 text-lead">
        No meeting has an exercise yet. Plan what a class does on its{' '}
        <Link href="/classes" className="underline">
          run sheet
        </Link>
        , and what it needs is counted here.
      </p>
    );
  return (
    <div className="grid grid-cols-1 lg:grid-cols-[17rem_minmax(0,1fr)]">
      <nav aria-label="Meetings" className="border-ink py-4 lg:min-h-[calc(100dvh-7.5rem)] lg:border-r">
        <ul>
          {meetings.map((one) => {
            const short = one.lines.filter((line) => line.short > 0).length;
            return (
              <li key={one.id}>
                <button
                  type="button"
                  aria-current={one.id === meeting.id}
                  onClick={() => setChosen(one.id)}
                  className="block w-full border-l-4 border-transparent px-5 py-2 text-left hover:bg-card aria-[current=true]:border-ink aria-[current=true]:bg-card"
                >
                  <Clock at={one.startsAt} />
                  <span className="block font-semibold">{one.className}</span>
                  <span className="block text-note text-soft">
                    {one.exercises.map(({ title }) => title).join(', ')}
                  </span>
                  {short > 0 && (
                    <span className="block text-note font-semibold text-fault">
                      {howMany(short, 'kind')} of part short
                    </span>
                  )}
                </button>
              </li>
            );
          })}
        </ul>
      </nav>
      <Detail key={meeting.id} meeting={meeting} actions={actions} />
    </div>
  );
}

function Detail({ meeting, actions }: { readonly meeting: StoreMeeting; readonly actions: KitActions }) {
  const [isCounting, setCounting] = useState(false);
  const { lines } = meeting;
  return (
    <article className="px-6 py-5">
      <header className="flex flex-wrap items-start gap-x-6 gap-y-3">
        <div className="min-w-0 flex-1">
          <h2 className="text-title">{meeting.exercises.map(({ title }) => title).join(', ')}</h2>
          <p className="text-soft">
            {meeting.className}, {howMany(meeting.benches, 'bench')}
          </p>
        </div>
        <div className="flex flex-wrap gap-2">
          <Button aria-pressed={isCounting} onClick={() => setCounting(!isCounting)}>
            {isCounting ? 'Back to the pick list' : 'Count in after class'}
          </Button>
          <Button asChild>
            <Link href={`/classes/${meeting.classId}/meetings/${meeting.id}`}>Run sheet</Link>
          </Button>
          <Button asChild look="main">
            <a href={`/kit/papers/${meeting.id}`} target="_blank" rel="noreferrer">
              Pick list and bag labels
            </a>
          </Button>
        </div>
      </header>
      {isCounting ? (
        <CountIn meeting={meeting} actions={actions} />
      ) : (
        <>
          <ShortLines meeting={meeting} lines={lines.filter((line) => line.short > 0)} actions={actions} />
          <PickList lines={lines} />
        </>
      )}
    </article>
  );
}
