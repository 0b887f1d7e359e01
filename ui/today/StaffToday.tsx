import type { Verdict } from '@/core/formats/report';
import { howMany } from '@/core/words/words';
import { Button } from '../design/Button';
import { Clock } from '../design/Clock';
import { VerdictBar, VerdictMark } from '../design/Verdict';
import { Link } from '../shell/Link';
import { ClassDoors, type ClassDoorsProps, type DoorActions } from './ClassDoors';

export interface ClassToday {
  readonly id: string;
  readonly name: string;
  readonly code: string;
  readonly size: number;
  /** Days until its learners are erased; `null` for never. */
  readonly keptDays: number | null;
  readonly signedIn: number;
  readonly joiningUntil: string | null;
  readonly troubleAtTheDoor: ClassDoorsProps['troubles'];
  readonly exercises: readonly {
    readonly publicationId: string;
    readonly exerciseId: string;
    readonly title: string;
    readonly isOpen: boolean;
    /** When it is to open; `null` when it has been open. */
    readonly opensAt: string | null;
    /** When it closes by itself. */
    readonly closesAt: string | null;
    readonly tries: number;
    readonly handedIn: number;
    /** Last tries that wait to be judged. */
    readonly waiting: number;
    readonly counts: Readonly<Partial<Record<Verdict, number>>>;
    readonly troubles: readonly {
      readonly title: string;
      readonly verdict: Verdict;
      readonly count: number;
      readonly names: readonly string[];
    }[];
  }[];
}

/** Days before an erasure from which on it is told. */
const DAYS_TOLD = 14;

interface StaffTodayProps {
  readonly classes: readonly ClassToday[];
  readonly exercises: readonly { readonly id: string; readonly title: string; readonly position: number }[];
  readonly courses: readonly { readonly id: string; readonly title: string }[];
  readonly doors: DoorActions;
  /** The next meeting, above everything else. */
  readonly next: React.ReactNode;
}

/** The instructor's home: each class, how its exercises stand, and what to look at first. */
export function StaffToday({ classes, exercises, courses, doors, next }: StaffTodayProps) {
  return (
    <div className="grid grid-cols-1 min-h-[calc(100dvh-3.9rem)] lg:grid-cols-[minmax(0,1fr)_19rem]">
      <div className="border-ink lg:border-r">
        {next}
        {classes.length === 0 && (
          <p className="max-w-[60ch] p-8 text-lead">
            You don’t have a class yet. Make one under{' '}
            <Link href="/classes" className="underline">
              Classes and people
            </Link>
            , or ask a colleague to add you to theirs.
          </p>
        )}
        {classes.map((group) => (
          <ClassBlock key={group.id} group={group} doors={doors} />
        ))}
      </div>
      <aside aria-labelledby="course-title" className="pb-8">
        <h2 id="course-title" className="px-5 pt-6 text-lead">
          To prepare
        </h2>
        <ul className="px-5 pb-3">
          {courses.map(({ id, title }) => (
            <WayTo key={id} href={`/courses/${id}`} label={title} note="the course" />
          ))}
          <WayTo href="/courses" label="Courses" note="new, or brought in" />
          <WayTo href="/kit" label="Kit store" note="stock, pick lists, what to buy" />
          <WayTo href="/classes" label="Classes and people" note="rosters, slips, meetings" />
          <WayTo href="/values" label="Value bench" note="resistors, dividers, bands" />
          <WayTo href="/boards" label="Boards and parts" note="what is where" />
          <WayTo href="/account" label="Your account" note="password" />
        </ul>
        <ol className="border-t border-rule">
          {exercises.map(({ id, title, position }) => (
            <li key={id} className="border-b border-rule">
              <Link
                href={`/exercises/${id}`}
                className="flex min-h-11 items-center gap-4 px-5 py-2 hover:bg-card"
              >
                <span className="mono w-5 shrink-0 text-right text-soft">{position}</span>
                <span className="font-semibold">{title}</span>
              </Link>
            </li>
          ))}
        </ol>
      </aside>
    </div>
  );
}

function WayTo({
  href,
  label,
  note,
}: {
  readonly href: string;
  readonly label: string;
  readonly note: string;
}) {
  return (
    <li className="py-1">
      <Link
        href={href}
        className="font-semibold underline decoration-rule-strong underline-offset-4 hover:decoration-ink"
      >
        {label}
      </Link>{' '}
      <span className="text-note text-soft">{note}</span>
    </li>
  );
}

function ClassBlock({ group, doors }: { readonly group: ClassToday; readonly doors: DoorActions }) {
  return (
    <section aria-label={group.name} className="border-b border-ink">
      <header className="flex flex-wrap items-baseline gap-x-4 px-6 pt-6 pb-3">
        <h2 className="text-display">
          <Link
            href={`/classes/${group.id}`}
            className="decoration-rule-strong underline-offset-8 hover:underline"
          >
            {group.name}
          </Link>
        </h2>
        <p className="text-soft">
          {group.size} learners · class code <strong className="mono text-ink">{group.code}</strong> ·{' '}
          <Link href={`/classes/${group.id}/record`} className="underline underline-offset-4">
            record
          </Link>{' '}
          ·{' '}
          <Link href={`/classes/${group.id}/room`} className="underline underline-offset-4">
            room
          </Link>
        </p>
      </header>
      {group.keptDays !== null && group.keptDays <= DAYS_TOLD && group.size > 0 && (
        <p className="mx-6 mb-3 border-l-4 border-risk bg-wash px-3 py-2 font-semibold">
          In {howMany(Math.max(1, group.keptDays + 1), 'day')} its learners and their work are erased, as the
          class says.
        </p>
      )}
      <ClassDoors
        classId={group.id}
        signedIn={group.signedIn}
        joiningUntil={group.joiningUntil}
        troubles={group.troubleAtTheDoor}
        actions={doors}
      />
      {group.exercises.length === 0 && (
        <p className="px-6 pb-6">Nothing is open for this class. Open an exercise from its worksheet.</p>
      )}
      {group.exercises.map((exercise) => (
        <ExerciseBlock key={exercise.publicationId} exercise={exercise} size={group.size} />
      ))}
    </section>
  );
}

/** Whether it is open, and until or from when. */
function When({ exercise }: { readonly exercise: ClassToday['exercises'][number] }) {
  const { isOpen, opensAt, closesAt } = exercise;
  if (opensAt)
    return (
      <>
        opens <Clock at={opensAt} />
      </>
    );
  if (!isOpen) return 'closed';
  if (!closesAt) return 'open';
  return (
    <>
      open until <Clock at={closesAt} />
    </>
  );
}

function ExerciseBlock({
  exercise,
  size,
}: {
  readonly exercise: ClassToday['exercises'][number];
  readonly size: number;
}) {
  const { title, publicationId, exerciseId, counts, handedIn, waiting, tries, troubles } = exercise;
  const working = (counts['as-drawn'] ?? 0) + (counts['works-differently'] ?? 0);
  return (
    <article className="border-t border-rule px-6 py-5">
      <div className="flex flex-wrap items-center gap-x-6 gap-y-3">
        <h3 className="text-title">{title}</h3>
        <p className="text-soft">
          <When exercise={exercise} /> · {tries} hand-ins from {handedIn} of {size}
          {waiting > 0 && ` · ${waiting} being checked`}
        </p>
        <div className="ml-auto flex gap-2">
          <Button asChild>
            <Link href={`/exercises/${exerciseId}`} aria-label={`Worksheet: ${title}`}>
              Worksheet
            </Link>
          </Button>
          <Button asChild look="main">
            <Link href={`/review/${publicationId}`} aria-label={`Review desk: ${title}`}>
              Review desk
            </Link>
          </Button>
        </div>
      </div>
      <div className="mt-4 grid items-center gap-x-4 gap-y-1 sm:grid-cols-[minmax(0,1fr)_auto]">
        <VerdictBar counts={counts} total={size} />
        <p className="font-semibold">
          {working} of {size} work
        </p>
      </div>
      {troubles.length > 0 && (
        <>
          <h4 className="mt-5 mb-1 font-semibold">What to look at first</h4>
          <ul>
            {troubles.map((trouble) => (
              <li
                key={trouble.title}
                className="flex flex-wrap items-baseline gap-x-3 border-t border-rule py-2 sm:flex-nowrap"
              >
                <span className="self-center">
                  <VerdictMark verdict={trouble.verdict} size={14} />
                </span>
                <span className="min-w-0 flex-1 font-semibold sm:w-72 sm:flex-none">{trouble.title}</span>
                <span className="order-last basis-full pl-6 text-soft sm:order-none sm:flex-1 sm:basis-auto sm:pl-0">
                  {trouble.names.join('  ·  ')}
                </span>
                <span className="mono">{trouble.count}</span>
              </li>
            ))}
          </ul>
        </>
      )}
    </article>
  );
}
