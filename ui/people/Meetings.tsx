'use client';

import { addWeeks, format } from 'date-fns';
import { Trash2 } from 'lucide-react';
import { useState, useSyncExternalStore } from 'react';
import { MOST_MEETINGS, type Meeting } from '@/core/messages/class-change';
import { howMany } from '@/core/words/words';
import { Button } from '../design/Button';
import { Link } from '../shell/Link';

/** Meetings that are listed before the others are asked for. */
const NEXT = 6;

interface MeetingsProps {
  readonly classId: string;
  readonly meetings: readonly (Meeting & { readonly id: string })[];
  readonly mayKeep: boolean;
  readonly isBusy: boolean;
  readonly onAdd: (meetings: readonly Meeting[]) => void;
  readonly onRemove: (meetingId: string) => void;
}

const never = () => () => undefined;

/** When a class meets: what is still to come, and a row of weeks at once. */
export function Meetings({ classId, meetings, mayKeep, isBusy, onAdd, onRemove }: MeetingsProps) {
  // The server does not know the reader's clock, so days and hours appear with the page.
  const isHere = useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
  const [showsAll, setShowsAll] = useState(false);
  const [now] = useState(() => Date.now());
  const coming = meetings.filter(({ endsAt }) => Date.parse(endsAt) > now);
  const shown = showsAll ? meetings : coming.slice(0, NEXT);
  return (
    <section aria-labelledby="meetings-title">
      <h2 id="meetings-title" className="text-lead">
        Meetings
      </h2>
      {meetings.length === 0 && (
        <p className="text-note text-soft">
          None planned. With meetings, learners are signed out a quarter of an hour after each.
        </p>
      )}
      {isHere && (
        <ul>
          {shown.map(({ id, startsAt, endsAt }) => (
            <li key={id} className="flex min-h-9 items-center gap-2 border-b border-rule">
              <Link
                href={`/classes/${classId}/meetings/${id}`}
                aria-label={`Run sheet of ${format(new Date(startsAt), 'd MMMM')}`}
                className="flex-1 decoration-rule-strong underline-offset-4 hover:underline"
              >
                {format(new Date(startsAt), 'EEE d MMM yyyy')}{' '}
                <span className="mono text-note text-soft">
                  {format(new Date(startsAt), 'HH:mm')} to {format(new Date(endsAt), 'HH:mm')}
                </span>
              </Link>
              {mayKeep && (
                <Button
                  look="tool"
                  size="small"
                  disabled={isBusy}
                  aria-label={`Take out the meeting of ${format(new Date(startsAt), 'd MMMM')}`}
                  onClick={() => onRemove(id)}
                >
                  <Trash2 size={15} aria-hidden="true" />
                </Button>
              )}
            </li>
          ))}
        </ul>
      )}
      {meetings.length > shown.length && (
        <Button look="quiet" size="small" onClick={() => setShowsAll(true)}>
          all {meetings.length}
        </Button>
      )}
      {meetings.length > 0 && (
        <p className="mt-1 text-note">
          <a href={`/classes/${classId}/calendar`} download className="underline underline-offset-4">
            For your calendar
          </a>
        </p>
      )}
      {mayKeep && <AddMeetings isBusy={isBusy} onAdd={onAdd} />}
    </section>
  );
}

function AddMeetings({ isBusy, onAdd }: Pick<MeetingsProps, 'isBusy' | 'onAdd'>) {
  const [day, setDay] = useState('');
  const [from, setFrom] = useState('18:00');
  const [until, setUntil] = useState('19:30');
  const [weeks, setWeeks] = useState('1');
  const count = Math.round(Number(weeks));
  const first = meetingOn(day, from, until);
  const isFine = first !== undefined && count >= 1 && count <= MOST_MEETINGS;
  const field = 'min-h-9 w-full min-w-0 border border-rule-strong bg-card px-1.5 text-body text-ink';
  return (
    <form
      aria-label="Plan meetings"
      className="mt-2 grid grid-cols-2 gap-x-2 gap-y-1.5 text-note text-soft"
      onSubmit={(event) => {
        event.preventDefault();
        if (!isFine) return;
        onAdd(
          Array.from({ length: count }, (_, week) => ({
            startsAt: addWeeks(first.starts, week).toISOString(),
            endsAt: addWeeks(first.ends, week).toISOString(),
          })),
        );
        setDay('');
      }}
    >
      <label>
        First on
        <input type="date" value={day} onChange={({ target }) => setDay(target.value)} className={field} />
      </label>
      <label>
        Weeks
        <input
          type="number"
          min={1}
          max={MOST_MEETINGS}
          value={weeks}
          onChange={({ target }) => setWeeks(target.value)}
          className={field}
        />
      </label>
      <label>
        From
        <input type="time" value={from} onChange={({ target }) => setFrom(target.value)} className={field} />
      </label>
      <label>
        Until
        <input
          type="time"
          value={until}
          onChange={({ target }) => setUntil(target.value)}
          className={field}
        />
      </label>
      {day !== '' && first === undefined && (
        <p className="col-span-2 text-ink">It would end before it begins.</p>
      )}
      <Button type="submit" size="small" className="col-span-2" disabled={!isFine || isBusy}>
        {count > 1 && isFine ? `Plan ${howMany(count, 'meeting')}` : 'Plan it'}
      </Button>
    </form>
  );
}

/** A meeting on a day by the reader's clock; `undefined` when it is none. */
function meetingOn(day: string, from: string, until: string) {
  const [starts, ends] = [new Date(`${day}T${from}`), new Date(`${day}T${until}`)];
  return starts < ends ? { starts, ends } : undefined;
}
