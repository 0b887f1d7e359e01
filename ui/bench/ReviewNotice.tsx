'use client';

import { useState } from 'react';
import { Button } from '../design/Button';
import { useBench } from './useBench';

/** What an instructor has written to the last try, until it is read; the next try answers it. */
export function ReviewNotice() {
  const { remarks } = useBench();
  /** The last remark that was read here. */
  const [read, setRead] = useState<string>();
  const unread = read === undefined ? remarks : remarks.filter(({ id }) => Number(id) > Number(read));
  const last = unread.at(-1);
  if (!last) return null;
  const isReturned = unread.some(({ outcome }) => outcome === 'returned');
  return (
    <section
      aria-label="From your instructor"
      role="status"
      className="flex items-start gap-3 border-b border-rule border-l-4 border-l-focus bg-wash px-5 py-2.5"
    >
      <div className="min-w-0 flex-1">
        <p className="text-note text-soft">
          {last.by} on your last try{isReturned && ', sent back for another one'}
        </p>
        {unread
          .filter(({ remark }) => remark !== '')
          .map(({ id, remark }) => (
            <p key={id} className="max-w-[60ch] text-bench font-semibold whitespace-pre-line">
              {remark}
            </p>
          ))}
      </div>
      <Button className="min-h-11" onClick={() => setRead(last.id)}>
        Got it
      </Button>
    </section>
  );
}
