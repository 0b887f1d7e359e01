import { minutesText } from '@/core/meeting/run-sheet-text';
import type { PlannedExercise } from '@/core/messages/meeting';
import { howMany, listText } from '@/core/words/words';
import { Button } from '../design/Button';
import { ClockSpan } from '../design/Clock';
import { Link } from '../shell/Link';

export interface NextMeetingProps {
  readonly next:
    | {
        readonly id: string;
        readonly classId: string;
        readonly className: string;
        readonly startsAt: string;
        readonly endsAt: string;
        readonly exercises: readonly PlannedExercise[];
        /** Titles of what the course has next, where nothing is planned. */
        readonly suggested: readonly string[];
        readonly overMinutes: number;
        readonly sorts: number;
        readonly short: readonly string[];
        readonly lacks: readonly {
          readonly exerciseId: string;
          readonly title: string;
          readonly what: string;
        }[];
      }
    | undefined;
}

/** The meeting that comes next: what is done, what to bring, what is short, what is not ready. */
export function NextMeetingBlock({ next }: NextMeetingProps) {
  if (!next)
    return (
      <Frame>
        <p className="text-soft">
          No meeting is planned. Set when a class meets on its page, under{' '}
          <Link href="/classes" className="underline">
            Classes and people
          </Link>
          .
        </p>
      </Frame>
    );
  const { id, classId, className, startsAt, endsAt, exercises, suggested, overMinutes, sorts, short, lacks } =
    next;
  const sheet = `/classes/${classId}/meetings/${id}`;
  const isPlanned = exercises.length > 0;
  return (
    <Frame>
      <div className="flex flex-wrap items-start gap-x-6 gap-y-3">
        <div className="min-w-0 flex-1 basis-80">
          <p className="text-display leading-tight font-semibold [font-family:var(--font-title)]">
            {isPlanned ? exercises.map(({ title }) => title).join(', ') : 'Nothing planned yet'}
          </p>
          <p className="text-bench text-soft">
            {className}, <ClockSpan from={startsAt} to={endsAt} />
            {!isPlanned && suggested.length > 0 && <>; next in the course: {listText(suggested)}</>}
          </p>
        </div>
        <div className="flex gap-2">
          {isPlanned && (
            <Button asChild>
              <Link href={`/kit?meeting=${id}`}>Kit</Link>
            </Button>
          )}
          <Button asChild look="main">
            <Link href={sheet}>{isPlanned ? 'Run sheet' : 'Plan it'}</Link>
          </Button>
        </div>
      </div>
      {isPlanned && (
        <dl className="mt-4 grid gap-x-6 gap-y-1.5 border-t border-rule pt-3 sm:grid-cols-[7rem_minmax(0,1fr)] [&_dt]:text-soft">
          <dt>To bring</dt>
          <dd>
            <Link href={`/kit?meeting=${id}`} className="underline underline-offset-4">
              {howMany(sorts, 'kind')} of part
            </Link>
            {short.length === 0 && ', all of them in the store'}
          </dd>
          {short.length > 0 && (
            <>
              <dt>Short</dt>
              <dd className="font-semibold text-fault">
                {listText(short.slice(0, 4))}
                {short.length > 4 && `, and ${short.length - 4} more`}
              </dd>
            </>
          )}
          {overMinutes > 0 && (
            <>
              <dt>Too long</dt>
              <dd className="font-semibold text-risk">
                by {minutesText(overMinutes)}: the run sheet says what to cut
              </dd>
            </>
          )}
          <dt>Not ready</dt>
          <dd>
            {lacks.length === 0 ? (
              'nothing: every exercise passes its own check'
            ) : (
              <ul>
                {lacks.map(({ exerciseId, title, what }) => (
                  <li key={`${exerciseId} ${what}`}>
                    <Link
                      href={`/exercises/${exerciseId}`}
                      className="font-semibold underline underline-offset-4"
                    >
                      {title}
                    </Link>
                    : {what}
                  </li>
                ))}
              </ul>
            )}
          </dd>
        </dl>
      )}
    </Frame>
  );
}

/** While it is being worked out, as large as what comes. */
export const NextMeetingComing = () => (
  <Frame>
    <p role="status" className="min-h-32 text-soft">
      Looking at what the next meeting needs …
    </p>
  </Frame>
);

const Frame = ({ children }: { readonly children: React.ReactNode }) => (
  <section aria-labelledby="next-title" className="border-b border-ink bg-card px-6 py-5">
    <h2 id="next-title" className="mb-1 text-lead">
      Next meeting
    </h2>
    {children}
  </section>
);
