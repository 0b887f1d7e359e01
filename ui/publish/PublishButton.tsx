'use client';

import { Popover } from 'radix-ui';
import { useState, useTransition } from 'react';
import type { Lack } from '@/core/worksheet/lacks';
import { Button, Keys } from '../design/Button';
import { Problem } from '../design/Problem';
import { useKey } from '../shell/useKey';
import { ClassLine } from './ClassLine';
import type { ClassToPublishTo, PublishActions } from './publishing';

interface PublishButtonProps {
  readonly exerciseId: string;
  readonly classes: readonly ClassToPublishTo[];
  readonly actions: PublishActions;
}

/** Opens the exercise for classes, says when and for whom, and closes it again. */
export function PublishButton({ exerciseId, classes, actions }: PublishButtonProps) {
  const [isOpen, setOpen] = useState(false);
  const [missing, setMissing] = useState<readonly Lack[]>();
  const [isPending, begin] = useTransition();
  const [problem, setProblem] = useState<string>();
  const open = (next: boolean): void => {
    setOpen(next);
    if (!next) return;
    setMissing(undefined);
    void actions.lacks(exerciseId).then(setMissing, () => setMissing([]));
  };
  useKey('p', () => open(true));
  const act = (work: () => Promise<string | undefined>, onDone?: () => void): void => {
    begin(async () => {
      const refusal = await work().catch(
        () => 'The server can’t be reached. Nothing was changed; try again.',
      );
      setProblem(refusal);
      if (refusal === undefined) onDone?.();
    });
  };
  return (
    <Popover.Root open={isOpen} onOpenChange={open}>
      <Popover.Trigger asChild>
        <Button look="main">
          Publish<Keys>P</Keys>
        </Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={8}
          aria-labelledby="publish-title"
          className="z-20 max-h-[calc(100dvh-5rem)] w-[min(30rem,100vw)] overflow-y-auto border border-ink bg-card p-4"
        >
          <h2 id="publish-title" className="text-lead">
            Open for a class
          </h2>
          <p className="mt-1 text-note text-soft">
            A class gets the exercise as it stands now. Later changes reach it when you publish again.
          </p>
          <Missing lacks={missing} />
          <ul className="mt-3" aria-label="Classes">
            {classes.map((group) => (
              <ClassLine
                key={group.id}
                group={group}
                isPending={isPending}
                onPublish={(dates, onDone) => act(() => actions.publish(exerciseId, group.id, dates), onDone)}
                onClose={(id) => act(() => actions.close(exerciseId, id))}
                onBringBack={(id) => act(() => actions.bringBack(exerciseId, id))}
                onSetDates={(id, dates, onDone) => act(() => actions.setDates(exerciseId, id, dates), onDone)}
              />
            ))}
          </ul>
          <Problem className="mt-2">{problem}</Problem>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

/** What is missing for a class; it may go out all the same. */
function Missing({ lacks }: { readonly lacks: readonly Lack[] | undefined }) {
  if (!lacks) return <p className="mt-3 text-soft">Looking it over …</p>;
  if (lacks.length === 0)
    return <p className="mt-3 font-semibold text-good">Nothing is missing for a class.</p>;
  return (
    <section className="mt-3" aria-label="Before it goes out">
      <h3 className="font-semibold">Before it goes out</h3>
      <ul className="mt-1 grid gap-1">
        {lacks.map(({ text, weight }) => (
          <li key={text} className="grid grid-cols-[1rem_1fr] leading-snug">
            <span aria-hidden="true" className={weight === 'gap' ? 'font-bold text-risk' : 'text-soft'}>
              {weight === 'gap' ? '!' : '·'}
            </span>
            {text}
          </li>
        ))}
      </ul>
    </section>
  );
}
