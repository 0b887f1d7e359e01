'use client';

import { useState, useTransition } from 'react';
import { titleOf } from '@/core/kit';
import type { Substitute } from '@/core/kit/substitutes';
import { milliamps } from '@/core/units';
import { howMany } from '@/core/words/words';
import { Button } from '../design/Button';
import { Problem } from '../design/Problem';
import type { TriedSubstitutes } from '@/core/messages/kit';
import { Link } from '../shell/Link';
import type { KitActions, MeetingLine, StoreMeeting } from './store';

interface ShortLinesProps {
  readonly meeting: StoreMeeting;
  readonly lines: readonly MeetingLine[];
  readonly actions: KitActions;
}

/** What is short for a meeting, and what of the store would do instead. */
export function ShortLines({ meeting, lines, actions }: ShortLinesProps) {
  if (lines.length === 0)
    return <p className="mt-4 font-semibold text-good">Everything that the benches need is there.</p>;
  return (
    <section aria-labelledby="short-title" className="mt-5">
      <h3 id="short-title" className="text-lead">
        Short
      </h3>
      <ul className="max-w-[56rem]">
        {lines.map((line) => (
          <ShortLine key={line.key} meeting={meeting} line={line} actions={actions} />
        ))}
      </ul>
    </section>
  );
}

interface ShortLineProps {
  readonly meeting: StoreMeeting;
  readonly line: MeetingLine;
  readonly actions: KitActions;
}

function ShortLine({ meeting, line, actions }: ShortLineProps) {
  const [tried, setTried] = useState<readonly TriedSubstitutes[]>();
  const [problem, setProblem] = useState<string>();
  const [isBusy, begin] = useTransition();
  const look = (): void =>
    begin(async () => {
      const found = await actions
        .substitutes(meeting.id, line.key)
        .catch(() => ({ message: 'The server can’t be reached; try again.' }));
      if ('message' in found) setProblem(found.message);
      else {
        setProblem(undefined);
        setTried(found);
      }
    });
  return (
    <li className="border-t border-rule py-2.5">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <span className="mono w-14 text-right text-title text-fault">−{line.short}</span>
        <span className="min-w-0 flex-1">
          <strong>{line.title}</strong>
          <span className="block text-note text-soft">
            {line.perBench * meeting.benches} needed, {line.inStock} in stock
            {line.elsewhere > 0 && `, ${line.elsewhere} at another meeting then`}
          </span>
        </span>
        {tried === undefined && (
          <Button
            size="small"
            disabled={isBusy}
            onClick={look}
            aria-label={`What would do for ${line.title}`}
          >
            {isBusy ? 'Trying each in its exercise …' : 'What else would do?'}
          </Button>
        )}
      </div>
      <Problem className="mt-1">{problem}</Problem>
      {tried?.map((one) => (
        <Tried key={one.exerciseId} tried={one} />
      ))}
    </li>
  );
}

function Tried({ tried: { title, exerciseId, substitution } }: { readonly tried: TriedSubstitutes }) {
  const { found, refused } = substitution;
  return (
    <div className="mt-2 ml-16 border-l-2 border-rule-strong pl-4">
      <p className="font-semibold">
        In {title}{' '}
        <Link
          href={`/exercises/${exerciseId}`}
          className="text-note font-normal underline underline-offset-4"
        >
          worksheet
        </Link>
      </p>
      {found.length === 0 && <p>Nothing in the store passes its check.</p>}
      <ul>
        {found.map((substitute) => (
          <Found key={titleOf(substitute.item)} substitute={substitute} />
        ))}
      </ul>
      {refused.length > 0 && (
        <details className="mt-1 text-note text-soft">
          <summary>{howMany(refused.length, 'kind')} of part tried that will not do</summary>
          <ul>
            {refused.map(({ item, why }) => (
              <li key={titleOf(item)}>
                {titleOf(item)}: {why}
              </li>
            ))}
          </ul>
        </details>
      )}
    </div>
  );
}

const percent = (share: number): string => `${Math.round(share * 100)} %`;

function Found({ substitute }: { readonly substitute: Substitute }) {
  const { item, available, mentions, lights, print } = substitute;
  return (
    <li className="py-1">
      <strong>{titleOf(item)}</strong> does: its check passes. <span className="mono">{available}</span> in
      stock.
      {lights.map(({ ref, currentMa: [before, after], brightness }) => (
        <span key={ref} className="block text-note">
          {ref}: {milliamps(before)} → {milliamps(after)}, {percent(brightness[0])} → {percent(brightness[1])}{' '}
          bright
        </span>
      ))}
      {mentions.length > 0 && (
        <span className="block text-note text-soft">The report mentions: {mentions.join(', ')}.</span>
      )}
      <span className="block text-note text-soft">In print {print.join('; ')}.</span>
    </li>
  );
}
