import type { AskedRun } from '@/core/generated/task';
import { capital } from '@/core/words/words';

/** One scenario after another: what is done, and what must come of it. */
export function AskedRuns({ runs }: { readonly runs: readonly AskedRun[] }) {
  return (
    <ol className="grid gap-3">
      {runs.map(({ name, done, seen }, index) => (
        <li key={index}>
          {(runs.length > 1 || done.length > 0) && (
            <p className="font-semibold">
              {capital(
                `${runs.length > 1 ? `${name}: ` : ''}${done.length === 0 ? 'nothing is touched' : done.join(', ')}`,
              )}
            </p>
          )}
          <ul className="ml-4 list-disc">
            {seen.map((sentence) => (
              <li key={sentence}>{sentence}</li>
            ))}
          </ul>
        </li>
      ))}
    </ol>
  );
}
