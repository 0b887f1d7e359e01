'use client';

import { useState, useTransition } from 'react';
import type { Granted, SharingChange, SharingState } from '@/core/course/sharing';
import { Problem } from '../design/Problem';

interface SharingProps {
  /** What is shared, in words: `this course`. */
  readonly what: string;
  readonly sharing: SharingState;
  readonly onChange: (change: SharingChange) => Promise<string | undefined>;
}

/** Who besides its owner may look at something, or change it; shown to the owner only. */
export function Sharing({ what, sharing, onChange }: SharingProps) {
  const [isBusy, start] = useTransition();
  const [problem, setProblem] = useState<string>();
  const act = (change: SharingChange): void => start(async () => setProblem(await onChange(change)));
  return (
    <section aria-labelledby="sharing-title" className="mt-6 border-t border-ink pt-4">
      <h2 id="sharing-title" className="text-lead">
        Shared with
      </h2>
      <label className="mt-2 flex min-h-9 items-center gap-2">
        <input
          type="checkbox"
          checked={sharing.visibleTo === 'all'}
          disabled={isBusy}
          onChange={(event) => act({ visibleTo: event.target.checked ? 'all' : 'shared' })}
          className="size-4 accent-ink"
        />
        Everybody who teaches here may look at {what}
      </label>
      <ul className="mt-1">
        {sharing.people.map(({ id, name, role, may }) => (
          <li key={id} className="flex items-center gap-3 border-t border-rule py-1">
            <span className="min-w-0 flex-1">
              {name} <span className="text-note text-soft">{role}</span>
            </span>
            <select
              aria-label={`What ${name} may do`}
              value={may ?? ''}
              disabled={isBusy}
              onChange={(event) =>
                act({
                  staffId: id,
                  may: event.target.value === '' ? null : (event.target.value as Granted),
                })
              }
              className="min-h-9 border border-rule-strong bg-card px-2"
            >
              <option value="">as everybody</option>
              <option value="look">may look</option>
              {role !== 'assistant' && <option value="edit">may change it</option>}
            </select>
          </li>
        ))}
      </ul>
      <Problem className="mt-2">{problem}</Problem>
    </section>
  );
}
