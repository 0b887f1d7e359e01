import * as z from 'zod';
import { FaultRehearsal, faultsOf } from '@/core/faults/rehearsal';
import { exerciseFrom, solvedByAuthor } from '@/core/formats/exercise';
import { problemText } from '@/core/result';
import { webGrammars } from './grammars';
import type { FaultAnswer, FaultRequest } from './messages';

// Zod otherwise tries out code generation, which the content security policy forbids.
z.config({ jitless: true });

const say = (answer: FaultAnswer): void => self.postMessage(answer);

async function rehearse({ exercise: data, share, of }: FaultRequest): Promise<void> {
  const exercise = exerciseFrom(data);
  if (!exercise.ok) {
    say({ type: 'hindered', message: problemText(exercise.problems[0]!) });
    return;
  }
  const solved = solvedByAuthor(exercise.value);
  const rehearsal = new FaultRehearsal(solved, await webGrammars());
  const hindrance = rehearsal.hindrance();
  if (hindrance !== undefined) {
    say({ type: 'hindered', message: hindrance });
    return;
  }
  const faults = faultsOf(solved);
  say({ type: 'planned', total: faults.length });
  for (const [index, fault] of faults.entries())
    if (index % of === share) say({ type: 'rehearsed', index, fault: rehearsal.rehearse(fault) });
  say({ type: 'over' });
}

self.addEventListener('message', ({ data }: MessageEvent<FaultRequest>) => {
  rehearse(data).catch(() =>
    say({
      type: 'hindered',
      message: 'The checker could not be loaded. Try again when the connection is back.',
    }),
  );
});
