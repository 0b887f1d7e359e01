'use client';

import { useState } from 'react';
import type { Slip } from './actions';
import { AddLearners } from './AddLearners';
import type { ClassPageProps } from './class';
import { ClassSettings } from './ClassSettings';
import { RosterTable } from './RosterTable';
import { Slips } from './Slips';

/** One class: who is in it, how they get in, when it meets, and what becomes of it. */
export function ClassPage(props: ClassPageProps) {
  const { details, learners, others, mayKeep, address, actions } = props;
  const [slips, setSlips] = useState<readonly Slip[]>([]);
  const waiting = learners.filter(({ hasJoined }) => !hasJoined).length;
  return (
    <>
      {slips.length > 0 && (
        <Slips
          slips={slips}
          className={details.name}
          code={details.code}
          address={address}
          onClose={() => setSlips([])}
        />
      )}
      <div
        className={`grid min-h-[calc(100dvh-3.9rem)] grid-cols-1 lg:grid-cols-[minmax(0,1fr)_23rem] ${slips.length > 0 ? 'print:hidden' : ''}`}
      >
        <div className="border-ink lg:border-r">
          <RosterTable
            classId={details.id}
            learners={learners}
            others={others}
            mayKeep={mayKeep}
            actions={actions}
            waiting={waiting}
            onSlips={setSlips}
          />
          {mayKeep && (
            <AddLearners
              classId={details.id}
              known={learners.map(({ name }) => name)}
              addLearners={actions.addLearners}
              onSlips={setSlips}
            />
          )}
        </div>
        <ClassSettings {...props} />
      </div>
    </>
  );
}
