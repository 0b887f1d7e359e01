'use client';

import { useState } from 'react';
import { howMany } from '@/core/words/words';
import { Button } from '../design/Button';
import { Clock } from '../design/Clock';
import { DatesForm } from './DatesForm';
import type { ClassToPublishTo, DatesWish, PublicationOfClass } from './publishing';

interface ClassLineProps {
  readonly group: ClassToPublishTo;
  readonly isPending: boolean;
  readonly onPublish: (dates?: DatesWish, onDone?: () => void) => void;
  readonly onClose: (publicationId: string) => void;
  readonly onBringBack: (publicationId: string) => void;
  readonly onSetDates: (publicationId: string, dates: DatesWish, onDone: () => void) => void;
}

/** What a class has of the exercise, what it had before, and what can be done about it. */
export function ClassLine({ group, isPending, onPublish, onClose, onBringBack, onSetDates }: ClassLineProps) {
  const [areDatesOpen, setDatesOpen] = useState(false);
  const { name, publications, learners } = group;
  const now = publications.find(({ standing }) => standing !== 'closed');
  const before = publications.filter((publication) => publication !== now);
  const done = (): void => setDatesOpen(false);
  return (
    <li className="border-t border-rule py-2">
      <div className="flex min-h-9 flex-wrap items-center gap-2">
        <p className="min-w-0 flex-1 basis-40">
          <span className="font-semibold">{name}</span>
          {now && <Standing publication={now} size={learners.length} />}
        </p>
        <Button
          aria-expanded={areDatesOpen}
          aria-label={`Dates for ${name}`}
          onClick={() => setDatesOpen(!areDatesOpen)}
        >
          Dates
        </Button>
        {now && (
          <Button disabled={isPending} onClick={() => onClose(now.publicationId)}>
            Close
          </Button>
        )}
        <Button look={now ? 'plain' : 'main'} disabled={isPending} onClick={() => onPublish()}>
          {now ? 'Publish again' : 'Publish'}
        </Button>
      </div>
      {areDatesOpen && (
        <DatesForm
          label={`Dates for ${name}`}
          learners={learners}
          first={now ?? { opensAt: null, dueAt: null, closesAt: null, learnerIds: [] }}
          saveAs={now ? 'Save the dates' : 'Publish with these dates'}
          isPending={isPending}
          onSave={(dates) => (now ? onSetDates(now.publicationId, dates, done) : onPublish(dates, done))}
          onCancel={done}
        />
      )}
      {before.length > 0 && (
        <ul aria-label={`Earlier revisions for ${name}`} className="mt-1 text-note">
          {before.map(({ publicationId, revision, handIns }) => (
            <li key={publicationId} className="flex min-h-8 items-center gap-3">
              <span className="text-soft">
                revision {revision}, closed, {howMany(handIns, 'hand-in')}
              </span>
              <Button
                look="quiet"
                size="small"
                disabled={isPending}
                aria-label={`Bring back revision ${revision} for ${name}`}
                onClick={() => onBringBack(publicationId)}
              >
                Bring back
              </Button>
            </li>
          ))}
        </ul>
      )}
    </li>
  );
}

function Standing({
  publication,
  size,
}: {
  readonly publication: PublicationOfClass;
  readonly size: number;
}) {
  const { standing, revision, opensAt, dueAt, closesAt, learnerIds } = publication;
  return (
    <span className="block text-note text-soft">
      {standing === 'coming' && opensAt ? (
        <>
          opens <Clock at={opensAt} />, revision {revision}
        </>
      ) : (
        `open, revision ${revision}`
      )}
      {dueAt && (
        <>
          , due <Clock at={dueAt} />
        </>
      )}
      {closesAt && (
        <>
          , until <Clock at={closesAt} />
        </>
      )}
      {learnerIds.length > 0 && `, for ${learnerIds.length} of ${size}`}
    </span>
  );
}
