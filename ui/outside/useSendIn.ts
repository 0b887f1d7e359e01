import { useCallback, useRef, type Dispatch } from 'react';
import { BATCH, broughtBatchSchema, type Brought, type Outside } from '@/core/messages/outside';
import { refusalText } from '@/core/messages/refusal';
import type { BringInAction, Row } from './bring-in-state';

const BROKEN = 'The connection broke. What has been taken is kept; bring in the rest when it is back.';

/** Sends hand-ins to the server a batch at a time, in the order of time; what came of each is told as it comes. */
export function useSendIn(
  classId: string,
  dispatch: Dispatch<BringInAction>,
): { readonly send: (rows: readonly Row[]) => void; readonly stop: () => void } {
  const running = useRef<AbortController>(undefined);
  const stop = useCallback(() => running.current?.abort(), []);
  const send = useCallback(
    (rows: readonly Row[]) => {
      const controller = new AbortController();
      running.current = controller;
      dispatch({ type: 'sending' });
      const inTime = rows.toSorted(
        (one, other) => (one.changedAt ?? Infinity) - (other.changedAt ?? Infinity),
      );
      void (async () => {
        for (let from = 0; from < inTime.length; from += BATCH) {
          const batch = inTime.slice(from, from + BATCH);
          const answer = await sendBatch(classId, batch, controller.signal);
          if (typeof answer === 'string')
            return dispatch({
              type: 'stopped',
              ...(controller.signal.aborted ? {} : { message: answer }),
            });
          dispatch({
            type: 'came',
            outcomes: new Map(batch.map(({ key }, index) => [key, answer[index]!] as const)),
          });
        }
        dispatch({ type: 'done' });
      })();
    },
    [classId, dispatch],
  );
  return { send, stop };
}

/** What came of each of a batch; why nothing did, when the server says so or is away. */
async function sendBatch(
  classId: string,
  rows: readonly Row[],
  signal: AbortSignal,
): Promise<readonly Brought[] | string> {
  const handIns = rows.map(({ learnerId, exerciseId, wiring, program, stated, changedAt }): Outside => ({
    learnerId: learnerId!,
    publicationId: exerciseId!,
    wiring: wiring?.text ?? '',
    program: program?.text ?? '',
    ...(stated ? { stated: stated.text } : {}),
    ...(changedAt === undefined ? {} : { changedAt }),
  }));
  const answer = await fetch(`/api/classes/${classId}/hand-ins`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ handIns }),
    signal,
  }).catch(() => undefined);
  const body: unknown = await answer?.json().catch(() => undefined);
  const read = broughtBatchSchema.safeParse(body);
  if (read.success && read.data.brought.length === rows.length) return read.data.brought;
  return refusalText(body) ?? BROKEN;
}
