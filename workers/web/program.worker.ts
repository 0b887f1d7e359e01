import * as z from 'zod';
import { compileProgram } from '@/core/program';
import { webGrammars } from './grammars';
import type { LookedOver, LookOver } from './messages';

// Zod otherwise tries out code generation, which the content security policy forbids.
z.config({ jitless: true });

let latest = 0;

self.addEventListener('message', ({ data }: MessageEvent<LookOver | 'warm'>) => {
  if (data === 'warm') {
    void webGrammars().catch(() => undefined);
    return;
  }
  const { seq, source, board, language } = data;
  latest = seq;
  webGrammars()
    .then((grammars) => {
      if (seq !== latest) return;
      const { problems, isEmpty } = compileProgram(source, board, grammars, language);
      self.postMessage({ seq, problems: isEmpty ? [] : problems } satisfies LookedOver);
    })
    // Without a connection nothing is marked, and the check says it all later.
    .catch(() => self.postMessage({ seq, problems: [] } satisfies LookedOver));
});
