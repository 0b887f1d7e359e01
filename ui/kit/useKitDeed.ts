import { useState, useTransition } from 'react';
import type { KitOutcome } from '@/core/messages/kit';

const AWAY = 'The server can’t be reached. Nothing was changed; try again.';

/** Does something in the store, and keeps what is to be said of it. */
export function useKitDeed(): {
  readonly run: (work: () => Promise<KitOutcome>, then?: (outcome: KitOutcome) => void) => void;
  readonly problem: string | undefined;
  readonly isBusy: boolean;
} {
  const [problem, setProblem] = useState<string>();
  const [isBusy, begin] = useTransition();
  return {
    run: (work, then) =>
      begin(async () => {
        const outcome = await work().catch((): KitOutcome => ({ is: 'refused', message: AWAY }));
        setProblem(
          outcome.is === 'refused'
            ? outcome.message
            : outcome.is === 'overtaken'
              ? `${outcome.by} has booked meanwhile: there are ${outcome.line.count} now. Count again, or agree.`
              : undefined,
        );
        then?.(outcome);
      }),
    problem,
    isBusy,
  };
}
