import { Redo2, Undo2 } from 'lucide-react';
import { Button, Keys } from '../design/Button';
import type { Keeping } from './useSheet';

interface KeepingWordsProps {
  readonly keeping: Keeping;
  /** Who else changed something last. */
  readonly lastOther: string | undefined;
  readonly trouble: string | undefined;
  readonly mayEdit: boolean;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  readonly onStep: (way: 'undo' | 'redo') => void;
}

const words: Readonly<Record<'saved' | 'saving' | 'only-here', string>> = {
  saved: 'All changes saved.',
  saving: 'Saving …',
  'only-here': 'No connection: your changes are saved in this browser and will be sent when it is back.',
};

/** Whether what was written is safe, who else is writing, and the way back. */
export function KeepingWords({
  keeping,
  lastOther,
  trouble,
  mayEdit,
  canUndo,
  canRedo,
  onStep,
}: KeepingWordsProps) {
  if (!mayEdit)
    return (
      <p className="border-b border-rule px-5 py-1 text-note text-soft">
        Only instructors can change exercises.
      </p>
    );
  return (
    <div className="flex min-h-10 flex-wrap items-center gap-x-4 border-b border-rule px-5 text-note">
      <p
        role="status"
        className={
          keeping.state === 'refused'
            ? 'font-semibold text-fault'
            : keeping.state === 'only-here'
              ? 'font-semibold text-risk'
              : 'text-soft'
        }
      >
        {keeping.state === 'refused' ? `Not saved: ${keeping.message}` : words[keeping.state]}
      </p>
      {lastOther && <p className="text-soft">{lastOther} is writing here too.</p>}
      {trouble && <p className="font-semibold text-fault">{trouble}</p>}
      <div className="ml-auto flex">
        <Button look="tool" size="small" disabled={!canUndo} onClick={() => onStep('undo')}>
          <Undo2 size={15} aria-hidden="true" /> Undo<Keys>Ctrl Z</Keys>
        </Button>
        <Button look="tool" size="small" disabled={!canRedo} onClick={() => onStep('redo')}>
          <Redo2 size={15} aria-hidden="true" /> Redo
        </Button>
      </div>
    </div>
  );
}
