import * as z from 'zod';
import { LiveRunner } from '@/core/generated/live-runs';
import { problemText } from '@/core/result';
import { webGrammars } from './grammars';
import type { KeepRequest, RunAnswer, RunRequest } from './messages';

// Zod otherwise tries out code generation, which the content security policy forbids.
z.config({ jitless: true });

const NO_CONNECTION = 'What runs the program could not be loaded. Try again when the connection is back.';

const TOO_MUCH = 'This program does more than can be run here. Hand it in, and the server tries it.';

let runner: LiveRunner | undefined;
let latest = 0;

const say = (answer: RunAnswer, transfer: Transferable[] = []): void =>
  self.postMessage(answer, { transfer });

function run({ seq, subjects, stimuli, seconds }: RunRequest): void {
  // What came in while the last one was run is newer.
  if (seq !== latest) return;
  let outcome;
  try {
    outcome = runner!.run(subjects, stimuli, seconds);
  } catch {
    say({ type: 'hindered', seq, message: TOO_MUCH });
    return;
  }
  if (!outcome.ok) {
    say({ type: 'hindered', seq, message: problemText(outcome.problems[0]!) });
    return;
  }
  const buffers = outcome.value.runs.flatMap(({ recording }) => [
    recording.stepTimes.buffer as ArrayBuffer,
    recording.stepLines.buffer as ArrayBuffer,
  ]);
  say({ type: 'run', seq, ...outcome.value }, buffers);
}

function keep(request: KeepRequest): void {
  try {
    say({ type: 'kept', shown: runner!.keep(request.subject, request) });
  } catch {
    // A run that is too much to be described is none to be kept.
    say({ type: 'kept', shown: undefined });
  }
}

async function answer(request: RunRequest | KeepRequest): Promise<void> {
  if (request.type === 'run') latest = request.seq;
  try {
    runner ??= new LiveRunner(await webGrammars());
  } catch {
    if (request.type === 'run') say({ type: 'hindered', seq: request.seq, message: NO_CONNECTION });
    return;
  }
  if (request.type === 'keep') keep(request);
  // A turn later, so that of several that wait only the last is run.
  else setTimeout(() => run(request));
}

self.addEventListener('message', ({ data }: MessageEvent<RunRequest | KeepRequest | 'warm'>) => {
  if (data === 'warm') void webGrammars().catch(() => undefined);
  else void answer(data);
});
