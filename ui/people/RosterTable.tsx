'use client';

import { MoreHorizontal } from 'lucide-react';
import { AlertDialog, DropdownMenu } from 'radix-ui';
import { useState } from 'react';
import { capital, howMany } from '@/core/words/words';
import { Button } from '../design/Button';
import { Problem } from '../design/Problem';
import type { ClassActions, Slip } from './actions';
import type { LearnerLine } from './class';
import { useAct } from './useAct';

interface RosterTableProps {
  readonly classId: string;
  readonly learners: readonly LearnerLine[];
  readonly others: readonly { readonly id: string; readonly name: string }[];
  readonly mayKeep: boolean;
  /** Learners who have not joined. */
  readonly waiting: number;
  readonly actions: ClassActions;
  readonly onSlips: (slips: readonly Slip[]) => void;
}

/** The learners of a class, and what can be done for each. */
export function RosterTable(props: RosterTableProps) {
  const { classId, learners, waiting, actions, onSlips } = props;
  const { act, problem, isBusy } = useAct();
  const [renaming, setRenaming] = useState<string>();
  const [erasing, setErasing] = useState<LearnerLine>();
  const slipFor = ({ id, name }: LearnerLine): void =>
    act(async () => {
      const slip = await actions.newSlip(id);
      if (slip === undefined) return `${name} is no longer in a class of yours.`;
      onSlips([{ name, slip }]);
      return undefined;
    });
  return (
    <section aria-labelledby="roster-title">
      <header className="flex flex-wrap items-center gap-x-4 gap-y-2 px-6 pt-6 pb-3">
        <h2 id="roster-title" className="mr-auto text-title">
          {learners.length === 0 ? 'No learners yet' : capital(howMany(learners.length, 'learner'))}
        </h2>
        {waiting > 0 && (
          <Button
            disabled={isBusy}
            onClick={() =>
              act(async () => {
                onSlips(await actions.slips(classId));
                return undefined;
              })
            }
          >
            {isBusy ? 'Making slips …' : `New slips for ${waiting} who have not joined`}
          </Button>
        )}
      </header>
      <Problem className="px-6 pb-2">{problem}</Problem>
      {learners.length > 0 && (
        <table className="w-full border-t border-rule">
          <thead className="text-left text-note text-soft">
            <tr>
              <th className="w-14 py-1.5 pr-3 pl-6 text-right font-normal">no.</th>
              <th className="font-normal">name</th>
              <th className="w-44 font-normal">the door</th>
              <th className="w-20 text-right font-normal">hand-ins</th>
              <th className="w-14">
                <span className="sr-only">what to do</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {learners.map((learner, index) => (
              <tr key={learner.id} className="border-t border-rule hover:bg-card">
                <td className="mono py-1 pr-3 pl-6 text-right text-soft">{index + 1}</td>
                <td className="break-words">
                  {renaming === learner.id ? (
                    <RenameField
                      name={learner.name}
                      onDone={(name) => {
                        setRenaming(undefined);
                        if (name !== undefined) act(() => actions.renameLearner(classId, learner.id, name));
                      }}
                    />
                  ) : (
                    <span className="font-semibold">{learner.name}</span>
                  )}
                </td>
                <td className="text-soft">
                  {learner.isSignedIn ? (
                    <strong className="text-ink">signed in</strong>
                  ) : learner.hasJoined ? (
                    'has joined'
                  ) : (
                    'waits for a slip'
                  )}
                </td>
                <td className="mono text-right">{learner.handIns}</td>
                <td className="pr-4 text-right">
                  <LearnerMenu
                    {...props}
                    learner={learner}
                    onSlip={() => slipFor(learner)}
                    onRename={() => setRenaming(learner.id)}
                    onMove={(to) => act(() => actions.moveLearner(classId, learner.id, to))}
                    onErase={() => setErasing(learner)}
                  />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <AlertDialog.Root
        open={erasing !== undefined}
        onOpenChange={(isOpen) => !isOpen && setErasing(undefined)}
      >
        <AlertDialog.Portal>
          <AlertDialog.Overlay className="fixed inset-0 z-30 bg-ink/40" />
          <AlertDialog.Content className="fixed top-[20vh] left-1/2 z-40 w-[min(30rem,92vw)] -translate-x-1/2 border border-ink bg-card p-5">
            <AlertDialog.Title className="text-title">Erase {erasing?.name}?</AlertDialog.Title>
            <AlertDialog.Description className="mt-2">
              Name, word, drafts and all {erasing?.handIns ?? 0} hand-ins go, and nobody can bring them back.
              The class keeps counts without a name.
            </AlertDialog.Description>
            <div className="mt-4 flex justify-end gap-2">
              <AlertDialog.Cancel asChild>
                <Button>Keep {erasing?.name}</Button>
              </AlertDialog.Cancel>
              <AlertDialog.Action asChild>
                <Button
                  look="main"
                  onClick={() => erasing && act(() => actions.eraseLearner(classId, erasing.id))}
                >
                  Erase
                </Button>
              </AlertDialog.Action>
            </div>
          </AlertDialog.Content>
        </AlertDialog.Portal>
      </AlertDialog.Root>
    </section>
  );
}

interface RenameFieldProps {
  readonly name: string;
  /** The new name, or nothing when it stays. */
  readonly onDone: (name: string | undefined) => void;
}

function RenameField({ name, onDone }: RenameFieldProps) {
  return (
    <form
      className="flex flex-wrap gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        onDone(new FormData(event.currentTarget).get('name')?.toString());
      }}
      onKeyDown={({ key }) => key === 'Escape' && onDone(undefined)}
    >
      <input
        name="name"
        aria-label={`New name of ${name}`}
        defaultValue={name}
        ref={(field) => field?.select()}
        maxLength={120}
        autoComplete="off"
        className="min-h-8 min-w-0 border border-rule-strong bg-card px-2"
      />
      <Button type="submit" size="small">
        Rename
      </Button>
    </form>
  );
}

interface LearnerMenuProps extends Pick<RosterTableProps, 'classId' | 'others' | 'mayKeep'> {
  readonly learner: LearnerLine;
  readonly onSlip: () => void;
  readonly onRename: () => void;
  readonly onMove: (toClassId: string) => void;
  readonly onErase: () => void;
}

const ITEM =
  'flex min-h-9 cursor-default items-center px-2 outline-none data-[highlighted]:bg-wash data-[highlighted]:shadow-[inset_3px_0_0_var(--focus)]';

function LearnerMenu({
  classId,
  learner,
  others,
  mayKeep,
  onSlip,
  onRename,
  onMove,
  onErase,
}: LearnerMenuProps) {
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger
        aria-label={`What to do for ${learner.name}`}
        className="inline-flex h-9 w-9 items-center justify-center text-soft hover:text-ink"
      >
        <MoreHorizontal size={18} aria-hidden="true" />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="end" className="z-20 w-64 border border-ink bg-card p-1.5">
          <DropdownMenu.Item className={ITEM} onSelect={onSlip}>
            {learner.hasJoined ? 'Forgot the word: a new slip' : 'A new slip'}
          </DropdownMenu.Item>
          {mayKeep && (
            <>
              <DropdownMenu.Item className={ITEM} onSelect={onRename}>
                Another name
              </DropdownMenu.Item>
              {others.map(({ id, name }) => (
                <DropdownMenu.Item key={id} className={ITEM} onSelect={() => onMove(id)}>
                  Move to {name}
                </DropdownMenu.Item>
              ))}
              <DropdownMenu.Separator className="my-1 border-t border-rule" />
              <DropdownMenu.Item className={ITEM} asChild>
                <a href={`/classes/${classId}/people/${learner.id}`} download>
                  All that is kept, as a file
                </a>
              </DropdownMenu.Item>
              <DropdownMenu.Item className={ITEM} onSelect={onErase}>
                Erase …
              </DropdownMenu.Item>
            </>
          )}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
