'use client';

import { useState, useTransition } from 'react';
import { Button } from '../design/Button';
import { Clock } from '../design/Clock';

/** What can be done at the doors of a class. */
export interface DoorActions {
  readonly openJoining: (classId: string) => Promise<boolean>;
  readonly endMeeting: (classId: string) => Promise<boolean>;
  readonly letIn: (learnerId: string) => Promise<boolean>;
  readonly newSlip: (learnerId: string) => Promise<string | undefined>;
}

export interface ClassDoorsProps {
  readonly classId: string;
  readonly signedIn: number;
  /** Until when names that nobody has claimed may be claimed; `null` when the class is closed to them. */
  readonly joiningUntil: string | null;
  /** Learners for whom somebody tries to sign in and fails. */
  readonly troubles: readonly { readonly learnerId: string; readonly name: string; readonly tries: number }[];
  readonly actions: DoorActions;
}

/** Who is in, whether new names may join, and who does not get in. */
export function ClassDoors({ classId, signedIn, joiningUntil, troubles, actions }: ClassDoorsProps) {
  const [isBusy, start] = useTransition();
  /** Slips given here, by name: they are shown until the page is left, and nowhere else. */
  const [slips, setSlips] = useState<ReadonlyMap<string, string>>(new Map());
  return (
    <div className="px-6 pb-4">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <p className="text-soft">
          {signedIn === 0 ? 'Nobody is signed in.' : `${signedIn} signed in.`}{' '}
          {joiningUntil ? (
            <strong className="text-ink">
              New names may join until <Clock at={joiningUntil} />.
            </strong>
          ) : (
            'New names need a slip.'
          )}
        </p>
        <span className="flex flex-wrap gap-1">
          <Button
            look="tool"
            disabled={isBusy}
            onClick={() => start(async () => void (await actions.openJoining(classId)))}
          >
            {joiningUntil ? 'Let new names join for longer' : 'Let new names join'}
          </Button>
          <Button
            look="tool"
            disabled={isBusy}
            onClick={() => start(async () => void (await actions.endMeeting(classId)))}
          >
            End the meeting
          </Button>
        </span>
      </div>
      {troubles.length > 0 && (
        <ul aria-label="Tries at the door" className="mt-2 border-t border-rule">
          {troubles.map(({ learnerId, name, tries }) => (
            <li
              key={learnerId}
              className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule py-1.5"
            >
              <span className="min-w-0 flex-1">
                <strong>{name}</strong> does not get in: {tries} tries with a wrong word.
              </span>
              <Button
                look="tool"
                disabled={isBusy}
                onClick={() => start(async () => void (await actions.letIn(learnerId)))}
              >
                Let {name} try again
              </Button>
              <Button
                look="tool"
                disabled={isBusy}
                onClick={() =>
                  start(async () => {
                    const slip = await actions.newSlip(learnerId);
                    if (slip !== undefined) setSlips((before) => new Map(before).set(name, slip));
                  })
                }
              >
                New word by slip
              </Button>
            </li>
          ))}
        </ul>
      )}
      <div role="status">
        {slips.size > 0 && (
          <ul aria-label="New slips" className="mt-2 border-t border-rule">
            {[...slips].map(([name, slip]) => (
              <li key={name} className="border-b border-rule py-1.5">
                Slip for <strong>{name}</strong>: <strong className="mono text-bench">{slip}</strong>. With
                these words {name} chooses a new word. Write it down; it is shown only here.
              </li>
            ))}
          </ul>
        )}
      </div>
    </div>
  );
}
