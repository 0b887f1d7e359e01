'use client';

import { Printer } from 'lucide-react';
import { useEffect, useRef } from 'react';
import { capital, howMany } from '@/core/words/words';
import { Button } from '../design/Button';
import type { Slip } from './actions';

interface SlipsProps {
  readonly slips: readonly Slip[];
  readonly className: string;
  readonly code: string;
  readonly address: string;
  readonly onClose: () => void;
}

/** Slips to cut and hand out, one for each learner: where to go, the class, the name, and two words. */
export function Slips({ slips, className, code, address, onClose }: SlipsProps) {
  const top = useRef<HTMLHeadingElement>(null);
  useEffect(() => top.current?.focus(), []);
  return (
    <section
      aria-labelledby="slips-title"
      className="border-b border-ink bg-card px-6 py-5 print:border-0 print:p-0"
    >
      <div className="flex flex-wrap items-center gap-3 print:hidden">
        <h2 id="slips-title" ref={top} tabIndex={-1} className="mr-auto text-title outline-none">
          {capital(howMany(slips.length, 'slip'))} to hand out
        </h2>
        <Button look="main" onClick={() => window.print()}>
          <Printer size={16} aria-hidden="true" /> Print and cut
        </Button>
        <Button onClick={onClose}>Done</Button>
        <p className="basis-full text-soft">
          The words are shown only now. With them a learner takes their name and chooses a word of their own.
          Slips from before no longer work.
        </p>
      </div>
      <ul className="mt-4 grid border-t border-l border-dashed border-rule-strong sm:grid-cols-2 xl:grid-cols-3 print:mt-0 print:grid-cols-2">
        {slips.map(({ name, slip }) => (
          <li
            key={name}
            className="break-inside-avoid border-r border-b border-dashed border-rule-strong px-4 py-3"
          >
            <p className="text-lead break-words">{name}</p>
            <dl className="mt-1 grid grid-cols-[5.5rem_minmax(0,1fr)] gap-x-2">
              <dt className="text-note text-soft">go to</dt>
              <dd className="mono text-note break-all">{address}</dd>
              <dt className="text-note text-soft">class code</dt>
              <dd className="mono font-bold">{code}</dd>
              <dt className="text-note text-soft">your slip</dt>
              <dd className="mono font-bold">{slip}</dd>
            </dl>
            <p className="mt-1 text-note text-soft">{className}</p>
          </li>
        ))}
      </ul>
    </section>
  );
}
