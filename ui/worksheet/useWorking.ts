'use client';

import { useEffect } from 'react';
import { readOutAtOnce } from '@/core/worksheet/read-out';
import type { Layout, Sheet } from '@/core/worksheet/sheet';
import type { SheetAnswer, SheetRequest } from '@/workers/web/messages';
import type { WorksheetStore } from './useWorksheet';
import type { WorksheetAction } from './worksheet-state';

/** Parts up to which a circuit is solved while a letter is drawn. */
const MOST_AT_ONCE = 30;
const NO_WORKER =
  'The figures can’t be worked out in this browser just now. Reload the page; nothing is lost.';

/**
 * Works a Worksheet out whenever what it follows from has changed, by whomever: at once while somebody writes, and
 * in full in a web worker.
 */
export function useWorking(store: WorksheetStore): void {
  useEffect(() => {
    const { dispatch } = store;
    const { courseRules } = store.getState().given;
    let worker: Worker | undefined;
    let seq = 0;
    let asked = store.getState().derived.source;
    const atWork = (): Worker => {
      if (worker) return worker;
      worker = new Worker(new URL('../../workers/web/sheet.worker.ts', import.meta.url), { type: 'module' });
      worker.addEventListener('message', ({ data }: MessageEvent<SheetAnswer>) => {
        if (data.seq !== seq) return;
        if (data.ok)
          dispatch({ type: 'worked out', readOut: data.readOut, depth: data.depth, circuit: undefined });
        else dispatch({ type: 'trouble', message: data.message });
      });
      worker.addEventListener('error', () => dispatch({ type: 'trouble', message: NO_WORKER }));
      return worker;
    };
    // Who only looks at a sheet needs none; who puts a hand on it finds it ready.
    const begin = (): void => void atWork();
    document.addEventListener('focusin', begin, { once: true });
    document.addEventListener('pointerdown', begin, { once: true });
    /** Has a sheet worked out in full; its quick answer, when there is one, is there at once. */
    const work = (sheet: Sheet, layout: Layout): WorksheetAction | undefined => {
      seq += 1;
      // A value can be worked out here before another thread has heard of it; a placement would hold up
      // the writing.
      const atOnce =
        layout === 'keep' && sheet.parts.length <= MOST_AT_ONCE
          ? readOutAtOnce(sheet, courseRules)
          : undefined;
      atWork().postMessage({
        seq,
        sheet,
        courseRules,
        layout,
        from: atOnce ? 'in full' : 'while typing',
      } satisfies SheetRequest);
      return atOnce && { type: 'worked out', depth: 'while typing', ...atOnce };
    };
    let anew = store.getState().layoutsAnew;
    store.answerBy(({ sync, derived, layoutsAnew }) => {
      if (layoutsAnew !== anew) {
        anew = layoutsAnew;
        return work(sync.sheet, 'anew');
      }
      if (derived.isShown || derived.source === asked) return undefined;
      asked = derived.source;
      return work(sync.sheet, 'keep');
    });
    return () => {
      store.answerBy(undefined);
      document.removeEventListener('focusin', begin);
      document.removeEventListener('pointerdown', begin);
      worker?.terminate();
    };
  }, [store]);
}
