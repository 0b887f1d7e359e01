'use client';

import { minutesText } from '@/core/meeting/run-sheet-text';
import { standingOf, type RunStanding } from '@/core/meeting/running';
import type { RunSheet } from '@/core/meeting/run-sheet';
import { Button, Keys } from '../design/Button';
import { useKey } from '../shell/useKey';
import type { RunningMeeting } from './useRunning';
import { wallClock } from './wall-clock';

interface LivePanelProps {
  readonly sheet: RunSheet;
  readonly live: RunningMeeting;
  readonly endsAt: number;
}

/** The stretch that is on, as large as it is looked at from across a room. */
export function LivePanel({ sheet, live, endsAt }: LivePanelProps) {
  const { running, now, press, end, isShared } = live;
  useKey('n', () => press({ type: 'next' }));
  useKey('p', () => press({ type: 'back' }));
  useKey('.', () => press({ type: 'dark' }));
  if (!running) return null;
  const standing = standingOf(running, sheet, now);
  const { step, next } = standing;
  const hold = step.holds[running.hold];
  return (
    <section aria-label="Now" className="border-b border-ink bg-card px-6 py-5">
      <div className="flex flex-wrap items-start gap-x-8 gap-y-2">
        <div className="min-w-0 flex-1 basis-80">
          <h2 className="text-display">{step.title}</h2>
          <p className="text-lead">
            {hold ? `${running.hold + 1} of ${step.holds.length}: ${hold.text}` : step.does}
          </p>
          {hold && <p className="text-bench text-soft">Look: {hold.checkpoint}</p>}
        </div>
        <Left standing={standing} />
      </div>
      {standing.caution && (
        <p className="mt-2 border-l-4 border-risk bg-risk-wash px-3 py-1.5 text-bench font-semibold">
          Take care: {standing.caution}
        </p>
      )}
      {standing.soon && standing.soon !== standing.caution && (
        <p className="mt-1.5 border-l-4 border-rule-strong px-3 text-soft">Soon: {standing.soon}</p>
      )}
      <div className="mt-4 flex flex-wrap items-center gap-2.5">
        <Button size="roomy" onClick={() => press({ type: 'back' })}>
          Back <Keys>P</Keys>
        </Button>
        <Button look="main" size="roomy" className="min-w-52" onClick={() => press({ type: 'next' })}>
          {hold && running.hold + 1 < step.holds.length
            ? 'Next step'
            : next
              ? `On to: ${next.title}`
              : 'That was all'}{' '}
          <Keys>N</Keys>
        </Button>
        <Button size="roomy" aria-pressed={running.isDark} onClick={() => press({ type: 'dark' })}>
          {running.isDark ? 'Wall on' : 'Wall dark'} <Keys>.</Keys>
        </Button>
        <Button look="quiet" onClick={end}>
          End the meeting
        </Button>
        <span className="ml-auto text-note text-soft" role="status">
          {overText(standing.endsAt, endsAt)}
          {!isShared && ' · kept here, not told to the others yet'}
        </span>
      </div>
    </section>
  );
}

const overText = (planned: number, endsAt: number): string => {
  const over = Math.round((planned - endsAt) / 60_000);
  return `ends at ${wallClock(planned)}${over > 0 ? `, ${over} min too late` : ''}`;
};

function Left({ standing: { leftMinutes, behindMinutes } }: { readonly standing: RunStanding }) {
  const left = Math.ceil(Math.abs(leftMinutes));
  const behind = Math.round(Math.abs(behindMinutes));
  return (
    <div className="text-right" role="timer">
      <p className={`mono text-[3.2rem] leading-none ${leftMinutes < 0 ? 'text-fault' : ''}`}>
        {leftMinutes < 0 ? `+${left}` : left}
        <span className="ml-1 text-title">min</span>
      </p>
      <p className="text-soft">{leftMinutes < 0 ? 'over time' : 'left'}</p>
      <p className="font-semibold">
        {behind === 0 ? 'on time' : `${minutesText(behind)} ${behindMinutes > 0 ? 'behind' : 'ahead'}`}
      </p>
    </div>
  );
}
