'use client';

import { useEffect, useState } from 'react';
import { momentWords } from '@/core/rehearsal/moment-words';
import { useTold } from '../words/Words';
import type { Playing } from './useRehearsal';

/** Milliseconds between two sentences: what changes faster is not said one by one. */
const SAY_EVERY = 1500;

/** What changes on a bench, said now and then to who does not see it. */
export function Spoken({ rehearsal, index }: { readonly rehearsal: Playing; readonly index: number }) {
  const [text, setText] = useState('');
  useEffect(() => {
    const timer = setInterval(() => {
      const { runs, play } = rehearsal.getState();
      const run = runs?.runs[index];
      if (run) setText(momentWords(run.replay.momentAt(play.at)));
    }, SAY_EVERY);
    return () => clearInterval(timer);
  }, [rehearsal, index]);
  const told = useTold(text);
  return (
    <p role="status" className="sr-only">
      {told}
    </p>
  );
}
