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

/** From one moment to another; the day is said once. */
export function ClockSpan({ from, to }: { readonly from: string; readonly to: string }) {
  const text = useSyncExternalStore(never, () => span(from, to), blank);
  return <span className="mono text-note text-soft">{text}</span>;
}

const never = () => () => undefined;
const blank = () => '\u00a0';

function local(at: string): string {
  const date = new Date(at);
  return format(date, isSameDay(date, new Date()) ? 'HH:mm' : 'd MMM, HH:mm');
}

function span(from: string, to: string): string {
  const [begin, end] = [new Date(from), new Date(to)];
  const day = isSameDay(begin, new Date()) ? 'today' : format(begin, 'EEE d MMM');
  return `${day}, ${format(begin, 'HH:mm')} to ${format(end, isSameDay(begin, end) ? 'HH:mm' : 'd MMM, HH:mm')}`;
}
