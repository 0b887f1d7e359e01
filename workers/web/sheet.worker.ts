import { z } from 'zod';
import { readOut, type Depth } from '@/core/worksheet/read-out';
import type { SheetAnswer, SheetRequest } from './messages';

// Zod otherwise tries out code generation, which the content security policy forbids.
z.config({ jitless: true });

/** Milliseconds without a further change after which a sheet is worked out in full. */
const REST = 250;

let latest = 0;

function answer(request: SheetRequest, depth: Depth): void {
  const { seq, sheet, courseRules, layout } = request;
  const result = readOut(sheet, courseRules, depth === 'in full' ? layout : 'keep', depth);
  const message: SheetAnswer = result.ok
    ? { seq, ok: true, depth, readOut: result.value }
    : { seq, ok: false, message: result.problems[0]!.message };
  self.postMessage(message);
}

self.addEventListener('message', ({ data }: MessageEvent<SheetRequest>) => {
  latest = data.seq;
  // Messages that have arrived meanwhile come first; only the last of them is worked out.
  setTimeout(() => {
    if (data.seq !== latest) return;
    answer(data, 'while typing');
    setTimeout(() => {
      if (data.seq === latest) answer(data, 'in full');
    }, REST);
  });
});
