'use client';

import { memo, useEffect, useMemo, useRef } from 'react';
import { useStore } from 'zustand';
import type { LineExplanation } from '@/core/generated/explain';
import type { NameNow } from '@/core/rehearsal/replayed-program';
import { seconds } from '@/core/units';
import { useTold } from '../words/Words';
import type { Playing } from './useRehearsal';

interface RunningProgramProps {
  readonly rehearsal: Playing;
  readonly index: number;
  readonly source: string;
  readonly label: string;
}

/** Height of a line, in rem: the bar over the one that runs is placed by it. */
const LINE = 1.4;

/** A program with the line that runs, why it went where it went, and what its variables hold. */
export function RunningProgram({ rehearsal, index, source, label }: RunningProgramProps) {
  const line = useStore(rehearsal, ({ runs, play }) => runs?.runs[index]?.inside?.program.lineAt(play.at));
  const keptUntil = useStore(rehearsal, ({ runs }) => runs?.runs[index]?.inside?.recording.keptUntil);
  const isBeyond = useStore(rehearsal, ({ play }) => keptUntil !== undefined && play.at > keptUntil);
  const frame = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const box = frame.current;
    if (!box || line === undefined) return;
    const height = LINE * parseFloat(getComputedStyle(document.documentElement).fontSize);
    const top = (line - 1) * height;
    // What runs stays in sight, with some of what follows; the pane does not jump with every line.
    if (top < box.scrollTop || top > box.scrollTop + box.clientHeight - 3 * height)
      box.scrollTop = top - box.clientHeight / 3;
  }, [line]);
  return (
    <section aria-label={label} className="flex min-h-0 flex-col">
      <div
        ref={frame}
        tabIndex={0}
        role="region"
        aria-label={`${label}, lines`}
        className="relative max-h-[19rem] min-h-40 overflow-auto border-b border-rule bg-card lg:max-h-[23rem]"
      >
        {line !== undefined && (
          <div
            aria-hidden="true"
            className="pointer-events-none absolute inset-x-0 border-l-4 border-signal bg-wash"
            style={{ top: `${(line - 1) * LINE}rem`, height: `${LINE}rem` }}
          />
        )}
        <Lines source={source} />
      </div>
      <Why rehearsal={rehearsal} index={index} />
      {isBeyond && (
        <p className="px-4 py-1 text-note text-risk">
          This program takes so many steps that its lines were kept for the first {seconds(keptUntil ?? 0)}{' '}
          only.
        </p>
      )}
      <Variables rehearsal={rehearsal} index={index} />
    </section>
  );
}

const Lines = memo(function Lines({ source }: { readonly source: string }) {
  return (
    <pre className="mono relative w-max min-w-full text-note" style={{ lineHeight: `${LINE}rem` }}>
      {source
        .replace(/\n$/, '')
        .split('\n')
        .map((text, index) => (
          <div key={index} className="flex">
            <span className="w-10 shrink-0 pr-3 text-right text-soft select-none">{index + 1}</span>
            <code className="pr-4">{text || ' '}</code>
          </div>
        ))}
    </pre>
  );
});

/** Why the line that runs goes where it goes; said aloud when the run stands still. */
function Why({ rehearsal, index }: { readonly rehearsal: Playing; readonly index: number }) {
  const line = useStore(rehearsal, ({ runs, play }) => runs?.runs[index]?.inside?.program.lineAt(play.at));
  const why = useStore(rehearsal, ({ runs, play }) => runs?.runs[index]?.inside?.program.whyAt(play.at));
  const explained = useTold(
    useStore(rehearsal, ({ runs }) => runs?.runs[index]?.inside?.explained) ?? NOTHING,
  );
  const says = explained.find((one) => one.line === line)?.says;
  const isStill = useStore(rehearsal, ({ play }) => play.going === 'off');
  return (
    <p
      aria-live={isStill ? 'polite' : 'off'}
      className="min-h-[4.8rem] border-b border-rule px-4 py-1.5 text-body"
    >
      {line === undefined ? (
        <span className="text-soft">No line runs.</span>
      ) : (
        <>
          <span className="font-semibold">
            Line {line}. {why ?? ''}
          </span>{' '}
          {says}
        </>
      )}
    </p>
  );
}

const NOTHING: readonly LineExplanation[] = [];

/** Seconds for which a value is shown as new, at the run's own pace. */
const NEW_FOR = 0.4;

function Variables({ rehearsal, index }: { readonly rehearsal: Playing; readonly index: number }) {
  const at = useStore(rehearsal, ({ play }) => play.at);
  const speed = useStore(rehearsal, ({ play }) => play.speed);
  const program = useStore(rehearsal, ({ runs }) => runs?.runs[index]?.inside?.program);
  const names = useMemo(() => program?.namesAt(at) ?? [], [program, at]);
  if (names.length === 0) return null;
  return (
    <table aria-label="Variables" className="w-full text-left">
      <tbody>
        {names.map((name) => (
          <Variable key={name.name} {...name} isNew={at - name.since < NEW_FOR * speed} />
        ))}
      </tbody>
    </table>
  );
}

const Variable = memo(
  function Variable({ name, text, isNew }: NameNow & { readonly isNew: boolean }) {
    return (
      <tr className="border-b border-rule">
        <th scope="row" className="mono w-40 max-w-40 truncate px-4 py-1 text-note font-normal">
          {name}
        </th>
        <td className={`mono px-2 py-1 text-note break-all ${isNew ? 'bg-wash font-bold' : ''}`}>
          {text}
          {isNew && <span className="sr-only">, new</span>}
        </td>
      </tr>
    );
  },
  (before, after) => before.name === after.name && before.text === after.text && before.isNew === after.isNew,
);
