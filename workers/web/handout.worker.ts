import * as z from 'zod';
import { rulesWith } from '@/core/course/house-rules';
import { exerciseFrom, type Exercise } from '@/core/formats/exercise';
import { makeHandout, sketchHandout, type HandoutWish } from '@/core/handout';
import type { Result } from '@/core/result';
import { settle } from '@/core/worksheet/sheet';
import { webGrammars } from './grammars';
import type { HandoutAnswer, HandoutRequest } from './messages';

// Zod otherwise tries out code generation, which the content security policy forbids.
z.config({ jitless: true });

/** Milliseconds without a further change after which a handout is made with all that has to be tried for it. */
const REST = 400;

let latest = 0;

async function answer(request: HandoutRequest, depth: 'sketch' | 'whole'): Promise<void> {
  const { seq } = request;
  const grammars = await webGrammars();
  if (seq !== latest) return;
  const exercise = exerciseOf(request);
  if (!exercise.ok) {
    self.postMessage({ seq, ok: false, message: exercise.problems[0]!.message } satisfies HandoutAnswer);
    return;
  }
  const last = request.before === undefined ? undefined : exerciseFrom(request.before);
  const own = rulesWith(request.courseRules, request.sheet.rules);
  const wish: HandoutWish = {
    ...request.wish,
    rules: own.ok ? own.value : request.courseRules,
    before: last?.ok ? last.value : undefined,
  };
  const make = depth === 'sketch' ? sketchHandout : makeHandout;
  const handout = make(exercise.value, wish, grammars);
  self.postMessage({ seq, ok: true, depth, handout } satisfies HandoutAnswer);
}

/** The exercise as its lines say now. */
function exerciseOf({ sheet, courseRules }: HandoutRequest): Result<Exercise> {
  const settled = settle(sheet, courseRules, 'keep');
  return settled.ok ? exerciseFrom(settled.value.sheet) : settled;
}

self.addEventListener('message', ({ data }: MessageEvent<HandoutRequest>) => {
  latest = data.seq;
  const refuse = (error: unknown): void =>
    self.postMessage({
      seq: data.seq,
      ok: false,
      message: error instanceof Error ? error.message : 'The handout can’t be made.',
    } satisfies HandoutAnswer);
  answer(data, 'sketch').catch(refuse);
  setTimeout(() => {
    if (data.seq === latest) answer(data, 'whole').catch(refuse);
  }, REST);
});
