'use client';

import { useEffect, useState } from 'react';
import * as z from 'zod';
import { reportSchema } from '@/core/formats/report';

const openedSchema = z.object({
  id: z.string(),
  learnerName: z.string(),
  wiring: z.string(),
  program: z.string(),
  report: reportSchema,
});
/** A hand-in with its texts and its report. */
export type OpenedSubmission = z.infer<typeof openedSchema>;

export type Opening =
  | { readonly state: 'opening' }
  | { readonly state: 'open'; readonly submission: OpenedSubmission }
  | { readonly state: 'failed' };

/** Fetches a hand-in when it is opened; the list has none of the texts. What was open once is kept. */
export function useOpened(id: string): Opening {
  const [known, setKnown] = useState<ReadonlyMap<string, Opening>>(new Map());
  const state = known.get(id)?.state;
  useEffect(() => {
    if (state === 'open') return undefined;
    const controller = new AbortController();
    const keep = (opening: Opening): void => setKnown((before) => new Map(before).set(id, opening));
    fetch(`/api/submissions/${id}`, { signal: controller.signal })
      .then(async (answer) => {
        const read = answer.ok ? openedSchema.safeParse(await answer.json()) : undefined;
        keep(read?.success ? { state: 'open', submission: read.data } : { state: 'failed' });
      })
      .catch(() => !controller.signal.aborted && keep({ state: 'failed' }));
    return () => controller.abort();
  }, [id, state]);
  return known.get(id) ?? { state: 'opening' };
}
