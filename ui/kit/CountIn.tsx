'use client';

import { useState } from 'react';
import { howMany } from '@/core/words/words';
import { Button } from '../design/Button';
import { Problem } from '../design/Problem';
import { piecesOf, type KitActions, type MeetingLine, type StoreMeeting } from './store';
import { useKitDeed } from './useKitDeed';

interface CountInProps {
  readonly meeting: StoreMeeting;
  readonly actions: KitActions;
}

/** After class: what is broken or lost of what was out. What came back needs no key. */
export function CountIn({ meeting, actions }: CountInProps) {
  const known = meeting.lines.filter(({ lineId }) => lineId !== null);
  return (
    <section aria-labelledby="count-in-title" className="mt-5">
      <h3 id="count-in-title" className="text-lead">
        Count in
      </h3>
      <p className="text-soft">
        Write what is broken and what is missing; everything else is back. Enter books a line and goes on.
      </p>
      <ul className="mt-2 max-w-[48rem]">
        {known.map((line) => (
          <CountLine key={line.key} meeting={meeting} line={line} actions={actions} />
        ))}
      </ul>
      {known.length < meeting.lines.length && (
        <p className="mt-2 text-note text-soft">
          Not in the store yet, and so not counted: {howMany(meeting.lines.length - known.length, 'kind')} of
          part.
        </p>
      )}
    </section>
  );
}

interface CountLineProps {
  readonly meeting: StoreMeeting;
  readonly line: MeetingLine;
  readonly actions: KitActions;
}

function CountLine({ meeting, line, actions }: CountLineProps) {
  const [broken, setBroken] = useState('');
  const [lost, setLost] = useState('');
  const [booked, setBooked] = useState('');
  const { run, problem, isBusy } = useKitDeed();
  const counts = { broken: piecesOf(broken || '0'), lost: piecesOf(lost || '0') };
  const isFine = counts.broken !== undefined && counts.lost !== undefined;
  const some = isFine && counts.broken! + counts.lost! > 0;
  const book = (): void =>
    run(
      async () => {
        let outcome = await one('broken', counts.broken!);
        if (outcome?.is !== 'refused') outcome = (await one('lost', counts.lost!)) ?? outcome;
        return outcome!;
      },
      (outcome) => {
        if (outcome.is !== 'done') return;
        setBooked(
          [counts.broken && `${counts.broken} broken`, counts.lost && `${counts.lost} lost`]
            .filter(Boolean)
            .join(', '),
        );
        setBroken('');
        setLost('');
      },
    );
  const one = (type: 'broken' | 'lost', pieces: number) =>
    pieces === 0
      ? undefined
      : actions.doToLine(line.lineId!, { type, pieces, meetingId: meeting.id, outOf: line.total });
  const field = 'mono ml-1.5 min-h-10 w-16 border border-rule-strong bg-card px-2 text-bench text-ink';
  return (
    <li className="border-t border-rule py-2">
      <form
        aria-label={line.title}
        className="flex flex-wrap items-center gap-x-4 gap-y-1"
        onSubmit={(event) => {
          event.preventDefault();
          if (some) book();
          const fields = [...document.querySelectorAll<HTMLInputElement>('[data-count-in]')];
          fields[fields.indexOf(event.currentTarget.querySelector('[data-count-in]')!) + 1]?.focus();
        }}
      >
        <span className="min-w-0 flex-1 basis-56 font-semibold">
          {line.title}
          <span className="block text-note font-normal text-soft">{line.total} were out</span>
        </span>
        <label className="text-note text-soft">
          broken
          <input
            data-count-in=""
            inputMode="numeric"
            value={broken}
            onChange={({ target }) => setBroken(target.value)}
            aria-invalid={counts.broken === undefined}
            className={field}
          />
        </label>
        <label className="text-note text-soft">
          missing
          <input
            inputMode="numeric"
            value={lost}
            onChange={({ target }) => setLost(target.value)}
            aria-invalid={counts.lost === undefined}
            className={field}
          />
        </label>
        <Button type="submit" size="small" disabled={isBusy || !some} className="min-h-10 px-3">
          Book
        </Button>
        <span role="status" className="w-36 text-note text-good">
          {booked && `booked: ${booked}`}
        </span>
      </form>
      <Problem>{isFine ? problem : 'Write whole numbers of pieces.'}</Problem>
    </li>
  );
}
