'use client';

import { format, isSameDay } from 'date-fns';
import { useEffect, useState } from 'react';

/** A moment in the reader's own time; the server does not know it, so it appears with the page. */
export function Clock({ at }: { readonly at: string }) {
  const [text, setText] = useState('');
  useEffect(() => {
    const date = new Date(at);
    setText(format(date, isSameDay(date, new Date()) ? 'HH:mm' : 'd MMM, HH:mm'));
  }, [at]);
  return (
    <time dateTime={at} className="mono text-note text-soft">
      {text || '\u00a0'}
    </time>
  );
}
