'use client';

import { Popover } from 'radix-ui';
import { useState, useTransition } from 'react';
import { Button, Keys } from '../design/Button';
import { Problem } from '../design/Problem';
import type { Lack } from '@/core/worksheet/lacks';
import { useKey } from '../shell/useKey';

interface PublishButtonProps {
  readonly exerciseId: string;
  readonly classes: readonly {
    readonly id: string;
    readonly name: string;
    readonly publicationId?: string;
    readonly revision?: number;
  }[];
  readonly publish: (exerciseId: string, classId: string) => Promise<string | undefined>;
  readonly close: (exerciseId: string, publicationId: string) => Promise<string | undefined>;
  /** What the exercise still lacks before a class gets it. */
  readonly lacks: (exerciseId: string) => Promise<readonly Lack[]>;
}

/** Opens the exercise for classes, and closes it again. */
export function PublishButton({ exerciseId, classes, publish, close, lacks }: PublishButtonProps) {
  const [isOpen, setOpen] = useState(false);
  const [missing, setMissing] = useState<readonly Lack[]>();
  const [isPending, begin] = useTransition();
  const [problem, setProblem] = useState<string>();
  const open = (next: boolean): void => {
    setOpen(next);
    if (!next) return;
    setMissing(undefined);
    void lacks(exerciseId).then(setMissing, () => setMissing([]));
  };
  useKey('p', () => open(true));
  const act = (work: () => Promise<string | undefined>): void => {
    begin(async () => setProblem(await work()));
  };
  return (
    <Popover.Root open={isOpen} onOpenChange={open}>
      <Popover.Trigger asChild>
        <Button look="main">
          Publish<Keys>P</Keys>
        </Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content align="end" sideOffset={8} className="z-20 w-96 border border-ink bg-card p-4">
          <h2 className="text-lead">Open for a class</h2>
          <p className="mt-1 text-note text-soft">
            A class gets the exercise as it stands now. Later changes reach it when you publish again.
          </p>
          <Missing lacks={missing} />
          <ul className="mt-3">
            {classes.map(({ id, name, publicationId, revision }) => (
              <li key={id} className="flex min-h-12 items-center gap-3 border-t border-rule py-2">
                <span className="flex-1 font-semibold">
                  {name}
                  {publicationId && (
                    <span className="ml-2 text-note font-normal text-soft">open, revision {revision}</span>
                  )}
                </span>
                {publicationId && (
                  <Button disabled={isPending} onClick={() => act(() => close(exerciseId, publicationId))}>
                    Close
                  </Button>
                )}
                <Button
                  look={publicationId ? 'plain' : 'main'}
                  disabled={isPending}
                  onClick={() => act(() => publish(exerciseId, id))}
                >
                  {publicationId ? 'Publish again' : 'Publish'}
                </Button>
              </li>
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
