'use client';

import { Button } from '../design/Button';
import { useTold } from '../words/Words';
import { AskedRuns } from './AskedRuns';
import { useBench } from './useBench';

/** The stage that is tried on the way: what is to be done and seen, and the way back to the whole. */
export function StageNotice() {
  const { stage: given, tryStage } = useBench();
  const stage = useTold(given);
  if (!stage) return null;
  return (
    <section
      aria-label="On the way there"
      className="flex flex-wrap items-start gap-x-6 gap-y-2 border-b border-ink bg-wash px-5 py-3 text-bench"
    >
      <div className="min-w-0 flex-1 basis-72">
        <h2 className="text-bench font-bold">On the way there: {stage.name}</h2>
        <AskedRuns runs={stage.runs} />
      </div>
      <Button className="min-h-11" onClick={() => tryStage(undefined)}>
        Back to the whole exercise
      </Button>
    </section>
  );
}
