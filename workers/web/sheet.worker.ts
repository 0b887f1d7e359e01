import * as z from 'zod';
import { boardsOf } from '@/core/formats/exercise';
import { kindOf } from '@/core/parts';
import { readWiring } from '@/core/wiring/read';
import type { PlacedPart } from '@/core/wiring/wiring';
import type { Depth } from '@/core/worksheet/read-out';
import { readOut } from '@/core/worksheet/read-out-in-full';
import type { Sheet } from '@/core/worksheet/sheet';
import type { SheetAnswer, SheetRequest } from './messages';

// Zod otherwise tries out code generation, which the content security policy forbids.
z.config({ jitless: true });

/** Milliseconds without a further change after which a sheet is worked out in full. */
const REST = 250;

let latest = 0;

/** Comes round when the messages that wait have been taken, without the least time of a timer. */
const { port1: queue, port2: due } = new MessageChannel();
due.onmessage = ({ data }: MessageEvent<SheetRequest>) => {
  if (data.seq !== latest) return;
  if (data.from === 'while typing') answer(data, 'while typing');
  setTimeout(() => {
    if (data.seq === latest) answer(data, 'in full');
  }, REST);
};

/** Where each part was last: one whose line is half rewritten goes back there. */
const places = new Map<string, PlacedPart>();

function remember(sheet: Sheet): void {
  const wiring = readWiring(sheet.layout ?? '', { boards: boardsOf(sheet) });
  if (!wiring.ok) return;
  for (const part of wiring.value.parts) if (!kindOf(part.kind).conductor) places.set(part.ref, part);
}

function answer(request: SheetRequest, depth: Depth): void {
  const { seq, sheet, courseRules, layout } = request;
  const mode = depth === 'in full' ? layout : 'keep';
  const result = readOut(sheet, courseRules, mode, depth, [...places.values()]);
  const message: SheetAnswer = result.ok
    ? { seq, ok: true, depth, readOut: result.value }
    : { seq, ok: false, message: result.problems[0]!.message };
  self.postMessage(message);
  if (result.ok) remember(result.value.sheet);
}

self.addEventListener('message', ({ data }: MessageEvent<SheetRequest>) => {
  latest = data.seq;
  // Messages that have arrived meanwhile come first; only the last of them is worked out.
  queue.postMessage(data);
});
