'use client';

import { MoreHorizontal } from 'lucide-react';
import { Dialog, DropdownMenu } from 'radix-ui';
import { useState } from 'react';
import { Button } from '../design/Button';
import { Clock } from '../design/Clock';
import type { RevisionSummary } from './actions';
import type { CourseExercise } from './course';

interface ExerciseMenuProps {
  readonly exercise: CourseExercise;
  readonly classes: readonly { readonly id: string; readonly name: string }[];
  readonly mayEdit: boolean;
  readonly onStep: (by: -1 | 1) => void;
  readonly onRemove: () => void;
  readonly onPublish: (classId: string) => void;
  readonly revisions: (exerciseId: string) => Promise<readonly RevisionSummary[]>;
}

/** What can be done with an exercise of the course. */
export function ExerciseMenu({
  exercise,
  classes,
  mayEdit,
  onStep,
  onRemove,
  onPublish,
  revisions,
}: ExerciseMenuProps) {
  const [found, setFound] = useState<readonly RevisionSummary[]>();
  const [isOpen, setOpen] = useState(false);
  const show = (): void => {
    setOpen(true);
    void revisions(exercise.id).then(setFound);
  };
  return (
    <>
      <DropdownMenu.Root modal={false}>
        <DropdownMenu.Trigger
          aria-label={`What to do with ${exercise.title}`}
          className="flex h-10 w-9 items-center justify-center text-soft hover:text-ink"
        >
          <MoreHorizontal size={18} aria-hidden="true" />
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content align="end" className="z-20 w-64 border border-ink bg-card p-1.5">
            {mayEdit && exercise.state === 'complete' && (
              <>
                <DropdownMenu.Label className="px-2 py-1 text-note text-soft">Open it for</DropdownMenu.Label>
                {classes.map(({ id, name }) => (
                  <Choice key={id} onSelect={() => onPublish(id)}>
                    {name}
                    {exercise.openFor.includes(name) && (
                      <span className="text-note text-soft"> again, as it is now</span>
                    )}
                  </Choice>
                ))}
              </>
            )}
            {exercise.revisions > 0 && <Choice onSelect={show}>What was published, what changed</Choice>}
            {mayEdit && (
              <>
                <Choice onSelect={() => onStep(-1)} keys="Alt ↑">
                  Move up
                </Choice>
                <Choice onSelect={() => onStep(1)} keys="Alt ↓">
                  Move down
                </Choice>
                <Choice onSelect={onRemove}>Take it out of the course</Choice>
              </>
            )}
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      <Dialog.Root open={isOpen} onOpenChange={setOpen}>
        <Dialog.Portal>
          <Dialog.Overlay className="fixed inset-0 z-30 bg-ink/40" />
          <Dialog.Content
            aria-describedby={undefined}
            className="fixed top-[8vh] left-1/2 z-40 max-h-[84vh] w-[min(40rem,94vw)] -translate-x-1/2 overflow-y-auto border border-ink bg-card p-5"
          >
            <Dialog.Title className="text-lead">{exercise.title}: what was published</Dialog.Title>
            {found === undefined && <p className="mt-3 text-soft">Loading …</p>}
            {found?.map((revision) => (
              <section key={revision.number} className="mt-3 border-t border-rule pt-3">
                <h3 className="font-text text-body font-semibold">
                  Revision {revision.number} <Clock at={revision.at} />
                </h3>
                <p className="text-note text-soft">
                  by {revision.by}
                  {revision.classes.length > 0 && `, for ${revision.classes.join(' and ')}`}
                </p>
                {revision.changesSince.length === 0 ? (
                  <p>Nothing has changed since.</p>
                ) : (
                  <>
                    <p className="mt-1">Changed since:</p>
                    <ul className="ml-5 list-disc">
                      {revision.changesSince.map(({ text }) => (
                        <li key={text}>{text}</li>
                      ))}
                    </ul>
                  </>
                )}
              </section>
            ))}
            <Dialog.Close asChild>
              <Button className="mt-4">Close</Button>
            </Dialog.Close>
          </Dialog.Content>
        </Dialog.Portal>
      </Dialog.Root>
    </>
  );
}

function Choice({
  onSelect,
  keys,
  children,
}: {
  readonly onSelect: () => void;
  readonly keys?: string;
  readonly children: React.ReactNode;
}) {
  return (
    <DropdownMenu.Item
      onSelect={onSelect}
      className="flex cursor-pointer justify-between px-2 py-1.5 data-[highlighted]:bg-wash"
    >
      <span>{children}</span>
      {keys && <kbd className="mono text-note text-soft">{keys}</kbd>}
    </DropdownMenu.Item>
  );
}
