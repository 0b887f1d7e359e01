'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { RehearsedFault } from '@/core/faults/outcome';
import type { ExerciseData } from '@/core/formats/exercise';
import type { FaultAnswer, FaultRequest } from '@/workers/web/messages';

export type RehearsalState =
  | { readonly state: 'idle' }
  | { readonly state: 'hindered'; readonly message: string }
  /** How many slips there are is not known before the first is made. */
  | {
      readonly state: 'running';
      readonly faults: readonly RehearsedFault[];
      readonly total: number | undefined;
    }
  | { readonly state: 'over'; readonly faults: readonly RehearsedFault[]; readonly isCutShort: boolean };

/** Workers at most: each takes its share of the slips, and a core is left for the page. */
const MOST_WORKERS = 2;
/** Milliseconds between two drawings of what came in meanwhile. */
const REFRESH = 120;
const STOPPED = 'The rehearsal stopped. Nothing is lost; start it again.';

/** Rehearses an exercise's faults in web workers, so that the page never stands still. */
export function useFaultRehearsal(): {
  readonly rehearsal: RehearsalState;
  readonly start: (exercise: ExerciseData) => void;
  /** Ends it; what was rehearsed so far stays. */
  readonly cancel: () => void;
} {
  const [rehearsal, setRehearsal] = useState<RehearsalState>({ state: 'idle' });
  const end = useRef<(isCutShort: boolean) => void>(undefined);
  useEffect(() => () => end.current?.(true), []);

  const start = useCallback((exercise: ExerciseData) => {
    end.current?.(true);
    const of = Math.max(1, Math.min(MOST_WORKERS, navigator.hardwareConcurrency - 1));
    const workers = Array.from(
      { length: of },
      () => new Worker(new URL('../../workers/web/faults.worker.ts', import.meta.url), { type: 'module' }),
    );
    const found = new Map<number, RehearsedFault>();
    let total: number | undefined;
    let over = 0;
    const inOrder = (): readonly RehearsedFault[] =>
      [...found].sort(([one], [other]) => one - other).map(([, fault]) => fault);
    const show = (): void => setRehearsal({ state: 'running', faults: inOrder(), total });
    const clock = setInterval(show, REFRESH);
    const close = (state: RehearsalState): void => {
      clearInterval(clock);
      for (const worker of workers) worker.terminate();
      end.current = undefined;
      setRehearsal(state);
    };
    end.current = (isCutShort) => close({ state: 'over', faults: inOrder(), isCutShort });
    const hear = (answer: FaultAnswer): void => {
      if (answer.type === 'hindered') close({ state: 'hindered', message: answer.message });
      else if (answer.type === 'planned') total = answer.total;
      else if (answer.type === 'rehearsed') found.set(answer.index, answer.fault);
      else if ((over += 1) === of) end.current?.(false);
    };
    show();
    workers.forEach((worker, share) => {
      worker.addEventListener('message', ({ data }: MessageEvent<FaultAnswer>) => hear(data));
      worker.addEventListener('error', () => close({ state: 'hindered', message: STOPPED }));
      worker.postMessage({ exercise, share, of } satisfies FaultRequest);
    });
  }, []);
  const cancel = useCallback(() => end.current?.(true), []);
  return { rehearsal, start, cancel };
}
