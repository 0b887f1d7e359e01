'use client';

import { format, isSameDay } from 'date-fns';
import { useSyncExternalStore } from 'react';

/** A moment in the reader's own time; the server does not know it, so it appears with the page. */
export function Clock({ at }: { readonly at: string }) {
  const text = useSyncExternalStore(never, () => local(at), blank);
  return (
    <time dateTime={at} className="mono text-note text-soft">
      {text}
    </time>
  );
}

const never = () => () => undefined;
const blank = () => '\u00a0';

function local(at: string): string {
  const date = new Date(at);
  return format(date, isSameDay(date, new Date()) ? 'HH:mm' : 'd MMM, HH:mm');
}
