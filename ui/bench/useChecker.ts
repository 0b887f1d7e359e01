'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { hasPassed, type Report } from '@/core/formats/report';
import { checkAnswerSchema, checkedSchema, type CheckRequest, type CheckTold } from '@/core/messages/check';
import type { CheckWish } from '@/core/messages/hand-in';
import { refusalText } from '@/core/messages/refusal';
import { tell } from '../connection/ask';

export type CheckState =
  | { readonly state: 'idle' }
  /** Whole seconds for which the check has been under way. */
  | { readonly state: 'checking'; readonly seconds: number }
  | { readonly state: 'unusable'; readonly message: string }
  | { readonly state: 'done'; readonly report: Report };

/** A build to check, for whoever does it. */
export type Check = Omit<CheckRequest, 'id'> & {
  readonly publicationId: string;
  /** The stage that is tried; the exercise and the wiring are those of the stage already where the tablet checks. */
  readonly stage?: string | undefined;
};

/** Seconds of computing after which a check is given up, on the tablet as on the server. */
const PATIENCE = 10;
/** Seconds for which a checker may be on its way to a slow tablet, or a check wait at a busy server. */
const PATIENCE_BEFORE = 60;
const TOO_LONG =
  'This check takes too long. Your work is saved; hand it in, and the server will take more time over it.';

/**
 * Does one check; rejects with what to tell the learner. `signal` ends it; `begun` hears when it computes, of a
 * checker that keeps no time of its own.
 */
type Checker = (check: Check, signal: AbortSignal, begun: () => void) => Promise<Report>;

/** Checks builds, on the tablet in a worker or on the server, so that the page never stands still; a preview tells nobody of it. */
export function useChecker(
  checkedBy: 'tablet' | 'server',
  tells: 'the room' | 'nobody',
): {
  readonly result: CheckState;
  /** Begins a check; `onPassed` hears when it passes. */
  readonly check: (check: Check, onPassed: () => void) => void;
  /** Gives up the check that is under way. */
  readonly cancel: () => void;
} {
  const [result, setResult] = useState<CheckState>({ state: 'idle' });
  const onTablet = useTabletChecker(checkedBy === 'tablet');
  const running = useRef<AbortController>(undefined);
  useEffect(() => () => running.current?.abort(), []);

  const cancel = useCallback(() => {
    running.current?.abort();
    setResult({ state: 'idle' });
  }, []);
  const check = useCallback(
    (wanted: Check, onPassed: () => void) => {
      running.current?.abort();
      const controller = new AbortController();
      running.current = controller;
      const asked = Date.now();
      let deadline = asked + PATIENCE_BEFORE * 1000;
      setResult({ state: 'checking', seconds: 0 });
      const settle = (state: CheckState): void => {
        clearInterval(clock);
        if (running.current !== controller) return;
        running.current = undefined;
        setResult(state);
      };
      const clock = setInterval(() => {
        const now = Date.now();
        if (controller.signal.aborted) clearInterval(clock);
        else if (now < deadline) setResult({ state: 'checking', seconds: Math.floor((now - asked) / 1000) });
        else {
          settle({ state: 'unusable', message: TOO_LONG });
          controller.abort();
        }
      }, 1000);
      const checker: Checker = checkedBy === 'tablet' ? onTablet : checkOnServer;
      const begun = (): void => void (deadline = Date.now() + PATIENCE * 1000);
      checker(wanted, controller.signal, begun).then(
        (report) => {
          settle({ state: 'done', report });
          const hasWorked = hasPassed(report.verdict);
          if (hasWorked) onPassed();
          // Who has a stage right has not done the exercise: the room would count them as done.
          if (checkedBy === 'tablet' && tells === 'the room' && !(hasWorked && wanted.stage !== undefined))
            tellOfCheck(wanted.publicationId, report);
        },
        (error: unknown) =>
          controller.signal.aborted
            ? clearInterval(clock)
            : settle({ state: 'unusable', message: error instanceof Error ? error.message : TOO_LONG }),
      );
    },
    [checkedBy, tells, onTablet],
  );
  return { result, check, cancel };
}

/** Tells whoever looks after the room what came of a check of the tablet's own; without a connection nobody is told. */
function tellOfCheck(publicationId: string, { verdict, findings }: Report): void {
  const cause = findings.find((finding) => finding.cause);
  void tell('/api/checks', 'PUT', {
    publicationId,
    passed: hasPassed(verdict),
    cause: cause?.code ?? null,
  } satisfies CheckTold).catch(() => undefined);
}

const checkOnServer: Checker = async (
  { publicationId, wiring, program, sighting, stated, stage },
  signal,
) => {
  const answer = await fetch('/api/checks', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ publicationId, wiring, program, sighting, stated, stage } satisfies CheckWish),
    signal,
  }).catch(() => {
    throw new Error(
      'There is no connection to the server that does the checking. Your work is saved; try again later.',
    );
  });
  const body: unknown = await answer.json().catch(() => undefined);
  const read = checkAnswerSchema.safeParse(body);
  if (read.success) return read.data.report;
  throw new Error(refusalText(body) ?? 'The server couldn’t check this. Try again.');
};

/** A checker in a web worker, which is begun early so that the first check is instant, and ended with a check. */
function useTabletChecker(isWanted: boolean): Checker {
  const worker = useRef<Worker>(undefined);
  const lastId = useRef(0);
  const start = useCallback((): Worker => {
    worker.current ??= new Worker(new URL('../../workers/web/check.worker.ts', import.meta.url), {
      type: 'module',
    });
    return worker.current;
  }, []);
  useEffect(() => {
    if (isWanted) start().postMessage('warm');
    return () => {
      worker.current?.terminate();
      worker.current = undefined;
    };
  }, [isWanted, start]);
  return useCallback(
    (check, signal, begun) =>
      new Promise<Report>((resolve, reject) => {
        const one = start();
        lastId.current += 1;
        const id = lastId.current;
        const fail = (message: string): void => {
          one.terminate();
          if (worker.current === one) worker.current = undefined;
          reject(new Error(message));
        };
        const listen = ({ data }: MessageEvent<unknown>): void => {
          const answer = checkedSchema.parse(data);
          if (answer.id !== id) return;
          if (answer.type === 'begun') return begun();
          one.removeEventListener('message', listen);
          if (answer.type === 'reported') resolve(answer.report);
          else reject(new Error(answer.message));
        };
        one.addEventListener('message', listen);
        one.addEventListener('error', () => fail('The checker stopped. Your work is saved; check again.'), {
          once: true,
        });
        // A check that computes hears nothing: its worker is ended with it.
        signal.addEventListener('abort', () => fail(TOO_LONG), { once: true });
        const { exercise, wiring, program, sighting, stated } = check;
        one.postMessage({
          id,
          exercise,
          wiring,
          program,
          sighting,
          stated,
        } satisfies CheckRequest);
      }),
    [start],
  );
}
