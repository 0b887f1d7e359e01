'use client';

import { useMemo, useState } from 'react';
import { drawBench } from '@/core/drawing/bench';
import { aspectOf, closeUp } from '@/core/drawing/close-up';
import type { Drawing } from '@/core/drawing/list';
import type { AskedCaution, AskedSteps } from '@/core/generated/task';
import { readWiring } from '@/core/wiring/read';
import { nameOf, type Wiring } from '@/core/wiring/wiring';
import { Button } from '../design/Button';
import { Cautions } from '../design/Cautions';
import { BenchFigure } from '../drawing/BenchFigure';
import { shortPlace } from './draft';
import { TaskSection } from './TaskSection';
import { useBench } from './useBench';

interface TaskStepsProps {
  readonly steps: AskedSteps;
  readonly cautions: readonly AskedCaution[];
}

/** The build one step at a time, with the picture as it looks then. */
export function TaskSteps({ steps: { layout, steps, trial }, cautions }: TaskStepsProps) {
  const { exercise, board, state, dispatch, task, tryStage } = useBench();
  const [at, setAt] = useState(0);
  const step = steps[at];
  const wiring = useMemo(() => {
    const boards = new Map([[exercise.board ?? '', board]]);
    const read = readWiring(layout, { boards });
    return read.ok ? read.value : undefined;
  }, [layout, exercise.board, board]);
  const drawing = useMemo((): Drawing | undefined => {
    if (!wiring || !step) return undefined;
    const present = new Set(step.present);
    const drawing = drawBench(
      { ...wiring, parts: wiring.parts.filter(({ ref }) => present.has(ref)) },
      { crop: 'used' },
    );
    // From near, so that the holes can be counted.
    return closeUp(drawing, new Set([step.ref]), { rows: 'with their names' }) ?? drawing;
  }, [wiring, step]);
  if (!step) return null;
  const shown = placesIn(wiring, step.ref);
  const standing = recordedAs(shown, state.draft.parts.find(({ ref }) => ref === step.ref)?.at ?? {});
  const isLast = at === steps.length - 1;
  return (
    <TaskSection title={`Step ${at + 1} of ${steps.length}`}>
      <p className="font-semibold">{step.text}</p>
      <p className="text-note text-soft">{step.checkpoint}</p>
      <Cautions
        texts={cautions.flatMap(({ when, refs, text }) =>
          when === 'with-parts' && refs.includes(step.ref) ? text : [],
        )}
      />
      {drawing && (
        <BenchFigure
          drawing={drawing}
          title={`After step ${at + 1}`}
          emphasis={new Set([step.ref])}
          className="mt-2 w-full border border-rule"
          style={{ aspectRatio: aspectOf(drawing) }}
        />
      )}
      {task.stages
        .filter(({ afterStep }) => afterStep === at + 1)
        .map(({ name }) => (
          <Button key={name} size="roomy" className="mt-2" onClick={() => tryStage(name)}>
            Now try it: {name}
          </Button>
        ))}
      {isLast && trial && <p className="mt-2">{trial}</p>}
      <p role="status" className="mt-2 min-h-6">
        {standing === 'as shown' ? (
          <span className="font-semibold text-good">✓ It is in your record as shown.</span>
        ) : standing === 'otherwise' ? (
          `Your record has ${step.ref} otherwise. If that is how it is built, leave it so.`
        ) : (
          ''
        )}
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        {standing !== 'as shown' && (
          <Button
            look="main"
            size="roomy"
            onClick={() => {
              dispatch({ type: 'did step', ref: step.ref, at: shown });
              if (!isLast) setAt(at + 1);
            }}
          >
            I did this as shown
          </Button>
        )}
        <Button size="roomy" disabled={at === 0} onClick={() => setAt(at - 1)}>
          Step back
        </Button>
        <Button size="roomy" disabled={isLast} onClick={() => setAt(at + 1)}>
          Next step
        </Button>
      </div>
    </TaskSection>
  );
}

/** Where the ends of a part are in a wiring, as they are recorded at the bench. */
const placesIn = (wiring: Wiring | undefined, ref: string): Readonly<Record<string, string>> =>
  Object.fromEntries(
    (wiring?.parts.find((part) => part.ref === ref)?.legs ?? []).flatMap(({ leg, at }) =>
      at ? [[leg, shortPlace(nameOf(at))]] : [],
    ),
  );

/** How a part stands in the record beside how it is shown. */
function recordedAs(
  shown: Readonly<Record<string, string>>,
  recorded: Readonly<Record<string, string>>,
): 'open' | 'as shown' | 'otherwise' {
  if (Object.values(recorded).every((place) => place === '')) return 'open';
  const isSame = Object.entries(shown).every(
    ([leg, place]) => recorded[leg]?.trim().toLowerCase() === place.toLowerCase(),
  );
  return isSame ? 'as shown' : 'otherwise';
}
