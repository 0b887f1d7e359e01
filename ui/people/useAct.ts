import { useState, useTransition } from 'react';

/** Does one thing after the other, and keeps why the last one was refused. */
export function useAct(): {
  readonly act: (work: () => Promise<string | undefined>) => void;
  readonly problem: string | undefined;
  readonly isBusy: boolean;
} {
  const [problem, setProblem] = useState<string>();
  const [isBusy, begin] = useTransition();
  return {
    act: (work) => begin(async () => setProblem(await work())),
    problem,
    isBusy,
  };
}
