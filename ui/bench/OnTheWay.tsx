'use client';

import type { AskedStage } from '@/core/generated/task';
import { capital, listText } from '@/core/words/words';
import { Button } from '../design/Button';
import { TaskSection } from './TaskSection';
import { useBench } from './useBench';

/** What can be tried before everything is built; what works is ticked off. */
export function OnTheWay({ stages }: { readonly stages: readonly AskedStage[] }) {
  const { state, tryStage } = useBench();
  const { parts, stagesDone = [] } = state.draft;
  if (stages.length === 0) return null;
  const inBag = (refs: readonly string[]): readonly string[] =>
    refs.filter((name) =>
      Object.values(parts.find(({ ref }) => ref === name)?.at ?? {}).every((place) => place === ''),
    );
  return (
    <TaskSection title="On the way there">
      <p className="mb-1 max-w-[60ch] text-note text-soft">
        Try a part of it as soon as it is built: a mistake is found sooner among few parts.
      </p>
      <ul>
        {stages.map(({ name, refs }) => {
          const missing = inBag(refs);
          return (
            <li key={name} className="flex items-center gap-3 border-b border-rule py-2 last:border-b-0">
              <div className="min-w-0 flex-1">
                <p className="font-semibold">
                  {stagesDone.includes(name) && <span className="text-good">✓ </span>}
                  {capital(name)}
                </p>
                <p className="text-note text-soft">
                  {stagesDone.includes(name)
                    ? 'It works.'
                    : missing.length === 0
                      ? 'Everything that it needs is in your record.'
                      : `Once ${listText([...missing])} ${missing.length === 1 ? 'is' : 'are'} in your record.`}
                </p>
              </div>
              <Button
                size="roomy"
                aria-label={`Try ${name}`}
                disabled={missing.length > 0}
                onClick={() => tryStage(name)}
              >
                Try it
              </Button>
            </li>
          );
        })}
      </ul>
    </TaskSection>
  );
}
