'use client';

import { useState } from 'react';
import type { RoomForBoards } from '@/core/course/bring-up';
import { classStates, type ClassChange, type ClassState } from '@/core/messages/class-change';
import { Button } from '../design/Button';
import { Problem } from '../design/Problem';
import type { ClassPageProps } from './class';
import { Meetings } from './Meetings';
import { useAct } from './useAct';

const STATES: Readonly<Record<ClassState, string>> = {
  open: 'Learners sign in with the code.',
  closed: 'No learner signs in. You see everything.',
  archived: 'Out of the way: in the archive, and no learner signs in.',
};

const FOR_BOARDS = [
  ['packagesFrom', 'Address of the board list, for the computers'],
  ['network', 'Network that boards join'],
  ['password', 'Its password'],
] as const satisfies readonly (readonly [keyof RoomForBoards, string])[];

const changeOf = (what: keyof RoomForBoards, value: string): ClassChange =>
  what === 'packagesFrom'
    ? { packagesFrom: value }
    : what === 'network'
      ? { network: value }
      : { password: value };

const field =
  'min-h-9 w-full border border-rule-strong bg-card px-2 read-only:border-transparent read-only:bg-transparent read-only:px-0';

/** What a class is called, how one gets in, when it meets, who keeps it, and what becomes of it. */
export function ClassSettings({ details, teaching, mayKeep, actions }: ClassPageProps) {
  const { id, name, term, code, state, endsOn, keepDays, keptUntil, staff, meetings, forBoards } = details;
  const { act, problem, isBusy } = useAct();
  const [isSure, setSure] = useState(false);
  const others = teaching.filter((person) => !staff.some((one) => one.id === person.id));
  return (
    <aside aria-label="About the class" className="grid content-start gap-6 px-5 py-6">
      <Problem>{problem}</Problem>
      <div className="grid gap-3">
        <OwnField
          label="Name"
          value={name}
          isFixed={!mayKeep}
          onChange={(next) => act(() => actions.change(id, { name: next }))}
        />
        <OwnField
          label="Term"
          value={term}
          isFixed={!mayKeep}
          onChange={(next) => act(() => actions.change(id, { term: next }))}
        />
      </div>
      <section aria-labelledby="code-title">
        <h2 id="code-title" className="text-lead">
          Class code
        </h2>
        <p className="mono text-display tracking-wide">{code}</p>
        {mayKeep &&
          (isSure ? (
            <div className="mt-1">
              <p>The old code lets nobody in any more. Names and words stay.</p>
              <span className="mt-1 flex gap-2">
                <Button
                  look="main"
                  disabled={isBusy}
                  onClick={() =>
                    act(async () => {
                      setSure(false);
                      return actions.renewCode(id);
                    })
                  }
                >
                  Take another code
                </Button>
                <Button onClick={() => setSure(false)}>Keep this one</Button>
              </span>
            </div>
          ) : (
            <Button look="tool" size="small" onClick={() => setSure(true)}>
              Another code …
            </Button>
          ))}
        {mayKeep && (
          <>
            <div role="group" aria-label="Whether learners sign in" className="mt-3 flex">
              {classStates.map((one) => (
                <Button
                  key={one}
                  look="choice"
                  aria-pressed={state === one}
                  disabled={isBusy}
                  onClick={() => act(() => actions.change(id, { state: one }))}
                >
                  {one}
                </Button>
              ))}
            </div>
            <p className="mt-1 text-note text-soft">{STATES[state]}</p>
          </>
        )}
      </section>
      <Meetings
        classId={id}
        meetings={meetings}
        mayKeep={mayKeep}
        isBusy={isBusy}
        onAdd={(more) => act(() => actions.addMeetings(id, more))}
        onRemove={(meetingId) => act(() => actions.removeMeeting(id, meetingId))}
      />
      <section aria-labelledby="keepers-title">
        <h2 id="keepers-title" className="text-lead">
          Who teaches it
        </h2>
        <ul>
          {staff.map((person) => (
            <li key={person.id} className="flex min-h-9 items-center justify-between border-b border-rule">
              {person.name}
              {mayKeep && staff.length > 1 && (
                <Button
                  look="tool"
                  size="small"
                  disabled={isBusy}
                  onClick={() => act(() => actions.setStaff(id, person.id, 'no'))}
                  aria-label={`Take ${person.name} off this class`}
                >
                  take off
                </Button>
              )}
            </li>
          ))}
        </ul>
        {mayKeep && others.length > 0 && (
          <select
            aria-label="Add somebody who teaches it as well"
            value=""
            disabled={isBusy}
            onChange={({ target }) => act(() => actions.setStaff(id, target.value, 'yes'))}
            className="mt-2 min-h-9 w-full border border-rule-strong bg-card px-2"
          >
            <option value="">add somebody …</option>
            {others.map((person) => (
              <option key={person.id} value={person.id}>
                {person.name}
              </option>
            ))}
          </select>
        )}
      </section>
      <section aria-labelledby="boards-title">
        <h2 id="boards-title" className="text-lead">
          Getting boards ready
        </h2>
        <p className="mb-2 text-note text-soft">Learners see this where they get a board ready.</p>
        <div className="grid gap-3">
          {FOR_BOARDS.map(([what, label]) => (
            <OwnField
              key={what}
              label={label}
              value={forBoards[what]}
              isFixed={!mayKeep}
              longest={200}
              onChange={(next) => act(() => actions.change(id, changeOf(what, next)))}
            />
          ))}
        </div>
      </section>
      {mayKeep && (
        <section aria-labelledby="end-title">
          <h2 id="end-title" className="text-lead">
            When it is over
          </h2>
          <label className="mt-1 block text-note text-soft">
            Its last day
            <input
              type="date"
              defaultValue={endsOn ?? ''}
              key={`end ${endsOn}`}
              onBlur={({ target }) =>
                target.value !== (endsOn ?? '') &&
                act(() => actions.change(id, { endsOn: target.value === '' ? null : target.value }))
              }
              className={`${field} text-body text-ink`}
            />
          </label>
          <label className="mt-2 block text-note text-soft">
            Learners and their work are erased
            <select
              value={keepDays ?? ''}
              disabled={isBusy}
              onChange={({ target }) =>
                act(() => actions.change(id, { keepDays: target.value === '' ? null : Number(target.value) }))
              }
              className={`${field} text-body text-ink`}
            >
              <option value="">by hand, never by itself</option>
              {[...new Set([0, 30, 90, 180, 365, ...(keepDays === null ? [] : [keepDays])])]
                .sort((one, other) => one - other)
                .map((days) => (
                  <option key={days} value={days}>
                    {days === 0 ? 'the day after' : `${days} days after`}
                  </option>
                ))}
            </select>
          </label>
          <p className="mt-1 text-note text-soft">
            {keepDays === null
              ? 'Keep names no longer than your site’s rules allow.'
              : endsOn === null
                ? 'Say its last day, or nothing is erased.'
                : 'Counts without a name stay.'}
          </p>
          {keptUntil !== null && (
            <p className="mt-1 font-semibold">
              Kept until {keptUntil}, then erased. Nobody can bring them back.
            </p>
          )}
        </section>
      )}
    </aside>
  );
}

interface OwnFieldProps {
  readonly label: string;
  readonly value: string;
  readonly isFixed: boolean;
  /** In characters. */
  readonly longest?: number;
  readonly onChange: (value: string) => void;
}

/** A line that is kept when one leaves it. */
function OwnField({ label, value, isFixed, longest = 120, onChange }: OwnFieldProps) {
  return (
    <label className="block text-note text-soft">
      {label}
      <input
        defaultValue={value}
        key={value}
        readOnly={isFixed}
        maxLength={longest}
        onBlur={({ target }) => target.value.trim() !== value && onChange(target.value)}
        onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
        className={`${field} text-body text-ink`}
      />
    </label>
  );
}
