'use client';

import { useEffect, useRef, useState } from 'react';
import type { Handout } from '@/core/handout/document';
import type { HandoutAnswer, HandoutRequest } from '@/workers/web/messages';

export interface Preview {
  readonly handout: Handout | undefined;
  /** Whether what is tried for it is still to come. */
  readonly isWorking: boolean;
  readonly problem: string | undefined;
}

/** The handout of a sheet as it is asked for, made beside the page: at once, and then with all that is tried for it. */
export function usePreview(request: Omit<HandoutRequest, 'seq'>): Preview {
  const [preview, setPreview] = useState<Preview>({
    handout: undefined,
    isWorking: true,
    problem: undefined,
  });
  const worker = useRef<Worker>(undefined);
  const seq = useRef(0);
  useEffect(() => {
    const made = new Worker(new URL('../../workers/web/handout.worker.ts', import.meta.url), {
      type: 'module',
    });
    made.onmessage = ({ data }: MessageEvent<HandoutAnswer>) => {
      if (data.seq !== seq.current) return;
      if (data.ok)
        setPreview({ handout: data.handout, isWorking: data.depth === 'sketch', problem: undefined });
      else setPreview((before) => ({ ...before, isWorking: false, problem: data.message }));
    };
    worker.current = made;
    return () => made.terminate();
  }, []);
  const asked = JSON.stringify(request);
  useEffect(() => {
    seq.current += 1;
    worker.current?.postMessage({ ...request, seq: seq.current } satisfies HandoutRequest);
    // What is asked for is the same as long as it reads the same.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [asked]);
  return preview;
}
