'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import { useStore } from 'zustand';
import { Button } from '../design/Button';
import type { Playing } from './useRehearsal';

/** Characters that are shown of what came: the last ones. */
const MOST_SHOWN = 4000;

/** What the board prints, as it comes, and a field for what is typed to it. */
export function SerialLine({ rehearsal, index }: { readonly rehearsal: Playing; readonly index: number }) {
  const count = useStore(rehearsal, ({ runs, play }) => runs?.runs[index]?.replay.printedBy(play.at) ?? 0);
  const serial = useStore(rehearsal, ({ runs }) => runs?.runs[index]?.trace.serial);
  const isUsed = useStore(
    rehearsal,
    ({ runs }) => runs?.runs[index]?.inside?.recording.trace.serialStarted ?? false,
  );
  const text = useMemo(
    () =>
      (serial ?? [])
        .slice(0, count)
        .map((piece) => piece.text)
        .join('')
        .replace(/\r/g, '')
        .slice(-MOST_SHOWN),
    [serial, count],
  );
  const frame = useRef<HTMLPreElement>(null);
  useEffect(() => {
    frame.current?.scrollTo({ top: frame.current.scrollHeight });
  }, [text]);
  const [typed, setTyped] = useState('');
  if (!isUsed) return null;
  return (
    <section aria-label="Text between board and computer" className="border-t border-ink">
      <pre
        ref={frame}
        tabIndex={0}
        role="region"
        aria-label="What the board prints"
        className="mono max-h-40 min-h-24 overflow-auto bg-card px-4 py-2 text-note whitespace-pre-wrap"
      >
        {text === '' ? <span className="text-soft">Nothing printed yet.</span> : text}
      </pre>
      {index === 0 && (
        <form
          className="flex gap-2 border-t border-rule px-4 py-2"
          onSubmit={(event) => {
            event.preventDefault();
            rehearsal.dispatch({ type: 'touch', touch: { touch: 'type', text: `${typed}\n` } });
            rehearsal.dispatch({ type: 'go on' });
            setTyped('');
          }}
        >
          <input
            aria-label="Type to the board"
            placeholder="Type to the board"
            value={typed}
            maxLength={200}
            onChange={({ target }) => setTyped(target.value)}
            className="mono min-h-11 min-w-0 flex-1 border border-rule-strong bg-card px-2 placeholder:text-soft"
          />
          <Button type="submit" className="min-h-11">
            Send
          </Button>
        </form>
      )}
    </section>
  );
}
