'use client';

import { useCallback, useEffect, useEffectEvent, useRef, useState } from 'react';
import type { HouseRules } from '@/core/course/house-rules';
import { readOutAtOnce, type Depth, type ReadOut } from '@/core/worksheet/read-out';
import type { StatedCircuit } from '@/core/statements';
import type { Layout, Sheet } from '@/core/worksheet/sheet';
import type { SheetAnswer, SheetRequest } from '@/workers/web/messages';
import { useStable } from '../shell/useStable';
import { kept } from './kept';

/** Parts up to which a circuit is solved while a letter is drawn. */
const MOST_AT_ONCE = 30;

interface Shown {
  readonly readOut: ReadOut;
  /** The circuit that the lines of the read-out say, when it was worked out here. */
  readonly circuit: StatedCircuit | undefined;
  /** How many answers there have been. */
  readonly answers: number;
}

interface ReadOutState extends Shown {
  readonly trouble: string | undefined;
  readonly work: (sheet: Sheet, layout: Layout) => void;
}

/** Works a sheet out as it is written, at once or in a web worker; `onAnswer` is told of each answer to the last request. */
export function useReadOut(
  first: ReadOut,
  courseRules: HouseRules,
  onAnswer: (readOut: ReadOut) => void,
): ReadOutState {
  const [{ readOut, circuit, answers }, setState] = useState<Shown>({
    readOut: first,
    circuit: undefined,
    answers: 0,
  });
  const [trouble, setTrouble] = useState<string>();
  const worker = useRef<Worker>(undefined);
  const seq = useRef(0);
  const take = useStable((answer: ReadOut, depth: Depth, circuit?: StatedCircuit) => {
    setTrouble(undefined);
    setState(({ readOut: before, circuit: said, answers: earlier }) => ({
      // What takes longer stays as it was until the full answer is there.
      readOut: kept(before, depth === 'in full' ? answer : { ...answer, remarks: before.remarks }),
      // A full answer is one to the same lines.
      circuit: depth === 'in full' ? said : circuit,
      answers: earlier + 1,
    }));
    onAnswer(answer);
  });
  const tell = useEffectEvent((answer: SheetAnswer) => {
    if (answer.seq !== seq.current) return;
    if (answer.ok) take(answer.readOut, answer.depth);
    else setTrouble(answer.message);
  });

  useEffect(() => {
    const made = new Worker(new URL('../../workers/web/sheet.worker.ts', import.meta.url), {
      type: 'module',
    });
    made.addEventListener('message', ({ data }: MessageEvent<SheetAnswer>) => tell(data));
    made.addEventListener('error', () =>
      setTrouble(
        'The figures can’t be worked out in this browser just now. Reload the page; nothing is lost.',
      ),
    );
    worker.current = made;
    return () => {
      made.terminate();
      worker.current = undefined;
    };
  }, []);

  const work = useCallback(
    (sheet: Sheet, layout: Layout) => {
      seq.current += 1;
      // A value can be worked out here before another thread has heard of it; a placement would hold up
      // the writing.
      const atOnce =
        layout === 'keep' && sheet.parts.length <= MOST_AT_ONCE
          ? readOutAtOnce(sheet, courseRules)
          : undefined;
      const request: SheetRequest = {
        seq: seq.current,
        sheet,
        courseRules,
        layout,
        from: atOnce ? 'in full' : 'while typing',
      };
      worker.current?.postMessage(request);
      if (atOnce) take(atOnce.readOut, 'while typing', atOnce.circuit);
    },
    [courseRules, take],
  );
  return { readOut, circuit, answers, trouble, work };
}
