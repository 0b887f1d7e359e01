'use client';

import { Popover } from 'radix-ui';
import { useState, useTransition } from 'react';
import { Button, Keys } from '../design/Button';
import { Problem } from '../design/Problem';
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
}

/** Opens the exercise for classes, and closes it again. */
export function PublishButton({ exerciseId, classes, publish, close }: PublishButtonProps) {
  const [isOpen, setOpen] = useState(false);
  const [isPending, begin] = useTransition();
  const [problem, setProblem] = useState<string>();
  useKey('p', () => setOpen(true));
  const act = (work: () => Promise<string | undefined>): void => {
    begin(async () => setProblem(await work()));
  };
  return (
    <Popover.Root open={isOpen} onOpenChange={setOpen}>
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
