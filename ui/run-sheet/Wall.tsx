'use client';

import { standingOf } from '@/core/meeting/running';
import type { Drawing } from '@/core/drawing/list';
import { useOffline } from '../connection/offline';
import { BenchFigure } from '../drawing/BenchFigure';
import { useKey } from '../shell/useKey';
import type { RunSheetProps } from './meeting';
import { useRunning } from './useRunning';

/** A wall has all that it needs when it is there. */
const nothingMore = (): void => undefined;

/** The projected form: the step that is on, for the last row. Driven by the run sheet, or by a clicker's keys. */
export function Wall({
  meeting,
  sheet,
  run,
  drawings,
}: Pick<RunSheetProps, 'meeting' | 'sheet' | 'run' | 'drawings'>) {
  const live = useRunning(meeting.id, sheet, run);
  useOffline(nothingMore, sheet);
  const { running, now, press } = live;
  useClicker(press);
  if (!running)
    return (
      <main className="grid min-h-dvh place-content-center p-12 text-center">
        <h1 className="text-[4.5rem] leading-tight">
          {meeting.exercises.map(({ title }) => title).join(', ') || meeting.className}
        </h1>
        <p className="mx-auto mt-4 text-[2rem]">We begin in a moment.</p>
      </main>
    );
  if (running.isDark) return <main aria-label="The wall is dark" className="min-h-dvh bg-[#000]" />;
  const { step, leftMinutes, caution } = standingOf(running, sheet, now);
  const hold = step.holds[running.hold];
  const drawing = step.exercise === undefined ? null : (drawings[step.exercise] ?? null);
  return (
    <main className="flex h-dvh flex-col p-10">
      <header className="flex items-baseline gap-8 border-b-2 border-ink pb-3">
        <h1 className="flex-1 text-[2.6rem] leading-tight">{step.title}</h1>
        {hold && (
          <p className="mono text-[1.9rem]">
            {running.hold + 1}/{step.holds.length}
          </p>
        )}
        <p className="mono text-[1.9rem]" role="timer">
          {leftMinutes < 0 ? 'time is up' : `${Math.ceil(leftMinutes)} min`}
        </p>
      </header>
      <p className="mt-5 max-w-none text-[2.3rem] leading-snug font-semibold">
        {hold ? hold.text : step.does}
      </p>
      {hold && <p className="max-w-none text-[1.8rem] text-soft">Look: {hold.checkpoint}</p>}
      {caution && (
        <p className="mt-3 max-w-none border-l-8 border-risk pl-4 text-[1.8rem] font-semibold">
          Take care: {caution}
        </p>
      )}
      {hold && drawing && (
        <BenchFigure
          drawing={upTo(
            drawing,
            step.holds.slice(0, running.hold + 1).map(({ ref }) => ref),
          )}
          title={`After step ${running.hold + 1}`}
          emphasis={new Set([hold.ref])}
          className="mt-4 block min-h-0 w-full flex-1"
        />
      )}
    </main>
  );
}

/** The keys of a clicker: forward, back, dark. */
function useClicker(press: ReturnType<typeof useRunning>['press']): void {
  useKey('PageDown', () => press({ type: 'next' }));
  useKey('ArrowRight', () => press({ type: 'next' }));
  useKey('PageUp', () => press({ type: 'back' }));
  useKey('ArrowLeft', () => press({ type: 'back' }));
  useKey('.', () => press({ type: 'dark' }));
  useKey('b', () => press({ type: 'dark' }));
}

/** The drawing with what has been put in so far. */
const upTo = (drawing: Drawing, refs: readonly string[]): Drawing => ({
  ...drawing,
  layers: drawing.layers.filter(({ ref }) => ref === undefined || refs.includes(ref)),
});
