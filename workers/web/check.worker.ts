import * as z from 'zod';
import { boardsOf, exerciseFrom } from '@/core/formats/exercise';
import { check } from '@/core/judge/check';
import { type Grammars } from '@/core/program';
import { problemText } from '@/core/result';
import { readWiring } from '@/core/wiring/read';
import { checkRequestSchema, type Checked, type CheckRequest } from '@/core/messages/check';
import { buildFor } from '@/core/judge/build';
import { statedExercise } from '@/core/judge/stated';
import { webGrammars } from './grammars';

// Zod otherwise tries out code generation, which the content security policy forbids.
z.config({ jitless: true });

const say = (said: Checked): void => self.postMessage(said);

async function answer(request: CheckRequest): Promise<Checked> {
  const { id } = request;
  const unusable = (message: string): Checked => ({ type: 'unusable', id, message });
  const exercise = exerciseFrom(request.exercise);
  if (!exercise.ok) return unusable('The exercise cannot be read. Load the page again.');
  const wiring = readWiring(request.wiring, { boards: boardsOf(exercise.value.data) });
  if (!wiring.ok) return unusable(problemText(wiring.problems[0]!));
  let loaded: Grammars;
  try {
    loaded = await webGrammars();
  } catch {
    return unusable(
      'The checker could not be loaded. Your work is kept; try again when the connection is back.',
    );
  }
  say({ type: 'begun', id });
  const stated = statedExercise(exercise.value, request.stated ?? [], loaded);
  if (!stated.ok) return unusable(stated.problems[0]!.message);
  const build = buildFor(stated.value, wiring.value, request.program, loaded);
  const report = check(stated.value, build, loaded, request.sighting ? { sighting: request.sighting } : {});
  return { type: 'reported', id, report };
}

self.addEventListener('message', ({ data }: MessageEvent<unknown>) => {
  if (data === 'warm') void webGrammars().catch(() => undefined);
  else void answer(checkRequestSchema.parse(data)).then(say);
});
